"""A picture's pixels made ready: cropped, lightened, and each given to one of a few colours."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TypeVar

import numpy as np
from numpy.typing import NDArray

from curlet.core.motif.tracing.rule import Crop

Floats = NDArray[np.float64]
Floats32 = NDArray[np.float32]
Pixels = NDArray[np.uint8]
Ints = NDArray[np.int16]
Number = TypeVar("Number", bound=np.generic)

# Luma of sRGB (ITU-R BT.709).
_LUMA = np.array([0.2126, 0.7152, 0.0722], dtype=np.float32)
# Pixels whose neighbours differ by more than this lie on an edge, 0…255.
_EDGE = 24
# Pixels that colours are looked for in, and the rounds in which they are bettered.
_SAMPLE, _ROUNDS = 12_000, 12
# A pixel on an edge keeps a colour of its own if that is this much beyond those that meet there, 0…255.
_BEYOND = 10.0
# What is less opaque than this is not part of the picture, 0…255.
_OPAQUE = 128


@dataclass(frozen=True, eq=False)
class Tones:
    """Each pixel's colour.

    Attributes
    ----------
    label : (rows, columns) index in `palette`, -1 where the picture is transparent.
    palette : (k, 3) sRGB colours, 0…255, from light to dark.
    edges : (rows, columns) whether a pixel lies on an edge.
    """

    label: Ints
    palette: Floats32
    edges: NDArray[np.bool_]


def cropped(pixels: Pixels, crop: Crop) -> Pixels:
    """(rows, columns, 4) pixels without what is cut from the sides; at least two each way are left."""
    rows, columns = pixels.shape[:2]
    top, left = min(int(crop.top * rows), rows - 2), min(int(crop.left * columns), columns - 2)
    foot = max(rows - int(crop.foot * rows), top + 2)
    right = max(columns - int(crop.right * columns), left + 2)
    return pixels[max(top, 0) : foot, max(left, 0) : right]


def lightened(pixels: Pixels, by: float) -> Pixels:
    """Pixels made lighter or darker by a gamma of 1 at 0 %, 1/2.83 at 100 % and 2.83 at −100 %."""
    if not by:
        return pixels
    curve = 255 * (np.arange(256) / 255) ** (2.0 ** (-1.5 * by / 100))
    out = pixels.copy()
    out[..., :3] = np.round(curve).astype(np.uint8)[pixels[..., :3]]
    return out


def darkness(pixels: Pixels) -> Floats:
    """(rows, columns) 0 for white to 1 for black; what is transparent counts as white."""
    luma = pixels[..., :3] @ _LUMA / 255
    opacity = pixels[..., 3].astype(np.float32) / 255
    return np.asarray((1 - luma) * opacity, dtype=np.float64)


def toned(pixels: Pixels, colours: int) -> Tones:
    """Each pixel given to one of so many colours; one on an edge to one of those that meet there."""
    colour = pixels[..., :3].astype(np.float32)
    there = pixels[..., 3] >= _OPAQUE
    luma = (colour @ _LUMA).astype(np.uint8)
    edges = (_most(luma) - _least(luma)) > _EDGE
    plain = there & ~edges
    palette = _palette(colour[plain if plain.sum() > 100 else there], colours)
    label = _nearest_of_all(pixels, palette)
    label = _settled(colour, palette, label, plain, edges & there)
    label[~there] = -1
    return Tones(label, palette, edges)


def dominant(pixels: Pixels, count: int) -> list[str]:
    """The colours that a picture is mostly of, "#rrggbb", the commonest first; none for a transparent one."""
    if not (pixels[..., 3] >= _OPAQUE).any():
        return []
    tones = toned(pixels, count)
    often = np.bincount(tones.label[tones.label >= 0].ravel(), minlength=len(tones.palette))
    order = np.argsort(-often, kind="stable")
    seen = (tones.palette[i].round().astype(int).tolist() for i in order if often[i])
    return [f"#{red:02x}{green:02x}{blue:02x}" for red, green, blue in seen]


def _most(values: Pixels) -> Pixels:
    """The largest of each pixel and its eight neighbours."""
    wide = np.maximum(values, beside(values, 1, 1))
    wide = np.maximum(wide, beside(values, 1, -1))
    tall = np.maximum(wide, beside(wide, 0, 1))
    return np.asarray(np.maximum(tall, beside(wide, 0, -1)))


def _least(values: Pixels) -> Pixels:
    return np.asarray(255 - _most(255 - values), dtype=np.uint8)


def beside(values: NDArray[Number], axis: int, by: int) -> NDArray[Number]:
    """Each pixel's neighbour; a pixel at the side is its own."""
    moved: NDArray[Number] = np.roll(values, by, axis)
    side = [slice(None), slice(None)]
    side[axis] = slice(0, 1) if by > 0 else slice(-1, None)
    moved[tuple(side)] = values[tuple(side)]
    return moved


