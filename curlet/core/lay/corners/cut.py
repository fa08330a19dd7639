"""Where artwork ends at a corner that cuts it: for each height, the place along each leg at which the two
legs' lines of that height meet."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.lay.corners.limit import SHARPEST_CUT, within_limit
from curlet.core.lay.frames import LegLine

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]
# Places along both legs, mm, and whether their lines meet there.
Meetings = tuple[Floats, Floats, Bools]

_HEIGHTS = 33
_ROUNDS = 20
# At so many places along legs that go back the way they came, how far apart they are is measured.
_PLACES = 257
_MET = 1e-9
# Meetings so many times further back than the artwork is high are looked for from height to height.
_AFAR = 1.2


@dataclass(frozen=True, eq=False)
class Cut:
    """A leg's end at a corner.

    Attributes
    ----------
    heights : (k,) signed distances from the path, mm, rising.
    places : (k,) arc length at which the leg's line of each height ends, mm; straight between them.
    at_end : whether it is the leg's end, so that what lies before is kept, or its start.
    corner, along : (2,) where that is, mm, and the way on there: what does not bend is measured from there.
    s : arc length of the corner, mm.
    lap : length of a closed path, mm; 0 for an open one.
    parts : whether it parts what goes on beyond it, painted elsewhere: then lines are parted, square to
        themselves, and stay lines.
    flat : whether the corner is too sharp for its mitre limit, so that it is cut flat.
    """

    heights: Floats
    places: Floats
    at_end: bool
    corner: Floats
    along: Floats
    s: float
    lap: float = 0.0
    parts: bool = False
    flat: bool = False

    def inside(self, s: Floats, height: Floats) -> Floats:
        """How far within the leg artwork lies, mm along it; below 0 what is cut away."""
        ahead = self.place(s, height) - s
        return ahead if self.at_end else -ahead

    def at(self, height: Floats) -> Floats:
        """Where the leg's line of each height ends."""
        return np.asarray(np.interp(height, self.heights, self.places))

    def place(self, s: Floats, height: Floats) -> Floats:
        """Where the leg's line of a height ends, in the lap of `s`."""
        places = self.at(height)
        return np.asarray(places + np.round((s - places) / self.lap) * self.lap if self.lap else places)

    def past(self, height: float) -> float:
        """How far beyond the end of the line at a height the leg's furthest line goes, mm."""
        return max(float((self._ahead - self._ahead_at(height)).max()), 0.0)

    def short(self, height: float) -> float:
        """How far before the end of the line at a height the leg's shortest line ends, mm."""
        return max(float((self._ahead_at(height) - self._ahead).max()), 0.0)

    @property
    def outside(self) -> float:
        """On which side the corner's outside is, that is where the leg's lines are longest: 1 to the right
        of the path, -1 to the left, 0 for a square cut. What turns right back may turn to either side by
        rounding; where its lines meet tells which."""
        shortest = int(np.argmin(self._ahead))
        return -float(np.sign(self.heights[shortest])) if np.ptp(self.places) > _MET else 0.0

    @property
    def _ahead(self) -> Floats:
        return self.places if self.at_end else -self.places

    def _ahead_at(self, height: float) -> float:
        return float(np.interp(height, self.heights, self._ahead))


# By leg and whether it is its end.
Cuts = dict[tuple[int, bool], Cut]


def cuts_between(
    line: LegLine, before: int, after: int, low: float, high: float, limit: float
) -> tuple[Cut, Cut]:
    """Where two legs end at the corner between them, for heights from `low` to `high` mm.

    On straight legs that is the bisector, x = ∓q·tan(τ/2); on curved ones the curve on which lines of equal
    height meet, by Newton from there. Outside the corner legs go straight on; past the mitre limit they end
    on the line between their own outer corners, as a bevelled join does (SVG 2, stroke-linejoin).
    """
    a, b = line.legs[before], line.legs[after]
    turn = turn_between(line, before, after)
    tangent = math.tan(math.radians(turn) / 2) if abs(turn) < SHARPEST_CUT else 0.0
    outer = (low if tangent > 0 else high) / (1 + tangent * tangent)
    heights = np.union1d(np.linspace(min(low, 0.0), max(high, 0.0), _HEIGHTS), [0.0, outer])
    back = heights * tangent
    within = back > 0
    first, second = a.s1 - back, b.s0 + back
    straight = line.straight[before] and line.straight[after]
    if abs(turn) >= SHARPEST_CUT and not straight:
        first, second = _turned_back(line, before, after, heights, (first, second))
    elif within.any() and not straight:
        first[within], second[within] = _meetings(
            line, before, after, heights[within], (first[within], second[within])
        )
    flat = not within_limit(turn, limit)
    if tangent and flat:
        first, second = _bevelled(heights, (first, second), (a.s1, b.s0), tangent)
    ends = (line.ends.point[before], line.ends.along[before], a.s1, _lap(line))
    begins = (line.begins.point[after], line.begins.along[after], b.s0, _lap(line))
    return Cut(heights, first, True, *ends, flat=flat), Cut(heights, second, False, *begins, flat=flat)


