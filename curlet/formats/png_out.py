"""Writing a drawing as PNG at its true size."""

from __future__ import annotations

import json
import math
import struct
import zlib
from collections.abc import Iterable

import numpy as np
import skia
from numpy.typing import NDArray

from curlet.core.drawing import (
    Drawing,
    Group,
    Item,
    Laid,
    Picture,
    Shape,
    Stamps,
    is_opaque_line,
    moved_paint,
    placed,
)
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.core.path.booleans import add_outline
from curlet.formats.output import PPI, FileSettings, Output, Tell, alone, each_group, untold
from curlet.formats.skia_paths import fill_paint, matrix_of, stroke_paint
from curlet.formats.srgb import srgb_profile

Floats = NDArray[np.float64]

MAX_PIXELS = 150_000_000
_SIGNATURE_AND_HEADER = 8 + 4 + 4 + 13 + 4


def pixels(mm: float, ppi: float) -> int:
    """Pixels for a length: 6 in at 300 ppi is 1,800."""
    return max(1, round(mm / MM_PER_INCH * ppi))


def write_png(drawing: Drawing, ppi: float, tell: Tell = untold) -> bytes:
    """A PNG on transparency that says its resolution (PNG 3rd edition, pHYs).

    Raises
    ------
    BadInput
        If `ppi` is out of bounds.
    TooMuch
        If the picture would have more than 150 million pixels.
    """
    png = bytes(painted(drawing, ppi, tell).encodeToData(skia.EncodedImageFormat.kPNG, 100))
    if drawing.corner:
        png = _with_chunk(
            png, b"tEXt", b"Place\0" + json.dumps({**place_of(drawing), "unit": "mm"}).encode("ascii")
        )
    return with_resolution(png, ppi)


def place_of(drawing: Drawing) -> dict[str, float]:
    """Where a drawing lies on its sheet, mm, so that it can be put back there."""
    left, top = drawing.corner or (0.0, 0.0)
    sides = {"left": left, "top": top, "width": drawing.width, "height": drawing.height}
    return {name: round(value, 4) for name, value in sides.items()}


def painted(drawing: Drawing, ppi: float, tell: Tell = untold) -> skia.Image:
    """The drawing in pixels on transparency; raises as `write_png`."""
    surface = skia.Surface(*check_pixels(drawing, ppi))
    paint_on(surface, drawing, ppi, skia.ColorTRANSPARENT, tell=tell)
    return surface.makeImageSnapshot()


def paint_on(
    surface: skia.Surface,
    drawing: Drawing,
    ppi: float,
    ground: int,
    at: tuple[int, int] = (0, 0),
    tell: Tell = untold,
) -> None:
    """Fill a surface with a drawing on a colour, skia's: with the pixels from `at` on, to the right and down,
    of its whole picture."""
    width, height = check_pixels(drawing, ppi)
    with surface as canvas:
        canvas.clear(ground)
        canvas.translate(-at[0], -at[1])
        canvas.scale(width / drawing.width, height / drawing.height)
        left, top = drawing.corner or (0.0, 0.0)
        canvas.translate(-left, -top)
        draw_groups(canvas, each_group(drawing, tell))


def draw_groups(canvas: skia.Canvas, groups: Iterable[Group]) -> None:
    """Paint groups on a canvas that is in sheet mm."""
    for group in groups:
        _draw(canvas, group)


def colour_at(drawing: Drawing, place: tuple[float, float], ppi: float = 300.0) -> str | None:
    """The colour of a drawing at a place, mm, "#rrggbb"; None where it is mostly see-through."""
    surface = skia.Surface(1, 1)
    with surface as canvas:
        canvas.clear(skia.ColorTRANSPARENT)
        canvas.translate(0.5, 0.5)
        canvas.scale(ppi / MM_PER_INCH, ppi / MM_PER_INCH)
        canvas.translate(-place[0], -place[1])
        draw_groups(canvas, drawing.groups)
    red, green, blue, opacity = (int(part) for part in _first_pixel(surface.makeImageSnapshot()))
    return f"#{red:02x}{green:02x}{blue:02x}" if opacity >= 128 else None


def _first_pixel(picture: skia.Image) -> NDArray[np.uint8]:
    array = picture.toarray(colorType=skia.kRGBA_8888_ColorType, alphaType=skia.kUnpremul_AlphaType)
    return np.asarray(array[0, 0], dtype=np.uint8)


def check_pixels(drawing: Drawing, ppi: float) -> tuple[int, int]:
    """How many pixels wide and high a drawing comes out; raises as `write_png`."""
    PPI.check(ppi)
    width, height = pixels(drawing.width, ppi), pixels(drawing.height, ppi)
    if width * height > MAX_PIXELS:
        raise TooMuch(
            f"At {ppi:g} ppi this sheet is {width:,} × {height:,} pixels, more than "
            f"{MAX_PIXELS // 1_000_000} million. Ask for fewer ppi."
        )
    return width, height


def with_resolution(png: bytes, ppi: float) -> bytes:
    """Put a pHYs chunk after the header: 300 ppi is 11,811 pixels per metre."""
    per_metre = round(ppi / MM_PER_INCH * 1000)
    return _with_chunk(png, b"pHYs", struct.pack(">IIB", per_metre, per_metre, 1))


