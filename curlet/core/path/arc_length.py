"""Arc length along a chain of cubics, and its inverse, for many positions at once."""

from __future__ import annotations

from functools import cached_property
from typing import Any

import numpy as np
from numpy.typing import ArrayLike, NDArray

from curlet.core.path.panels import panels_of
from curlet.core.path.polynomials import cubic, derived, in_place, roots, times

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# A panel's part is added up more finely, as it may begin where the speed stalls.
_FINE, _FINE_SHARES = np.polynomial.legendre.leggauss(16)
_FINE_NODES, _FINE_WEIGHTS = 0.5 * (_FINE + 1.0), 0.5 * _FINE_SHARES
_AT_NODE = 1e-9
# So few positions are looked up one by one.
_FEW = 64
# Rows of the tables that t is worked out from.
_OF_T = 9
# A panel as short as this is a point, mm.
_NOTHING = 1e-30


class ArcLength:
    """Positions, tangents and curvature by arc length.

    Parameters
    ----------
    segments : (m, 4, 2) cubic control points, mm.
    straight : (m,) bool, true where a segment is a straight line at even speed.
    closed : whether positions wrap round at the end.
    """

    def __init__(self, segments: Floats, straight: NDArray[np.bool_], closed: bool) -> None:
        self._prepare(segments, straight)
        self.closed = closed
        self._straight = straight
        panels = panels_of(self._rate, straight)
        self._seg, self._t0, self._t1 = panels.seg, panels.t0, panels.t1
        self._mm, self._inverses = panels.length, panels.inverse
        self.segment_lengths: Floats = np.bincount(self._seg, self._mm, len(straight)).astype(np.float64)
        self.node_positions: Floats = np.concatenate([[0.0], np.cumsum(self.segment_lengths)])
        self.length = float(self.node_positions[-1])

    def _prepare(self, segments: Floats, straight: NDArray[np.bool_]) -> None:
        p0, p1, p2, p3 = segments.transpose(1, 2, 0)
        # Power basis: P(t) = ((a t + b) t + c) t + d. A line drawn at even speed is c t + d.
        a = np.where(straight, 0.0, p3 - 3 * p2 + 3 * p1 - p0)
        b = np.where(straight, 0.0, 3 * (p2 - 2 * p1 + p0))
        c = np.where(straight, p3 - p0, 3 * (p1 - p0))
        self._place = np.stack([a, b, c, p0])
        self._rate = np.stack([3 * a, 2 * b, c])
        self._change = np.stack([6 * a, 2 * b])
        self._control = segments
        self._reach = np.abs(segments - segments[:, :1]).max(axis=(1, 2), initial=0.0)

    @cached_property
    def _slowest(self) -> float:
        """Below this speed a segment may stand still."""
        return 1e-9 * float(self._reach.max(initial=0.0))

    @cached_property
    def _s0(self) -> Floats:
        return np.cumsum(self._mm) - self._mm

    @cached_property
    def _tables(self) -> Floats:
        """(17, k) of each panel: where it begins, t by powers of the way from there, highest first, between
        what t lies, and the place by powers of t."""
        with np.errstate(divide="ignore"):
            per_mm = np.where(self._mm > _NOTHING, 1 / self._mm, 0.0)
        inverse = self._inverses * np.vander(per_mm, 6, increasing=True).T
        place = self._place.reshape(8, -1)[:, self._seg]
        return np.vstack([self._s0, inverse[::-1], self._t0, self._t1, place])

    @cached_property
    def _lines(self) -> Floats | None:
        """(6, m) where each line begins, its length, its start and its direction, where there is nothing
        but lines: then no polynomial need be worked out."""
        if not self._straight.all() or not (self._mm > 0).all():
            return None
        _, _, way, start = self._place
        return np.vstack([self._s0, self._mm, start, way / self._mm])

    @property
    def only_lines(self) -> bool:
        """Whether every segment is a straight line at even speed."""
        return self._lines is not None

    def _velocity(self, seg: Ints, t: Floats) -> Floats:
        """(2, …) dP/dt."""
        a, b, c = self._rate.take(seg, axis=-1)
        value: Floats = (a * t + b) * t + c
        return value

    def _acceleration(self, seg: Ints, t: Floats) -> Floats:
        """(2, …) d²P/dt²."""
        a, b = self._change.take(seg, axis=-1)
        value: Floats = a * t + b
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
        s = self.wrap(s) if before else self._onward(s)
        seg = self._columns(self._seg, s, before)
        return seg, _parameter(self._columns(self._tables[:_OF_T], s, before), s)

    def _onward(self, s: ArrayLike) -> Floats:
        """Positions brought onto the path, a closed one's end as its start: what comes after is asked for."""
        s = self.wrap(s)
        at_end = s >= self.length - _AT_NODE
        return np.where(at_end, 0.0, s) if self.closed and at_end.any() else s

    def _columns(self, table: NDArray[Any], s: Floats, before: bool = False) -> NDArray[Any]:
        """The column of a table, of a column to each panel, for each of (n,) positions; a copy."""
        begins = self._begins(before)
        if not _in_order(s):
            return table.take(np.searchsorted(begins, s, side="right"), axis=-1)
        # Repeating a column as often as it is needed is twice as quick as looking up each.
        panels, counts = self._shared(s, begins)
        return np.repeat(table[..., panels], counts, axis=-1)

    def _begins(self, before: bool = False) -> Floats:
        """From where on a position lies on the second panel, the third and so on: a node's own position may
        differ by rounding from where its panel begins."""
        return self._s0[1:] + (_AT_NODE if before else -_AT_NODE)

    @staticmethod
    def _shared(s: Floats, begins: Floats) -> tuple[slice, Ints]:
        """Which panels positions in order lie on, of which a long path has thousands, and how many lie on
        each of them."""
        first, last = np.searchsorted(begins, s[[0, -1]], side="right").tolist()
        edges = np.searchsorted(s, begins[first:last])
        return slice(first, last + 1), np.diff(edges, prepend=0, append=len(s))

    def points(self, s: ArrayLike) -> Floats:
        """(n, 2) points at (n,) arc lengths, mm."""
        s = np.asarray(s, dtype=np.float64)
        return _pairs(self.coordinates(s.ravel())).reshape(*s.shape, 2)

    def coordinates(self, s: Floats) -> Floats:
        """(2, n) x and y at (n,) arc lengths, mm."""
        s = self.wrap(s)
        columns = self._columns(self._tables, s)
        t = _parameter(columns[:_OF_T], s)
        ax, ay, bx, by, cx, cy, dx, dy = columns[_OF_T:]
        return np.stack([in_place([ax, bx, cx, dx], t), in_place([ay, by, cy, dy], t)])

    def tangents(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n, 2) unit tangents at (n,) arc lengths; `before` picks the side at a node."""
        return _pairs(self._directions(*self.locate(s, before=before)))

    def normals(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n, 2) unit normals to the path's right (y grows downward), at (n,) arc lengths."""
        x, y = self._directions(*self.locate(s, before=before))
        return np.stack([-y, x], axis=-1)

    def curvature(self, s: ArrayLike, *, before: bool = False) -> Floats:
        """(n,) signed curvature, 1/mm; positive where the path turns clockwise on the sheet."""
        seg, t = self.locate(s, before=before)
        (vx, vy), (ax, ay) = self._velocity(seg, t), self._acceleration(seg, t)
        with np.errstate(divide="ignore", invalid="ignore"):
            bend: Floats = (vx * ay - vy * ax) / np.hypot(vx, vy) ** 3
        return np.nan_to_num(bend, nan=0.0)

    def axes(self, s: ArrayLike) -> tuple[Floats, Floats, Floats]:
        """(n, 2) points, (n, 2) unit tangents and (n,) signed curvature, in one go."""
        s = self._onward(s)
        if self._lines is not None:
            return _on_lines(self._columns(self._lines, s), s)
        flat = s.ravel()
        columns = self._columns(self._tables, flat)
        t = _parameter(columns[:_OF_T], flat)
        ax, ay, bx, by, cx, cy, dx, dy = columns[_OF_T:]
        point, along = np.empty((len(flat), 2)), np.empty((len(flat), 2))
        (px, vx, wx), (py, vy, wy) = cubic(ax, bx, cx, dx, t), cubic(ay, by, cy, dy, t)
        point[:, 0], point[:, 1] = px, py
        speed = vx * vx
        speed += vy * vy
        np.sqrt(speed, out=speed)
        with np.errstate(divide="ignore", invalid="ignore"):
            per = 1 / speed
            wy *= vx
            wx *= vy
            bend = np.subtract(wy, wx, out=wy)
            bend *= per
            bend *= per
            bend *= per
            np.multiply(vx, per, out=along[:, 0])
            np.multiply(vy, per, out=along[:, 1])
        slow = speed <= self._slowest
        if slow.any():
            along[slow] = self._directions(*self.locate(flat[slow])).T
            bend[slow] = np.nan_to_num(bend[slow], nan=0.0, posinf=0.0, neginf=0.0)
        return point.reshape(*s.shape, 2), along.reshape(*s.shape, 2), bend.reshape(s.shape)

    def _directions(self, seg: Ints, t: Floats) -> Floats:
        """(2, …) unit tangents."""
        velocity = self._velocity(seg, t)
        size = np.hypot(*velocity)
        stalled = size <= 1e-9 * self._reach[seg]
        if stalled.any():
            velocity[:, stalled] = self._stalled(seg[stalled], t[stalled])
            size = np.hypot(*velocity)
        direction: Floats = velocity / np.where(size > 0, size, 1.0)
        return direction

    def _stalled(self, seg: Ints, t: Floats) -> Floats:
        """Where the speed is zero: toward the next distinct control point, or on past a cusp."""
        control = self._control[seg]
        at_start, at_end = t < 1e-6, t > 1 - 1e-6
        back, ahead = control[:, 3:] - control[:, 2::-1], control[:, 1:] - control[:, :1]
        chords = np.where(at_end[:, None, None], back, ahead)
        size = np.hypot(chords[..., 0], chords[..., 1])
        pick = np.argmax(size > 1e-9 * size.max(axis=1, keepdims=True), axis=1)
        ends = chords[np.arange(len(pick)), pick].T
        return np.where(at_start | at_end, ends, self._acceleration(seg, t))

    def positions(self, seg: Ints, t: Floats) -> Floats:
        """(n,) arc lengths at parameters of segments, mm."""
        starts = np.searchsorted(self._seg + self._t0, seg + t, side="right") - 1
        panel = np.clip(
            starts, np.searchsorted(self._seg, seg), np.searchsorted(self._seg, seg, side="right") - 1
        )
        half = 0.5 * (t - self._t0[panel])
        at = self._t0[panel] + half + half * (2 * _FINE_NODES - 1)[:, None]
        a, b, c = self._rate[:, :, None, seg]
        speed = np.hypot(*((a * at + b) * at + c))
        return np.asarray(self._s0[panel] + 2 * half * (_FINE_WEIGHTS @ speed))

    def bend_extremes(self) -> tuple[Ints, Floats]:
        """Segments and parameters at which the curvature of a curved segment is greatest or least within it.

        With N = v × a and D = |v|², κ = N/D^1.5, so κ' = 0 where 2·N'·D = 3·N·D', of degree 5.
        """
        curved = np.flatnonzero(~self._straight)
        (ax, ay), (bx, by), (cx, cy) = self._rate[:, :, curved]
        # v = a·t² + b·t + c, a = 2a·t + b; powers from the highest down.
        n = np.stack([ay * bx - ax * by, 2 * (ay * cx - ax * cy), by * cx - bx * cy])
        d = np.stack([
            ax * ax + ay * ay, 2 * (ax * bx + ay * by), 2 * (ax * cx + ay * cy) + bx * bx + by * by,
            2 * (bx * cx + by * cy), cx * cx + cy * cy,
        ])  # fmt: skip
        rates = 2 * times(derived(n), d) - 3 * times(n, derived(d))
        of, at = roots(rates)
        inside = (np.abs(at.imag) < 1e-6) & (at.real > 0) & (at.real < 1)
        return curved[of[inside]], at.real[inside]

    @cached_property
    def end_tangents(self) -> tuple[Floats, Floats]:
        """(m, 2) unit tangents at each segment's start and at its end."""
        seg = np.arange(len(self._control))
        zero = np.zeros(len(seg))
        return _pairs(self._directions(seg, zero)), _pairs(self._directions(seg, zero + 1))

    def segment_turns(self, samples: int = 33) -> Floats:
        """(m,) signed turn of each segment between its ends, radians."""
        count = len(self._control)
        seg = np.repeat(np.arange(count), samples)
        t = np.tile(np.linspace(0, 1, samples), count)
        x, y = self._directions(seg, t).reshape(2, count, samples)
        cross = x[:, :-1] * y[:, 1:] - y[:, :-1] * x[:, 1:]
        along = x[:, :-1] * x[:, 1:] + y[:, :-1] * y[:, 1:]
        return np.asarray(np.arctan2(cross, along).sum(axis=1))


def _in_order(s: Floats) -> bool:
    """Whether there are many positions, in order along the path, as they mostly come."""
    return s.ndim == 1 and len(s) > _FEW and bool((s[1:] >= s[:-1]).all())


def _parameter(columns: Floats, s: Floats) -> Floats:
    """t at positions, worked out in the columns themselves: the first nine rows of `ArcLength._tables`."""
    begins, *inverse, t0, t1 = columns
    t = in_place(inverse, np.subtract(s, begins, out=begins))
    np.maximum(t, t0, out=t)
    return np.asarray(np.minimum(t, t1, out=t))


def _on_lines(lines: Floats, s: Floats) -> tuple[Floats, Floats, Floats]:
    """Axes at positions on lines, one column of `_lines` each."""
    s0, length, px, py, ux, uy = lines
    on = np.minimum(np.maximum(s - s0, 0.0), length)
    along = np.stack([ux, uy], axis=-1)
    point = np.stack([px, py], axis=-1)
    point += on[..., None] * along
    return point, along, np.zeros_like(on)


def _pairs(xy: Floats) -> Floats:
    """(2, n) as (n, 2)."""
    return np.ascontiguousarray(xy.T)
