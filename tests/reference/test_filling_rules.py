"""What outlines cover by either filling rule (SVG 2, “fill-rule”): as many pixels as skia fills."""

from __future__ import annotations

import numpy as np
import pytest
import skia

from curlet.core.drawing import Outline
from curlet.core.path.flat import flat

Square = tuple[int, int, bool]
# From where to where each square goes along both sides, mm, and whether it runs clockwise.
SQUARES: dict[str, list[Square]] = {
    "a ring": [(0, 30, True), (5, 25, False)],
    "a ring with an island": [(0, 30, True), (5, 25, False), (10, 20, True)],
    "a hole within an island": [(0, 30, True), (5, 25, False), (10, 20, True), (13, 17, False)],
    "two that overlap": [(0, 20, True), (10, 30, True)],
    "two that overlap with a hole through one of them": [(0, 20, True), (10, 30, True), (12, 18, False)],
    "two that overlap with a hole through both": [
        *((0, 20, True), (10, 30, True), (12, 18, False), (13, 17, False))
    ],
    "one that is undone by another": [(0, 20, True), (0, 20, False), (5, 9, True)],
    "three within one another, the same way round": [(0, 20, True), (5, 15, True), (8, 12, True)],
}


def corners(square: Square) -> list[tuple[int, int]]:
    a, b, clockwise = square
    found = [(a, a), (b, a), (b, b), (a, b)]
    return found if clockwise else found[::-1]


@pytest.mark.parametrize("even_odd", [False, True])
@pytest.mark.parametrize("name", SQUARES)
def test_an_outline_covers_what_skia_fills(name: str, even_odd: bool) -> None:
    contours = [corners(square) for square in SQUARES[name]]
    outline = Outline("MLLLZ" * len(contours), np.array(contours, dtype=float).reshape(-1, 2))
    assert flat(outline, 0.01).polygon(even_odd).area == pytest.approx(pixels_filled(contours, even_odd))


def pixels_filled(contours: list[list[tuple[int, int]]], even_odd: bool) -> int:
    """Of 1 mm each: the sides lie between them."""
    path = skia.Path()
    for contour in contours:
        path.addPoly([skia.Point(*corner) for corner in contour], True)
    path.setFillType(skia.PathFillType.kEvenOdd if even_odd else skia.PathFillType.kWinding)
    surface = skia.Surface(40, 40)
    surface.getCanvas().drawPath(path, skia.Paint(Color=skia.ColorBLACK, AntiAlias=False))
    return int((surface.toarray()[..., 3] > 0).sum())
