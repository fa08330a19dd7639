"""Bend: artwork that flexes with the path. Cubics become cubics within a stated distance."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Swell
from curlet.core.drawing import Outline, Shape
from curlet.core.lay.facing import Local
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats
from curlet.core.path.contours import Contour, coarser, contours
from curlet.core.path.cubics import cut_where, points_on, rates_on

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

TOLERANCE = 0.005
_PARTS = np.array([1, 2, 3, 4, 6, 8, 12, 16, 24, 32])
# Hermite's error on a part is max|M''''|/384; on an arc of radius R that is R·φ⁴/384.
_HERMITE = 384.0
_HAIR = 2e-8
_INSIDE = 1e-7
# Positions worked on at once, so that what is being worked on stays in the processor's cache.
_BLOCK = 24_000
# Past this gap between two mapped segments they are bridged by a line, mm.
_BRIDGE = 1e-4
_ALONG = np.array([1.0, 0.0])


@dataclass(frozen=True, eq=False)
class Bent:
    """Everything that the mapping needs: M(x, y) = P(s) + (offset + beside + W(s)·y)·N.

    `starts` are where the row's repeats begin, so that those which meet at a joint are bridged there;
    `tolerance` is how far what is drawn may lie from where it should, mm.
    """

    line: LegLine
    offset: float
    swell: Swell
    whole: float
    starts: Floats = field(default_factory=lambda: np.zeros(0))
    tolerance: float = TOLERANCE


def bend(bent: Bent, repeats: Repeats, local: Local, shape: Shape) -> list[tuple[Ints, Shape]]:
    """A motif's shape along the path, in batches of equal commands.

    Returns
    -------
    The indices of the repeats in a batch, and one shape with their outlines one after the other.
    """
    return bend_together(bent, repeats, local, (shape,))[0]


def bend_together(
    bent: Bent, repeats: Repeats, local: Local, shapes: Sequence[Shape]
) -> list[list[tuple[Ints, Shape]]]:
    """Several shapes of a motif along the path, each as `bend` gives it.

    Shapes that need about as many parts as one another are mapped at once, which is many times faster
    than one by one.
    """
    found: list[list[tuple[Ints, Shape]]] = [[] for _ in shapes]
    parts: list[Sequence[Contour]] = [contours(shape.outline) for shape in shapes]
    if not len(repeats):
        return found
    if bent.tolerance > TOLERANCE:
        scale = (float(np.abs(repeats.end - repeats.start).max()), 1.0)
        parts = [[coarser(part, scale, bent.tolerance) for part in chain] for chain in parts]
    kappa = _bends(bent, repeats)
    for members in _alike(bent, repeats, kappa, parts):
        for which, outlines in _in_batches(bent, repeats, kappa, local, [parts[i] for i in members]):
            for i, outline in zip(members, outlines, strict=True):
                found[i].append((which, replace(shapes[i], outline=outline)))
    return found


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


Batch = tuple[Ints, list[Outline]]


def _in_batches(
    bent: Bent, repeats: Repeats, kappa: Floats, local: Local, groups: Sequence[Sequence[Contour]]
) -> Iterator[Batch]:
    """Outlines of several shapes, batch by batch of repeats."""
    # Where the path turns sharply at a node, its two sides are bridged.
    kinks = bent.line.kinks
    begin, cease = bent.line.follows(repeats.leg)
    low, high = np.maximum(repeats.start, begin), np.minimum(repeats.end, cease)
    first = np.searchsorted(kinks, low + _INSIDE, side="right")
    last = np.searchsorted(kinks, high - np.where(_met(bent, repeats), -_INSIDE, _INSIDE), side="left")
    for index in np.flatnonzero(last > first):
        one = repeats.take(np.array([index]))
        shares = (kinks[first[index] : last[index]] - one.start) / (one.end - one.start)
        cut = [[_cut(part, shares) for part in parts] for parts in groups]
        if abs(shares[-1] - 1) < _INSIDE:
            cut = [_to_the_joint(parts) for parts in cut]
        for _, outlines in _smooth(bent, one, kappa[[index]], local.take(np.array([index])), cut):
            yield np.array([index]), outlines
    rest = np.flatnonzero(last <= first)
    if len(rest):
        few = repeats if len(rest) == len(repeats) else repeats.take(rest)
        for which, outlines in _smooth(bent, few, kappa[rest], local.take(rest), groups):
            yield rest[which], outlines


def _met(bent: Bent, repeats: Repeats) -> NDArray[np.bool_]:
    """(n,) whether another repeat begins where each one ends: a joint there is bridged by it."""
    if not len(bent.starts):
        return np.zeros(len(repeats), dtype=bool)
    lap = bent.line.path.length if bent.line.path.closed else np.inf
    starts, ends = np.sort(bent.starts % lap), (repeats.end + _INSIDE) % lap
    last = np.searchsorted(starts, ends) - 1
    return np.asarray((last >= 0) & (ends - starts[last] < 2 * _INSIDE))


def _to_the_joint(parts: Sequence[Contour]) -> list[Contour]:
    """Contours whose lines, where they run out of the cell, go on to the other side of a joint."""
    return [part if part.closed else replace(part, cubics=_run_on(part.cubics)) for part in parts]


def _run_on(cubics: Floats) -> Floats:
    ends = [(0, cubics[0, 0]), (len(cubics), cubics[-1, 3])]
    for index, point in reversed(ends):
        if abs(point[0] - 1) < _INSIDE:
            cubics = np.insert(cubics, index, np.tile(point, (4, 1)), axis=0)
    return cubics


def _smooth(
    bent: Bent, repeats: Repeats, kappa: Floats, local: Local, groups: Sequence[Sequence[Contour]]
) -> Iterator[Batch]:
    """Batches of repeats with no kink of the path inside a motif segment; `kappa` is the path's sharpest
    bend at each."""
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
        rough = error > bent.tolerance if count < _PARTS[-1] else np.zeros(len(now), dtype=bool)
        if rough.any():
            wanted[now[rough]] = count + 1
            todo = np.sort(np.concatenate([todo, now[rough]]))
            now, mapped = now[~rough], mapped[~rough]
        if len(now):
            yield now, _outlines(groups, mapped)


def _cut(part: Contour, shares: Floats) -> Contour:
    """A contour whose segments are cut wherever they pass one of the shares."""
    x = part.cubics[..., 0]
    low, high = x.min(axis=1)[:, None], x.max(axis=1)[:, None]
    passes = ((low < shares) & (shares < high)).any(axis=1)
    if not passes.any():
        return part
    pieces: list[Floats] = []
    for cubic, cut in zip(part.cubics, passes.tolist(), strict=True):
        pieces += cut_where(cubic, _ALONG, shares) if cut else [cubic]
    return Contour(np.array(pieces), part.closed)


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
        blocks = [np.arange(i, min(i + block, len(repeats))) for i in range(0, len(repeats), block)]
        found = [_map_in_order(bent, repeats.take(which), at, rate, parts) for which in blocks]
        return np.concatenate([part for part, _ in found]), np.concatenate([error for _, error in found])
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
    bent: Bent, repeats: Repeats, at: Floats, rate: Floats, parts: int
) -> tuple[Floats, Floats]:
    """The same for plain repeats that no kink crosses, in complex numbers: each of the motif's points
    is looked up once, in order along the path, which is several times faster."""
    spots, order = np.unique((at[..., 0] + 1j * at[..., 1]).round(12), return_inverse=True)
    order = order.reshape(at.shape[:2])
    ends, middles = order[:, ::2], order[:, 1::2]
    span = repeats.end - repeats.start
    s = repeats.start[:, None] + spots.real * span[:, None]
    frames = bent.line.frames(s.ravel(), np.repeat(repeats.leg, len(spots)))
    along = _complex(frames.along).reshape(s.shape)
    share = np.clip(s / bent.whole, 0, 1).ravel() if bent.swell.points else np.zeros(0)
    wide = bent.swell.at(share).reshape(s.shape) if len(share) else np.ones(1)
    q = bent.offset + repeats.beside[:, None] + wide * spots.imag
    place = _complex(frames.point).reshape(s.shape) + 1j * q * along
    forward = (1 - frames.bend.reshape(s.shape) * q) * span[:, None]
    dx, dy = rate[:, ::2, 0], rate[:, ::2, 1]
    if len(share):
        rise = _swelling(bent, share, s.shape) * span[:, None] * spots.imag
        way = dx * (forward + 1j * rise)[:, ends] + 1j * dy * wide[:, ends]
    else:
        way = dx * forward[:, ends] + 1j * dy
    way *= along[:, ends]
    way /= 3 * parts
    nodes = place[:, ends]
    out = np.empty((*nodes.shape[:2], parts, 4), dtype=np.complex128)
    out[..., 0], out[..., 3] = nodes[:, :, :-1], nodes[:, :, 1:]
    np.add(nodes[:, :, :-1], way[:, :, :-1], out=out[..., 1])
    np.subtract(nodes[:, :, 1:], way[:, :, 1:], out=out[..., 2])
    halfway = (nodes[:, :, :-1] + nodes[:, :, 1:]) / 2 + (way[:, :, :-1] - way[:, :, 1:]) * 0.375
    error = np.abs(halfway - place[:, middles]).max(axis=(1, 2), initial=0.0)
    return out.view(np.float64).reshape(*out.shape, 2), error


def _complex(pairs: Floats) -> NDArray[np.complex128]:
    return np.ascontiguousarray(pairs).view(np.complex128)[..., 0]


def _moved(bent: Bent, repeats: Repeats, local: Local, at: Floats, rate: Floats) -> tuple[Floats, Floats]:
    """Points and their rates under dM = k·dx·[(1 − κq)·T + q_s·N] + W·dy·N."""
    span = repeats.end - repeats.start
    mm, mm_rate = _localised(local, span, at, rate)
    s = repeats.start[:, None, None] + mm[..., 0]
    leg = np.broadcast_to(repeats.leg[:, None, None], s.shape)
    # A hair toward each segment's middle, so that a joint of the path is seen from the right side;
    # an edge across the path is seen from beyond it.
    hair = _HAIR * np.sign(s[:, :, s.shape[2] // 2, None] - s)
    hair[np.ptp(s, axis=2) < _INSIDE] = _HAIR
    frames = bent.line.frames((s + hair).ravel(), leg.ravel())
    share = np.clip(s / bent.whole, 0, 1).ravel()
    wide = bent.swell.at(share).reshape(s.shape)
    q = bent.offset + repeats.beside[:, None, None] + wide * mm[..., 1]
    along, across = (part.reshape(*s.shape, 2) for part in (frames.along, frames.across))
    points = frames.point.reshape(*s.shape, 2) - hair[..., None] * along + q[..., None] * across
    forward = mm_rate[..., 0] * (1 - frames.bend.reshape(s.shape) * q)
    sideways = wide * mm_rate[..., 1] + mm_rate[..., 0] * mm[..., 1] * _swelling(bent, share, s.shape)
    return points, forward[..., None] * along + sideways[..., None] * across


def _swelling(bent: Bent, share: Floats, shape: tuple[int, ...]) -> Floats:
    """dW/ds."""
    if not bent.swell.points:
        return np.zeros(shape)
    step = 1e-5
    rise = bent.swell.at(np.minimum(share + step, 1)) - bent.swell.at(np.maximum(share - step, 0))
    return np.asarray(rise / (2 * step * bent.whole)).reshape(shape)


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
        text, points = _bridged(chain, part.closed) if len(mapped) == 1 else _joined(chain, part.closed)
        commands += text
        pieces.append(points)
    points = np.concatenate(pieces, axis=1)
    return Outline(commands * len(mapped), points.reshape(-1, 2))


def _joined(chain: Floats, closed: bool) -> tuple[str, Floats]:
    points = np.concatenate([chain[:, :1, 0], chain[:, :, 1:].reshape(len(chain), -1, 2)], axis=1)
    return "M" + "C" * chain.shape[1] + ("Z" if closed else ""), points


def _bridged(chain: Floats, closed: bool) -> tuple[str, Floats]:
    """One contour; where the path turns at a joint its sides are bridged with a line."""
    cubics = chain[0]
    gaps = np.abs(cubics[1:, 0] - cubics[:-1, 3]).max(axis=1, initial=0.0) > _BRIDGE
    if not gaps.any():
        return _joined(chain, closed)
    commands, points = "MC", [cubics[0]]
    for gap, cubic in zip(gaps.tolist(), cubics[1:], strict=True):
        commands += "LC" if gap else "C"
        points.append(cubic if gap else cubic[1:])
    return commands + ("Z" if closed else ""), np.concatenate(points)[None]
