"""The themes' colours against WCAG 2.2."""

from __future__ import annotations

import re
from pathlib import Path as FilePath

import pytest
from coloraide import Color

_FILE = FilePath(__file__).parents[2] / "frontend/src/shared/style.css"
CSS = re.sub(r"/\*.*?\*/\n?", "", _FILE.read_text(), flags=re.DOTALL)
TEXT = [
    ("base-content", "base-100"),
    ("base-content", "base-200"),
    ("primary-content", "primary"),
    ("secondary-content", "secondary"),
    ("neutral-content", "neutral"),
    ("error", "base-100"),
    ("accent", "base-200"),
    ("accent", "base-100"),
]


def _theme(name: str) -> dict[str, str]:
    block = re.search(rf'name: "{name}";(.*?)\n}}', CSS, re.DOTALL)
    assert block
    return dict(re.findall(r"--color-([a-z0-9-]+): (#[0-9a-f]{6})", block[1]))


def _variables(selector: str) -> dict[str, str]:
    """What the rules of a selector set, alone or with others; the later over the earlier."""
    rules = re.findall(r"^([^\s@}][^{}]*?) {\n([^{}]*?)\n}", CSS, re.MULTILINE)
    blocks = [body for selectors, body in rules if selector in re.split(r",\s*", selectors)]
    return {k: v for block in blocks for k, v in re.findall(r"--([a-z-]+): (#[0-9a-f]{6})\b", block)}


def contrast(a: str, b: str) -> float:
    # WCAG 2.2, "contrast ratio": (L1 + 0.05) / (L2 + 0.05).
    lighter, darker = sorted((Color(c).luminance() for c in (a, b)), reverse=True)
    return float((lighter + 0.05) / (darker + 0.05))


@pytest.mark.parametrize("theme", ["paper", "lamp"])
@pytest.mark.parametrize(("ink", "background"), TEXT)
def test_text_has_four_and_a_half_to_one(theme: str, ink: str, background: str) -> None:
    colours = _theme(theme)
    assert contrast(colours[ink], colours[background]) >= 4.5


@pytest.mark.parametrize(("theme", "selector"), [("paper", ":root"), ("lamp", '[data-theme="lamp"]')])
def test_muted_text_has_four_and_a_half_to_one(theme: str, selector: str) -> None:
    muted = _variables(selector)["muted"]
    for background in ("base-100", "base-200"):
        assert contrast(muted, _theme(theme)[background]) >= 4.5


@pytest.mark.parametrize(("theme", "selector"), [("paper", ":root"), ("lamp", '[data-theme="lamp"]')])
def test_the_edges_of_controls_have_three_to_one(theme: str, selector: str) -> None:
    """WCAG 2.2, 1.4.11."""
    edge = _variables(selector)["edge"]
    for background in ("base-100", "base-200"):
        assert contrast(edge, _theme(theme)[background]) >= 3


@pytest.mark.parametrize(
    "selector",
    [
        ":root", '[data-theme="lamp"]', '[data-background="light"]', '[data-background="dark"]',
        '[data-theme="lamp"] [data-background="light"]',
    ],
)  # fmt: skip
def test_marks_stand_out_from_the_paper(selector: str) -> None:
    colours = _variables(selector)
    assert contrast(colours["mark"], colours["paper"]) >= 4.5
