"""A row's repeats as shapes: placed or bent, tinted, and cut where something ends them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import cached_property
from itertools import takewhile

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Laid, Outline, Shape, Stamps, moved_paint
from curlet.core.dress.colour import RoleShape, dress, recoloured, shaded, turned
from curlet.core.lay.by_hand import moved_by_hand
from curlet.core.lay.corners.cut import Cut, Cuts, as_it_stands
from curlet.core.lay.corners.mitre import half_plane
from curlet.core.lay.draw_picture import picture_item
from curlet.core.lay.facing import Local, faced, still
from curlet.core.lay.hold import Placements
from curlet.core.lay.hold.bend import bend_together, parts_of
from curlet.core.lay.hold.cut_rigid import rigid_clipped
from curlet.core.lay.hold.followed import Batch
from curlet.core.lay.hold.lap import begun_before
from curlet.core.lay.hold.left_by_cuts import CutMotif, Left, left_by_cuts
from curlet.core.lay.hold.mapping import Bent
from curlet.core.lay.hold.placements import met
from curlet.core.lay.hold.rigid import rigid
from curlet.core.lay.row import LaidRow
from curlet.core.lay.run_in import graded, together
from curlet.core.lay.sway import swayed
from curlet.core.motif.motif import Motif
from curlet.core.path.outline import turned_back

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

# Steps in which swayed shades and hues are painted.
SHADE_STEP, HUE_STEP = 1.0, 4.0
_EDGE = 1e-6
# Links that are drawn into one another meet where they lie no further apart than this share of a link.
_MEETS = 0.12


def placements_of(row: LaidRow) -> Placements | None:
    """Where each repeat lies, None for a row that bends."""
    place = row.hold.place
    at = place(row.line, row.repeats, row.offset, row.asked) if place else None
    if at is None or row.gap or not all(motif.interlinked for motif in row.motifs):
        return at
    follows = row.repeats.leg == np.roll(row.repeats.leg, 1)
    follows[:1] &= row.line.path.closed
    return met(at, follows, _MEETS * row.length)


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
    plain = facing == type(facing)() and not row.course.sway and not row.by_hand
    if plain:
        return still(len(row.repeats))
    angle = np.zeros(len(row.repeats)) if at is None else at.angle
    local = faced(facing, row.repeats, angle)
    local = swayed(local, row.course.sway, row.line, row.repeats, row.index, seed)
    return moved_by_hand(local, row) if row.by_hand else local


class Painter:
    """Turns repeats of one row into items."""

    def __init__(self, row: LaidRow, threads: tuple[str, ...], seed: int, tolerance: float) -> None:
        self.row, self.threads, self.tolerance = row, threads, tolerance
        self.at = placements_of(row)
        self.local = local_of(row, self.at, seed)
        self.matrices = matrices(self.at, self.local) if self.at is not None else None
        self._left: dict[int, dict[int, list[Left]]] = {}
        self.far = 40 * (1 + max(motif.width for motif in row.motifs) + row.length)

    @cached_property
    def overlapping(self) -> bool:
        """Whether repeats touch their neighbours, so that their order shows."""
        overhang = max(motif.overhang for motif in self.row.motifs)
        gaps = [fit.gap for fit in self.row.fits if fit.repeats > 1]
        many = any(_many(motif) for motif in self.row.motifs)
        return many and min(gaps, default=self.row.gap) < 2 * overhang - 1e-9

    @cached_property
    def _touched(self) -> Floats:
        """Where along the path repeats, or a corner's piece, end and touch the next repeat."""
        row, repeats = self.row, self.row.repeats
        if not row.touching:
            return np.zeros(0)
        after = [room.leg for room in row.rooms if room.start.art is not None]
        begun = [repeats.start[repeats.leg == leg] for leg in after]
        return np.concatenate([repeats.end, np.array([each.min() for each in begun if len(each)])])

    @cached_property
    def beside_one_another(self) -> bool:
        """Whether all that lies under leaves its neighbours' cells alone, so that its order does not show."""
        under = [item for motif in self.row.motifs for item in motif.shapes if not item.over]
        return all(_within_cell(item) for item in under)

    @cached_property
    def shows_through(self) -> bool:
        """Whether anything under its repeats shows through them."""
        return any(item.opacity < 1 for motif in self.row.motifs for item in motif.shapes)

    def paint(
        self, which: Ints, *, over: bool | None = None, window: tuple[Cut, ...] = (), whole: bool = False
    ) -> list[Item]:
        """Items of some repeats in order, grouped by what they look like where their order does not show.

        Parameters
        ----------
        over : only the shapes that lie over, or under, where links pass through one another.
        window : what all of them are cut by beside their corners.
        whole : whether corners leave them uncut.
        """
        if not len(which):
            return []
        motif = self.row.repeats.motif[which]
        if self.local.plain and (motif == motif[0]).all():
            return self._alike(which, over, window, whole)
        look = np.stack([self.row.repeats.motif, *self._tints], axis=1)[which]
        if self.overlapping:
            edges = np.flatnonzero((look[1:] != look[:-1]).any(axis=1)) + 1
            groups = np.split(which, edges)
        else:
            _, key = np.unique(look, axis=0, return_inverse=True)
            groups = [which[key == value] for value in range(key.max(initial=-1) + 1)]
        return [item for group in groups for item in self._alike(group, over, window, whole)]

    @cached_property
    def _tints(self) -> tuple[Ints, Ints]:
        shade = np.round(self.local.shade / SHADE_STEP).astype(np.intp)
        return shade, np.round(self.local.hue / HUE_STEP).astype(np.intp)

    def _alike(self, which: Ints, over: bool | None, window: tuple[Cut, ...], whole: bool) -> list[Item]:
        """Items of repeats of one motif and one tint."""
        motif = self.row.motifs[int(self.row.repeats.motif[which[0]])]
        cuts: Cuts = {} if whole else {**self.row.cuts, **self.row.ends}
        items: list[Item] = []
        if motif.picture and not over:
            items += self._pictures(motif, which, bool(cuts))
        chosen = tuple(item for item in motif.shapes if over is None or item.over == over)
        if not chosen:
            return items
        shapes = dress(chosen, self.threads)
        painted: Sequence[Laid | Stamps]
        if self.matrices is not None:
            painted = self._placed(shapes, which, cuts, window)
        else:
            bent = self._mapping(window, whole)
            painted = self._bent(bent, which, shapes, chosen, {} if whole else self._left_of(which, over))
        return [*items, *self._tinted(painted, int(which[0]))]

    @cached_property
    def _lapped_cuts(self) -> Cuts:
        """Where legs end; repeats that touch go a hair over one another there too."""
        row = self.row
        cuts = {**row.cuts, **row.ends}
        if not row.touching:
            return cuts
        return {key: begun_before(cut) if key in row.cuts else cut for key, cut in cuts.items()}

    def _mapping(self, window: tuple[Cut, ...] = (), whole: bool = False) -> Bent:
        row = self.row
        cuts = {} if whole else self._lapped_cuts
        return Bent(
            row.line, row.offset, row.course.swell, row.line.path.length, row.repeats.start, self.tolerance,
            cuts, window, self._touched,
        )  # fmt: skip

    @cached_property
    def _cut_motifs(self) -> list[CutMotif]:
        bent, repeats = self._mapping(), self.row.repeats
        dressed = [dress(motif.shapes, self.threads) for motif in self.row.motifs]
        return [
            CutMotif(shapes, parts_of(bent, repeats, shapes), motif.sewn)
            for shapes, motif in zip(dressed, self.row.motifs, strict=True)
        ]

    def _left_on(self, leg: int) -> dict[int, list[Left]]:
        """What corners leave of the repeats of a leg that they cut, of all shapes of their motifs."""
        if leg not in self._left:
            bent, repeats = self._mapping(), self.row.repeats
            cut = np.flatnonzero((repeats.leg == leg) & (repeats.cut_start | repeats.cut_end))
            some = bool(bent.cuts) and len(cut) > 0
            self._left[leg] = left_by_cuts(bent, repeats, self.local, cut, self._cut_motifs) if some else {}
        return self._left[leg]

    def _left_of(self, which: Ints, over: bool | None) -> dict[int, list[Left]]:
        """The same of some repeats of one motif and of the shapes that lie over, or under: by their places
        among these."""
        repeats = self.row.repeats
        cut = np.flatnonzero(repeats.cut_start[which] | repeats.cut_end[which])
        if not len(cut):
            return {}
        motif = self.row.motifs[int(self.row.repeats.motif[which[0]])]
        chosen = [i for i, item in enumerate(motif.shapes) if over is None or item.over == over]
        found = {}
        for place, repeat in zip(cut.tolist(), which[cut].tolist(), strict=True):
            left = self._left_on(int(repeats.leg[repeat])).get(repeat)
            if left is not None:
                own = (each for each in left if each.index in chosen)
                found[place] = [replace(each, index=chosen.index(each.index)) for each in own]
        return found

    def _pictures(self, motif: Motif, which: Ints, cut: bool) -> list[Item]:
        """A motif's picture, hidden past corners that cut it."""
        repeats = self.row.repeats
        flags = repeats.cut_start[which] | repeats.cut_end[which] if cut else np.zeros(len(which), dtype=bool)
        items: list[Item] = []
        if not flags.all():
            items.append(picture_item(motif, self._rigid[which[~flags]]))
        for repeat in which[flags].tolist():
            item: Item = picture_item(motif, self._rigid[[repeat]])
            leg = int(repeats.leg[repeat])
            for at_end, cuts in ((False, repeats.cut_start), (True, repeats.cut_end)):
                if cuts[repeat]:
                    clip = half_plane(self.row.line, leg, at_end=at_end, far=self.far)
                    item = Group(f"leg-{leg}-{'end' if at_end else 'start'}", "", (item,), clip=clip)
            items.append(item)
        return items

    def _placed(
        self, shapes: tuple[Shape, ...], which: Ints, cuts: Cuts, window: tuple[Cut, ...]
    ) -> list[Laid | Stamps]:
        """Rigid repeats: stamped, those that are cut each by itself."""
        assert self.matrices is not None
        repeats = self.row.repeats
        flags = np.full(len(which), bool(window))
        if cuts:
            flags |= repeats.cut_start[which] | repeats.cut_end[which]
        if not flags.any():
            every = len(which) == len(self.matrices) and which[0] == 0
            return [Stamps(shapes, self.matrices if every else self.matrices[which], not self.overlapping)]
        items: list[Laid | Stamps] = []
        for stretch in np.split(np.arange(len(which)), np.flatnonzero(np.diff(flags)) + 1):
            some = which[stretch]
            if flags[stretch[0]]:
                laid = [part for i in some.tolist() for part in self._cut(i, shapes, cuts, window)]
                items += [Laid(tuple(laid))] if laid else []
            else:
                items.append(Stamps(shapes, self.matrices[some], not self.overlapping))
        return items

    def _cut(
        self, repeat: int, shapes: tuple[Shape, ...], cuts: Cuts, window: tuple[Cut, ...]
    ) -> Iterator[Shape]:
        """One rigid repeat, cut."""
        assert self.matrices is not None
        repeats, leg = self.row.repeats, int(self.row.repeats.leg[repeat])
        ends = ((False, repeats.cut_start[repeat]), (True, repeats.cut_end[repeat]))
        own = [self._standing[leg, at_end] for at_end, flag in ends if flag and (leg, at_end) in cuts]
        matrix = tuple(self.matrices[repeat].tolist())
        for shape in shapes:
            yield from rigid_clipped(shape, matrix, [*own, *window])

    @cached_property
    def _standing(self) -> Cuts:
        """Where corners cut what does not bend."""
        cuts = self.row.cuts.items()
        corners = {(leg, at_end): as_it_stands(cut, self.row.line, leg) for (leg, at_end), cut in cuts}
        return {**corners, **self.row.ends}

    @cached_property
    def _rigid(self) -> Floats:
        """(n, 6) where each repeat would lie if it did not bend."""
        if self.matrices is not None:
            return self.matrices
        row = self.row
        return matrices(rigid(row.line, row.repeats, row.offset), self.local)

    def _bent(
        self,
        bent: Bent,
        which: Ints,
        shapes: tuple[Shape, ...],
        chosen: tuple[RoleShape, ...],
        left: dict[int, list[Left]],
    ) -> list[Laid]:
        repeats, local = self.row.repeats.take(which), self.local.take(which)
        every = bend_together(bent, repeats, local, shapes, left)
        within = [_within_cell(item) for item in chosen]
        if self.overlapping and len(which) > 1 and not all(within):
            # What repeats share an edge with lies under them as one, so that no seam shows between them.
            shared = (
                batches for batches, _ in takewhile(lambda pair: pair[1], zip(every, within, strict=True))
            )
            under = [shape for batches in shared for shape in self._as_one(batches, which)]
            laid = under + [shape for one in self._one_by_one(every, which) for shape in one]
        else:
            laid = [shape for batches in every for shape in self._as_one(batches, which)]
        return [Laid(tuple(laid))] if laid else []

    def _as_one(self, batches: list[Batch], which: Ints) -> Iterator[Shape]:
        """One shape of all repeats as one, so that no seam shows where two meet; gradients lie in each."""
        alike: dict[tuple[object, object], list[Shape]] = {}
        for part, shape in batches:
            if graded(shape):
                yield from (one for _, one in self._apart(part, which, shape))
            elif shape.fill and self.local.mirrored[which[part]].any():
                key = (shape.fill, shape.stroke)
                alike.setdefault(key, []).extend(self._wound_alike(part, which, shape))
            else:
                alike.setdefault((shape.fill, shape.stroke), []).append(shape)
        yield from (together(shapes) for shapes in alike.values())

    def _wound_alike(self, part: Ints, which: Ints, shape: Shape) -> Iterator[Shape]:
        """A batch's repeats, all of them wound one way: where two overlap by a hair, none cuts the other."""
        for repeat, one in self._apart(part, which, shape):
            mirrored = self.local.mirrored[which[repeat]]
            yield replace(one, outline=turned_back(one.outline)) if mirrored else one

    def _one_by_one(self, every: list[list[Batch]], which: Ints) -> list[list[Shape]]:
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
            yield repeat, moved_paint(one, tuple(self._rigid[which[repeat]])) if graded(shape) else one

    def _tinted(self, items: Sequence[Laid | Stamps], first: int) -> list[Item]:
        """Items in the tint of the first repeat in them."""
        shade, hue = (int(part[first]) for part in self._tints)
        if not (shade or hue):
            return list(items)

        def tint(colour: str) -> str:
            return turned(shaded(colour, shade * SHADE_STEP), hue * HUE_STEP)

        return [replace(item, shapes=tuple(recoloured(each, tint) for each in item.shapes)) for item in items]


def _within_cell(item: RoleShape) -> bool:
    """Whether a shape hides what lies under it and leaves its neighbours' cells alone."""
    x = item.shape.outline.points[:, 0]
    plain = item.shape.stroke is None and item.opacity == 1 and item.gradient is None
    return bool(plain and x.min() >= -_EDGE and x.max() <= 1 + _EDGE)


def _many(motif: Motif) -> bool:
    """Whether one repeat over another looks different from the other over the one."""
    fills = any(item.shape.fill for item in motif.shapes)
    return motif.picture is not None or len(motif.shapes) > 1 or fills
