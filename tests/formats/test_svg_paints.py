"""Gradients, clips, opacity and dots of a drawing, against a second renderer's picture of it."""

from __future__ import annotations

import pytest

from curlet.core.errors import BadInput
from curlet.formats.artwork_in import read_artwork
from curlet.formats.png_out import write_png
from curlet.formats.svg_in import read_svg
from curlet.formats.svg_text import transform_of
from tests.reference.pictures import differing, inked, read_png, resvg
from tests.reference.test_icons import drawn

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" '
FRAME = '<path d="M0 0h48v48h-48z" fill="#ffffff" fill-opacity="0.01"/>'
STOPS = (
    '<stop offset="0" stop-color="#c8553d"/><stop offset="60%" stop-color="gold"/>'
    '<stop offset="1" style="stop-color:#1f3a6e;stop-opacity:.4"/>'
)

DRAWINGS = {
    "linear over the box": f'<defs><linearGradient id="g" x2="1" y2="1">{STOPS}</linearGradient></defs>'
    '<rect x="6" y="10" width="36" height="20" fill="url(#g)"/>',
    "in user space, turned with its group": f'<linearGradient id="g" '
    f'gradientUnits="userSpaceOnUse" x1="4" x2="40">'
    f'{STOPS}</linearGradient><g transform="rotate(30 24 24)">'
    f'<rect x="4" y="14" width="40" height="18" fill="url(#g)"/></g>',
    "radial, squeezed and moved": f'<radialGradient id="g" gradientTransform="translate(.5 .5) '
    f'scale(.9 .4) translate(-.5 -.5)">'
    f'{STOPS}</radialGradient><ellipse cx="24" cy="24" rx="20" ry="14" fill="url(#g)"/>',
    "colours from another gradient": f'<linearGradient id="a">{STOPS}</linearGradient>'
    '<radialGradient id="g" xlink:href="#a" cx="24" cy="24" r="22" gradientUnits="userSpaceOnUse"/>'
    '<path d="M4 4h40v40h-40z" fill="url(#g)"/>',
    "by a style": f'<style>.s{{fill:url(#g)}}</style><linearGradient id="g">{STOPS}</linearGradient>'
    '<circle class="s" cx="24" cy="24" r="18"/>',
    "one stop": '<linearGradient id="g"><stop offset="0.5" stop-color="teal"/></linearGradient>'
    '<circle cx="24" cy="24" r="18" fill="url(#g)"/>',
    "clipped by a circle": '<clipPath id="c"><circle cx="24" cy="24" r="14"/></clipPath>'
    '<g clip-path="url(#c)"><path d="M0 0h48v24h-48z" fill="#c8553d"/>'
    '<path d="M0 24h48v24h-48z" fill="#1f3a6e"/></g>',
    "clips within clips, moved": '<clipPath id="c"><rect x="8" y="8" width="32" height="20"/></clipPath>'
    '<clipPath id="d" transform="translate(4 0)"><circle cx="20" cy="20" r="12"/>'
    '<rect x="30" y="4" width="8" height="40"/></clipPath>'
    '<g transform="rotate(10 24 24)" clip-path="url(#c)">'
    '<path clip-path="url(#d)" d="M0 0h48v48h-48z" fill="#3c6e71"/></g>',
    "a clipped line": '<clipPath id="c"><rect x="4" y="4" width="28" height="40"/></clipPath>'
    '<path clip-path="url(#c)" d="M8 24C16 0 32 48 44 20" fill="none" stroke="#7a2f4f" '
    'stroke-width="5" stroke-linecap="round"/>',
    "opacity of groups": '<g opacity=".5"><circle cx="18" cy="24" r="12" fill="#c8553d"/></g>'
    '<g style="opacity:40%">'
    '<circle opacity=".8" cx="34" cy="24" r="10" fill="#1f3a6e" stroke="#1f3a6e" '
    'stroke-opacity=".2" stroke-width="4"/></g>',
    "dots drawn as lines": '<g fill="none" stroke="#1f2a44" stroke-width="6" stroke-linecap="round">'
    '<path d="M12 12h0"/><path d="M24 24h.001"/><path d="M36 36h6"/></g>',
}


