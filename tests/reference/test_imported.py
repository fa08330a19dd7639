"""Drawings imported and drawn as they came, against a second renderer's picture of the same file."""

from __future__ import annotations

import pytest
from coloraide import Color

from curlet.core.drawing import Drawing
from curlet.core.dress.colour import shaded, turned
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.png_out import write_png
from curlet.formats.svg_in import read_svg
from tests.reference.pictures import differing, inked, read_png, resvg

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" width="50.8mm" height="50.8mm" viewBox="0 0 100 100">'
DRAWINGS = {
    "shapes": '<rect x="10" y="10" width="40" height="30" rx="6" fill="#c8553d"/>'
    '<circle cx="70" cy="30" r="18" fill="none" stroke="#1f2a44" stroke-width="4"/>'
    '<ellipse cx="40" cy="75" rx="30" ry="12" fill="#3c6e71"/>',
    "transforms": '<g transform="translate(50 50) rotate(30) scale(1.5 .7)">'
    '<path d="M-20 -20L20 -20L20 20Z" fill="#7b5aa6"/></g>'
    # A line keeps one weight on the sheet, so only an even scale leaves it as it came.
    '<g transform="rotate(-12) scale(1.4)"><path d="M5 50H55" stroke="#1f2a44" stroke-width="3"/></g>',
    "turned shapes": '<g transform="rotate(30 50 50)">'
    '<rect x="15" y="35" width="60" height="20" fill="#7b5aa6"/>'
    '<ellipse cx="50" cy="75" rx="22" ry="9" fill="#c8553d"/></g>',
    "curves": '<path d="M10 50Q30 0 50 50T90 50" fill="none" stroke="#a3475f" stroke-width="5"/>'
    '<path d="M10 80C30 60 60 100 90 80" fill="none" stroke="#3c7d6d" stroke-width="3" '
    'stroke-linecap="round"/>',
    "arcs": '<path d="M20 60A30 20 20 1 1 70 70A10 10 0 0 0 40 80Z" fill="#e9c46a" stroke="#000"/>',
    "holes": '<path fill-rule="evenodd" d="M10 10H90V90H10Z M30 30H70V70H30Z" fill="#5f7f52"/>',
    "use": '<defs><path id="leaf" d="M0 0C10 -12 25 -12 30 0C25 12 10 12 0 0Z"/></defs>'
    '<use href="#leaf" x="10" y="30" fill="#5f7f52"/>'
    '<use href="#leaf" transform="translate(50 70) rotate(-40)"/>',
    "css": "<style>.seam{stroke:#c8553d;stroke-width:3;fill:none}</style>"
    '<path class="seam" d="M10 20L90 20L50 80Z" stroke-linejoin="round"/>',
    "dashes": '<path d="M10 50H90" stroke="#1f2a44" stroke-width="4" stroke-dasharray="12 6" fill="none"/>',
}


@pytest.mark.parametrize("name", DRAWINGS)
def test_a_drawing_looks_as_it_came(name: str) -> None:
    data = f"{HEAD}{DRAWINGS[name]}</svg>".encode()
    taken = read_svg(data)
    paths = (
        DrawnPath(f"p{i}", line.name, line.path, line.facts, False) for i, line in enumerate(taken.paths)
    )
    ours = read_png(write_png(Drawing(taken.width, taken.height, draw_as_drawn(paths)), 400))
    theirs = resvg(data, 800, 800)
    assert inked(theirs) > 0.01
    assert differing(ours, theirs) < 3e-3


def test_lighter_steps_look_even() -> None:
    # OKLCH: equal steps of lightness are equal steps of L, whatever the hue (Ottosson's OKLab).
    for colour in ("#c8553d", "#3c6e71", "#7b5aa6"):
        light = [Color(shaded(colour, step)).convert("oklch")["lightness"] for step in (-10, 0, 10)]
        assert light[2] - light[1] == pytest.approx(0.1, abs=0.01)
        assert light[1] - light[0] == pytest.approx(0.1, abs=0.01)


def test_a_whole_turn_of_hue_is_the_same_colour() -> None:
    assert turned("#c8553d", 360) == "#c8553d"
    assert turned("#c8553d", 0) == "#c8553d"
    assert turned("#c8553d", 180) != "#c8553d"


OKLAB = [
    ((0.950, 1.0, 1.089), (1.0, 0.0, 0.0)),
    ((1.0, 0.0, 0.0), (0.450, 1.236, -0.019)),
    ((0.0, 1.0, 0.0), (0.922, -0.671, 0.263)),
    ((0.0, 0.0, 1.0), (0.153, -1.415, -0.449)),
]


@pytest.mark.parametrize(("xyz", "lab"), OKLAB)
def test_the_colour_library_is_oklab(xyz: tuple[float, ...], lab: tuple[float, ...]) -> None:
    # Ottosson's published table, from memory; tolerance 5e-4.
    found = Color("xyz-d65", list(xyz)).convert("oklab")
    assert [found["lightness"], found["a"], found["b"]] == pytest.approx(list(lab), abs=1e-3)
