"""Outlines that motifs are drawn with, in mm: bars, discs, curves through points, ribbons."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import ArrayLike, NDArray

from curlet.core.drawing import Outline

Floats = NDArray[np.float64]

# Four cubics a turn: handles of (4/3)·tan(π/8) of the radius.
K = 0.5522847498


def lines(points: ArrayLike, closed: bool = False) -> Outline:
    """Straight lines through (k, 2) points."""
    at = np.asarray(points, dtype=np.float64)
    return Outline("M" + "L" * (len(at) - 1) + ("Z" if closed else ""), at)


def curve(points: ArrayLike, closed: bool = False) -> Outline:
    """A smooth curve through (k, 2) points: each tangent runs along its neighbours' chord."""
    at = np.asarray(points, dtype=np.float64)
    if closed:
        before, after = np.roll(at, 1, axis=0), np.roll(at, -1, axis=0)
        tangent = (after - before) / 6
        ends, end_tangents = after, np.roll(tangent, -1, axis=0)
        parts = np.stack([at + tangent, ends - end_tangents, ends], axis=1)
        return Outline("M" + "C" * len(at) + "Z", np.concatenate([at[:1], parts.reshape(-1, 2)]))
    tangent = np.gradient(at, axis=0) / 3
    parts = np.stack([at[:-1] + tangent[:-1], at[1:] - tangent[1:], at[1:]], axis=1)
    return Outline("M" + "C" * (len(at) - 1), np.concatenate([at[:1], parts.reshape(-1, 2)]))


def box(x0: float, y0: float, x1: float, y1: float) -> Outline:
    return lines([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], closed=True)


def disc(x: float, y: float, rx: float, ry: float | None = None, turn: float = 0.0) -> Outline:
    """An ellipse about (x, y), turned clockwise by degrees."""
    ry = rx if ry is None else ry
    kx, ky = K * rx, K * ry
    at = np.array([
        (rx, 0), (rx, ky), (kx, ry), (0, ry), (-kx, ry), (-rx, ky), (-rx, 0),
        (-rx, -ky), (-kx, -ry), (0, -ry), (kx, -ry), (rx, -ky), (rx, 0),
    ])  # fmt: skip
    return moved(Outline("MCCCCZ", at), x, y, turn)


def capsule(x0: float, x1: float, h: float, y: float = 0.0) -> Outline:
    """A bar from x0 to x1 with round ends, h to either side of y."""
    k, a, b = K * h, x0 + h, x1 - h
    at = np.array([
        (a, -h), (b, -h), (b + k, -h), (x1, -k), (x1, 0), (x1, k), (b + k, h), (b, h),
        (a, h), (a - k, h), (x0, k), (x0, 0), (x0, -k), (a - k, -h), (a, -h),
    ])  # fmt: skip
    return moved(Outline("MLCCLCCZ", at), 0, y)


def lens(x0: float, x1: float, h: float, y: float = 0.0, end: float = 0.45) -> Outline:
    """A plump stitch from x0 to x1: h to either side at its middle, `end` of that at its rounded ends."""
    e, q = end * h, (x1 - x0) / 4
    at = np.array([
        (x0 + e, -e), (x0 + q, -h), (x1 - q, -h), (x1 - e, -e), (x1, -e * 0.6), (x1, e * 0.6), (x1 - e, e),
        (x1 - q, h), (x0 + q, h), (x0 + e, e), (x0, e * 0.6), (x0, -e * 0.6), (x0 + e, -e),
    ])  # fmt: skip
    return moved(Outline("MCCCCZ", at), 0, y)


def ribbon(points: ArrayLike, width: float | ArrayLike) -> Outline:
    """A strip `width` wide along a smooth line through (k, 2) points; a width for each point tapers it."""
    at = np.asarray(points, dtype=np.float64)
    along = np.gradient(at, axis=0)
    along /= np.maximum(np.hypot(along[:, 0], along[:, 1]), 1e-12)[:, None]
    half = np.broadcast_to(np.asarray(width, dtype=np.float64) / 2, len(at))[:, None]
    across = np.stack([-along[:, 1], along[:, 0]], axis=1) * half
    left, right = curve(at - across), curve((at + across)[::-1])
    commands = left.commands + "L" + right.commands[1:] + "Z"
    return Outline(commands, np.concatenate([left.points, right.points]))


