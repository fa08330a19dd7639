"""Bend: artwork that flexes with the path. Cubics become cubics within a stated distance."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline, Shape
from curlet.core.lay.facing import Local
from curlet.core.lay.hold.followed import Batch, Followed, joints_in
from curlet.core.lay.hold.lap import lap
from curlet.core.lay.hold.left_by_cuts import Left
from curlet.core.lay.hold.mapping import TOLERANCE, Bent
from curlet.core.lay.repeats import Repeats
from curlet.core.path.contours import Contour, coarser, contours
from curlet.core.path.cubics import points_on, rates_on
from curlet.core.path.outline import of_chains

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]

_NOTHING_CUT: Mapping[int, Sequence[Left]] = {}
_PARTS = np.array([1, 2, 3, 4, 6, 8, 12, 16, 24, 32])
# Hermite's error on a part is max|M''''|/384; on an arc of radius R that is R·φ⁴/384.
_HERMITE = 384.0
_INSIDE = 1e-7
# Positions worked on at once, so that what is being worked on stays in the processor's cache.
_BLOCK = 24_000
# Where κq passes this, to either side, the mapping is followed piece by piece.
_TIGHT = 0.9


def bend(bent: Bent, repeats: Repeats, local: Local, shape: Shape) -> list[Batch]:
    """A motif's shape along the path, in batches of equal commands."""
    return bend_together(bent, repeats, local, (shape,))[0]


def bend_together(
    bent: Bent,
    repeats: Repeats,
    local: Local,
    shapes: Sequence[Shape],
    left: Mapping[int, Sequence[Left]] = _NOTHING_CUT,
) -> list[list[Batch]]:
    """Several shapes of a motif along the path, each as `bend` gives it; `left` has what corners leave of
    the repeats that they cut.

    Shapes that need about as many parts as one another are mapped at once, which is many times faster
    than one by one. Repeats with a joint of the path in them, in tight bends, and at corners that cut them,
    are followed piece by piece.
    """
    found: list[list[Batch]] = [[] for _ in shapes]
    if not len(repeats):
        return found
    parts = parts_of(bent, repeats, shapes)
    kappa, joints = _bends(bent, repeats), joints_in(bent, repeats)
    careful = joints.crossed | (kappa * _reach(bent, repeats, local, parts) > _TIGHT) | bool(bent.window)
    if bent.cuts:
        careful |= repeats.cut_start | repeats.cut_end
    piecewise = [careful.copy() for _ in shapes]
    smooth = np.flatnonzero(~careful)
    few, own = (repeats.take(smooth), local.take(smooth)) if careful.any() else (repeats, local)
    for i, which, outline in _at_once(bent, few, own, kappa[smooth], parts, shapes):
        found[i].append((smooth[which], replace(shapes[i], outline=outline)))
    for i, batches in enumerate(found):
        piecewise[i][smooth] = bool(parts[i])
        for which, _ in batches:
            piecewise[i][which] = False
    for i, batch in Followed(bent, repeats, local, joints, left).bent(shapes, parts, piecewise):
        found[i].append(batch)
    return found


def parts_of(bent: Bent, repeats: Repeats, shapes: Sequence[Shape]) -> list[Sequence[Contour]]:
    """Each shape's contours, no finer than the tolerance needs."""
    parts: list[Sequence[Contour]] = [contours(shape.outline) for shape in shapes]
    if bent.tolerance <= TOLERANCE:
        return parts
    scale = (float(np.abs(repeats.end - repeats.start).max()), 1.0)
    return [[coarser(part, scale, bent.tolerance) for part in chain] for chain in parts]


def _at_once(
    bent: Bent,
    repeats: Repeats,
    local: Local,
    kappa: Floats,
    parts: Sequence[Sequence[Contour]],
    shapes: Sequence[Shape],
) -> Iterator[tuple[int, Ints, Outline]]:
    """Repeats with no joint of the path in them: a shape's index, some repeats and their outlines of it."""
    if len(repeats):
        for members in _alike(bent, repeats, kappa, parts):
            chosen = [parts[i] for i in members]
            counts = [sum(len(part.cubics) for part in chain) for chain in chosen]
            filled = np.repeat([shapes[i].fill is not None for i in members], counts)
            for which, outlines in _smooth(bent, repeats, kappa, local, chosen, filled):
                yield from ((i, which, outline) for i, outline in zip(members, outlines, strict=True))


def _reach(bent: Bent, repeats: Repeats, local: Local, parts: Sequence[Sequence[Contour]]) -> float:
    """How far beside the path anything lies, about, mm."""
    high = max((float(np.abs(part.cubics[..., 1]).max()) for chain in parts for part in chain), default=0.0)
    if not local.plain:
        high += float(np.abs(repeats.end - repeats.start).max()) / 2
    wide = max((width for _, width in bent.swell.points), default=100.0) / 100
    return abs(bent.offset) + wide * high + float(np.abs(repeats.beside).max(initial=0.0))


