"""Style sheets of drawings: what holds of a line, and what is too much."""

from __future__ import annotations

import pytest

from curlet.core.errors import TooMuch
from curlet.formats import svg_styles
from curlet.formats.svg_in import read_svg
from tests.formats.test_svg_in import svg


def weights(style: str, body: str) -> list[float]:
    taken = read_svg(svg(f"<style>{style}</style>{body}"))
    return [round(line.facts.weight, 6) for line in taken.paths]


LINE = '<path class="seam" id="hem" stroke="#000" {more} d="M0 0h9"/>'


@pytest.mark.parametrize(
    ("style", "more", "weight"),
    [
        (".seam{stroke-width:2}", "", 2),
        (".other,.seam{stroke-width:2}", "", 2),
        (".seam{stroke-width:2}.seam{stroke-width:3}", "", 3),
        ("#hem{stroke-width:4}.seam{stroke-width:3}", "", 4),
        ("g > .seam{stroke-width:5}", "", 5),
        ("svg g path{stroke-width:5}", "", 5),
        ("g + .seam{stroke-width:5}", "", 1),
        (".seam{stroke-width:2}", 'stroke-width="6"', 2),
        (".seam{stroke-width:2}", 'style="stroke-width:6"', 6),
        (".seam{stroke-width:2 !important}", 'style="stroke-width:6"', 2),
        ("/* none */", 'style="stroke-width:6"', 6),
        ("@media print{.seam{stroke-width:9}}.seam{stroke-width:2}", "", 2),
        ("}}}.seam{stroke-width:2}", "", 1),
        (".seam{stroke-width:2", "", 2),
        (".seam:hover{stroke-width:2}", "", 1),
    ],
)
def test_what_holds_is_as_css_has_it(style: str, more: str, weight: float) -> None:
    """CSS 2.1, 6.4 (the cascade), and its rules for what is broken (4.2)."""
    assert weights(style, f"<g>{LINE.format(more=more)}</g>") == [weight]


def test_two_sheets_hold_together_the_later_one_wins() -> None:
    style = ".seam{stroke-width:2}</style><style>.seam{stroke-width:3}"
    assert weights(style, LINE.format(more="")) == [3]


def test_a_hidden_kind_of_line_stays_out() -> None:
    taken = read_svg(
        svg(f'<style>.off{{display:none}}</style>{LINE.format(more="")}<path class="off" d="M0 1h5"/>')
    )
    assert len(taken.paths) == 1


def test_a_clip_and_an_opacity_named_in_a_class_hold() -> None:
    clip = '<clipPath id="c"><path d="M0 0h5v5h-5z"/></clipPath>'
    style = "<style>.k{clip-path:url(#c);opacity:.5}</style>"
    (line,) = read_svg(svg(f'{clip}{style}<path class="k" fill="#123" d="M1 1h9v9h-9z"/>')).paths
    assert len(line.clips) == 1
    assert line.facts.fill_opacity == pytest.approx(0.5)


def test_a_sheet_with_rules_without_end_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(svg_styles, "MAX_TRIES", 50)
    rules = "".join(f"path:not(.r{i}){{fill:none}}" for i in range(60))
    with pytest.raises(TooMuch, match="too many rules"):
        weights(rules, LINE.format(more=""))
