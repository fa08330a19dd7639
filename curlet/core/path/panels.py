"""The panels that arc length is added up on, and its inverse on each of them.

Gauss-Legendre quadrature gives a panel's length; a quintic Hermite of t over s gives the inverse,
since dt/ds = 1/speed and its rate are known at the panel's ends. Panels are halved until the inverse
is good, so cusps and retracted handles cost more, not error.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.path.polynomials import quintic

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

MAX_PANELS, FEWEST_PANELS, PANELS_IN_ALL = 28, 4, 8192
INVERSE_ERROR = 1e-6
_DEEPEST = 48
_ABSCISSAE, _WEIGHTS = np.polynomial.legendre.leggauss(4)
# Of each half of a panel, from 0 to 1.
_HALF_NODES, _HALF_WEIGHTS = 0.5 * (_ABSCISSAE + 1.0), 0.5 * _WEIGHTS
# Of a quintic on 0…1 that begins at 0: its coefficients from the first power on, by its rise, its slopes at
# both ends and their rates of change there.
_HERMITE = np.array(
    [
        [0.0, 1.0, 0.0, 0.0, 0.0],
        [0.0, 0.0, 0.0, 0.5, 0.0],
        [10.0, -6.0, -4.0, -1.5, 0.5],
        [-15.0, 8.0, 7.0, 1.5, -1.0],
        [6.0, -3.0, -3.0, -0.5, 0.5],
    ]
)


@dataclass(frozen=True, eq=False)
class Panels:
    """Panels in the path's order, (k,) each.

    Attributes
    ----------
    seg, t0, t1 : the segment, and between which of its parameters.
    length : mm.
    inverse : (6, k) coefficients of t over u = 0…1 along the panel, lowest power first.
    error : how far the inverse errs, mm.
    """

    seg: Ints
    t0: Floats
    t1: Floats
    length: Floats
    inverse: Floats
    error: Floats


def panels_of(rate: Floats, straight: NDArray[np.bool_]) -> Panels:
    """Panels on which the inverse errs by less than INVERSE_ERROR.

    Parameters
    ----------
    rate : (3, 2, m) coefficients of dP/dt of each segment, highest power first.
    straight : (m,) bool, true where a segment is a straight line at even speed.
    """
    panels = _even(rate, straight)
    for _ in range(_DEEPEST):
        rough = np.flatnonzero(panels.error > INVERSE_ERROR)
        if not len(rough):
            break
        panels = _halved(panels, rate, rough)
    return panels


def _even(rate: Floats, straight: NDArray[np.bool_]) -> Panels:
    """One panel to each line, and as many as the others to every curved segment: then all their speeds are
    one matrix product."""
    count = _counts(straight)
    seg, t0, t1 = _divided(count)
    curved = np.flatnonzero(~straight)
    if not len(curved):
        return Panels(seg, t0, t1, *_on_lines(rate))
    if len(curved) == len(straight):
        return Panels(seg, t0, t1, *_on_curves(rate, t0, t1, int(count[0])))
    on_lines = straight[seg]
    some = rate[..., curved], t0[~on_lines], t1[~on_lines], int(count[curved[0]])
    both = np.empty((8, len(seg)))
    both[:, on_lines] = np.vstack(_on_lines(rate[..., straight]))
    both[:, ~on_lines] = np.vstack(_on_curves(*some))
    return Panels(seg, t0, t1, both[0], both[1:7], both[7])


def _counts(straight: NDArray[np.bool_]) -> Ints:
    """How many panels each segment begins with."""
    panels = PANELS_IN_ALL // max(len(straight), 1)
    return np.where(straight, 1, min(max(panels, FEWEST_PANELS), MAX_PANELS))


def _divided(count: Ints) -> tuple[Ints, Floats, Floats]:
    """Segment, start and end of each panel, for so many panels to each segment."""
    seg = np.repeat(np.arange(len(count)), count)
    first = np.repeat(np.cumsum(count) - count, count)
    place, many = np.arange(len(seg)) - first, count[seg]
    return seg, place / many, (place + 1) / many


def _on_lines(rate: Floats) -> tuple[Floats, Floats, Floats]:
    """Length, inverse and its error, where t is in proportion to s."""
    inverse = np.zeros((6, rate.shape[-1]))
    inverse[1] = 1.0
    return np.hypot(*rate[2]), inverse, np.zeros(rate.shape[-1])


def _on_curves(rate: Floats, t0: Floats, t1: Floats, count: int) -> tuple[Floats, Floats, Floats]:
    """Length, inverse and its error, on `count` even panels of each segment."""
    knots = np.arange(count + 1) / count
    nodes = (np.arange(2 * count)[:, None] + _HALF_NODES) / (2 * count)
    vx, vy = _at(rate, nodes.ravel())
    vx *= vx
    vy *= vy
    vx += vy
    halves = np.sqrt(vx, out=vx).reshape(-1, len(_HALF_WEIGHTS)) @ (_HALF_WEIGHTS / (2 * count))
    left, right = halves.reshape(-1, 2).T
    (vx, vy), (wx, wy) = _at(rate, knots), _at(rate[:2] * [[[2]], [[1]]], knots)
    slope, bend = _slopes(vx, vy, wx, wy)
    ends = (np.stack([of[:, :-1].ravel(), of[:, 1:].ravel()]) for of in (slope, bend))
    return _fitted(t0, t1, left, right, *ends)


def _at(coefficients: Floats, t: Floats) -> Floats:
    """(2, m, n) values of (k, 2, m) polynomials, highest power first, at the same (n,) parameters."""
    powers, _, segments = coefficients.shape
    table = np.vander(t, powers).T
    values: Floats = (coefficients.reshape(powers, -1).T @ table).reshape(2, segments, len(t))
    return values


def _halved(panels: Panels, rate: Floats, rough: Ints) -> Panels:
    """Panels, the rough ones in halves."""
    middle = 0.5 * (panels.t0[rough] + panels.t1[rough])
    seg = np.insert(panels.seg, rough, panels.seg[rough])
    t0, t1 = np.insert(panels.t0, rough + 1, middle), np.insert(panels.t1, rough, middle)
    length, error = np.insert(panels.length, rough, 0.0), np.insert(panels.error, rough, 0.0)
    inverse = np.insert(panels.inverse, rough, 0.0, axis=1)
    first = rough + np.arange(len(rough))
    halves = np.stack([first, first + 1], axis=1).ravel()
    length[halves], inverse[:, halves], error[halves] = _on_panels(
        rate.take(seg[halves], axis=-1), t0[halves], t1[halves]
    )
    return Panels(seg, t0, t1, length, inverse, error)


def _on_panels(rate: Floats, t0: Floats, t1: Floats) -> tuple[Floats, Floats, Floats]:
    """Length, inverse and its error, on (k,) panels of any size, a column of `rate` each."""
    half = 0.5 * (t1 - t0)
    # Nodes first, then halves, then panels: long rows are what numpy is quick at.
    t = np.stack([t0, t0 + half]) + half * _HALF_NODES[:, None, None]
    a, b, c = rate[:, :, None, None]
    left, right = np.tensordot(_HALF_WEIGHTS, np.hypot(*((a * t + b) * t + c)), 1) * half
    ends = np.stack([t0, t1])
    a, b, c = rate[:, :, None]
    return _fitted(t0, t1, left, right, *_slopes(*((a * ends + b) * ends + c), *(2 * a * ends + b)))


def _slopes(vx: Floats, vy: Floats, wx: Floats, wy: Floats) -> tuple[Floats, Floats]:
    """dt/ds and d²t/ds² where the velocity is v and its rate w."""
    with np.errstate(all="ignore"):
        square = vx * vx + vy * vy
        return 1 / np.sqrt(square), -(vx * wx + vy * wy) / (square * square)


def _fitted(
    t0: Floats, t1: Floats, left: Floats, right: Floats, slope: Floats, bend: Floats
) -> tuple[Floats, Floats, Floats]:
    """Length of panels whose halves are so long, inverse by (2, k) dt/ds and d²t/ds² at their ends, and its
    error in the middle.

    A standstill has no finite slope: there the panel is crossed evenly, being halved until
    it is too short for that to matter.
    """
    rise, length = t1 - t0, left + right
    ends = np.empty((5, len(rise)))
    ends[0] = rise
    with np.errstate(all="ignore"):
        np.multiply(slope, length, out=ends[1:3])
        np.multiply(bend, length * length, out=ends[3:])
    if not np.isfinite(ends).all():
        stalled = ~np.isfinite(ends).all(axis=0)
        ends[1:3, stalled], ends[3:, stalled] = rise[stalled], 0.0
    inverse = np.vstack([t0, _HERMITE @ ends])
    u = left / np.where(length > 0, length, 1.0)
    error = np.minimum(np.abs(quintic(inverse, u) - (t0 + 0.5 * rise)) / rise, 1.0)
    return length, inverse, length * error