def across(line: LegLine, s: float, *, at_end: bool) -> Cut:
    """Square across the path at an arc length: what lies before it is kept, or what lies after."""
    point, along, _ = line.path.arc.axes(np.array([s]))
    return Cut(np.zeros(1), np.array([s]), at_end, point[0], along[0], s, _lap(line), parts=True)


def square(line: LegLine, leg: int, s: float, *, at_end: bool) -> Cut:
    """Square across a leg at an arc length."""
    frame = line.frames(np.array([s]), np.array([leg]))
    return Cut(np.zeros(1), np.array([s]), at_end, frame.point[0], frame.along[0], s, _lap(line), parts=True)


def _lap(line: LegLine) -> float:
    return line.path.length if line.path.closed else 0.0


def as_it_stands(cut: Cut, line: LegLine, leg: int) -> Cut:
    """The same cut for what does not bend: by places and heights about the corner, on straight axes. They
    are turned to stand across the cut, which on curved legs may run back over its own heights."""
    points = line.frames(cut.places, np.full(len(cut.places), leg)).beside(cut.heights) - cut.corner
    up = np.array([-cut.along[1], cut.along[0]])
    steps = np.diff(points, axis=0)
    steps = steps[np.hypot(*steps.T) > _MET]
    if len(steps):
        way = np.unwrap(np.arctan2(steps[:, 1], steps[:, 0]))
        middle = (way.min() + way.max()) / 2
        up = np.array([math.cos(middle), math.sin(middle)])
    along = np.array([up[1], -up[0]])
    x, y = points @ along, points @ up
    rising = np.concatenate([[True], y[1:] > np.maximum.accumulate(y)[:-1] + _MET])
    return replace(cut, heights=y[rising], places=cut.s + x[rising], along=along)


def turn_between(line: LegLine, before: int, after: int) -> float:
    """The turn from one leg's end to the next one's start, degrees, clockwise on the sheet."""
    (ux, uy), (vx, vy) = line.ends.along[before], line.begins.along[after]
    return math.degrees(math.atan2(ux * vy - uy * vx, ux * vx + uy * vy))


def _bevelled(
    heights: Floats, met: tuple[Floats, Floats], corner: tuple[float, float], tangent: float
) -> tuple[Floats, Floats]:
    """No further past the corner than the line between the two legs' outer corners."""
    outside = heights * tangent < 0
    far = np.abs(heights[outside]).max(initial=0.0)
    most = np.where(outside, (far - np.abs(heights)) / abs(tangent), np.inf)
    return np.minimum(met[0], corner[0] + most), np.maximum(met[1], corner[1] - most)


def _meetings(
    line: LegLine, before: int, after: int, heights: Floats, guess: tuple[Floats, Floats]
) -> tuple[Floats, Floats]:
    """Where lines of each height cross; where they do not, as far from there as the guess goes on, within the
    legs."""
    found = _newton(line, before, after, heights, guess)
    if np.abs(guess[0] - line.legs[before].s1).max() > _AFAR * np.abs(heights).max() or not found[2].all():
        found = _follow(line, before, after, heights, found)
    first, second, fine = found
    a, b = line.legs[before], line.legs[after]
    return (
        np.maximum(_as_far(fine, heights, first, guess[0]), a.s0),
        np.minimum(_as_far(fine, heights, second, guess[1]), b.s1),
    )