def quarter_band(x: float, y: float, outer: float, inner: float) -> Outline:
    """A band that turns from level to upright about (x, y): it enters above it and leaves to its right."""

    def arc(r: float) -> Floats:
        return np.array([(x, y - r), (x + K * r, y - r), (x + r, y - K * r), (x + r, y)])

    return Outline("MCLCZ", np.concatenate([arc(outer), arc(inner)[::-1]]))


def arc(r: float, start: float, end: float) -> Floats:
    """(3k + 1, 2) points of the cubics along a circle about the origin, from one angle to another, degrees
    clockwise from the x axis as y grows downward."""
    parts = max(1, math.ceil(abs(end - start) / 90 - 1e-9))
    a = np.radians(np.linspace(start, end, parts + 1))
    at = r * np.stack([np.cos(a), np.sin(a)], axis=1)
    # Handles of (4/3)·tan(a quarter of the angle) of the radius.
    handle = 4 / 3 * math.tan(math.radians(end - start) / parts / 4) * np.stack([-at[:, 1], at[:, 0]], axis=1)
    cubics = np.stack([at[:-1] + handle[:-1], at[1:] - handle[1:], at[1:]], axis=1)
    return np.concatenate([at[:1], cubics.reshape(-1, 2)])


def sector(outer: float, inner: float, start: float, end: float) -> Outline:
    """Part of a ring about the origin, from one angle to another, as `arc`."""
    out, back = arc(outer, start, end), arc(inner, end, start)
    cubics = "C" * (len(out) // 3)
    return Outline(f"M{cubics}L{cubics}Z", np.concatenate([out, back]))


def moved(outline: Outline, x: float, y: float, turn: float = 0.0, flip: bool = False) -> Outline:
    """Flipped across the baseline if asked, then turned clockwise by degrees, then moved."""
    points = outline.points * (1.0, -1.0) if flip else outline.points
    angle = math.radians(turn)
    matrix = np.array([[math.cos(angle), math.sin(angle)], [-math.sin(angle), math.cos(angle)]])
    return Outline(outline.commands, points @ matrix + (x, y))


def together(*outlines: Outline) -> Outline:
    """Several outlines as one, so that inner ones can be holes."""
    return Outline("".join(o.commands for o in outlines), np.concatenate([o.points for o in outlines]))


def wave(length: float, height: float, periods: float) -> Floats:
    """(k, 2) points of a sine from x = 0 to `length`, `height` to either side."""
    x = np.linspace(0, length, max(9, math.ceil(16 * periods) + 1))
    return np.stack([x, height * np.sin(2 * np.pi * periods * x / length)], axis=1)


def helix(lay: float, radius: float, twist: str, start: float = 0.0, samples: int = 9) -> Floats:
    """(k, 2) points of a strand over the near side of a rope, from edge to edge.

    y = r·cos φ, x = lay·φ/2π, φ from 0 to π. Z slopes down on the way, S up (ISO 2).
    """
    turn = np.linspace(0, np.pi, samples)
    y = -radius * np.cos(turn) if twist == "Z" else radius * np.cos(turn)
    return np.stack([start + lay * turn / (2 * np.pi), y], axis=1)


def strand(lay: float, radius: float, middle: float, half: float, twist: str) -> Outline:
    """One strand's turn over the near side of a rope, a shape of its own: along the helix about x = `middle`,
    `half` to either side of it, its two ends bulging round to the rope's edge.

    y = −r·cos φ, x = lay·φ/2π, φ from 0 to π, as `helix`; half as wide as elsewhere at φ = 0.06π, where the
    strand turns away from the eye.
    """
    turn = np.linspace(0.0, np.pi, 13)
    side = -1.0 if twist == "Z" else 1.0
    x = middle + lay * (turn - np.pi / 2) / (2 * np.pi)
    y = side * radius * np.cos(turn)
    wide = half * np.minimum(1.0, (np.sin(turn) / 0.55)) ** 0.5
    near, far = np.stack([x - wide, y], axis=1), np.stack([x + wide, y], axis=1)
    return curve(np.concatenate([near, far[-2:0:-1]]), closed=True)