def _alike(
    bent: Bent, repeats: Repeats, kappa: Floats, parts: Sequence[Sequence[Contour]]
) -> list[list[int]]:
    """Indices of shapes, together where they are likely to need the same number of parts."""
    if len(parts) == 1:
        return [[0]] if parts[0] else []
    groups: dict[int, list[int]] = {}
    for index, chain in enumerate(parts):
        if chain:
            cubics = np.concatenate([part.cubics for part in chain])
            most = int(_estimate(bent, repeats, kappa, cubics).max())
            groups.setdefault(int(np.searchsorted(_PARTS, most)), []).append(index)
    return list(groups.values())


def _smooth(
    bent: Bent,
    repeats: Repeats,
    kappa: Floats,
    local: Local,
    groups: Sequence[Sequence[Contour]],
    filled: Bools,
) -> Iterator[tuple[Ints, list[Outline]]]:
    """Batches of repeats with no joint of the path inside them; `kappa` is the path's sharpest bend at each.
    Those that so many parts do not bring within the tolerance are left out."""
    todo = np.arange(len(repeats))
    cubics = np.concatenate([part.cubics for parts in groups for part in parts])
    wanted = _estimate(bent, repeats, kappa, cubics)
    for count in _PARTS:
        if not len(todo):
            break
        now = todo[wanted[todo] <= count]
        if not len(now):
            continue
        todo = todo[wanted[todo] > count]
        all_now = len(now) == len(repeats)
        chosen, own = (repeats, local) if all_now else (repeats.take(now), local.take(now))
        mapped, error = _map(bent, chosen, own, cubics, int(count))
        rough = error > bent.tolerance
        if rough.any():
            wanted[now[rough]] = count + 1
            if count < _PARTS[-1]:
                todo = np.sort(np.concatenate([todo, now[rough]]))
            now, mapped = now[~rough], mapped[~rough]
        if len(now):
            if len(bent.ends):
                lap(mapped, cubics, filled, bent, repeats.take(now))
            yield now, _outlines(groups, mapped)


def _bends(bent: Bent, repeats: Repeats) -> Floats:
    """(n,) the sharpest bend of the path at each repeat, 1/mm."""
    s = np.stack([repeats.start, repeats.middle, repeats.end], axis=1)
    bends = bent.line.frames(s.ravel(), np.repeat(repeats.leg, 3)).bend
    return np.asarray(np.abs(bends).reshape(-1, 3).max(axis=1))


def _estimate(bent: Bent, repeats: Repeats, kappa: Floats, cubics: Floats) -> Ints:
    """How many parts each motif segment is likely to need, from the bend at the repeat."""
    span = np.ptp(cubics[..., 0], axis=1).max() * np.abs(repeats.end - repeats.start)
    reach = np.abs(cubics[..., 1]).max() + abs(bent.offset)
    angle = kappa * span
    radius = 1 / np.maximum(kappa, 1e-12) + reach
    need = angle * (radius / (_HERMITE * bent.tolerance)) ** 0.25
    parts: Ints = np.ceil(np.clip(need, 1, _PARTS[-1])).astype(np.intp)
    return parts


