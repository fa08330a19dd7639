"""A picture traced: its areas as shapes of artwork, in mm."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.motif.art import path_text
from curlet.core.motif.families.artwork import MAX_POINTS, ArtShape
from curlet.core.motif.tracing.bands import Shaded, shaded
from curlet.core.motif.tracing.rings import Area, areas_above, outlines_of, pixels_within, window_of
from curlet.core.motif.tracing.rule import TraceRule
from curlet.core.motif.tracing.tones import Pixels, Tones, cropped, darkness, lightened, toned

Floats = NDArray[np.float64]

# An outline cannot be truer than this to the picture, px.
_FINEST = 0.3
# Areas that come this near to the picture's edge reach it, px.
_AT_EDGE = 1.0
# Ring points fitted at the most; past that the smallest areas are left out.
_MAX_RING_POINTS = 250_000

Progress = Callable[[float, str], None]


class Stopped(Exception):
    """The tracing was stopped."""


@dataclass(frozen=True)
class Traced:
    """What came of a tracing.

    Attributes
    ----------
    shapes : bottom to top, mm from the cropped picture's upper left corner.
    length, width : of the cropped picture, mm.
    found : how many areas there were before the smallest were left out.
    pixel : how large a pixel is, mm.
    limited : whether the outline was to be truer than the picture is.
    """

    shapes: tuple[ArtShape, ...]
    length: float
    width: float
    found: int
    pixel: float
    limited: bool


@dataclass(frozen=True, eq=False)
class _Layer:
    """Areas of one colour, or of one gradient."""

    areas: list[Area]
    paint: ColourRole | Shaded

    def within(self, rows: int, columns: int) -> _Layer:
        """Without the areas that reach the picture's edge."""
        return _Layer([area for area in self.areas if not _at_edge(area, rows, columns)], self.paint)


def trace(pixels: Pixels, rule: TraceRule, progress: Progress = lambda share, what: None) -> Traced:
    """Trace a picture.

    Areas of several colours are laid one over the other from light to dark, each with all that is darker
    cut from the same sheet, so that no gap shows between them.

    Parameters
    ----------
    pixels : (rows, columns, 4) sRGB with opacity, 0…255.
    progress : told the share done and what is being done; it may raise Stopped.

    Raises
    ------
    BadInput
        If the rule is out of bounds, or nothing was found.
    """
    rule.check()
    part = prepared(pixels, rule)
    rows, columns = part.shape[:2]
    pixel = rule.length / columns
    specks = rule.specks / pixel**2
    progress(0.05, "Reading the picture")
    layers = (
        _by_cut_off(part, rule, specks) if rule.by == "cut-off" else _by_colours(part, rule, specks, progress)
    )
    if rule.scraps:
        layers = [layer.within(rows, columns) for layer in layers]
    found = sum(len(layer.areas) for layer in layers)
    if not found:
        raise BadInput("Nothing was found to trace. Change the cut-off, or drop smaller specks only.")
    progress(0.7, "Drawing the outlines")
    kept = _largest(layers, rule.most)
    shapes = _shapes(kept, rule, pixel)
    progress(1.0, "Done")
    return Traced(shapes, rule.length, rows * pixel, found, pixel, rule.within < _FINEST * pixel)


def prepared(pixels: Pixels, rule: TraceRule) -> Pixels:
    """The picture as it is asked: cropped, then made lighter or darker."""
    return lightened(cropped(pixels, rule.crop), rule.lighten)


def _by_cut_off(pixels: Pixels, rule: TraceRule, specks: float) -> list[_Layer]:
    """What is darker than the cut-off, or lighter: in thread 1, to be tinted."""
    field, level = darkness(pixels), 1 - rule.cut_off / 100
    if rule.swapped:
        field, level = (1 - field) * (pixels[..., 3] / 255), 1 - level
    return [_Layer(areas_above(field, level, specks), ColourRole(1))]


