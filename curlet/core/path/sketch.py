"""A line drawn by hand, as a path: its shake evened out, its corners kept, few nodes, its pressure as a swell
curve."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.path.chain import path_of_cubics
from curlet.core.path.fit_cubics import fit_cubics
from curlet.core.path.path import Path

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

STEADINESS = Bounds("Steadiness", 0, 500)
WITHIN = Bounds("How far the line may move", 0.001, 100)
MAX_POINTS = 20_000

# A corner turns by this much, degrees, and turns most of it within half the window.
_CORNER = 50.0
_SHARP = 0.7
_MAX_SAMPLES = 40_000
# Pressure in the middle of a pen's range, as a mouse reports it, is the width as drawn.
_PLAIN_PRESSURE = 0.5
_SWELL_POINTS = 48
_SWELL_STEP = 4.0


@dataclass(frozen=True)
class Sketch:
    """A path, and its swell curve: (share of the path 0…1, width in %), empty where the width stays."""

    path: Path
    swell: tuple[tuple[float, float], ...]


def sketch(
    points: Floats, pressure: Floats, steadiness: float, within: float, meeting: float = 0.0
) -> Sketch:
    """Make a path of a drawn line.

    Parameters
    ----------
    points : (n, 2) where the pen was, mm.
    pressure : (n,) its pressure there, 0…1; 0.5 all along means none was felt.
    steadiness : shakes shorter than this along the line, mm, are evened out; 0 leaves them.
    within : how far the path may lie from the evened line, mm.
    meeting : ends nearer together than this, mm, close the path.

    Raises
    ------
    BadInput
        If the line has no length, is not finite, or a number is out of bounds.
    """
    STEADINESS.check(steadiness)
    WITHIN.check(within)
    if not np.isfinite(points).all() or len(points) > MAX_POINTS:
        raise BadInput("This line cannot be read. Draw it again, in one go.")
    moved = np.append(True, np.hypot(*np.diff(points, axis=0).T) > within / 50)
    points, pressure = points[moved], pressure[moved]
    along = np.append(0.0, np.cumsum(np.hypot(*np.diff(points, axis=0).T)))
    if len(points) < 2 or along[-1] <= within:
        raise BadInput("This line is too short. Draw it longer, or zoom in.")
    closed = bool(len(points) > 3 and np.hypot(*(points[-1] - points[0])) <= meeting < along[-1] / 4)
    if closed:
        points = np.concatenate([points, points[:1]])
        along = np.append(along, along[-1] + np.hypot(*(points[-1] - points[-2])))
        pressure = np.append(pressure, pressure[0])
    step = max(min(within / 2, (steadiness or within) / 6), along[-1] / _MAX_SAMPLES)
    places = np.linspace(0, along[-1], max(int(along[-1] / step), 8) + 1)
    line = np.stack([np.interp(places, along, points[:, axis]) for axis in (0, 1)], axis=1)
    spacing = places[1]
    sharp = _corners(line, spacing, max(2 * steadiness, 6 * within), closed)
    steady = _steady(line, sharp, steadiness / spacing, closed)
    if closed:
        steady[-1] = steady[0]
    (cubics,) = fit_cubics([steady], [sharp], within)
    share = np.interp(places, along, pressure)
    return Sketch(path_of_cubics(cubics, closed=closed), _swell(places / along[-1], share))


def _corners(line: Floats, spacing: float, window: float, closed: bool) -> Ints:
    """Indices at which the line turns sharply: by much, and most of it within half the window."""
    wide = max(int(window / spacing), 2)
    turn, near = _turns(line, wide, closed), _turns(line, max(wide // 2, 1), closed)
    able = (turn > _CORNER) & (near > _SHARP * turn)
    found: list[int] = []
    for index in np.flatnonzero(able)[np.argsort(-near[able], kind="stable")].tolist():
        apart = [min(abs(index - i), len(line) - abs(index - i) if closed else len(line)) for i in found]
        if not apart or min(apart) > wide:
            found.append(index)
    if closed and len(line) - 1 in found:
        found.append(0)
    return np.array(sorted(set(found)), dtype=np.intp)


def _turns(line: Floats, reach: int, closed: bool) -> Floats:
    """(n,) degrees between the chord up to each point and the chord on; 0 near an open line's ends."""
    count = len(line)
    at = np.arange(count)
    if closed:
        behind, ahead = line[(at - reach) % (count - 1)], line[(at + reach) % (count - 1)]
    else:
        behind, ahead = line[np.maximum(at - reach, 0)], line[np.minimum(at + reach, count - 1)]
    a, b = line - behind, ahead - line
    cross = a[:, 0] * b[:, 1] - a[:, 1] * b[:, 0]
    turn: Floats = np.degrees(np.abs(np.arctan2(cross, (a * b).sum(axis=1))))
    if not closed:
        turn[:reach] = turn[count - reach :] = 0
    return turn


