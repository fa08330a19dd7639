"""From a laid row to the drawing's items: placed or bent, cut at corners, over and under."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid, Outline, Picture, Shape, Solid, Stamps, moved_paint, placed
from curlet.core.dress.colour import dress, recoloured, shaded, turned
from curlet.core.lay.corners.mitre import half_plane, under_fold
from curlet.core.lay.draw_corner import corner_items
from curlet.core.lay.draw_picture import picture_item
from curlet.core.lay.facing import Local, faced, still
from curlet.core.lay.hold import HOLDS, Placements
from curlet.core.lay.hold.bend import TOLERANCE, Bent, bend_together
from curlet.core.lay.row import LaidRow
from curlet.core.lay.sway import swayed
from curlet.core.motif.motif import Motif

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

_UNIT = np.array([[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]])
# Steps in which swayed shades and hues are painted.
SHADE_STEP, HUE_STEP = 1.0, 4.0


def placements_of(row: LaidRow) -> Placements | None:
    """Where each repeat lies, None for a row that bends."""
    hold = HOLDS[row.course.hold]
    return hold(row.line, row.repeats, row.offset, row.asked) if hold else None


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
    row: LaidRow,
    threads: tuple[str, ...],
    seed: int,
    within: tuple[float, float] | None = None,
    tolerance: float = TOLERANCE,
) -> list[Item]:
    """A row's items in painting order; only those between two arc lengths if asked."""
    painter = _Painter(row, threads, seed, tolerance)
    which = np.arange(len(row.repeats)) if within is None else _inside(row, within)
    if row.course.overlap == "last-over-next":
        which = which[::-1]
    if row.course.overlap == "interlaced":
        items = [*painter.paint(which, over=False), *painter.paint(which, over=True)]
    else:
        items = painter.paint(which, over=None)
        if within is None and row.course.overlap == "next-over-last":
            items += painter.closing(which)
    if within is not None:
        return items
    coarse = tolerance if tolerance > TOLERANCE else 0.0
    return [*painter.folds(which), *items, *corner_items(row, threads, coarse)]


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

    def __init__(self, row: LaidRow, threads: tuple[str, ...], seed: int, tolerance: float) -> None:
        self.row, self.threads, self.tolerance = row, threads, tolerance
        self.at = placements_of(row)
        self.local = local_of(row, self.at, seed)
        self.matrices = matrices(self.at, self.local) if self.at is not None else None
        # Repeats that are bent together though they are painted apart, and what came of them by look.
        self.dealt: Ints = np.zeros(0, dtype=np.intp)
        self.hands: dict[tuple[object, ...], dict[int, list[Shape]]] = {}
        self.far = 40 * (1 + max(motif.width for motif in row.motifs) + row.length)

    @property
    def overlapping(self) -> bool:
        """Whether repeats touch their neighbours, so that their order shows."""
        overhang = max(motif.overhang for motif in self.row.motifs)
        gaps = [fit.gap for fit in self.row.fits if fit.repeats > 1]
        many = any(_many(motif) for motif in self.row.motifs)
        return many and min(gaps, default=1.0) < 2 * overhang - 1e-9

    def paint(self, which: Ints, *, over: bool | None) -> list[Item]:
        """Items of some repeats, cut where corners cut them."""
        repeats = self.row.repeats
        cut = repeats.cut_start[which] | repeats.cut_end[which]
        if not cut.any():
            return self._plain(which, over)
        parts = list(_stretches(which, repeats.leg, repeats.cut_start, repeats.cut_end))
        wider = [self._with_neighbour(part, which) for part in parts]
        # Those that corners cut are few and far between: they are bent together, and dealt out.
        self.dealt = _those_cut(wider, repeats.cut_start | repeats.cut_end)
        items: list[Item] = []
        for part, more in zip(parts, wider, strict=True):
            drawn = self._plain(more, over)
            items += self._clipped(drawn, int(part[0])) if drawn else []
        return items

    def _with_neighbour(self, part: Ints, which: Ints) -> Ints:
        """Repeats that are cut, with the next whole one before or after them: painted once more, it
        covers the hair's breadth of light that would show where the cut part begins."""
        repeats = self.row.repeats
        ends, starts = repeats.cut_end[part[0]], repeats.cut_start[part[0]]
        if not (ends or starts) or self.overlapping:
            return part
        near = int(part[0]) - 1 if ends else int(part[-1]) + 1
        if near not in which or repeats.leg[near] != repeats.leg[part[0]]:
            return part
        if repeats.cut_start[near] or repeats.cut_end[near]:
            return part
        return np.append(near, part) if ends else np.append(part, near)

    def _clipped(self, items: list[Item], first: int) -> list[Item]:
        repeats, line = self.row.repeats, self.row.line
        leg = int(repeats.leg[first])
        for at_end, cuts in ((False, repeats.cut_start), (True, repeats.cut_end)):
            if cuts[first]:
                clip = half_plane(line, leg, at_end=at_end, far=self.far)
                items = [Group(f"leg-{leg}-{'end' if at_end else 'start'}", "", tuple(items), clip=clip)]
        return items

    def folds(self, which: Ints) -> list[Item]:
        """What lies under folded corners: the legs that come in, past the bisector."""
        items: list[Item] = []
        repeats, row = self.row.repeats, self.row
        for room in row.rooms:
            if not room.stop.folded:
                continue
            part = which[(repeats.leg[which] == room.leg) & repeats.cut_end[which]]
            drawn = self._plain(part, None) if len(part) else []
            for clip in under_fold(row.line, room.leg, self.far, row.offset, row.reach):
                drawn = [Group(f"fold-{room.leg}", "", tuple(drawn), clip=clip)]
            items += drawn
        return items

    def _plain(self, which: Ints, over: bool | None) -> list[Item]:
        """Repeats in order: grouped by what they look like where their order does not show."""
        motif = self.row.repeats.motif[which]
        if self.local.plain and len(which) and (motif == motif[0]).all():
            return self._alike(which, over)
        look = np.stack([self.row.repeats.motif, *self._tints], axis=1)[which]
        if self.overlapping:
            edges = np.flatnonzero((look[1:] != look[:-1]).any(axis=1)) + 1
            groups = np.split(which, edges)
        else:
            _, key = np.unique(look, axis=0, return_inverse=True)
            groups = [which[key == value] for value in range(key.max(initial=-1) + 1)]
        return [item for group in groups if len(group) for item in self._alike(group, over)]

    @cached_property
    def _tints(self) -> tuple[Ints, Ints]:
        shade = np.round(self.local.shade / SHADE_STEP).astype(np.intp)
        return shade, np.round(self.local.hue / HUE_STEP).astype(np.intp)

    def _alike(self, which: Ints, over: bool | None) -> list[Item]:
        """Items of repeats of one motif and one tint."""
        motif = self.row.motifs[int(self.row.repeats.motif[which[0]])]
        chosen = tuple(item for item in motif.shapes if over is None or item.over == over)
        drawn = [picture_item(motif, self._rigid[which])] if motif.picture and not over else []
        if not chosen:
            return list(drawn)
        shapes = self._tinted(dress(chosen, self.threads), int(which[0]))
        if self.matrices is not None:
            every = len(which) == len(self.matrices) and which[0] == 0
            return [*drawn, Stamps(shapes, self.matrices if every else self.matrices[which])]
        row = self.row
        bent = Bent(
            row.line, row.offset, row.course.swell, row.line.path.length, row.repeats.start, self.tolerance
        )
        if self._is_dealt(which):
            return [*drawn, self._deal(bent, which, shapes, over)]
        return [*drawn, *self._bent(bent, which, shapes)]

    def _is_dealt(self, which: Ints) -> bool:
        return bool(np.isin(which, self.dealt).all())

    def _deal(self, bent: Bent, which: Ints, shapes: tuple[Shape, ...], over: bool | None) -> Item:
        """Repeats that were bent together with all others of their look that corners cut."""
        look = (*self._look(int(which[0])), over)
        if look not in self.hands:
            alike = np.array([i for i in self.dealt if self._look(int(i)) == look[:3]], dtype=np.intp)
            repeats, local = self.row.repeats.take(alike), self.local.take(alike)
            each = self._one_by_one(bend_together(bent, repeats, local, shapes), alike)
            self.hands[look] = dict(zip(alike.tolist(), each, strict=True))
        hand = self.hands[look]
        return Laid(tuple(shape for repeat in which.tolist() for shape in hand[repeat]))

    def _look(self, repeat: int) -> tuple[int, int, int]:
        shade, hue = self._tints
        return int(self.row.repeats.motif[repeat]), int(shade[repeat]), int(hue[repeat])

    @cached_property
    def _rigid(self) -> Floats:
        """(n, 6) where each repeat would lie if it did not bend."""
        if self.matrices is not None:
            return self.matrices
        row = self.row
        at = HOLDS["ride"]
        assert at is not None
        return matrices(at(row.line, row.repeats, row.offset, row.asked), self.local)

    def _bent(self, bent: Bent, which: Ints, shapes: tuple[Shape, ...]) -> list[Item]:
        repeats, local = self.row.repeats.take(which), self.local.take(which)
        every = bend_together(bent, repeats, local, shapes)
        if self.overlapping and len(which) > 1:
            return [Laid(tuple(shape for one in self._one_by_one(every, which) for shape in one))]
        laid: list[Shape] = []
        for batches in every:
            for part, shape in batches:
                laid += [one for _, one in self._apart(part, which, shape)] if _graded(shape) else [shape]
        return [Laid(tuple(laid))]

    def _one_by_one(self, every: list[list[tuple[Ints, Shape]]], which: Ints) -> list[list[Shape]]:
        """Each repeat's shapes together, in order, so that every repeat lies over the one before it."""
        found: list[list[Shape]] = [[] for _ in which]
        for batches in every:
            for part, shape in batches:
                for repeat, one in self._apart(part, which, shape):
                    found[repeat].append(one)
        return found

    def _apart(self, part: Ints, which: Ints, shape: Shape) -> Iterator[tuple[int, Shape]]:
        """A batch's repeats one by one, a gradient lying in each as it would if it did not bend."""
        commands = len(shape.outline.commands) // len(part)
        points = len(shape.outline.points) // len(part)
        for place, repeat in enumerate(part.tolist()):
            at = slice(place * points, (place + 1) * points)
            one = replace(shape, outline=Outline(shape.outline.commands[:commands], shape.outline.points[at]))
            yield repeat, moved_paint(one, tuple(self._rigid[which[repeat]])) if _graded(shape) else one

    def _tinted(self, shapes: tuple[Shape, ...], first: int) -> tuple[Shape, ...]:
        shade, hue = (int(part[first]) for part in self._tints)
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