def _by_colours(pixels: Pixels, rule: TraceRule, specks: float, progress: Progress) -> list[_Layer]:
    tones = toned(pixels, rule.colours)
    progress(0.25, "Finding the colours")
    order = _order(tones, rule.background)
    # Each pixel's place in the order, -1 where there is no picture.
    place = np.append(np.argsort(order), -1)[tones.label]
    bands: list[Shaded] = []
    if rule.bands:
        left_out = order[0] if rule.background else -1
        bands = shaded(pixels, tones, left_out, specks)
        for band in bands:
            # A gradient lies over one plain area, in place of the bands that it was.
            here = place[band.window]
            here[band.mask] = max(int(here[band.mask].min()), 1)
        progress(0.4, "Finding the gradients")
    layers = []
    for index in range(int(rule.background), len(order)):
        role = ColourRole(own=_hex(tones.palette[order[index]]))
        areas = areas_above(_soft(place >= index), 0.5, specks)
        layers.append(_Layer(_seen(areas, place == index, specks), role))
        progress(0.4 + 0.3 * index / len(order), "Finding the areas")
    return [*layers, *(_Layer([band.area], band) for band in bands)]


def _seen(areas: list[Area], own: NDArray[np.bool_], specks: float) -> list[Area]:
    """Areas of which something shows: one that darker areas cover wholly is theirs alone."""
    least = max(specks, 4.0)

    def shows(area: Area) -> bool:
        # Few areas have a pixel of the colour near: those are looked at closely.
        near = np.count_nonzero(own[window_of(area, own.shape)])
        return bool(near >= least and np.count_nonzero(pixels_within(area, own)) >= least)

    return [area for area in areas if shows(area)]


def _order(tones: Tones, background: bool) -> list[int]:
    """The colours from the bottom: light to dark, the background first if it is left out."""
    order = list(range(len(tones.palette)))
    if background:
        order.remove(lowest := _background(tones))
        order.insert(0, lowest)
    return order


def _background(tones: Tones) -> int:
    """The colour that most of the picture's edge has."""
    label = tones.label
    edge = np.concatenate([label[0], label[-1], label[:, 0], label[:, -1]])
    edge = edge[edge >= 0]
    return int(np.bincount(edge).argmax()) if len(edge) else 0


def _soft(mask: NDArray[np.bool_]) -> Floats:
    """A mask whose edge is spread over three pixels, so that its outline has no steps."""
    field = np.pad(mask, 1, mode="edge").astype(np.float64)
    across = field[:, :-2] + 2 * field[:, 1:-1]
    across += field[:, 2:]
    soft = across[:-2] + 2 * across[1:-1]
    soft += across[2:]
    soft /= 16
    return np.asarray(soft)


def _at_edge(area: Area, rows: int, columns: int) -> bool:
    left, top, right, foot = area.box
    return min(left, top) < _AT_EDGE or right > columns - _AT_EDGE or foot > rows - _AT_EDGE


def _largest(layers: list[_Layer], most: int) -> list[_Layer]:
    """The largest areas of all layers together, their layers kept."""
    every = sorted((area for layer in layers for area in layer.areas), key=lambda area: -area.size)
    points = np.cumsum([sum(len(ring) for ring in area.rings) for area in every])
    within = max(int(np.searchsorted(points, _MAX_RING_POINTS)), 1)
    kept = {id(area) for area in every[: min(most, within)]}
    return [_Layer([area for area in layer.areas if id(area) in kept], layer.paint) for layer in layers]


def _shapes(layers: list[_Layer], rule: TraceRule, pixel: float) -> tuple[ArtShape, ...]:
    tolerance = max(rule.within / pixel, _FINEST)
    outlines = iter(outlines_of([area for each in layers for area in each.areas], rule.corners, tolerance))
    shapes, points = [], 0
    for layer in layers:
        for _ in layer.areas:
            outline = next(outlines)
            points += len(outline.points)
            d = path_text(Outline(outline.commands, outline.points * pixel))
            if isinstance(layer.paint, Shaded):
                shapes.append(ArtShape(d, ColourRole(1), gradient=layer.paint.gradient(pixel)))
            else:
                shapes.append(ArtShape(d, layer.paint))
    if points > MAX_POINTS:
        raise BadInput(
            f"The outlines have {points:,} points; {MAX_POINTS:,} is the most. Keep fewer shapes, drop "
            "larger specks, or let the outline follow less closely."
        )
    return tuple(shapes)


def _hex(colour: NDArray[np.float32]) -> str:
    return "#" + "".join(f"{round(float(part)):02x}" for part in colour)
