"""Seams: lines of light inside artwork, where two parts of it meet."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

import numpy as np
from scipy.ndimage import binary_erosion, distance_transform_edt, label

from curlet.core.drawing import Drawing, Group, Item, Laid, Shape, Solid, Stamps
from curlet.core.measures import MM_PER_INCH
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from scripts.gallery import scaled
from tests.reference.pictures import read_png, resvg
from tests.reference.referee.cases import Case
from tests.reference.referee.chromium import in_chromium

# A picture so many times as fine shows what is truly covered: a seam is as many times as narrow there.
FINER = 8
_COVERED = 0.95
# What tells: the fine picture errs by its own seams, an eighth as much.
LIGHT = 8 / 255
# Beside the place where the edges of two shapes cross at an acute angle, as two links' do, any renderer lets
# light through, as each edge covers its pixels for itself: a line of up to so many pixels, that begins within
# so many of the open.
CROSSING, _BESIDE = 8, 6
# About the path, mm: as far as any built-in reaches.
AROUND = 24.0
_BLACK = Solid("#000000")

# (rows, columns) 0…1 of how much of each pixel is covered, from a drawing and the size in pixels.
Renderer = Callable[[Drawing, int, int], np.ndarray]


def in_skia(drawing: Drawing, width: int, height: int) -> np.ndarray:
    ppi = width / drawing.width * MM_PER_INCH
    return read_png(write_png(drawing, ppi))[:height, :width, 3]


def in_resvg(drawing: Drawing, width: int, height: int) -> np.ndarray:
    return resvg(write_svg(drawing), width, height)[..., 3]


RENDERERS: dict[str, Renderer] = {"skia": in_skia, "resvg": in_resvg, "Chromium": in_chromium}


def seam(drawn: Group, size: tuple[float, float], ppi: float, renderer: Renderer) -> tuple[float, int]:
    """The deepest light inside what is drawn, 0…1, and how many pixels the longest line of it has, at so
    many pixels to the inch.

    All is drawn black, so that only light from behind counts. What is half covered in the fine picture too is
    an edge, no seam, and so is what lies beside it; of a line that begins where two edges cross, what goes
    on past the crossing.
    """
    columns, rows = (round(mm / MM_PER_INCH * ppi) for mm in size)
    whole = Drawing(columns / ppi * MM_PER_INCH, rows / ppi * MM_PER_INCH, (black(drawn),))
    coarse = renderer(whole, columns, rows)
    # What is truly covered does not depend on who draws it; not all draw pictures so large.
    fine = in_skia(whole, columns * FINER, rows * FINER)
    covered = fine.reshape(rows, FINER, columns, FINER).mean(axis=(1, 3))
    inner = binary_erosion(covered > _COVERED, np.ones((3, 3)))
    light = np.where(inner, covered - coarse, 0.0)
    lines, count = label(light > LIGHT, np.ones((3, 3)))
    if not count:
        return float(light.max()), 0
    near = distance_transform_edt(covered > 0.5) <= _BESIDE
    crossing = np.zeros(count + 1, dtype=int)
    crossing[np.unique(lines[near])] = CROSSING
    return float(light.max()), int((np.bincount(lines.ravel()) - crossing)[1:].max(initial=0))


def black(item: Group) -> Group:
    return replace(item, items=tuple(_black(inner) for inner in item.items))


def _black(item: Item) -> Item:
    if isinstance(item, Group):
        return black(item)
    if isinstance(item, Laid | Stamps):
        return replace(item, shapes=tuple(_inked(shape) for shape in item.shapes))
    return item


def _inked(shape: Shape) -> Shape:
    stroke = shape.stroke and replace(shape.stroke, paint=_BLACK)
    return replace(shape, fill=_BLACK if shape.fill else None, stroke=stroke)


def seam_of(case: Case, renderer: str, ppi: float = 96.0) -> int:
    """How many pixels the longest seam of a case has."""
    segments = case.path.segments
    low, high = segments.min(axis=(0, 1)) - AROUND, segments.max(axis=(0, 1)) + AROUND
    width, height = (high - low).tolist()
    drawn = scaled(case.drawn, 1.0, (-float(low[0]), -float(low[1])))
    return seam(drawn, (width, height), ppi, RENDERERS[renderer])[1]
