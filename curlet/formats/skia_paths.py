"""From the drawing's outlines and paints to skia's."""

from __future__ import annotations

import numpy as np
import skia
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, LinearGradient, Paint, Solid, Stroke

_CAPS = {
    "round": skia.Paint.kRound_Cap,
    "flat": skia.Paint.kButt_Cap,
    "square": skia.Paint.kSquare_Cap,
}
_JOINS = {
    "round": skia.Paint.kRound_Join,
    "mitre": skia.Paint.kMiter_Join,
    "bevel": skia.Paint.kBevel_Join,
}


def add_outline(path: skia.Path, commands: str, points: NDArray[np.float64]) -> None:
    """Append one outline to a skia path."""
    calls = {"M": path.moveTo, "L": path.lineTo, "C": path.cubicTo, "Z": path.close}
    flat, at = points.ravel().tolist(), 0
    for command in commands:
        count = 2 * POINTS_PER_COMMAND[command]
        calls[command](*flat[at : at + count])
        at += count


def fill_paint(paint: Paint, matrix: skia.Matrix | None = None) -> skia.Paint:
    out = skia.Paint(AntiAlias=True)
    if isinstance(paint, Solid):
        out.setColor(_colour(paint.colour, paint.opacity))
        return out
    colours = [_colour(stop.colour, stop.opacity) for stop in paint.stops]
    offsets = [stop.offset for stop in paint.stops]
    local = matrix or skia.Matrix()
    if isinstance(paint, LinearGradient):
        ends = [skia.Point(*paint.start), skia.Point(*paint.end)]
        out.setShader(skia.GradientShader.MakeLinear(ends, colours, offsets, localMatrix=local))
    else:
        centre = skia.Point(*paint.centre)
        out.setShader(
            skia.GradientShader.MakeRadial(centre, paint.radius, colours, offsets, localMatrix=local)
        )
    return out


def stroke_paint(stroke: Stroke, matrix: skia.Matrix | None = None) -> skia.Paint:
    out = fill_paint(stroke.paint, matrix)
    out.setStyle(skia.Paint.kStroke_Style)
    out.setStrokeWidth(stroke.weight)
    out.setStrokeCap(_CAPS[stroke.ends])
    out.setStrokeJoin(_JOINS[stroke.joins])
    out.setStrokeMiter(stroke.mitre_limit)
    if stroke.dashes:
        dashes = stroke.dashes * (2 if len(stroke.dashes) % 2 else 1)
        out.setPathEffect(skia.DashPathEffect.Make(list(dashes), 0.0))
    return out


def _colour(colour: str, opacity: float) -> int:
    value = int(colour[1:], 16)
    return int(skia.ColorSetARGB(round(255 * opacity), value >> 16, (value >> 8) & 255, value & 255))