def _many(motif: Motif) -> bool:
    """Whether one repeat over another looks different from the other over the one."""
    return motif.picture is not None or len(motif.shapes) > 1 or bool(motif.shapes[0].shape.fill)


def _graded(shape: Shape) -> bool:
    return shape.fill is not None and not isinstance(shape.fill, Solid)


def _those_cut(parts: list[Ints], cut: NDArray[np.bool_]) -> Ints:
    """The repeats of every part that is cut, with the whole one that is painted with it."""
    found = [part for part in parts if cut[part].any()]
    return np.unique(np.concatenate(found)) if found else np.zeros(0, dtype=np.intp)


def _stretches(
    which: Ints, leg: Ints, cut_start: NDArray[np.bool_], cut_end: NDArray[np.bool_]
) -> Iterator[Ints]:
    """Runs of repeats that the same corners cut."""
    look = np.stack([leg[which] * (cut_start | cut_end)[which], cut_start[which], cut_end[which]], axis=1)
    yield from np.split(which, np.flatnonzero((look[1:] != look[:-1]).any(axis=1)) + 1)


def _footprints(item: Item) -> Iterator[Outline]:
    """The filled outlines of an item, on the sheet."""
    if isinstance(item, Picture):
        yield from (Outline("MLLLZ", points) for points in placed(_UNIT, item.placements))
    if isinstance(item, Laid):
        yield from (shape.outline for shape in item.shapes if shape.fill)
    elif isinstance(item, Stamps):
        for a, b, c, d, e, f in item.placements.tolist():
            for shape in item.shapes:
                if shape.fill:
                    moved = shape.outline.points @ np.array([[a, b], [c, d]]) + np.array([e, f])
                    yield Outline(shape.outline.commands, moved)