def _with_chunk(png: bytes, kind: bytes, data: bytes) -> bytes:
    body = kind + data
    chunk = struct.pack(">I", len(data)) + body + struct.pack(">I", zlib.crc32(body))
    return png[:_SIGNATURE_AND_HEADER] + chunk + png[_SIGNATURE_AND_HEADER:]


def _draw(canvas: skia.Canvas, item: Item) -> None:
    if isinstance(item, Group):
        _draw_group(canvas, item)
    elif isinstance(item, Laid):
        still = np.array([[1.0, 0, 0, 1, 0, 0]])
        _draw_stamps(canvas, Stamps(item.shapes, still))
    elif isinstance(item, Stamps):
        _draw_stamps(canvas, item)
    else:
        _draw_picture(canvas, item)


def _draw_group(canvas: skia.Canvas, group: Group) -> None:
    canvas.save()
    if group.clip:
        path = skia.Path()
        add_outline(path, group.clip.commands, group.clip.points)
        canvas.clipPath(path, doAntiAlias=True)
    layers = _layers(group)
    for paint in layers:
        canvas.saveLayer(None, paint)
    for item in group.items:
        _draw(canvas, item)
    for _ in layers[1:]:
        canvas.restore()
    if group.mask:
        _mask(canvas, group.mask)
    canvas.restore()
    if layers:
        canvas.restore()


def _layers(group: Group) -> list[skia.Paint]:
    """What a group is painted aside for, outermost first: its mask or opacity, then its blur."""
    found = [skia.Paint(Alphaf=group.opacity)] if group.opacity < 1 or group.mask or group.blur else []
    if group.blur:
        found.append(skia.Paint(ImageFilter=skia.ImageFilters.Blur(group.blur, group.blur)))
    return found


def _mask(canvas: skia.Canvas, greys: tuple[Shape, ...]) -> None:
    """Leave of what is in a layer as much as greys are light."""
    paint = skia.Paint(BlendMode=skia.BlendMode.kDstIn, ColorFilter=skia.LumaColorFilter.Make())
    canvas.saveLayer(None, paint)
    _draw(canvas, Laid(greys))
    canvas.restore()


def _draw_stamps(canvas: skia.Canvas, stamps: Stamps) -> None:
    shapes = [shape for shape in stamps.shapes if shape.is_seen(_zoom(canvas))]
    if (stamps.apart or len(shapes) == 1) and all(map(is_opaque_line, shapes)):
        for shape in shapes:
            assert shape.stroke is not None
            canvas.drawPath(_everywhere(shape, stamps.placements), stroke_paint(shape.stroke))
        return
    moved = [placed(shape.outline.points, stamps.placements) + shape.move for shape in shapes]
    for index, row in enumerate(stamps.placements.tolist()):
        for shape, points in zip(shapes, moved, strict=True):
            _draw_shape(canvas, moved_paint(shape, tuple(row)), points[index])


def _everywhere(shape: Shape, placements: Floats) -> skia.Path:
    """A shape's outline at every placement, as one path."""
    one, every = skia.Path(), skia.Path()
    add_outline(one, shape.outline.commands, shape.outline.points)
    for at in (placements + (0, 0, 0, 0, *shape.move)).tolist():
        every.addPath(one, matrix_of(at))
    return every


def _draw_shape(canvas: skia.Canvas, shape: Shape, points: np.ndarray) -> None:
    path = skia.Path()
    add_outline(path, shape.outline.commands, points)
    if shape.even_odd:
        path.setFillType(skia.PathFillType.kEvenOdd)
    if shape.fill:
        canvas.drawPath(path, fill_paint(shape.fill, _zoom(canvas)))
    if shape.stroke:
        canvas.drawPath(path, stroke_paint(shape.stroke))


def _zoom(canvas: skia.Canvas) -> float:
    """px per mm."""
    there = canvas.getTotalMatrix()
    area = float(there.getScaleX() * there.getScaleY() - there.getSkewX() * there.getSkewY())
    return math.sqrt(abs(area))


def _draw_picture(canvas: skia.Canvas, picture: Picture) -> None:
    image = skia.Image.MakeFromEncoded(skia.Data(picture.png))
    if image is None:
        raise BadInput("A picture in this drawing cannot be read. Import it again as PNG.")
    whole = skia.Rect.MakeWH(1, 1)
    for at in picture.placements.tolist():
        canvas.save()
        canvas.concat(matrix_of(at))
        canvas.drawImageRect(image, whole, skia.SamplingOptions(skia.CubicResampler.Mitchell()))
        canvas.restore()


def _export(drawing: Drawing, settings: FileSettings, tell: Tell) -> bytes:
    """A PNG that says that it is sRGB, too (PNG 3rd edition, iCCP)."""
    profile = b"sRGB\0\0" + zlib.compress(srgb_profile())
    return _with_chunk(write_png(drawing, settings.ppi, tell), b"iCCP", profile)


def check(drawing: Drawing, settings: FileSettings) -> None:
    """Raises TooMuch for more than 150 million pixels."""
    check_pixels(drawing, settings.ppi)


PNG = Output("PNG on transparency", "image/png", alone(_export), check, settings=("ppi",))
