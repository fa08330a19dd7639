"""Writing a drawing as OpenRaster, an open layered picture: a layer for each thing on the sheet, in order."""

from __future__ import annotations

import io
import math
import zipfile
from dataclasses import dataclass, replace
from xml.sax.saxutils import quoteattr

import numpy as np
import skia
from PIL import Image

from curlet.core.drawing import Drawing, Group
from curlet.core.errors import TooMuch
from curlet.core.trim import painted_box
from curlet.formats.output import FileSettings, Output, Tell, alone, untold
from curlet.formats.png_out import check_pixels, paint_on, painted, with_resolution

# OpenRaster 0.0.5: its type stands first in the zip, not packed; a thumbnail is 256 pixels at the most.
TYPE = "image/openraster"
_VERSION, _THUMBNAIL = "0.0.5", 256
MAX_LAYERS = 2_000


@dataclass(frozen=True)
class _Layer:
    """A part of the picture: its name, where its first pixel lies, and its PNG."""

    name: str
    x: int
    y: int
    png: bytes


def write_ora(drawing: Drawing, settings: FileSettings, tell: Tell = untold) -> bytes:
    """A layer for each group, named as it is titled, cut to what it paints.

    Raises
    ------
    TooMuch
        If the picture would have more than 150 million pixels, or more than 2,000 layers.
    """
    check(drawing, settings)
    layers = []
    for done, group in enumerate(drawing.groups):
        tell(done / (len(drawing.groups) + 1), "Drawing")
        layer = _layer(drawing, group, settings.ppi)
        if layer:
            layers.append(layer)
    merged = painted(drawing, settings.ppi)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr(_entry("mimetype"), TYPE)
        packed.writestr(_entry("stack.xml"), _stack(drawing, layers, settings.ppi), zipfile.ZIP_DEFLATED)
        for number, layer in enumerate(layers):
            packed.writestr(_entry(f"data/layer{number}.png"), layer.png)
        packed.writestr(_entry("mergedimage.png"), with_resolution(_encoded(merged), settings.ppi))
        packed.writestr(_entry("Thumbnails/thumbnail.png"), _thumbnail(merged))
    tell(1.0, "Drawing")
    return out.getvalue()


def _layer(drawing: Drawing, group: Group, ppi: float) -> _Layer | None:
    """None for a group that paints nothing on the sheet."""
    box = painted_box((group,))
    if box is None:
        return None
    width, height = check_pixels(drawing, ppi)
    corner = np.array(drawing.corner or (0.0, 0.0))
    per_mm = np.array([width / drawing.width, height / drawing.height])
    low = np.maximum(np.floor((box[0] - corner) * per_mm) - 1, 0)
    high = np.minimum(np.ceil((box[1] - corner) * per_mm) + 1, (width, height))
    if (low >= high).any():
        return None
    (x, y), (across, down) = low.astype(int).tolist(), (high - low).astype(int).tolist()
    surface = skia.Surface(across, down)
    paint_on(surface, replace(drawing, groups=(group,)), ppi, skia.ColorTRANSPARENT, (x, y))
    return _Layer(group.title or group.id, x, y, _encoded(surface.makeImageSnapshot()))


def _stack(drawing: Drawing, layers: list[_Layer], ppi: float) -> str:
    """What lies where, the topmost first."""
    width, height = check_pixels(drawing, ppi)
    listed = "".join(
        f'  <layer name={quoteattr(layer.name)} src="data/layer{number}.png" x="{layer.x}" y="{layer.y}" '
        'opacity="1.0" visibility="visible" composite-op="svg:src-over"/>\n'
        for number, layer in reversed(list(enumerate(layers)))
    )
    resolution = math.floor(ppi + 0.5)
    return (
        "<?xml version='1.0' encoding='UTF-8'?>\n"
        f'<image version="{_VERSION}" w="{width}" h="{height}" xres="{resolution}" yres="{resolution}">\n'
        f"<stack>\n{listed}</stack>\n</image>\n"
    )


def _thumbnail(picture: skia.Image) -> bytes:
    small = Image.fromarray(picture.toarray(colorType=skia.kRGBA_8888_ColorType))
    small.thumbnail((_THUMBNAIL, _THUMBNAIL))
    out = io.BytesIO()
    small.save(out, "PNG")
    return out.getvalue()


def _encoded(picture: skia.Image) -> bytes:
    return bytes(picture.encodeToData(skia.EncodedImageFormat.kPNG, 100))


def _entry(name: str) -> zipfile.ZipInfo:
    return zipfile.ZipInfo(name, (2000, 1, 1, 0, 0, 0))


def check(drawing: Drawing, settings: FileSettings) -> None:
    """Raises as `write_ora`."""
    check_pixels(drawing, settings.ppi)
    if len(drawing.groups) > MAX_LAYERS:
        raise TooMuch(
            f"This would have {len(drawing.groups):,} layers, and {MAX_LAYERS:,} is the most. Export a part "
            "of the sheet, or a PNG."
        )


ORA = Output("OpenRaster, in layers", TYPE, alone(write_ora), check, settings=("ppi",))