def _palette(colour: Floats32, count: int) -> Floats32:
    """The colours that stand best for many: k-means from starts far from one another, light to dark."""
    step = max(len(colour) // _SAMPLE, 1)
    some = np.unique(colour[::step].round(), axis=0, return_counts=True)
    points, weight = some[0].astype(np.float32), some[1].astype(np.float32)
    count = min(count, len(points))
    centres = points[[int(np.argmax(weight))]]
    apart = ((points - centres[0]) ** 2).sum(axis=1)
    for _ in range(count - 1):
        # Far from the others, and common: a lone odd pixel is no colour of the picture.
        centres = np.vstack([centres, points[int(np.argmax(apart * np.sqrt(weight)))]])
        apart = np.minimum(apart, ((points - centres[-1]) ** 2).sum(axis=1))
    for _ in range(_ROUNDS):
        near = _nearest(points, centres)
        total = np.bincount(near, weight, minlength=count)
        mean = np.stack([np.bincount(near, weight * points[:, i], minlength=count) for i in range(3)], axis=1)
        centres = np.where(total[:, None] > 0, mean / np.maximum(total, 1)[:, None], centres)
        centres = centres.astype(np.float32)
    centres = np.unique(centres.round(), axis=0)
    return np.asarray(centres[np.argsort(-(centres @ _LUMA))], dtype=np.float32)


def _nearest(colour: Floats32, palette: Floats32) -> Ints:
    """(n,) the palette's colour that is nearest to each of (n, 3)."""
    apart = ((colour[:, None, :] - palette[None]) ** 2).sum(axis=2)
    return np.asarray(apart.argmin(axis=1), dtype=np.int16)


def _nearest_of_all(pixels: Pixels, palette: Floats32) -> Ints:
    """The same for every pixel, looked up in a table of 64 steps a channel."""
    steps = np.arange(64, dtype=np.float32) * 4 + 1.5
    table = np.stack(np.meshgrid(steps, steps, steps, indexing="ij"), axis=-1).reshape(-1, 3)
    red, green, blue = (pixels[..., i].astype(np.int32) >> 2 for i in range(3))
    return np.asarray(_nearest(table, palette)[(red << 12) | (green << 6) | blue])


def _settled(
    colour: Floats32, palette: Floats32, label: Ints, plain: NDArray[np.bool_], edges: NDArray[np.bool_]
) -> Ints:
    """Pixels on edges given to the nearest of the colours that are plainly there within two pixels, so
    that no rim of a third colour shows between two; what is darker or lighter than all of them, as a thin
    line is, stays."""
    at = np.flatnonzero(edges)
    here, luma = colour.reshape(-1, 3)[at], palette @ _LUMA
    best, found = np.full(len(at), np.inf, dtype=np.float32), np.full(len(at), -1, dtype=np.int16)
    darkest, lightest = np.full(len(at), 255.0), np.zeros(len(at))
    for index, centre in enumerate(palette):
        reach = _most(_most(((label == index) & plain).astype(np.uint8))).ravel()[at] > 0
        apart = np.where(reach, ((here - centre) ** 2).sum(axis=1), np.inf)
        nearer = apart < best
        best[nearer], found[nearer] = apart[nearer], index
        darkest = np.where(reach, np.minimum(darkest, luma[index]), darkest)
        lightest = np.where(reach, np.maximum(lightest, luma[index]), lightest)
    own = luma[label.ravel()[at]]
    between = (own > darkest - _BEYOND) & (own < lightest + _BEYOND) & (found >= 0)
    out = label.copy()
    out.ravel()[at[between]] = found[between]
    return out
