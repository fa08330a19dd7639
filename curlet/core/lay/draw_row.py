"""From a laid row to the drawing's items: placed or bent, cut at corners, over and under."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Stamps
from curlet.core.dress.colour import dress, recoloured, shaded, turned
from curlet.core.lay.corners.mitre import half_plane
from curlet.core.lay.corners.piece import fitted
from curlet.core.lay.facing import Local, faced, still
from curlet.core.lay.hold import HOLDS, Placements
from curlet.core.lay.hold.bend import Bent, bend, contours
from curlet.core.lay.pieces import CornerPlace
from curlet.core.lay.row import LaidRow
from curlet.core.lay.span import LaidSpan
from curlet.core.lay.sway import swayed
from curlet.core.path.cubics import in_parts

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# Steps in which swayed shades and hues are painted.
SHADE_STEP, HUE_STEP = 1.0, 4.0
_CORNER_PARTS = 8


def placements_of(row: LaidRow) -> Placements | None:
    """Where each repeat lies, None for a row that bends."""
    hold = HOLDS[row.course.hold]
    return hold(row.line, row.repeats, row.offset, row.length) if hold else None


def matrices(at: Placements, local: Local) -> Floats:
    """(n, 6) affines with each repeat's own turn and flip."""
    if local.plain:
        return at.matrices()
    across = np.stack([-at.along[:, 1], at.along[:, 0]], axis=1)
    axes = np.stack([at.along, across], axis=2)
    linear = axes @ local.matrix
    centre = at.start + at.along * (at.length / 2)[:, None]
    centre = centre + np.einsum("nij,nj->ni", axes, local.shift)
    long = linear[:, :, 0] * at.length[:, None]
    return np.concatenate([long, linear[:, :, 1], centre - long / 2], axis=1)


def local_of(row: LaidRow, at: Placements | None, seed: int) -> Local:
    """Each repeat's facing and sway."""
    facing = row.course.facing
    plain = facing == type(facing)() and not row.course.sway
    if plain:
        return still(len(row.repeats))
    angle = np.zeros(len(row.repeats)) if at is None else at.angle
    local = faced(facing, row.repeats, angle)
    return swayed(local, row.course.sway, row.line, row.repeats, row.index, seed)


def row_items(
    row: LaidRow, threads: tuple[str, ...], seed: int, within: tuple[float, float] | None = None
) -> list[Item]:
    """A row's items in painting order; only those between two arc lengths if asked."""
    painter = _Painter(row, threads, seed)
    which = np.arange(len(row.repeats)) if within is None else _inside(row, within)
    if row.course.overlap == "last-over-next":
        which = which[::-1]
    if row.course.overlap == "interlaced":
        items = [*painter.paint(which, over=False), *painter.paint(which, over=True)]
    else:
        items = painter.paint(which, over=None)
        if within is None and row.course.overlap == "next-over-last":
            items += painter.closing(which)
    return items + (painter.corners() if within is None else [])


def _inside(row: LaidRow, within: tuple[float, float]) -> Ints:
    low, high = within
    start, end = row.repeats.start, row.repeats.end
    laps = (-row.line.path.length, 0.0, row.line.path.length) if row.line.path.closed else (0.0,)
    hit = np.zeros(len(start), dtype=bool)
    for lap in laps:
        hit |= (end + lap > low) & (start + lap < high)
    return np.flatnonzero(hit)


