"""What PNG and JPEG files say of themselves, read by Pillow and by their standards' own fields."""

from __future__ import annotations

import io
import struct

import numpy as np
import pytest
from PIL import Image, ImageCms

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape, Solid
from curlet.core.errors import BadInput, TooMuch
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write

RED = "#c03020"
SQUARE = Outline("MLLLZ", np.array([[5.0, 5], [15, 5], [15, 9], [5, 9]]))
DRAWING = Drawing(25.4, 12.7, (Group("a", "", (Laid((Shape(SQUARE, Solid(RED)),)),)),), "Square")


def opened(form: str, ppi: float = 254.0, quality: float = 90.0) -> Image.Image:
    return Image.open(io.BytesIO(write(form, [DRAWING], FileSettings(ppi, quality))))


@pytest.mark.parametrize("form", ["png", "jpg"])
def test_a_picture_says_its_resolution(form: str) -> None:
    """PNG 3rd edition, pHYs, is to the metre; JFIF 1.02's density to the inch."""
    picture = opened(form)
    assert picture.size == (254, 127)
    assert picture.info["dpi"] == (pytest.approx(254, abs=0.02),) * 2


@pytest.mark.parametrize("form", ["png", "jpg"])
def test_a_picture_has_srgb_as_its_profile(form: str) -> None:
    """IEC 61966-2-1, as ICC.1 writes it: turned from it to sRGB, no colour changes."""
    icc = opened(form).info["icc_profile"]
    assert struct.unpack(">I", icc[:4])[0] == len(icc)
    profile = ImageCms.ImageCmsProfile(io.BytesIO(icc))
    assert "sRGB" in ImageCms.getProfileDescription(profile)
    colours = Image.fromarray(np.arange(768, dtype=np.uint8).reshape(16, 16, 3))
    turned = ImageCms.profileToProfile(colours, profile, ImageCms.createProfile("sRGB"))
    assert turned is not None
    off = np.asarray(turned).astype(int) - np.asarray(colours)
    assert np.abs(off).max() <= 1


def test_a_jpeg_lies_on_white_and_keeps_its_colours() -> None:
    picture = np.asarray(opened("jpg").convert("RGB")).astype(int)
    assert np.abs(picture[10, 10] - 255).max() <= 1
    assert np.abs(picture[70, 100] - (0xC0, 0x30, 0x20)).max() <= 3


def test_quality_makes_a_file_larger_and_nearer() -> None:
    exact = np.asarray(opened("png").convert("RGBA")).astype(float)
    share = exact[..., 3:] / 255
    on_white = exact[..., :3] * share + 255 * (1 - share)
    sizes, off = [], []
    for quality in (10.0, 50.0, 95.0):
        sizes.append(len(write("jpg", [DRAWING], FileSettings(254.0, quality))))
        off.append(np.abs(np.asarray(opened("jpg", quality=quality)) - on_white).mean())
    assert sizes == sorted(sizes)
    assert off == sorted(off, reverse=True)


def test_thin_coloured_thread_keeps_its_colour_in_a_good_jpeg() -> None:
    """Chroma at half the resolution (ITU-T T.81's sampling factors 2 × 2) would halve it in a line of one
    pixel."""
    line = Outline("MLLLZ", np.array([[0.0, 5.0], [25.4, 5.0], [25.4, 5.1], [0, 5.1]]))
    drawing = Drawing(25.4, 12.7, (Group("a", "", (Laid((Shape(line, Solid("#ff0000")),)),)),))
    picture = Image.open(io.BytesIO(write("jpg", [drawing], FileSettings(254.0, 90.0))))
    red, green, _ = np.asarray(picture)[50, 100]
    assert int(red) - int(green) > 200


@pytest.mark.parametrize(
    ("settings", "words"),
    [({"ppi": 0.0}, "Resolution"), ({"quality": 0.0}, "Quality"), ({"quality": 101.0}, "from 1 to 100%")],
)
def test_settings_out_of_bounds_are_said(settings: dict[str, float], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        FileSettings(**settings)


def test_a_jpeg_has_no_more_pixels_along_a_side_than_it_can_count() -> None:
    """16 bits (ITU-T T.81, B.2.2)."""
    long = Drawing(1_000.0, 1.0, DRAWING.groups)
    with pytest.raises(TooMuch, match="or for a PNG"):
        write("jpg", [long], FileSettings(1_700.0))
    assert len(write("png", [long], FileSettings(1_700.0))) > 1_000


def test_one_drawing_to_a_picture() -> None:
    with pytest.raises(BadInput, match="a file for each"):
        write("png", [DRAWING, DRAWING])


def test_a_smaller_jpeg_halves_its_colours_both_ways() -> None:
    """Sampling factors 2 × 2 of luminance, 1 × 1 of chroma (ITU-T T.81, B.2.2); 1 × 1 of all from 90 on."""
    assert [layer[1:3] for layer in opened("jpg", quality=60.0).layer] == [(2, 2), (1, 1), (1, 1)]  # type: ignore[attr-defined]
    assert [layer[1:3] for layer in opened("jpg", quality=95.0).layer] == [(1, 1)] * 3  # type: ignore[attr-defined]


def test_files_do_not_differ_by_when_they_were_made() -> None:
    """ICC.1, 7.2.8: when the profile was made, as years, months, days, hours, minutes and seconds."""
    made = struct.unpack(">6H", opened("png").info["icc_profile"][24:36])
    assert made == (2000, 1, 1, 0, 0, 0)
