"""OpenRaster files against the standard (OpenRaster 0.0.5) as another reader, Pillow, opens their parts.

The layers laid one on another with source-over (Porter and Duff, 1984) are the picture.
"""

from __future__ import annotations

import io
import xml.etree.ElementTree as ET
import zipfile
from dataclasses import replace

import numpy as np
import pytest
from PIL import Image

from curlet.core.drawing import Drawing, Group
from curlet.core.errors import TooMuch
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write
from tests.reference.test_pdf import ITEMS, PPI, WIDTH, drawing_of

NAMES = ["solid", "gradient that fades", "stamps", "masked", "blurred over the edge", "cropped"]
DRAWING = replace(
    drawing_of(), groups=tuple(Group(name, f"{name} <&>", ITEMS[name]) for name in NAMES), title="Layers"
)


@pytest.fixture(scope="module")
def packed() -> zipfile.ZipFile:
    return zipfile.ZipFile(io.BytesIO(write("ora", [DRAWING], FileSettings(PPI))))


def picture(packed: zipfile.ZipFile, name: str) -> Image.Image:
    return Image.open(io.BytesIO(packed.read(name))).convert("RGBA")


def test_its_type_comes_first_and_is_not_packed(packed: zipfile.ZipFile) -> None:
    first = packed.infolist()[0]
    assert (first.filename, first.compress_type) == ("mimetype", zipfile.ZIP_STORED)
    assert packed.read("mimetype") == b"image/openraster"


def test_a_layer_for_each_thing_the_topmost_first_by_its_name(packed: zipfile.ZipFile) -> None:
    image = ET.fromstring(packed.read("stack.xml"))
    assert (image.get("w"), image.get("h"), image.get("xres")) == ("600", "400", "254")
    layers = image.findall("./stack/layer")
    assert [layer.get("name") for layer in layers] == [f"{name} <&>" for name in reversed(NAMES)]


def test_layers_one_on_another_are_the_picture(packed: zipfile.ZipFile) -> None:
    whole = Image.new("RGBA", (600, 400))
    for layer in reversed(ET.fromstring(packed.read("stack.xml")).findall("./stack/layer")):
        part = picture(packed, layer.get("src", ""))
        assert part.width < 600 or layer.get("name") != "solid <&>"
        over = Image.new("RGBA", whole.size)
        over.paste(part, (int(layer.get("x", "")), int(layer.get("y", ""))))
        whole = Image.alpha_composite(whole, over)
    ours = np.asarray(picture(packed, "mergedimage.png")).astype(float)
    off = np.abs(np.asarray(whole).astype(float) - ours)
    # Eight bits are rounded once for each layer.
    assert (off * ours[..., 3:] / 255).max() <= 6
    png = Image.open(io.BytesIO(write("png", [DRAWING], FileSettings(PPI)))).convert("RGBA")
    assert np.array_equal(np.asarray(png), ours)


def test_the_thumbnail_is_256_pixels_at_the_most(packed: zipfile.ZipFile) -> None:
    small = picture(packed, "Thumbnails/thumbnail.png")
    assert max(small.size) == 256


def test_what_paints_nothing_on_the_sheet_is_no_layer() -> None:
    away = Group("away", "Away", (ITEMS["solid"][0],))
    drawing = Drawing(WIDTH, 5.0, (away, Group("none", "None", ())))
    stack = zipfile.ZipFile(io.BytesIO(write("ora", [drawing], FileSettings(PPI)))).read("stack.xml")
    assert b"<layer" not in stack


def test_layers_are_counted() -> None:
    with pytest.raises(TooMuch, match="2,001 layers"):
        write("ora", [Drawing(5, 5, tuple(Group(str(n), "") for n in range(2_001)))], FileSettings(10))
