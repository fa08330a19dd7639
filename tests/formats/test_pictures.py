"""Pictures from outside: read upright and at their size, refused when they are hostile."""

from __future__ import annotations

import base64
import io
import struct
import zlib

import numpy as np
import pytest
from PIL import Image

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.brush_motifs import PictureDoc
from curlet.formats.pictures import WORKED_ON, picture_motif, read_picture
from curlet.formats.png_in import MAX_PNG_BYTES, check_png
from tests import pixels as px


def patch() -> np.ndarray:
    """Red above, blue below on the left; the rest is white."""
    picture = px.canvas(60, 80)
    picture[:30, :40, :3] = (200, 0, 0)
    picture[30:, :40, :3] = (0, 0, 200)
    return picture


@pytest.mark.parametrize("form", ["PNG", "JPEG", "WEBP"])
def test_the_usual_pictures_are_read(form: str) -> None:
    taken = read_picture(px.encoded(patch(), form, **({"lossless": True} if form == "WEBP" else {})))
    assert (taken.rows, taken.columns, taken.smaller) == (60, 80, False)
    assert np.abs(taken.pixels[10, 10].astype(int) - (200, 0, 0, 255)).max() < 12


def test_a_photograph_lying_on_its_side_is_set_upright() -> None:
    lying = Image.Exif()
    lying[0x0112] = 6  # turned by 90°
    taken = read_picture(px.encoded(patch(), "JPEG", exif=lying.tobytes()))
    assert (taken.rows, taken.columns) == (80, 60)
    assert taken.pixels[10, 50, 0] > 150  # what was top left is top right


@pytest.mark.parametrize(("ppi", "mm"), [(300, 80 / 300 * 25.4), (96, None), (None, None)])
def test_a_stated_resolution_gives_its_length(ppi: int | None, mm: float | None) -> None:
    options = {"dpi": (ppi, ppi)} if ppi else {}
    length = read_picture(px.encoded(patch(), **options)).length
    assert length == (pytest.approx(mm, rel=1e-3) if mm else None)


def test_a_large_picture_is_made_smaller_and_says_so() -> None:
    taken = read_picture(px.encoded(px.canvas(2000, 3000)))
    assert taken.smaller
    assert taken.rows * taken.columns == pytest.approx(WORKED_ON, rel=0.01)
    assert taken.columns / taken.rows == pytest.approx(1.5, rel=1e-3)


def bomb(width: int, height: int) -> bytes:
    """A PNG of a few hundred bytes that says it is huge."""

    def chunk(name: bytes, body: bytes) -> bytes:
        return struct.pack(">I", len(body)) + name + body + struct.pack(">I", zlib.crc32(name + body))

    header = struct.pack(">IIBBBBB", width, height, 8, 6, 0, 0, 0)
    data = zlib.compress(b"\0" * 10_000)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", header) + chunk(b"IDAT", data) + chunk(b"IEND", b"")


def test_a_huge_picture_is_refused_before_it_is_unpacked() -> None:
    with pytest.raises(TooMuch, match="60 million"):
        read_picture(bomb(20_000, 20_000))
    with pytest.raises(TooMuch, match="4 million pixels"):
        check_png(bomb(20_000, 20_000))


@pytest.mark.parametrize(
    "data",
    [
        b"",
        b"not a picture",
        b"<svg xmlns='http://www.w3.org/2000/svg'/>",
        px.encoded(patch())[:200],
        px.encoded(patch(), "JPEG")[:400],
        px.encoded(patch(), "GIF"),
        px.encoded(patch(), "TIFF"),
        b"\x89PNG\r\n\x1a\n" + b"\0" * 100,
        px.encoded(px.canvas(1, 1)),
    ],
    ids=["empty", "text", "svg", "cut png", "cut jpeg", "gif", "tiff", "broken png", "one pixel"],
)
def test_what_is_no_whole_picture_is_refused(data: bytes) -> None:
    with pytest.raises(BadInput, match=r"whole PNG, JPEG or WebP|two pixels"):
        read_picture(data)


def test_a_wrong_extension_does_not_matter() -> None:
    assert read_picture(px.encoded(patch(), "JPEG")).columns == 80


def cut_out() -> np.ndarray:
    picture = px.paint(px.canvas(100, 200), px.disc(120, 50, 30), (180, 40, 30))
    picture[..., 3] = np.where(
        np.hypot(*(np.mgrid[:100, :200] - np.array([50, 120])[:, None, None])) < 30, 255, 0
    )
    return picture


def test_a_picture_motif_is_trimmed_and_keeps_its_scale_and_its_pixels() -> None:
    motif = picture_motif(cut_out(), 40.0)
    inside = Image.open(io.BytesIO(base64.b64decode(motif.png)))
    assert inside.size == (59, 59)
    assert motif.length == pytest.approx(59 * 0.2)
    assert motif.width == pytest.approx(59 * 0.2)
    assert np.asarray(inside)[30, 30].tolist() == [180, 40, 30, 255]
    with pytest.raises(BadInput, match="wholly transparent"):
        picture_motif(np.zeros((20, 20, 4), dtype=np.uint8), 5)


def test_a_noisy_picture_motif_is_made_small_enough_to_be_exported() -> None:
    noise = np.random.default_rng(1).integers(0, 255, (900, 1200, 4), dtype=np.uint8)
    noise[..., 3] = 255
    motif = picture_motif(noise, 12.0)
    assert len(base64.b64decode(motif.png)) <= MAX_PNG_BYTES
    assert motif.length == 12


def in_brush(png: bytes) -> PictureDoc:
    return PictureDoc(family="picture", png=base64.b64encode(png).decode(), length=3, width=2)


def test_a_brush_file_with_a_bad_picture_is_refused() -> None:
    good = px.encoded(patch())
    in_brush(good)
    swapped = bytearray(good)
    swapped[60] ^= 0xFF
    text = (
        good[:33] + struct.pack(">I", 3) + b"tEXthid" + struct.pack(">I", zlib.crc32(b"tEXthid")) + good[33:]
    )
    for bad in (good[:-20], bytes(swapped), text, b"GIF89a" + good, bomb(3000, 3000)):
        with pytest.raises((BadInput, TooMuch, ValueError)):
            in_brush(bad)
    with pytest.raises((BadInput, ValueError)):
        PictureDoc(family="picture", png="!!! not base64 !!!", length=3, width=2)
