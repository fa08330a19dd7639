"""Drawings imported as paths: hundreds of icons of open-licence packages (Lucide, ISC; Fluent colour icons,
MIT), parts of the front end's development packages, and nasty drawings of our own. What our paths draw must
cover what resvg draws of the same file: outline overlap above 99 %."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
import pytest

from curlet.core.drawing import Drawing
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.png_out import write_png
from curlet.formats.svg_in import read_svg
from tests.reference.pictures import read_png, resvg
from tests.reference.test_icons import INK, package

ZOOM, EVERY, WANTED = 16, 7, 0.99

NASTY = sorted((FilePath(__file__).parent / "nasty").glob("*.svg"))


def ours(svg: bytes) -> tuple[np.ndarray, int, int]:
    """What the paths imported draw, as they were drawn."""
    taken = read_svg(svg)
    lines = [DrawnPath(str(i), p.name, p.path, p.facts, False) for i, p in enumerate(taken.paths)]
    drawing = Drawing(taken.width, taken.height, draw_as_drawn(lines))
    picture = read_png(write_png(drawing, 96 * ZOOM))
    return picture, picture.shape[1], picture.shape[0]


def overlap(svg: bytes) -> float:
    """What both cover of what either covers, by their opacity."""
    mine, width, height = ours(svg)
    a, b = mine[..., 3], resvg(svg, width, height)[..., 3]
    assert b.sum() > 10
    return float(np.minimum(a, b).sum() / np.maximum(a, b).sum())


@pytest.mark.parametrize("name", ["lucide", "fluent-color"])
def test_icons_are_imported_to_the_line(name: str) -> None:
    icons = package(name)["icons"]
    those = sorted(icons)[::EVERY]  # type: ignore[call-overload]
    assert len(those) > 100
    wrong = {}
    for icon in those:
        body = icons[icon]["body"].replace("currentColor", INK)  # type: ignore[index]
        size = int(icons[icon].get("width", package(name).get("width", 16)))  # type: ignore[index]
        box = f'width="{size}" height="{size}" viewBox="0 0 {size} {size}"'
        found = overlap(f'<svg xmlns="http://www.w3.org/2000/svg" {box}>{body}</svg>'.encode())
        if found < WANTED:
            wrong[icon] = round(found, 4)
    # What is left is the renderers' own softening of hair-thin parts.
    assert len(wrong) <= len(those) / 100
    assert min(wrong.values(), default=1.0) > 0.985


@pytest.mark.parametrize("file", NASTY, ids=lambda file: file.stem)
def test_nasty_drawings_are_imported_to_the_line(file: FilePath) -> None:
    assert overlap(file.read_bytes()) > WANTED
