"""Areas that shade into one another, as one area with a gradient."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.dress.colour import ColourRole, RoleGradient, RoleStop
from curlet.core.motif.tracing.rings import Area, Window, areas_above, pixels_within, window_of
from curlet.core.motif.tracing.tones import Pixels, Tones

Floats = NDArray[np.float64]
Mask = NDArray[np.bool_]

# Two colours shade into one another if at most this share of where they meet is an edge.
_EDGED = 0.3
# Colours along a gradient, and how far pixels may be off it on the whole (0…255, root mean square).
_STOPS, _OFF = 6, 12.0
# A gradient whose colours differ by less than this is a plain area, 0…255.
_FLAT = 18.0
# Pixels that a gradient is fitted to.
_SAMPLE = 4_000


@dataclass(frozen=True, eq=False)
class Shaded:
    """One area with a gradient, px: `form`, `start` and `end` as RoleGradient's; `mask` is its pixels
    within the `window`."""

    area: Area
    window: Window
    mask: Mask
    form: str
    start: tuple[float, float]
    end: tuple[float, float]
    colours: tuple[str, ...]

    def gradient(self, pixel: float) -> RoleGradient:
        """The same in mm."""
        last = len(self.colours) - 1
        stops = tuple(RoleStop(i / last, ColourRole(own=c)) for i, c in enumerate(self.colours))
        (x0, y0), (x1, y1) = self.start, self.end
        return RoleGradient(self.form, (x0 * pixel, y0 * pixel), (x1 * pixel, y1 * pixel), stops)


def shaded(pixels: Pixels, tones: Tones, background: int, specks: float) -> list[Shaded]:
    """Every area that shades from colour to colour as a gradient does, largest first.

    Parameters
    ----------
    background : the colour that is left out, -1 for none.
    """
    found = []
    for group in _groups(tones, background):
        mask = np.isin(tones.label, group)
        for area in areas_above(mask.astype(np.float64), 0.5, max(specks, 200.0)):
            inside = pixels_within(area, mask)
            window = window_of(area, mask.shape)
            fitted = _fit(pixels[window], inside, (window[1].start, window[0].start))
            if fitted is not None:
                found.append(Shaded(area, window, inside, *fitted))
    return found


def _groups(tones: Tones, background: int) -> Iterator[list[int]]:
    """Colours that shade into one another, two or more together."""
    count = len(tones.palette)
    meets, edged = np.zeros((count, count)), np.zeros((count, count))
    for a, b, edge in _pairs(tones):
        pair = a.astype(np.intp) * count + b
        meets += np.bincount(pair, minlength=count * count).reshape(count, count)
        edged += np.bincount(pair, edge, minlength=count * count).reshape(count, count)
    meets, edged = meets + meets.T, edged + edged.T
    smooth = (meets > 8) & (edged < _EDGED * meets)
    left = set(range(count)) - {background}
    while left:
        group, grow = set(), {left.pop()}
        while grow:
            group |= grow
            grow = {int(j) for i in grow for j in np.flatnonzero(smooth[i])} - group - {background}
        left -= group
        if len(group) > 1:
            yield sorted(group)


def _pairs(tones: Tones) -> Iterator[tuple[NDArray[np.int16], NDArray[np.int16], Mask]]:
    """Neighbouring pixels of two colours, and whether they meet at an edge."""
    label, edges = tones.label, tones.edges
    for one, two in (((slice(None), slice(0, -1)), (slice(None), slice(1, None))),
                     ((slice(0, -1), slice(None)), (slice(1, None), slice(None)))):  # fmt: skip
        differ = (label[one] != label[two]) & (label[one] >= 0) & (label[two] >= 0)
        yield label[one][differ], label[two][differ], (edges[one] | edges[two])[differ]


Fitted = tuple[str, tuple[float, float], tuple[float, float], tuple[str, ...]]


def _fit(pixels: Pixels, inside: Mask, corner: tuple[int, int]) -> Fitted | None:
    """The linear or radial gradient that an area has, None if it has none; `corner` is where its window
    begins in the picture."""
    y, x = np.nonzero(inside)
    step = max(len(x) // _SAMPLE, 1)
    x, y = x[::step], y[::step]
    if len(x) < 50:
        return None
    colour = pixels[y, x, :3].astype(np.float64)
    at = np.stack([x + 0.5 + corner[0], y + 0.5 + corner[1]], axis=1)
    found = [fit for fit in (_linear(at, colour), _radial(at, colour)) if fit is not None]
    best = min(found, key=lambda fit: fit[0], default=None)
    return None if best is None or best[0] > _OFF else best[1]


def _axis(at: Floats, colour: Floats) -> tuple[Floats, Floats]:
    """Along which way colours change most, and by how much in all, from the plane through them."""
    plane = np.column_stack([at, np.ones(len(at))])
    slopes = np.linalg.lstsq(plane, colour, rcond=None)[0][:2]
    values, ways = np.linalg.eigh(slopes @ slopes.T)
    return ways[:, -1], np.sqrt(np.maximum(values, 0))


def _linear(at: Floats, colour: Floats) -> tuple[float, Fitted] | None:
    way, _ = _axis(at, colour)
    off, low, high, colours = _stops(at @ way, colour)
    if colours is None:
        return None
    middle = at.mean(axis=0)
    start, end = (middle + (place - middle @ way) * way for place in (low, high))
    return off, ("linear", _pair(start), _pair(end), colours)


def _radial(at: Floats, colour: Floats) -> tuple[float, Fitted] | None:
    """About the point from which colours change alike to all sides: that of a paraboloid's top."""
    first = colour - colour.mean(axis=0)
    tone = first @ np.linalg.svd(first, full_matrices=False)[2][0]
    x, y = (at - at.mean(axis=0)).T
    terms = np.column_stack([x * x + y * y, x, y, np.ones(len(x))])
    a, b, c, _ = np.linalg.lstsq(terms, tone, rcond=None)[0]
    if abs(a) < 1e-9:
        return None
    centre = at.mean(axis=0) + np.array([-b, -c]) / (2 * a)
    if np.hypot(*(centre - at.mean(axis=0))) > 4 * np.ptp(at, axis=0).max():
        return None
    off, _, high, colours = _stops(np.hypot(*(at - centre).T), colour, low=0.0)
    if colours is None:
        return None
    return off, ("radial", _pair(centre), _pair(centre + (high, 0.0)), colours)