def _turned_back(
    line: LegLine, before: int, after: int, heights: Floats, square: tuple[Floats, Floats]
) -> tuple[Floats, Floats]:
    """Legs that go back the way they came and part further on, as at a notch between two upright lobes:
    square, but on the side where their lines of equal height meet once the legs are far enough apart."""
    a, b = line.legs[before], line.legs[after]
    back = np.linspace(0.0, min(a.length, b.length) / 2, _PLACES)
    one = line.frames(a.s1 - back, np.full(_PLACES, before)).point
    other = line.frames(b.s0 + back, np.full(_PLACES, after)).point
    # How high lines are that meet so far back, on legs that part alike.
    apart = (other - one) @ line.ends.across[before] / 2
    side = float(apart[np.argmax(np.abs(apart) > np.abs(heights).max() / _HEIGHTS)])
    within = heights * side > 0
    if not within.any():
        return square
    rising = np.maximum.accumulate(np.abs(np.where(apart * side > 0, apart, 0.0)))
    guess = np.interp(np.abs(heights[within]), rising, back)
    met = _newton(line, before, after, heights[within], (a.s1 - guess, b.s0 + guess))
    first, second = square
    first[within] = _as_far(met[2], heights[within], met[0], first[within])
    second[within] = _as_far(met[2], heights[within], met[1], second[within])
    return first, second


def _follow(line: LegLine, before: int, after: int, heights: Floats, afar: Meetings) -> Meetings:
    """Meetings from height to height; those that were found from afar where that does not lead on. Legs that
    bend away from a sharp turn, as a heart's lobes do from its notch, meet much nearer to it than straight
    ones would, and lines that are long enough may cross again elsewhere."""
    first, second, fine = afar[0].copy(), afar[1].copy(), afar[2].copy()
    known = [(0.0, line.legs[before].s1, line.legs[after].s0)]
    for i in np.argsort(np.abs(heights)).tolist():
        height = abs(float(heights[i]))
        near = [np.array([place]) for place in _onward(known, height)]
        sa, sb, met = _newton(line, before, after, heights[[i]], (near[0], near[1]))
        if met[0]:
            first[i], second[i], fine[i] = sa[0], sb[0], True
        if fine[i]:
            known.append((height, float(first[i]), float(second[i])))
    return first, second, fine


def _onward(known: list[tuple[float, float, float]], height: float) -> tuple[float, float]:
    """Where the two last known meetings lead at a height."""
    if len(known) < 2:
        return known[0][1] - height, known[0][2] + height
    (h0, a0, b0), (h1, a1, b1) = known[-2:]
    on = (height - h1) / max(h1 - h0, 1e-9)
    return a1 + on * (a1 - a0), b1 + on * (b1 - b0)


def _newton(
    line: LegLine, before: int, after: int, heights: Floats, guess: tuple[Floats, Floats]
) -> Meetings:
    """Where lines of each height cross, from a guess, and whether they do there."""
    a, b = (np.full(len(heights), leg) for leg in (before, after))
    sa, sb = (part.copy() for part in guess)
    for _ in range(_ROUNDS):
        one, other = line.frames(sa, a), line.frames(sb, b)
        gap = other.beside(heights) - one.beside(heights)
        u = (1 - one.bend * heights)[:, None] * one.along
        v = (1 - other.bend * heights)[:, None] * other.along
        det = u[:, 1] * v[:, 0] - u[:, 0] * v[:, 1]
        safe = np.where(np.abs(det) < 1e-9, np.inf, det)
        step_a = (gap[:, 1] * v[:, 0] - gap[:, 0] * v[:, 1]) / safe
        step_b = (u[:, 0] * gap[:, 1] - u[:, 1] * gap[:, 0]) / safe
        most = np.abs(heights) + 1e-3
        sa, sb = sa + np.clip(step_a, -most, most), sb + np.clip(step_b, -most, most)
        if np.abs(gap).max() < _MET:
            break
    one, other = line.frames(sa, a), line.frames(sb, b)
    apart = np.abs(other.beside(heights) - one.beside(heights)).max(axis=1)
    fine = (apart < 1e-6) & (sa <= line.legs[before].s1 + _MET) & (sb >= line.legs[after].s0 - _MET)
    fine &= (sa >= line.legs[before].s0) & (sb <= line.legs[after].s1)
    fine &= (1 - one.bend * heights > 0) & (1 - other.bend * heights > 0)
    return sa, sb, np.asarray(fine)


def _as_far(fine: NDArray[np.bool_], heights: Floats, found: Floats, guess: Floats) -> Floats:
    """What was found as far out from the path as all is well; past that the guess, moved to meet it."""
    order = np.argsort(np.abs(heights), kind="stable")
    good = int(np.argmin(np.append(fine[order], False)))
    kept, rest = order[:good], order[good:]
    shift = float(found[kept[-1]] - guess[kept[-1]]) if good else 0.0
    result = found.copy()
    result[rest] = guess[rest] + shift
    return result