@pytest.mark.parametrize("name", list(DRAWINGS))
def test_a_drawing_imported_looks_as_it_did(name: str) -> None:
    svg = f'{HEAD}width="48" height="48" viewBox="0 0 48 48">{DRAWINGS[name]}{FRAME}</svg>'.encode()
    theirs = resvg(svg, 384, 384)
    assert inked(theirs) > 0.02
    assert differing(read_png(write_png(drawn(svg), 96 * 8)), theirs, 0.15) < 0.004


def test_a_gradient_stands_for_its_middle_colour_where_a_path_has_only_one() -> None:
    svg = f'{HEAD}width="48" height="48">{DRAWINGS["linear over the box"]}</svg>'
    (path,) = read_svg(svg.encode()).paths
    assert path.facts.fill == "#ffd700"


def test_what_is_clipped_away_is_said() -> None:
    clip = '<clipPath id="c"><rect x="40" y="40" width="4" height="4"/></clipPath>'
    svg = f'{HEAD}width="48" height="48">{clip}<circle clip-path="url(#c)" cx="10" cy="10" r="5"/></svg>'
    with pytest.raises(BadInput, match="clipped away"):
        read_artwork(svg.encode())


def test_a_clip_that_is_not_there_or_not_understood_is_left_out_with_a_note() -> None:
    clip = '<clipPath id="c" clipPathUnits="objectBoundingBox"><rect width=".5" height="1"/></clipPath>'
    disc = '<circle clip-path="url(#{})" cx="{}" cy="10" r="5"/>'
    shapes = disc.format("c", 10) + disc.format("no", 30)
    art, notes = read_artwork(f'{HEAD}width="48" height="48">{clip}{shapes}</svg>'.encode())
    assert len(art.shapes) == 2
    assert "1 clip left out." in notes


def test_gradients_that_refer_to_one_another_come_to_an_end() -> None:
    rings = '<linearGradient id="a" xlink:href="#b"/><linearGradient id="b" xlink:href="#a"/>'
    svg = f'{HEAD}width="48" height="48">{rings}<circle cx="9" cy="9" r="5" fill="url(#a)"/></svg>'
    art, _ = read_artwork(svg.encode())
    assert all(shape.gradient is None for shape in art.shapes)


@pytest.mark.parametrize(
    ("text", "affine"),
    [
        ("translate(3)", (1, 0, 0, 1, 3, 0)),
        ("scale(2) translate(1, 4)", (2, 0, 0, 2, 2, 8)),
        ("rotate(90 1 1)", (0, 1, -1, 0, 2, 0)),
        ("skewX(45)", (1, 0, 1, 1, 0, 0)),
        ("skewY(45)", (1, 1, 0, 1, 0, 0)),
        ("matrix(1 2 3 4 5 6)", (1, 2, 3, 4, 5, 6)),
        ("nonsense(4) scale()", (1, 0, 0, 1, 0, 0)),
    ],
)
def test_transforms_are_read_as_svg_has_them(text: str, affine: tuple[float, ...]) -> None:
    assert transform_of(text) == pytest.approx(affine)


def test_stops_beyond_a_gradients_end_lie_on_its_end() -> None:
    gradient = (
        '<linearGradient id="g"><stop offset="-20%" stop-color="red"/><stop stop-color="gold"/>'
        '<stop offset="150%" stop-color="teal"/></linearGradient>'
    )
    text = f'{HEAD}viewBox="0 0 48 48">{gradient}<path d="M0 0h10v10h-10z" fill="url(#g)"/></svg>'
    (shape,) = read_artwork(text.encode())[0].shapes
    assert shape.gradient is not None
    assert [stop.offset for stop in shape.gradient.stops] == [0, 0, 1]


@pytest.mark.parametrize("box", ["0 0 0 10", "0 0 10 0", "0 0 10", "0 0 nan 10"])
def test_a_view_box_without_a_size_is_none(box: str) -> None:
    inner = f'<svg x="5" y="6" width="20" height="10" viewBox="{box}"><path d="M0 0H4" stroke="#000"/></svg>'
    text = f'{HEAD}width="50mm" height="50mm" viewBox="0 0 50 50">{inner}</svg>'
    (taken,) = read_svg(text.encode()).paths
    assert taken.path.points.ravel() == pytest.approx([5, 6, 9, 6])