def _steady(line: Floats, sharp: Ints, width: float, closed: bool) -> Floats:
    """The line with its shakes evened out between corners and ends, which stay where they are.

    Evened twice, the second time by what the first took away, so that bends keep their size to the fourth
    order (Tukey's twicing).
    """
    if width < 0.5:
        return line.copy()
    sigma = width / 2.5
    if closed and not len(sharp):
        inner = _smooth_round(line[:-1], sigma)
        return np.concatenate([inner, inner[:1]])
    steady = line.copy()
    ends = sorted({0, len(line) - 1, *sharp.tolist()})
    for first, last in zip(ends[:-1], ends[1:], strict=True):
        if last - first > 2:
            steady[first : last + 1] = _smooth_between(line[first : last + 1], sigma)
    return steady


def _kernel(sigma: float, most: int) -> Floats:
    reach = int(min(max(np.ceil(4 * sigma), 1), most))
    weights = np.exp(-0.5 * (np.arange(-reach, reach + 1) / sigma) ** 2)
    return np.asarray(weights / weights.sum())


def _smooth_between(line: Floats, sigma: float) -> Floats:
    kernel = _kernel(sigma, len(line) - 1)
    reach = len(kernel) // 2

    def even(at: Floats) -> Floats:
        # Continued point-wise about each end, so that the ends stay.
        before, after = 2 * at[0] - at[reach:0:-1], 2 * at[-1] - at[-2 : -reach - 2 : -1]
        long = np.concatenate([before, at, after])
        return np.stack([np.convolve(long[:, axis], kernel, "valid") for axis in (0, 1)], axis=1)

    smooth = even(line)
    smooth += even(line - smooth)
    smooth[0], smooth[-1] = line[0], line[-1]
    return smooth


def _smooth_round(line: Floats, sigma: float) -> Floats:
    kernel = _kernel(sigma, len(line) - 1)
    reach = len(kernel) // 2

    def even(at: Floats) -> Floats:
        long = np.concatenate([at[-reach:], at, at[:reach]])
        return np.stack([np.convolve(long[:, axis], kernel, "valid") for axis in (0, 1)], axis=1)

    smooth = even(line)
    return np.asarray(smooth + even(line - smooth))


def _swell(share: Floats, pressure: Floats) -> tuple[tuple[float, float], ...]:
    """Pressure as widths in %, at few places; none where it stays within a small step."""
    width = np.clip(100 * pressure / _PLAIN_PRESSURE, 5, 400)
    if np.ptp(width) < _SWELL_STEP:
        return ()
    at = np.linspace(0, 1, _SWELL_POINTS)
    half = 0.5 / _SWELL_POINTS
    means = [width[(share >= a - half) & (share <= a + half)] for a in at]
    wide = np.array(
        [m.mean() if len(m) else np.interp(a, share, width) for a, m in zip(at, means, strict=True)]
    )
    keep = _few(at, wide, 0, len(at) - 1)
    return tuple((float(at[i]), round(float(wide[i]), 1)) for i in sorted(keep))


def _few(at: Floats, wide: Floats, first: int, last: int) -> set[int]:
    """The places between which straight steps stay within a small step of all (Ramer, 1972)."""
    if last - first < 2:
        return {first, last}
    chord = np.interp(at[first : last + 1], at[[first, last]], wide[[first, last]])
    off = np.abs(wide[first : last + 1] - chord)
    worst = first + int(off.argmax())
    if off.max() <= _SWELL_STEP:
        return {first, last}
    return _few(at, wide, first, worst) | _few(at, wide, worst, last)
