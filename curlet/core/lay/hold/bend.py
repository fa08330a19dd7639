"""Bend: artwork that flexes with the path. Cubics become cubics within a stated distance."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.rules import Swell
from curlet.core.drawing import Outline, Shape
from curlet.core.lay.facing import Local
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats
from curlet.core.path.corners import node_turns
from curlet.core.path.cubics import points_on, rates_on, split

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

TOLERANCE = 0.005
_PARTS = np.array([1, 2, 3, 4, 6, 8, 12, 16, 24, 32])
# Hermite's error on a part is max|M''''|/384; on an arc of radius R that is R·φ⁴/384.
_HERMITE = 384.0
_HAIR = 2e-8
# A path that turns by more than this at a node has its two sides bridged there, degrees.
_KINK = 0.05
_INSIDE = 1e-7
# Positions worked on at once, so that what is being worked on stays in the processor's cache.
_BLOCK = 24_000
# Past this gap between two mapped segments they are bridged by a line, mm.
_BRIDGE = 1e-4


@dataclass(frozen=True, eq=False)
class Bent:
    """Everything that the mapping needs: M(x, y) = P(s) + (offset + beside + W(s)·y)·N."""

    line: LegLine
    offset: float
    swell: Swell
    whole: float


@dataclass(frozen=True, eq=False)
class Contour:
    """One contour of a motif: (k, 4, 2) cubics, x 0…1 along the cell and y in mm across it."""

    cubics: Floats
    closed: bool


def contours(outline: Outline) -> list[Contour]:
    """An outline's contours, straight lines as cubics at even speed."""
    found: list[Contour] = []
    pieces: list[Floats] = []
    at, first, here = 0, np.zeros(2), np.zeros(2)

    def close(closed: bool) -> None:
        if closed and np.abs(here - first).max() > 1e-12:
            pieces.append(_straight(here, first))
        if pieces:
            found.append(Contour(np.array(pieces), closed))
        pieces.clear()

    for command in outline.commands:
        if command == "M":
            close(False)
            first = here = outline.points[at]
            at += 1
        elif command == "L":
            pieces.append(_straight(here, outline.points[at]))
            here, at = outline.points[at], at + 1
        elif command == "C":
            pieces.append(np.vstack([here, outline.points[at : at + 3]]))
            here, at = outline.points[at + 2], at + 3
        else:
            close(True)
            here = first
    close(False)
    return found


def _straight(a: Floats, b: Floats) -> Floats:
    return np.array([a, a + (b - a) / 3, b - (b - a) / 3, b])


def bend(bent: Bent, repeats: Repeats, local: Local, shape: Shape) -> Iterator[tuple[Ints, Shape]]:
    """A motif's shape along the path, in batches of equal commands.

    Yields
    ------
    The indices of the repeats in a batch, and one shape with their outlines one after the other.
    """
    parts = contours(shape.outline)
    if not parts or not len(repeats):
        return
    kinks = _kinks(bent)
    first = np.searchsorted(kinks, repeats.start + _INSIDE, side="right")
    last = np.searchsorted(kinks, repeats.end - _INSIDE, side="left")
    for index in np.flatnonzero(last > first):
        one = repeats.take(np.array([index]))
        shares = (kinks[first[index] : last[index]] - one.start) / (one.end - one.start)
        cut = [_cut(part, shares) for part in parts]
        for _, outline in _smooth(bent, one, local.take(np.array([index])), cut):
            yield np.array([index]), replace(shape, outline=outline)
    rest = np.flatnonzero(last <= first)
    if len(rest):
        few = repeats if len(rest) == len(repeats) else repeats.take(rest)
        for which, outline in _smooth(bent, few, local.take(rest), parts):
            yield rest[which], replace(shape, outline=outline)


def _kinks(bent: Bent) -> Floats:
    """Arc lengths, laps of a closed path included, at which the path turns sharply."""
    path = bent.line.path
    turns = np.abs(node_turns(path))
    nodes = path.arc.node_positions[: len(turns)][turns > _KINK]
    laps = (-1, 0, 1, 2) if path.closed else (0,)
    return np.concatenate([nodes + lap * path.length for lap in laps])


def _smooth(
    bent: Bent, repeats: Repeats, local: Local, parts: list[Contour]
) -> Iterator[tuple[Ints, Outline]]:
    """Batches of repeats with no kink of the path inside a motif segment."""
    todo = np.arange(len(repeats))
    cubics = np.concatenate([part.cubics for part in parts])
    wanted = _estimate(bent, repeats, cubics)
    for count in _PARTS:
        now = todo[wanted[todo] <= count]
        if not len(now):
            continue
        todo = todo[wanted[todo] > count]
        all_now = len(now) == len(repeats)
        chosen, own = (repeats, local) if all_now else (repeats.take(now), local.take(now))
        mapped, error = _map(bent, chosen, own, cubics, int(count))
        rough = error > TOLERANCE if count < _PARTS[-1] else np.zeros(len(now), dtype=bool)
        if rough.any():
            wanted[now[rough]] = count + 1
            todo = np.concatenate([todo, now[rough]])
            now, mapped = now[~rough], mapped[~rough]
        if len(now):
            yield now, _outline(parts, mapped)


def _cut(part: Contour, shares: Floats) -> Contour:
    """A contour whose segments are cut wherever they pass one of the shares."""
    pieces: list[Floats] = []
    for cubic in part.cubics:
        pieces += _cut_cubic(cubic, shares)
    return Contour(np.array(pieces), part.closed)


def _cut_cubic(cubic: Floats, shares: Floats) -> list[Floats]:
    x0, x1, x2, x3 = cubic[:, 0]
    found: list[float] = []
    for share in shares:
        roots = np.roots([x3 - 3 * x2 + 3 * x1 - x0, 3 * (x2 - 2 * x1 + x0), 3 * (x1 - x0), x0 - share])
        real = roots[np.abs(roots.imag) < 1e-9].real
        found += [float(t) for t in real if 1e-6 < t < 1 - 1e-6]
    pieces, rest, done = [], cubic, 0.0
    for t in sorted(found):
        left, rest = split(rest, (t - done) / (1 - done))
        pieces.append(left)
        done = t
    return [*pieces, rest]


def _estimate(bent: Bent, repeats: Repeats, cubics: Floats) -> Ints:
    """How many parts each motif segment is likely to need, from the bend at the repeat."""
    s = np.stack([repeats.start, repeats.middle, repeats.end], axis=1)
    kappa = np.abs(bent.line.frames(s.ravel(), np.repeat(repeats.leg, 3)).bend).reshape(-1, 3).max(axis=1)
    span = np.ptp(cubics[..., 0], axis=1).max() * np.abs(repeats.end - repeats.start)
    reach = np.abs(cubics[..., 1]).max() + abs(bent.offset)
    angle = kappa * span
    radius = 1 / np.maximum(kappa, 1e-12) + reach
    need = angle * (radius / (_HERMITE * TOLERANCE)) ** 0.25
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
    # A hair toward each segment's middle, so that a joint of the path is seen from the right side.
    hair = _HAIR * np.sign(s[:, :, s.shape[2] // 2, None] - s)
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


def _outline(parts: list[Contour], mapped: Floats) -> Outline:
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
    commands, points = "M", [cubics[:1, 0]]
    for before, cubic in zip([cubics[0], *cubics[:-1]], cubics, strict=True):
        if before is not cubic and np.abs(before[3] - cubic[0]).max() > _BRIDGE:
            commands += "L"
            points.append(cubic[:1])
        commands += "C"
        points.append(cubic[1:])
    return commands + ("Z" if closed else ""), np.concatenate(points)[None]