def _stops(
    place: Floats, colour: Floats, low: float | None = None
) -> tuple[float, float, float, tuple[str, ...] | None]:
    """How far colours are off a gradient along a place, where it begins and ends, and its colours."""
    start = float(place.min()) if low is None else low
    end = float(place.max())
    share = (place - start) / max(end - start, 1e-9) * (_STOPS - 1)
    before = np.clip(share.astype(np.intp), 0, _STOPS - 2)
    part = share - before
    weights = np.zeros((len(place), _STOPS))
    weights[np.arange(len(place)), before] = 1 - part
    weights[np.arange(len(place)), before + 1] = part
    # A little pull toward even steps, for stops that no pixel lies near.
    even = np.diff(np.eye(_STOPS), n=2, axis=0) * 0.5
    stops = np.linalg.lstsq(weights.T @ weights + even.T @ even, weights.T @ colour, rcond=None)[0]
    off = float(np.sqrt(((weights @ stops - colour) ** 2).sum(axis=1).mean()))
    if np.ptp(stops, axis=0).max() < _FLAT:
        return off, start, end, None
    clipped = np.clip(np.round(stops), 0, 255).astype(int)
    return off, start, end, tuple("#" + "".join(f"{part:02x}" for part in stop) for stop in clipped)


def _pair(at: Floats) -> tuple[float, float]:
    return float(at[0]), float(at[1])
