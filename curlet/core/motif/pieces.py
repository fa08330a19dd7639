"""Cutting artwork: into start, repeat and end; from centre to centre; turned, or given another cell."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole, RoleShape
from curlet.core.errors import BadInput
from curlet.core.measures import MeasuredOn, Scale
from curlet.core.motif.art import about, around, box_of, changed, moved, path_text, shifted
from curlet.core.motif.cut import clipped, shortened
from curlet.core.motif.edges import edge, silhouette
from curlet.core.motif.families.artwork import ArtShape, Artwork, read_outline
from curlet.core.motif.families.picture import PictureMotif
from curlet.core.motif.motif import MotifMaker

Floats = NDArray[np.float64]

# Neighbours that may reach into a cell from either side.
_NEIGHBOURS = 8
_HAIR = 1e-9


def as_artwork(maker: MotifMaker, length: float) -> Artwork:
    """Any motif as artwork of its own, at true size.

    Parameters
    ----------
    length : of its cell, garment mm.
    """
    if isinstance(maker, Artwork):
        return maker
    if isinstance(maker, PictureMotif):
        raise BadInput("A picture has no shapes to be worked on. Trace it to get some.")
    motif = maker.make(Scale())
    shapes = tuple(_drawn(item, length) for item in motif.shapes)
    return Artwork(shapes, length, motif.width, MeasuredOn.GARMENT)


def _drawn(item: RoleShape, length: float) -> ArtShape:
    outline = item.shape.outline
    at = Outline(outline.commands, outline.points * np.array([length, 1.0]))
    stroke, plain = item.shape.stroke, item.shape.fill is None
    role: ColourRole | None = (item.stroke_role or item.role) if stroke else None
    return ArtShape(
        path_text(at),
        None if plain else item.role,
        role,
        stroke.weight if stroke else 0.2,
        stroke.ends if stroke else "round",
        stroke.joins if stroke else "round",
        item.shape.even_odd,
        item.over,
        item.gradient and item.gradient.moved((length, 0.0, 0.0, 1.0, 0.0, 0.0)),
        item.opacity,
    )


def window(art: Artwork, start: float, end: float) -> Artwork:
    """What lies between two places along the artwork, mm, as artwork of its own: equally wide.

    Raises
    ------
    BadInput
        If the places are not in order, or nothing lies between them.
    """
    if not (math.isfinite(start) and math.isfinite(end) and end - start > 0.01):
        raise BadInput("The second cut lies after the first, at least 0.01 mm on.")
    shapes = tuple(part for shape in art.shapes for part in _between(shape, start, end))
    if not shapes:
        raise BadInput("There is no artwork between these cuts. Move them to where there is some.")
    return replace(art, shapes=shapes, length=end - start)


def in_three(art: Artwork, first: float, second: float) -> tuple[Artwork, Artwork, Artwork]:
    """Start, repeat and end, cut from one drawing: they meet without a gap and are equally wide."""
    if not 0 < first < second < art.length:
        raise BadInput(f"Both cuts lie within the artwork, from 0 to {art.length:g} mm, the first before.")
    return window(art, 0.0, first), window(art, first, second), window(art, second, art.length)


def centre_to_centre(art: Artwork, pitch: float) -> Artwork:
    """One seamless repeat from a shape that overlaps its neighbours, `pitch` mm from one to the next.

    It runs from the middle of the shape to the middle of the next one, with everything that reaches in.
    """
    if not pitch > 0.01:
        raise BadInput("Shapes that overlap are at least 0.01 mm apart.")
    reach = around(box_of(shape) for shape in art.shapes).right
    count = min(math.ceil(max(reach, art.length) / pitch), _NEIGHBOURS)
    middle = art.length / 2
    shapes = tuple(
        part
        for number in range(-count, count + 1)
        for shape in art.shapes
        for part in _between(moved(shape, shifted(number * pitch, 0.0)), middle, middle + pitch)
    )
    return replace(art, shapes=shapes, length=pitch)


def as_wide(art: Artwork, at_end: bool, other: tuple[float, float]) -> Artwork:
    """A piece made as wide at one end as what it meets there, and as high: `other` is from and to, mm."""
    low, high = _edges(art, at_end)
    scale = (other[1] - other[0]) / (high - low)
    matrix = (1.0, 0.0, 0.0, scale, 0.0, (other[0] + other[1]) / 2 - scale * (low + high) / 2)
    shapes = tuple(moved(shape, matrix) for shape in art.shapes)
    return replace(art, shapes=shapes, width=art.width * scale)


def equalised(art: Artwork) -> Artwork:
    """A repeat whose exit is made to match its entry, evenly along it, so that it meets itself: every
    outline that leaves it ends where its match enters, or the outermost do where they match nothing."""
    leaving, entering = _matching(art)
    low, high = entering[0] - leaving[0], entering[-1] - leaving[-1]

    def evened(points: Floats) -> Floats:
        x, y = points.T
        by = np.interp(y, leaving, entering - leaving, left=low, right=high)
        return np.stack([x, y + by * np.clip(x / art.length, 0.0, 1.0)], axis=1)

    return replace(art, shapes=tuple(changed(shape, evened) for shape in art.shapes))


def _matching(art: Artwork) -> tuple[Floats, Floats]:
    """Heights at which outlines leave the cell, rising, and those at which their matches enter it, mm."""
    motif = art.make(Scale())
    leaving, entering = (edge(motif, art.length, at_end=at_end) for at_end in (True, False))
    alike = [(c.role, c.weight) for c in leaving] == [(c.role, c.weight) for c in entering]
    outs, ins = (np.array([c.y for c in side]) for side in (leaving, entering))
    if not (alike and len(outs) > 1 and np.diff(outs).min() > _HAIR):
        outs, ins = (np.array(_edges(art, at_end)) for at_end in (True, False))
    return outs, ins


def _edges(art: Artwork, at_end: bool) -> tuple[float, float]:
    found = silhouette(art.make(Scale()), art.length, at_end=at_end)
    if found is None or found[1] - found[0] < 1e-6:
        raise BadInput("No outline reaches this edge, so there is no width to be matched.")
    return found


def turned(art: Artwork, degrees: float) -> Artwork:
    """Artwork turned clockwise in its cell, which is fitted to it again."""
    matrix = about(0.0, 0.0, degrees)
    return fitted(replace(art, shapes=tuple(moved(shape, matrix) for shape in art.shapes)))


def celled(art: Artwork, start: float, end: float, baseline: float) -> Artwork:
    """The same artwork in another cell: it begins at `start`, ends at `end`, its middle at `baseline`."""
    if not end - start > 0.01:
        raise BadInput("A cell is at least 0.01 mm long.")
    shapes = tuple(moved(shape, shifted(-start, -baseline)) for shape in art.shapes)
    whole = around(box_of(shape) for shape in shapes)
    reach = max(-whole.top, whole.foot)
    return replace(art, shapes=shapes, length=end - start, width=2 * reach)


def fitted(art: Artwork) -> Artwork:
    """The artwork in the smallest cell that holds it, lines and all."""
    whole = around(box_of(shape) for shape in art.shapes)
    return celled(art, whole.left, max(whole.right, whole.left + 0.02), whole.middle[1])


def _between(shape: ArtShape, start: float, end: float) -> Iterator[ArtShape]:
    outline = read_outline(shape.d)
    low, high = (float(edge(outline.points[:, 0])) for edge in (np.min, np.max))
    if high < start - _HAIR or low > end + _HAIR:
        return
    if shape.fill is not None:
        part = clipped(outline, start, end, even_odd=shape.even_odd)
        if part is not None and np.ptp(part.points[:, 0]) > _HAIR:
            yield moved(replace(shape, d=path_text(part), stroke=None), shifted(-start, 0.0))
    if shape.stroke is not None:
        line = shortened(outline, start, end)
        if line is not None:
            # A line that is cut ends flat at the cut, so that it goes on in the next piece.
            whole = low >= start - _HAIR and high <= end + _HAIR
            ends = shape.ends if whole else "flat"
            cut = replace(shape, d=path_text(line), fill=None, gradient=None, ends=ends)
            yield moved(cut, shifted(-start, 0.0))
