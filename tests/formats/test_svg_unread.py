"""What a drawing has that is not read is told; nothing is lost without a word."""

from __future__ import annotations

from dataclasses import replace

import pytest

from curlet.core.brush import CornerRule
from curlet.core.drawing import Drawing
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.formats.artwork_in import read_artwork
from curlet.formats.svg_in import read_svg
from curlet.formats.svg_out import write_svg
from tests.outlines import block
from tests.shapes import moved, square

DEFS = (
    '<defs><mask id="m"><rect width="5" height="5" fill="white"/></mask>'
    '<pattern id="p" width="2" height="2" patternUnits="userSpaceOnUse"><path d="M0 0h1v1h-1z"/></pattern>'
    '<marker id="a" markerWidth="3" markerHeight="3"><path d="M0 0L3 1.5L0 3z"/></marker>'
    '<linearGradient id="g"><stop stop-color="#ff0000"/><stop offset=".5" stop-color="#00ff00"/>'
    '<stop offset="1" stop-color="#0000ff"/></linearGradient>'
    '<radialGradient id="f" cx=".5" cy=".5" fx=".2" fy=".5">'
    '<stop stop-color="#fff"/><stop offset="1"/></radialGradient>'
    '<linearGradient id="s" spreadMethod="reflect" x2=".2">'
    '<stop stop-color="#fff"/><stop offset="1"/></linearGradient>'
    "</defs>"
)
BOX = 'd="M1 1H9V9H1Z"'


def notes(body: str) -> tuple[str, ...]:
    head = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20">'
    return read_svg(f"{head}{DEFS}{body}</svg>".encode()).notes


@pytest.mark.parametrize(
    ("body", "word"),
    [
        (f'<path {BOX} mask="url(#m)"/>', "Masks"),
        (f'<g style="mask:url(#m)"><path {BOX}/></g>', "Masks"),
        (f'<path {BOX} fill="url(#p)"/>', "Patterns"),
        (f'<path {BOX} stroke="url(#p)"/>', "Patterns"),
        (f'<path {BOX} marker-end="url(#a)"/>', "Markers"),
        (f'<path {BOX} filter="url(#x)"/>', "Filters"),
        (f'<path {BOX} stroke="url(#g)"/>', "gradient"),
        (f'<path {BOX} fill="url(#f)"/>', "focus"),
        (f'<path {BOX} fill="url(#s)"/>', "repeats"),
        (f'<path {BOX} stroke="red" paint-order="stroke"/>', "under its own fill"),
        (f'<g opacity=".5"><path {BOX}/><path {BOX}/></g>', "see-through"),
        (f'<path {BOX} stroke="red" stroke-miterlimit="10"/>', "mitre limit"),
    ],
)
def test_what_is_not_read_is_told(body: str, word: str) -> None:
    told = notes(body)
    assert len(told) == 1
    assert word in told[0]


@pytest.mark.parametrize(
    "body",
    [
        f'<path {BOX} mask="none" marker-start="none" filter="none"/>',
        f'<path {BOX} fill="url(#missing) red"/>',
        f'<path {BOX} fill="url(#g)" stroke="red" stroke-miterlimit="4"/>',
        f'<path {BOX} paint-order="fill stroke"/>',
        f'<g opacity=".5"><path {BOX}/></g>',
    ],
)
def test_nothing_is_told_of_what_is_read(body: str) -> None:
    assert notes(body) == ()


def test_a_line_painted_with_a_gradient_takes_its_middle_colour() -> None:
    head = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="20mm" viewBox="0 0 20 20">'
    (path,) = read_svg(f'{head}{DEFS}<path {BOX} fill="none" stroke="url(#g)"/></svg>'.encode()).paths
    assert path.facts.stroke == "#00ff00"


def test_a_dashed_line_becomes_a_motif_with_its_dashes() -> None:
    head = '<svg xmlns="http://www.w3.org/2000/svg" width="20mm" height="4mm" viewBox="0 0 20 4">'
    line = '<path d="M0 2H20" fill="none" stroke="#123456" stroke-width="1" stroke-dasharray="3 2"/>'
    art, told = read_artwork(f"{head}{line}</svg>".encode())
    (shape,) = art.shapes
    assert told == ()
    assert shape.stroke is None
    assert shape.fill is not None
    assert shape.fill.own == "#123456"
    assert shape.d.count("M") == 4


def test_our_own_mitred_border_comes_back_as_it_was_drawn() -> None:
    """Corners are cut, not hidden by a clip, so that no clip is needed to read them again."""
    brush = replace(block(6, 5), corners=CornerRule("mitre"))
    run = lay(moved(square(60), 10, 10), brush, Scale())
    svg = write_svg(Drawing(80, 80, (draw_run(run, "r", "Border"),)))
    assert b"clipPath" not in svg
    taken = read_svg(svg)
    assert taken.notes == ()
