"""From the drawing's outlines and paints to skia's."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

import skia

from curlet.core.drawing import LinearGradient, Paint, Solid, Stroke, Tiling, compose
from curlet.core.path.booleans import CAPS, JOINS, add_outline

# A tile smaller than this in the picture, px, is drawn so large first.
_PLAIN, _DRAWN = 24.0, 64


def matrix_of(affine: Sequence[float]) -> skia.Matrix:
    """a b c d e f as skia's matrix."""
    a, b, c, d, e, f = affine
    return skia.Matrix.MakeAll(a, c, e, b, d, f, 0, 0, 1)


def fill_paint(paint: Paint, zoom: float = 1.0) -> skia.Paint:
    """What fills an outline.

    Parameters
    ----------
    zoom : px per mm of the picture, for tiles.
    """
    out = skia.Paint(AntiAlias=True)
    if isinstance(paint, Solid):
        out.setColor(_colour(paint.colour, paint.opacity))
        return out
    if isinstance(paint, Tiling):
        out.setShader(_tiles(paint, zoom))
        return out
    # Its first and last colour are said from end to end: left to itself skia mixes them in wrongly.
    stops = (replace(paint.stops[0], offset=0.0), *paint.stops, replace(paint.stops[-1], offset=1.0))
    colours = [_colour(stop.colour, stop.opacity) for stop in stops]
    offsets = [stop.offset for stop in stops]
    local = matrix_of(paint.matrix)
    if isinstance(paint, LinearGradient):
        ends = [skia.Point(*paint.start), skia.Point(*paint.end)]
        out.setShader(skia.GradientShader.MakeLinear(ends, colours, offsets, localMatrix=local))
    else:
        centre = skia.Point(*paint.centre)
        out.setShader(
            skia.GradientShader.MakeRadial(centre, paint.radius, colours, offsets, localMatrix=local)
        )
    return out


def _tiles(paint: Tiling, zoom: float) -> skia.Shader:
    """A tile drawn once and repeated. One that is small in the picture is drawn larger and made smaller as a
    picture, so that its colours mix as they do to the eye: threads of a part of a pixel would be lost."""
    width, height = paint.width / paint.unit, paint.height / paint.unit
    recorder = skia.PictureRecorder()
    canvas = recorder.beginRecording(skia.Rect.MakeWH(width, height))
    for shape in paint.shapes:
        path = skia.Path()
        add_outline(path, shape.outline.commands, shape.outline.points)
        if shape.fill:
            canvas.drawPath(path, fill_paint(shape.fill))
        if shape.stroke:
            canvas.drawPath(path, stroke_paint(shape.stroke))
    tile = recorder.finishRecordingAsPicture()
    local = matrix_of(compose(paint.matrix, (paint.unit, 0.0, 0.0, paint.unit, 0.0, 0.0)))
    again = skia.TileMode.kRepeat
    larger = math.hypot(*paint.matrix[:2]) * zoom
    if min(paint.width, paint.height) * larger >= _PLAIN:
        bounds = skia.Rect.MakeWH(width, height)
        return tile.makeShader(again, again, skia.FilterMode.kLinear, local, bounds)
    across, down = (max(round(_DRAWN * side / min(width, height)), _DRAWN) for side in (width, height))
    surface = skia.Surface(across, down)
    with surface as drawn:
        drawn.scale(across / width, down / height)
        drawn.drawPicture(tile)
    image = surface.makeImageSnapshot().withDefaultMipmaps()
    small = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
    return image.makeShader(again, again, small, local.preScale(width / across, height / down))


def stroke_paint(stroke: Stroke) -> skia.Paint:
    out = fill_paint(stroke.paint)
    out.setStyle(skia.Paint.kStroke_Style)
    out.setStrokeWidth(stroke.weight)
    out.setStrokeCap(CAPS[stroke.ends])
    out.setStrokeJoin(JOINS[stroke.joins])
    out.setStrokeMiter(stroke.mitre_limit)
    if stroke.dashes:
        dashes = stroke.dashes * (2 if len(stroke.dashes) % 2 else 1)
        out.setPathEffect(skia.DashPathEffect.Make(list(dashes), 0.0))
    return out


def _colour(colour: str, opacity: float) -> int:
    value = int(colour[1:], 16)
    return int(skia.ColorSetARGB(round(255 * opacity), value >> 16, (value >> 8) & 255, value & 255))
