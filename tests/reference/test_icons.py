"""Motifs imported from real drawings: a few hundred icons of two open-licence packages (Fluent colour
icons, MIT: gradients in every space, opacity; Lucide, ISC: lines), which are part of the front end's
development packages. Each must look in our own PNG, and in resvg's picture of the SVG that is exported,
as it does in resvg's picture of the icon itself."""

from __future__ import annotations

import json
from functools import lru_cache
from pathlib import Path as FilePath

import pytest

from curlet.core.drawing import Drawing, Group, Laid
from curlet.core.dress.colour import dress
from curlet.core.measures import Scale
from curlet.core.motif.art import moved, shifted
from curlet.core.motif.families import Artwork
from curlet.formats.artwork_in import read_artwork
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.reference.pictures import differing, inked, read_png, resvg

PACKAGES = FilePath(__file__).parents[2] / "frontend/node_modules/@iconify-json"
INK = "#1f2a44"
# Pixels to a unit of the icon; every fifth icon; how many of its pixels may differ by more than a hint.
ZOOM, EVERY, APART = 6, 6, 0.01


@lru_cache
def package(name: str) -> dict[str, object]:
    return json.loads((PACKAGES / name / "icons.json").read_text())  # type: ignore[no-any-return]


def names(name: str) -> list[str]:
    return sorted(package(name)["icons"])[::EVERY]  # type: ignore[call-overload, no-any-return]


def svg_of(name: str, icon: str) -> tuple[bytes, int]:
    """The icon with its box hardly painted, so that the motif's cell is the whole of it."""
    icons = package(name)["icons"]
    body = icons[icon]["body"].replace("currentColor", INK)  # type: ignore[index]
    size = int(icons[icon].get("width", package(name).get("width", 16)))  # type: ignore[index]
    box = f'<path d="M0 0h{size}v{size}h-{size}z" fill="#ffffff" fill-opacity="0.01"/>'
    head = (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{size}" height="{size}" viewBox="0 0 {size} {size}">'
    )
    return f"{head}{body}{box}</svg>".encode(), size


def drawn(svg: bytes) -> Drawing:
    """The motif on a sheet of its cell's size."""
    art = read_artwork(svg)[0].to_core()
    shapes = tuple(moved(shape, shifted(0, art.width / 2)) for shape in art.shapes)
    plain = Artwork(shapes, 1.0, 1.0).make(Scale())
    return Drawing(art.length, art.width, (Group("icon", "", (Laid(dress(plain.shapes, (INK,))),)),))


@pytest.mark.parametrize("name", ["fluent-color", "lucide"])
def test_icons_imported_look_as_they_did(name: str) -> None:
    wrong = []
    for icon in names(name):
        svg, size = svg_of(name, icon)
        drawing, pixels = drawn(svg), size * ZOOM
        theirs = resvg(svg, pixels, pixels)
        assert inked(theirs) > 0.01, icon
        ours = read_png(write_png(drawing, 96 * ZOOM))
        again = resvg(write_svg(drawing), pixels, pixels)
        apart = max(differing(ours, theirs, 0.2), differing(again, theirs, 0.2))
        if apart > APART:
            wrong.append((icon, round(apart, 4)))
    assert len(names(name)) > 120
    assert wrong == []
