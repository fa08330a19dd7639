"""Importing line drawings: physical size, every shape, and hostile files."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.formats import imported
from curlet.formats.imported import ImportedDrawing
from curlet.formats.svg_in import read_svg

NS = 'xmlns="http://www.w3.org/2000/svg"'


def svg(body: str, attributes: str = 'width="100mm" height="50mm" viewBox="0 0 100 50"') -> bytes:
    return f"<svg {NS} {attributes}>{body}</svg>".encode()


def take(body: str, attributes: str = 'width="100mm" height="50mm" viewBox="0 0 100 50"') -> ImportedDrawing:
    return read_svg(svg(body, attributes))


LINE = '<path id="hem" d="M10 10H60" stroke="#112233" stroke-width="0.5"/>'


@pytest.mark.parametrize(
    ("attributes", "length"),
    [
        ('width="100mm" height="50mm" viewBox="0 0 100 50"', 50),
        ('width="200mm" height="100mm" viewBox="0 0 100 50"', 100),
        ('width="10in" height="5in" viewBox="0 0 100 50"', 127),
        ('width="100" height="50"', 50 * 25.4 / 96),
        ('viewBox="0 0 100 50"', 50 * 25.4 / 96),
        ('width="100mm" viewBox="0 0 100 50"', 50),
        ("", 50 * 25.4 / 96),
    ],
)
def test_physical_size_is_honoured(attributes: str, length: float) -> None:
    assert take(LINE, attributes).paths[0].path.length == pytest.approx(length, rel=1e-6)


@pytest.mark.parametrize(
    ("shape", "length", "closed"),
    [
        ('<rect x="5" y="5" width="30" height="20"/>', 100, True),
        ('<circle cx="20" cy="20" r="10"/>', 2 * np.pi * 10, True),
        ('<line x1="0" y1="0" x2="3" y2="4"/>', 5, False),
        ('<polyline points="0,0 10,0 10,10"/>', 20, False),
        ('<polygon points="0,0 10,0 10,10 0,10"/>', 40, True),
        ('<path d="M0 0A10 10 0 0 1 20 0"/>', np.pi * 10, False),
        ('<path d="M0 0Q10 0 10 10T20 20"/>', None, False),
        ('<g transform="scale(2)"><path d="M0 0h10"/></g>', 20, False),
        ('<defs><path id="a" d="M0 0h7"/></defs><use href="#a"/>', 7, False),
    ],
)
def test_every_shape_becomes_a_path(shape: str, length: float | None, closed: bool) -> None:
    (taken,) = take(shape).paths
    assert taken.path.closed == closed
    if length is not None:
        assert taken.path.length == pytest.approx(length, rel=1e-6)


def test_how_it_was_drawn_is_kept_as_facts() -> None:
    (taken,) = take(
        '<path id="hem" d="M0 0H9" stroke="teal" stroke-width="0.5" stroke-dasharray="3 1" '
        'stroke-linecap="round" fill="none"/>'
    ).paths
    facts = taken.facts
    assert taken.name == "hem"
    assert (facts.stroke, facts.ends, facts.fill) == ("#008080", "round", None)
    assert facts.weight == pytest.approx(0.5)
    assert facts.dashes == pytest.approx((3, 1))


def test_contours_of_one_element_are_paths_of_their_own() -> None:
    names = [taken.name for taken in take('<path id="ring" d="M0 0h9v9z M2 2h3v3z"/>').paths]
    assert names == ["ring 1", "ring 2"]


def test_hidden_lines_stay_out() -> None:
    assert len(take(LINE + '<path d="M0 0h9" display="none"/>').paths) == 1


def test_text_is_left_out_with_a_note() -> None:
    one = take(f'{LINE}<text x="3" y="9">cut <tspan>two</tspan></text>')
    assert one.notes == ("1 piece of text left out.",)
    two = take(f"{LINE}<text>a</text><g><text><tspan>b</tspan></text></g>")
    assert two.notes == ("2 pieces of text left out.",)
    assert len(two.paths) == 1


def test_active_and_outside_parts_are_left_out_with_a_note() -> None:
    taken = take(
        LINE
        + "<script>alert(1)</script>"
        + '<image href="http://example.org/a.png" width="5" height="5"/>'
        + '<use href="other.svg#x"/><path d="M0 0h4" onclick="alert(1)"/>'
    )
    assert len(taken.paths) == 2
    text = " ".join(taken.notes)
    assert "script" in text
    assert "picture" in text
    assert "reference to another file" in text


BOMB = (
    '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">'
    '<!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;">]>'
)


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"<svg", "broken XML"),
        (b"", "broken XML"),
        (b"\x89PNG\r\n\x1a\n", "broken XML"),
        (b"<html/>", "not an SVG"),
        (f"{BOMB}<svg {NS}><path d='M0 0h9'/><text>&c;</text></svg>".encode(), "entities"),
        (
            f'<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg {NS}>&x;</svg>'.encode(),
            "entities",
        ),
        (svg(""), "no lines"),
        (svg('<path d="M0 0"/>'), "no lines"),
        (svg('<path d="M5 5Z"/>'), "no lines"),
        (svg('<path id="p" d="M0 0LNaN 4"/>'), "“p” has a coordinate that is not a number"),
        (svg('<path d="M0 0L1e300 1e300L1e308 1e308"/>'), "km|not a number|no lines|out of all bounds"),
        (svg(LINE, 'width="1e9mm" height="10mm"'), "20 m"),
        (svg('<g id="a"><use href="#a"/></g>' + LINE), "copies itself"),
    ],
)
def test_bad_files_are_refused_with_what_to_do(data: bytes, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        read_svg(data)


def _nested_uses() -> str:
    body = '<defs><g id="u0"><path d="M0 0h1"/></g>'
    for i in range(1, 12):
        body += f'<g id="u{i}">' + f'<use href="#u{i - 1}"/>' * 8 + "</g>"
    return body + '</defs><use href="#u11"/>'


@pytest.mark.parametrize(
    "data",
    [
        b" " * (50 * 1024 * 1024),
        svg("<g>" * 300 + LINE + "</g>" * 300),
        svg("<g/>" * 100_001),
        svg(_nested_uses()),
        svg('<path d="M0 0' + "L1 2" * 1_000_000 + '"/>'),
    ],
    ids=["50 MB", "deep", "many", "copies", "million points"],
)
def test_too_much_is_refused(data: bytes) -> None:
    with pytest.raises(TooMuch):
        read_svg(data)


def test_too_many_paths_are_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    drawing = svg('<path d="' + "M0 0h1" * 12_500 + '"/>')
    # As many as a large sheet has that was exported.
    assert len(read_svg(drawing).paths) == 12_500
    monkeypatch.setattr(imported, "MAX_PATHS", 12_499)
    with pytest.raises(TooMuch, match="12,499 paths"):
        read_svg(drawing)


@pytest.mark.parametrize(
    ("align", "box"),
    [
        ("", (20, 0, 40, 20)),
        ("xMidYMid", (20, 0, 40, 20)),
        ("xMinYMin", (10, 0, 30, 20)),
        ("xMaxYMax", (30, 0, 50, 20)),
        ("xMinYMin slice", (10, 0, 50, 40)),
        ("xMidYMid slice", (10, -10, 50, 30)),
        ("xMinYMax slice", (10, -20, 50, 20)),
        ("none", (10, 0, 50, 20)),
        ("none slice", (10, 0, 50, 20)),
    ],
)
def test_a_view_is_placed_in_its_box_as_it_is_aligned(align: str, box: tuple[int, ...]) -> None:
    """A square of 5 in a box of 40 × 20 mm at (10, 0), by SVG 2, 8.2 (preserveAspectRatio), by hand."""
    aligned = f' preserveAspectRatio="{align}"' if align else ""
    inner = f'<svg x="10" y="0" width="40" height="20" viewBox="3 4 5 5"{aligned} overflow="visible">'
    (taken,) = take(f'{inner}<rect x="3" y="4" width="5" height="5"/></svg>').paths
    points = taken.path.points
    assert (*points.min(axis=0), *points.max(axis=0)) == pytest.approx(box)