class _Painter:
    """Turns repeats of one row into items."""

    def __init__(self, row: LaidRow, threads: tuple[str, ...], seed: int) -> None:
        self.row, self.threads = row, threads
        self.at = placements_of(row)
        self.local = local_of(row, self.at, seed)
        self.matrices = matrices(self.at, self.local) if self.at is not None else None
        self.far = 40 * (1 + max(motif.width for motif in row.motifs) + row.length)

    @property
    def overlapping(self) -> bool:
        """Whether repeats touch their neighbours, so that their order shows."""
        overhang = max(motif.overhang for motif in self.row.motifs)
        gaps = [fit.gap for fit in self.row.fits if fit.repeats > 1]
        many = any(len(motif.shapes) > 1 or motif.shapes[0].shape.fill for motif in self.row.motifs)
        return many and min(gaps, default=1.0) < 2 * overhang - 1e-9

    def paint(self, which: Ints, *, over: bool | None) -> list[Item]:
        """Items of some repeats, cut where corners cut them."""
        repeats = self.row.repeats
        cut = repeats.cut_start[which] | repeats.cut_end[which]
        if not cut.any():
            return self._plain(which, over)
        items: list[Item] = []
        for part in _stretches(which, repeats.leg, repeats.cut_start, repeats.cut_end):
            drawn = self._plain(part, over)
            items += self._clipped(drawn, int(part[0])) if drawn else []
        return items

    def _clipped(self, items: list[Item], first: int) -> list[Item]:
        repeats, line = self.row.repeats, self.row.line
        leg = int(repeats.leg[first])
        for at_end, cuts in ((False, repeats.cut_start), (True, repeats.cut_end)):
            if cuts[first]:
                clip = half_plane(line, leg, at_end=at_end, far=self.far)
                items = [Group(f"leg-{leg}-{'end' if at_end else 'start'}", "", tuple(items), clip=clip)]
        return items

    def _plain(self, which: Ints, over: bool | None) -> list[Item]:
        """Repeats in order: grouped by what they look like where their order does not show."""
        motif = self.row.repeats.motif[which]
        if self.local.plain and len(which) and (motif == motif[0]).all():
            return self._alike(which, over)
        look = np.stack([self.row.repeats.motif, *self._tints()], axis=1)[which]
        if self.overlapping:
            edges = np.flatnonzero((look[1:] != look[:-1]).any(axis=1)) + 1
            groups = np.split(which, edges)
        else:
            _, key = np.unique(look, axis=0, return_inverse=True)
            groups = [which[key == value] for value in range(key.max(initial=-1) + 1)]
        return [item for group in groups if len(group) for item in self._alike(group, over)]

    def _tints(self) -> tuple[Ints, Ints]:
        shade = np.round(self.local.shade / SHADE_STEP).astype(np.intp)
        return shade, np.round(self.local.hue / HUE_STEP).astype(np.intp)

    def _alike(self, which: Ints, over: bool | None) -> list[Item]:
        """Items of repeats of one motif and one tint."""
        motif = self.row.motifs[int(self.row.repeats.motif[which[0]])]
        chosen = tuple(item for item in motif.shapes if over is None or item.over == over)
        if not chosen:
            return []
        shapes = self._tinted(dress(chosen, self.threads), int(which[0]))
        if self.matrices is not None:
            every = len(which) == len(self.matrices) and which[0] == 0
            return [Stamps(shapes, self.matrices if every else self.matrices[which])]
        bent = Bent(self.row.line, self.row.offset, self.row.course.swell, self.row.line.path.length)
        if self.overlapping and len(which) > 1:
            return [item for one in which for item in self._bent(bent, np.array([one]), shapes)]
        return self._bent(bent, which, shapes)

    def _bent(self, bent: Bent, which: Ints, shapes: tuple[Shape, ...]) -> list[Item]:
        repeats, local = self.row.repeats.take(which), self.local.take(which)
        laid = [part for shape in shapes for _, part in bend(bent, repeats, local, shape)]
        return [Laid(tuple(laid))]

    def _tinted(self, shapes: tuple[Shape, ...], first: int) -> tuple[Shape, ...]:
        shade, hue = (int(part[first]) for part in self._tints())
        if not (shade or hue):
            return shapes

        def tint(colour: str) -> str:
            return turned(shaded(colour, shade * SHADE_STEP), hue * HUE_STEP)

        return tuple(recoloured(shape, tint) for shape in shapes)

    def closing(self, which: Ints) -> list[Item]:
        """On a closed path the first repeats once more, within the footprints of the last.

        So the first lies over the last as every other lies over the one before it.
        """
        legs = self.row.line.legs
        if not (self.overlapping and len(legs) == 1 and legs[0].unbroken and len(which) > 2):
            return []
        count = self._neighbours()
        first, last = which[:count], which[-count:]
        prints = [o for item in self._plain(last, None) for o in _footprints(item)]
        if not prints:
            return []
        clip = Outline("".join(o.commands for o in prints), np.concatenate([o.points for o in prints]))
        return [Group("closing", "", tuple(self._plain(first, None)), clip=clip)]

    def _neighbours(self) -> int:
        """m, the furthest neighbour that a repeat overlaps."""
        overhang = max(motif.overhang for motif in self.row.motifs)
        pitch = max(self.row.length + self.row.fits[0].gap, 1e-6)
        return int(min(np.ceil((self.row.length + 2 * overhang) / pitch), 12))

    def corners(self) -> list[Item]:
        """The corner pieces."""
        return [item for place in self.row.corner_places for item in self._corner(place)]

    def _corner(self, place: CornerPlace) -> list[Item]:
        motif = self.row.motifs[place.motif]
        room = next(room for room in self.row.rooms if room.leg == place.leg)
        frame = self.row.line.frames(np.array([room.line.stop]), np.array([place.leg]))
        origin = frame.beside(self.row.offset)[0]
        axes = np.stack([frame.along[0], frame.across[0]])
        shapes = []
        for shape in dress(motif.shapes, self.threads):
            outline = _cornered(shape.outline, place)
            shapes.append(replace(shape, outline=Outline(outline.commands, origin + outline.points @ axes)))
        return [Laid(tuple(shapes))]