def _map(bent: Bent, repeats: Repeats, local: Local, cubics: Floats, parts: int) -> tuple[Floats, Floats]:
    """(n, k, parts, 4, 2) cubics on the sheet, and (n,) how far they err at their middles, mm."""
    t = np.arange(2 * parts + 1) / (2 * parts)
    at, rate = points_on(cubics, t), rates_on(cubics, t)
    if local.plain and len(repeats) > 1:
        block = max(_BLOCK // at[..., 0].size, 1)
        mapped = np.empty((len(repeats), len(cubics), parts, 4), dtype=np.complex128)
        error = np.empty(len(repeats))
        for i in range(0, len(repeats), block):
            some = slice(i, i + block)
            which = np.arange(len(repeats))[some]
            error[some] = _map_in_order(bent, repeats.take(which), at, rate, mapped[some])
        return mapped.view(np.float64).reshape(*mapped.shape, 2), error
    points, speeds = _moved(bent, repeats, local, at, rate)
    ends, middles = points[:, :, ::2], points[:, :, 1::2]
    handles = speeds[:, :, ::2] / (3 * parts)
    out = np.empty((*ends.shape[:2], parts, 4, 2))
    out[..., 0, :], out[..., 3, :] = ends[:, :, :-1], ends[:, :, 1:]
    out[..., 1, :] = ends[:, :, :-1] + handles[:, :, :-1]
    out[..., 2, :] = ends[:, :, 1:] - handles[:, :, 1:]
    halfway = (out[..., 0, :] + 3 * out[..., 1, :] + 3 * out[..., 2, :] + out[..., 3, :]) / 8
    error = np.abs(halfway - middles).max(axis=(1, 2, 3), initial=0.0)
    return out, error


def _map_in_order(
    bent: Bent, repeats: Repeats, at: Floats, rate: Floats, out: NDArray[np.complex128]
) -> Floats:
    """The same for plain repeats that no kink crosses, in complex numbers: each of the motif's points
    is worked out once, and the path looked up once for those that lie equally far along it, which is several
    times quicker. Fills in (n, k, parts, 4) `out`; returns (n,) how far they err."""
    spots, order = np.unique((at[..., 0] + 1j * at[..., 1]).round(12), return_inverse=True)
    order = order.reshape(at.shape[:2])
    ends, middles = order[:, ::2], order[:, 1::2]
    x, at_x = np.unique(spots.real, return_inverse=True)
    of = at_x if len(x) < len(spots) else slice(None)
    span = repeats.end - repeats.start
    s = repeats.start[:, None] + x * span[:, None]
    frames = bent.line.frames(s.ravel(), np.repeat(repeats.leg, len(x)))
    along = _complex(frames.along).reshape(s.shape)[:, of]
    swelling = bool(bent.swell.points)
    wide = bent.width(s)[:, of] if swelling else np.ones(1)
    q = bent.offset + repeats.beside[:, None] + wide * spots.imag
    place = _complex(frames.point).reshape(s.shape)[:, of]
    place.real -= q * along.imag
    place.imag += q * along.real
    forward = (1 - frames.bend.reshape(s.shape)[:, of] * q) * span[:, None]
    dx, dy = np.moveaxis(rate[:, ::2], -1, 0) / (3 * out.shape[2])
    if swelling:
        rise = bent.swelling(s)[:, of] * span[:, None] * spots.imag
        way = dx * (forward + 1j * rise)[:, ends] + 1j * dy * wide[:, ends]
    else:
        way = np.empty((len(s), *ends.shape), dtype=np.complex128)
        np.multiply(dx, forward[:, ends], out=way.real)
        way.imag = dy
    way *= along[:, ends]
    nodes = place[:, ends]
    before, after = nodes[:, :, :-1], nodes[:, :, 1:]
    out[..., 0], out[..., 3] = before, after
    np.add(before, way[:, :, :-1], out=out[..., 1])
    np.subtract(after, way[:, :, 1:], out=out[..., 2])
    err = _real(before + after) / 2 + _real(way[:, :, :-1] - way[:, :, 1:]) * 0.375
    err -= _real(place[:, middles])
    return np.asarray(np.abs(err, out=err).max(axis=(1, 2), initial=0.0))


def _real(numbers: NDArray[np.complex128]) -> Floats:
    return np.ascontiguousarray(numbers).view(np.float64)


def _complex(pairs: Floats) -> NDArray[np.complex128]:
    return np.ascontiguousarray(pairs).view(np.complex128)[..., 0]


def _moved(bent: Bent, repeats: Repeats, local: Local, at: Floats, rate: Floats) -> tuple[Floats, Floats]:
    """(n, k, m, 2) points and their rates."""
    mm, mm_rate = _localised(local, repeats.end - repeats.start, at, rate)
    s = repeats.start[:, None, None] + mm[..., 0]
    leg = np.broadcast_to(repeats.leg[:, None, None], s.shape)
    beside = np.broadcast_to(repeats.beside[:, None, None], s.shape)
    side = np.zeros_like(s)
    points, speeds = bent.mapped(s, mm[..., 1], mm_rate[..., 0], mm_rate[..., 1], leg, beside, side)
    return np.moveaxis(points, 0, -1), np.moveaxis(speeds, 0, -1)


def _localised(local: Local, span: Floats, at: Floats, rate: Floats) -> tuple[Floats, Floats]:
    """(n, k, m, 2) cell points in mm from the repeat's start, each repeat's own turn and flip done."""
    scale = np.stack([span, np.ones_like(span)], axis=-1)[:, None, None, :]
    mm, mm_rate = at[None] * scale, rate[None] * scale
    if local.plain:
        return mm, mm_rate
    middle = np.stack([span / 2, np.zeros_like(span)], axis=-1)[:, None, None, :]
    matrix = local.matrix
    turned = np.einsum("nij,nkmj->nkmi", matrix, mm - middle) + middle
    return turned + local.shift[:, None, None, :], np.einsum("nij,nkmj->nkmi", matrix, mm_rate)


def _outlines(groups: Sequence[Sequence[Contour]], mapped: Floats) -> list[Outline]:
    """Each shape's outline, from what was mapped for all of them."""
    found, at = [], 0
    for parts in groups:
        count = sum(len(part.cubics) for part in parts)
        found.append(_outline(parts, mapped[:, at : at + count]))
        at += count
    return found


def _outline(parts: Sequence[Contour], mapped: Floats) -> Outline:
    """The mapped contours of every repeat in a batch, one after the other."""
    commands, pieces, at = "", [], 0
    for part in parts:
        count = len(part.cubics)
        chain = mapped[:, at : at + count].reshape(len(mapped), -1, 4, 2)
        at += count
        text, points = of_chains(chain, part.closed)
        commands += text
        pieces.append(points)
    points = np.concatenate(pieces, axis=1) if len(pieces) > 1 else pieces[0]
    return Outline(commands * len(mapped), points.reshape(-1, 2))
