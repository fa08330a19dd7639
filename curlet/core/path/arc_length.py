"""Arc length along a chain of cubics, and its inverse, for many positions at once.

Gauss-Legendre quadrature on panels gives the length; a quintic Hermite of t over s on each
panel gives the inverse, since dt/ds = 1/speed and its rate are known at the panel's ends.
Panels are halved until the inverse is good, so cusps and retracted handles cost more, not error.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import ArrayLike, NDArray

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Complexes = NDArray[np.complex128]

PANELS = 16
INVERSE_ERROR = 1e-7
_ABSCISSAE, _WEIGHTS = np.polynomial.legendre.leggauss(8)
_NODES = 0.5 * (_ABSCISSAE + 1.0)
_WEIGHTS = 0.5 * _WEIGHTS
_DEEPEST = 48


class ArcLength:
    """Positions, tangents and curvature by arc length.

    Parameters
    ----------
    segments : (m, 4, 2) cubic control points, mm.
    straight : (m,) bool, true where a segment is a straight line at even speed.
    closed : whether positions wrap round at the end.
    """

    def __init__(self, segments: Floats, straight: NDArray[np.bool_], closed: bool) -> None:
        control = segments[..., 0] + 1j * segments[..., 1]
        p0, p1, p2, p3 = control.T
        # Power basis: P(t) = ((a t + b) t + c) t + d.
        self._a = p3 - 3 * p2 + 3 * p1 - p0
        self._b = 3 * (p2 - 2 * p1 + p0)
        self._c = 3 * (p1 - p0)
        self._d = p0
        # A line drawn at even speed is exact as c t + d.
        self._a[straight] = self._b[straight] = 0
        self._c[straight] = (p3 - p0)[straight]
        self._control = control
        self.closed = closed
        self._build(straight)

    def _build(self, straight: NDArray[np.bool_]) -> None:
        count = np.where(straight, 1, PANELS)
        seg = np.repeat(np.arange(len(count)), count)
        first = np.repeat(np.cumsum(count) - count, count)
        t0 = (np.arange(len(seg)) - first) / count[seg]
        t1 = (np.arange(len(seg)) - first + 1) / count[seg]
        seg, t0, t1, length, self._coefficients = self._refine(seg, t0, t1)
        ends = np.cumsum(length)
        self._seg, self._t0, self._t1 = seg, t0, t1
        self._s0 = ends - length
        self._panel_length = length
        self.length = float(ends[-1]) if len(ends) else 0.0
        per_segment = np.bincount(seg, weights=length, minlength=len(count))
        self.node_positions: Floats = np.concatenate([[0.0], np.cumsum(per_segment)])
        self.node_positions[-1] = self.length

    def _refine(self, seg: Ints, t0: Floats, t1: Floats) -> tuple[Ints, Floats, Floats, Floats, Floats]:
        """Halve panels until the inverse errs by less than INVERSE_ERROR on each."""
        length, inverse, error = self._quadrature(seg, t0, t1)
        for _ in range(_DEEPEST):
            rough = np.flatnonzero(error > INVERSE_ERROR)
            if not len(rough):
                break
            middle = 0.5 * (t0[rough] + t1[rough])
            t0, t1 = np.insert(t0, rough + 1, middle), np.insert(t1, rough, middle)
            seg = np.insert(seg, rough, seg[rough])
            halves = rough + np.arange(len(rough))
            halves = np.stack([halves, halves + 1], axis=1).ravel()
            length, error = np.insert(length, rough, 0.0), np.insert(error, rough, 0.0)
            inverse = np.insert(inverse, rough, 0.0, axis=0)
            length[halves], inverse[halves], error[halves] = self._quadrature(
                seg[halves], t0[halves], t1[halves]
            )
        return seg, t0, t1, length, inverse

    def _quadrature(self, seg: Ints, t0: Floats, t1: Floats) -> tuple[Floats, Floats, Floats]:
        """Length of each panel, its inverse's coefficients, and how far that errs, mm."""
        half = 0.5 * (t1 - t0)
        middle = t0 + half
        t = np.stack([t0, middle], axis=1)[..., None] + half[:, None, None] * _NODES
        left, right = (np.abs(self._derivative(seg[:, None, None], t)) @ _WEIGHTS * half[:, None]).T
        length = left + right
        inverse = self._inverse(seg, t0, t1, length)
        u = left / np.where(length > 0, length, 1.0)
        error = np.minimum(np.abs(_horner(inverse, u) - middle) / (2 * half), 1.0)
        return length, inverse, length * error

    def _inverse(self, seg: Ints, t0: Floats, t1: Floats, length: Floats) -> Floats:
        """(k, 6) coefficients of t over u = 0…1 along each panel.

        A standstill has no finite slope: there the panel is crossed evenly, being halved until
        it is too short for that to matter.
        """
        rise = t1 - t0
        slopes = [self._slopes(seg, t, length) for t in (t0, t1)]
        fine = np.logical_and.reduce([np.isfinite(part) for pair in slopes for part in pair])
        m0, m1 = (np.where(fine, pair[0], rise) for pair in slopes)
        q0, q1 = (np.where(fine, pair[1], 0.0) for pair in slopes)
        return np.stack(
            [
                t0,
                m0,
                q0 / 2,
                10 * rise - 6 * m0 - 4 * m1 - 1.5 * q0 + 0.5 * q1,
                -15 * rise + 8 * m0 + 7 * m1 + 1.5 * q0 - q1,
                6 * rise - 3 * (m0 + m1) + 0.5 * (q1 - q0),
            ],
            axis=1,
        )

    def _slopes(self, seg: Ints, t: Floats, length: Floats) -> tuple[Floats, Floats]:
        """dt/du and d²t/du² where u runs 0…1 over `length`."""
        first = self._derivative(seg, t)
        second = 6 * self._a[seg] * t + 2 * self._b[seg]
        with np.errstate(all="ignore"):
            slope = length / np.abs(first)
            bend = -(slope**2) * (first.conj() * second).real / np.abs(first) ** 2
        return slope, bend

    def _value(self, seg: Ints, t: Floats) -> Complexes:
        value: Complexes = ((self._a[seg] * t + self._b[seg]) * t + self._c[seg]) * t + self._d[seg]
        return value

    def _derivative(self, seg: Ints, t: Floats) -> Complexes:
        value: Complexes = (3 * self._a[seg] * t + 2 * self._b[seg]) * t + self._c[seg]
        return value

    def wrap(self, s: ArrayLike) -> Floats:
        """Positions brought onto the path: round on a closed one, to the ends on an open one."""
        s = np.asarray(s, dtype=np.float64)
        if not self.closed:
            clipped: Floats = np.clip(s, 0.0, self.length)
            return clipped
        if s.size and s.min() >= 0 and s.max() <= self.length:
            return s
        round_again: Floats = np.mod(s, self.length)
        return round_again

    def locate(self, s: ArrayLike, *, before: bool = False) -> tuple[Ints, Floats]:
        """Segment index and parameter t of each position.

        Parameters
        ----------
        s : (n,) arc lengths, mm.
        before : at a node, take the segment that ends there rather than the one that starts.
        """
        s = self.wrap(s)
        panel = np.searchsorted(self._s0, s, side="left" if before else "right") - 1
        panel = np.clip(panel, 0, len(self._s0) - 1)
        u = (s - self._s0[panel]) / self._panel_length[panel]
        t0, t1 = self._t0[panel], self._t1[panel]
        return self._seg[panel], np.clip(_horner(self._coefficients[panel], u), t0, t1)

    def points(self, s: ArrayLike) -> Floats:
        """(n, 2) points at (n,) arc lengths, mm."""
        return _pairs(self._value(*self.locate(s)))

    def tangents(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n, 2) unit tangents at (n,) arc lengths; `before` picks the side at a node."""
        return _pairs(self._directions(*self.locate(s, before=before)))

    def normals(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n, 2) unit normals to the path's right (y grows downward), at (n,) arc lengths."""
        return _pairs(1j * self._directions(*self.locate(s, before=before)))

    def curvature(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n,) signed curvature, 1/mm; positive where the path turns clockwise on the sheet."""
        seg, t = self.locate(s, before=before)
        first = self._derivative(seg, t)
        second = 6 * self._a[seg] * t + 2 * self._b[seg]
        cross = first.real * second.imag - first.imag * second.real
        with np.errstate(divide="ignore", invalid="ignore"):
            bend: Floats = cross / np.abs(first) ** 3
        return np.nan_to_num(bend, nan=0.0)

    def _directions(self, seg: Ints, t: Floats) -> Complexes:
        velocity = self._derivative(seg, t)
        size = np.abs(velocity)
        reach = np.abs(self._control - self._control[:, :1]).max(axis=1)[seg]
        stalled = size <= 1e-9 * reach
        if stalled.any():
            velocity[stalled] = self._stalled(seg[stalled], t[stalled])
            size = np.abs(velocity)
        return velocity / np.where(size > 0, size, 1.0)

    def _stalled(self, seg: Ints, t: Floats) -> Complexes:
        """Where the speed is zero: toward the next distinct control point, or on past a cusp."""
        control = self._control[seg]
        at_start, at_end = t < 1e-6, t > 1 - 1e-6
        back, ahead = control[:, 3:] - control[:, 2::-1], control[:, 1:] - control[:, :1]
        chords = np.where(at_end[:, None], back, ahead)
        size = np.abs(chords)
        pick = np.argmax(size > 1e-9 * size.max(axis=1, keepdims=True), axis=1)
        ends = chords[np.arange(len(pick)), pick]
        onward: Complexes = np.asarray(6 * self._a[seg] * t + 2 * self._b[seg])
        return np.where(at_start | at_end, ends, onward)

    def end_tangents(self) -> tuple[Floats, Floats]:
        """(m, 2) unit tangents at each segment's start and at its end."""
        seg = np.arange(len(self._a))
        zero = np.zeros(len(seg))
        return _pairs(self._directions(seg, zero)), _pairs(self._directions(seg, zero + 1))

    def segment_turns(self, samples: int = 33) -> Floats:
        """(m,) signed turn of each segment between its ends, radians."""
        seg = np.repeat(np.arange(len(self._a)), samples)
        t = np.tile(np.linspace(0, 1, samples), len(self._a))
        directions = self._directions(seg, t).reshape(-1, samples)
        return np.asarray(np.angle(directions[:, 1:] * directions[:, :-1].conj()).sum(axis=1))


def _horner(coefficients: Floats, u: Floats) -> Floats:
    c0, c1, c2, c3, c4, c5 = coefficients.T
    value: Floats = ((((c5 * u + c4) * u + c3) * u + c2) * u + c1) * u + c0
    return value


def _pairs(values: Complexes) -> Floats:
    return np.ascontiguousarray(values).view(np.float64).reshape(*values.shape, 2)