def _stretches(
    which: Ints, leg: Ints, cut_start: NDArray[np.bool_], cut_end: NDArray[np.bool_]
) -> Iterator[Ints]:
    """Runs of repeats that the same corners cut."""
    look = np.stack([leg[which] * (cut_start | cut_end)[which], cut_start[which], cut_end[which]], axis=1)
    yield from np.split(which, np.flatnonzero((look[1:] != look[:-1]).any(axis=1)) + 1)


def _footprints(item: Item) -> Iterator[Outline]:
    """The filled outlines of an item, on the sheet."""
    if isinstance(item, Laid):
        yield from (shape.outline for shape in item.shapes if shape.fill)
    elif isinstance(item, Stamps):
        for a, b, c, d, e, f in item.placements.tolist():
            for shape in item.shapes:
                if shape.fill:
                    moved = shape.outline.points @ np.array([[a, b], [c, d]]) + np.array([e, f])
                    yield Outline(shape.outline.commands, moved)


def _cornered(outline: Outline, place: CornerPlace) -> Outline:
    """A corner piece's outline about its corner, fitted to the turn."""
    commands, pieces = "", []
    for contour in contours(outline):
        parts = np.concatenate([in_parts(cubic, _CORNER_PARTS) for cubic in contour.cubics])
        points = np.concatenate([parts[:1, 0], parts[:, 1:].reshape(-1, 2)])
        points = points * np.array([place.reach, 1.0])
        pieces.append(fitted(points, place.reach, place.corner.turn))
        commands += "M" + "C" * len(parts) + ("Z" if contour.closed else "")
    return Outline(commands, np.concatenate(pieces))


def span_items(span: LaidSpan, threads: tuple[str, ...]) -> list[Item]:
    """A span as bent shapes."""
    bent = Bent(span.line, span.offset, span.course.swell, span.line.path.length)
    shapes = dress(tuple(span.motif.shapes), threads)
    laid = [part for shape in shapes for _, part in bend(bent, span.repeats, still(1), shape)]
    return [Laid(tuple(laid))]
