"""Gradients, cloths and opacity as PDF objects, each written once."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace
from itertools import pairwise

from pikepdf import Array, Dictionary, Name, Object, Pdf, Stream

from curlet.core.drawing import (
    IDENTITY,
    Affine,
    LinearGradient,
    RadialGradient,
    Shape,
    Solid,
    Stop,
    Tiling,
    compose,
)
from curlet.formats.numbers import number
from curlet.formats.pdf.stream import Box, Operators, real

Gradient = LinearGradient | RadialGradient
# Of two stops at one place the second comes so much later: a function's parts must have some length.
_NEXT = 1e-4


class Paints:
    """What paints need of a file."""

    def __init__(self, pdf: Pdf) -> None:
        self._pdf = pdf
        self._states: dict[tuple[float, float], Object] = {}
        self._gradients: dict[Gradient, Object] = {}
        self._tilings: dict[Tiling, Object] = {}

    def opacity(self, fill: float, stroke: float) -> Object:
        """A graphics state with these opacities, of what is filled and of what is stroked."""
        if (fill, stroke) not in self._states:
            state = Dictionary(Type=Name.ExtGState, ca=real(fill), CA=real(stroke))
            self._states[fill, stroke] = self._pdf.make_indirect(state)
        return self._states[fill, stroke]

    def masked(self, greys: Stream, opacity: float = 1.0) -> Object:
        """A graphics state in which as much is seen as greys, a form, are light (ISO 32000-1, 11.6.5.2)."""
        mask = Dictionary(Type=Name.Mask, S=Name.Luminosity, G=greys)
        state = Dictionary(Type=Name.ExtGState, SMask=mask, ca=real(opacity), CA=real(opacity))
        return self._pdf.make_indirect(state)

    def gradient(self, paint: Gradient) -> Object:
        """A gradient's colours as a shading pattern."""
        if paint not in self._gradients:
            pattern = Dictionary(
                Type=Name.Pattern, PatternType=2, Shading=_shading(paint), Matrix=_matrix(paint.matrix)
            )
            self._gradients[paint] = self._pdf.make_indirect(pattern)
        return self._gradients[paint]

    def opacities(self, paint: Gradient, box: Box) -> Object | None:
        """A graphics state in which as much is seen as a gradient's stops are opaque; None where all are."""
        if all(stop.opacity >= 1 for stop in paint.stops):
            return None
        greys = replace(
            paint,
            stops=tuple(replace(stop, colour=_grey(stop.opacity), opacity=1.0) for stop in paint.stops),
            matrix=IDENTITY,
        )
        light = Operators(self._pdf)
        light.move(paint.matrix)
        light.add(f"{light.named('Shading', self._pdf.make_indirect(_shading(greys)))} sh")
        return self.masked(light.form(box, Group=transparency()))

    def tiling(self, paint: Tiling, draw: Callable[[Operators, Shape], None]) -> Object:
        """A cloth as a tiling pattern."""
        if paint not in self._tilings:
            tile = Operators(self._pdf)
            for shape in paint.shapes:
                draw(tile, shape)
            width, height = paint.width / paint.unit, paint.height / paint.unit
            larger: Affine = (paint.unit, 0.0, 0.0, paint.unit, 0.0, 0.0)
            self._tilings[paint] = Stream(
                self._pdf, tile.data(), Type=Name.Pattern, PatternType=1, PaintType=1, TilingType=1,
                BBox=Array([0, 0, real(width), real(height)]), XStep=real(width), YStep=real(height),
                Resources=tile.resources(), Matrix=_matrix(compose(paint.matrix, larger)),
            )  # fmt: skip
        return self._tilings[paint]


def transparency() -> Dictionary:
    """What makes a form's content be painted together."""
    return Dictionary(Type=Name.Group, S=Name.Transparency, CS=Name.DeviceRGB, I=True)


def colour(paint: Solid) -> str:
    """A colour's three numbers."""
    value = int(paint.colour[1:], 16)
    return " ".join(number(part / 255) for part in (value >> 16, (value >> 8) & 255, value & 255))


def _grey(light: float) -> str:
    return "#" + 3 * f"{round(255 * light):02x}"


def _matrix(affine: Affine) -> Array:
    return Array([Object.parse(f"{value:.8f}".encode()) for value in affine])


def _shading(paint: Gradient) -> Dictionary:
    ends: tuple[float, ...]
    if isinstance(paint, LinearGradient):
        kind, ends = 2, (*paint.start, *paint.end)
    else:
        kind, ends = 3, (*paint.centre, 0.0, *paint.centre, paint.radius)
    return Dictionary(
        ShadingType=kind,
        ColorSpace=Name.DeviceRGB,
        Coords=Array([real(end) for end in ends]),
        Function=_function(paint.stops),
        Extend=Array([True, True]),
    )


def _function(stops: Sequence[Stop]) -> Dictionary:
    """Colours from 0 to 1, straight from one stop to the next (ISO 32000-1, 7.10.4)."""
    whole = [replace(stops[0], offset=0.0), *stops, replace(stops[-1], offset=1.0)]
    places = [0.0]
    for stop in whole[1:]:
        places.append(max(stop.offset, places[-1] + _NEXT))
    # What was moved on past the end is brought back into it.
    places = [place / places[-1] for place in places]
    parts = [
        Dictionary(FunctionType=2, Domain=Array([0, 1]), N=1, C0=_components(before), C1=_components(after))
        for before, after in pairwise(whole)
    ]
    return Dictionary(
        FunctionType=3,
        Domain=Array([0, 1]),
        Functions=Array(parts),
        Bounds=Array([Object.parse(f"{place:.6f}".encode()) for place in places[1:-1]]),
        Encode=Array([0, 1] * len(parts)),
    )


def _components(stop: Stop) -> Array:
    return Array([Object.parse(part.encode()) for part in colour(Solid(stop.colour)).split()])
