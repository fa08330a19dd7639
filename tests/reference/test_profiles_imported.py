"""Pictures that come with a colour profile are turned to sRGB, as littleCMS turns them.

Source: ICC.1, tags redMatrixColumn and greenMatrixColumn ("rXYZ", "gXYZ"). A profile that is sRGB with these
two changed about means by red what sRGB means by green.
"""

from __future__ import annotations

import io
import struct

import numpy as np
import pytest
from PIL import Image

from curlet.formats.guide_in import read_guide
from curlet.formats.pictures import read_picture
from curlet.formats.srgb import srgb_profile

RED, GREEN, BLUE = (255, 0, 0), (0, 255, 0), (0, 0, 255)


def red_for_green() -> bytes:
    """sRGB with its red and green primaries in each other's place."""
    data = bytearray(srgb_profile())
    (count,) = struct.unpack(">I", data[128:132])
    at = {bytes(data[132 + 12 * i : 136 + 12 * i]): 136 + 12 * i for i in range(count)}
    red, green = at[b"rXYZ"], at[b"gXYZ"]
    data[red : red + 8], data[green : green + 8] = data[green : green + 8], data[red : red + 8]
    return bytes(data)


def saved(colour: tuple[int, ...], form: str, profile: bytes | None, mode: str = "RGB") -> bytes:
    out = io.BytesIO()
    how = {"quality": 100} if form == "JPEG" else {}
    Image.new(mode, (16, 16), colour).save(out, form, icc_profile=profile, **how)
    return out.getvalue()


def middle(data: bytes) -> tuple[int, ...]:
    return tuple(int(value) for value in read_picture(data).pixels[8, 8])


@pytest.mark.parametrize("form", ["PNG", "JPEG", "WEBP"])
def test_a_pictures_colours_are_what_its_profile_says(form: str) -> None:
    options = {"WEBP": 4, "JPEG": 4}.get(form, 3)
    found = np.array(middle(saved(RED, form, red_for_green())))
    assert np.abs(found - (*GREEN, 255)).max() <= options
    assert np.abs(np.array(middle(saved(BLUE, form, red_for_green()))) - (*BLUE, 255)).max() <= options
    assert np.abs(np.array(middle(saved(RED, form, None))) - (*RED, 255)).max() <= options


def test_opacity_stays_as_it_was() -> None:
    found = middle(saved((255, 0, 0, 90), "PNG", red_for_green(), "RGBA"))
    assert (found[3], found[1] > 250, found[0] < 5) == (90, True, True)


def test_its_own_profile_changes_nothing_and_a_damaged_one_is_passed_over() -> None:
    picture = (12, 140, 201)
    for profile in (srgb_profile(), b"no profile", srgb_profile()[:200]):
        assert np.abs(np.array(middle(saved(picture, "PNG", profile))) - (*picture, 255)).max() <= 1


@pytest.mark.parametrize(
    ("mode", "colour"), [("L", 128), ("LA", (128, 60)), ("P", 3), ("CMYK", (0, 0, 0, 127))]
)
def test_any_kind_of_picture_is_still_read(mode: str, colour: object) -> None:
    out = io.BytesIO()
    Image.new(mode, (16, 16), colour).save(out, "JPEG" if mode == "CMYK" else "PNG")  # type: ignore[arg-type]
    assert read_picture(out.getvalue()).pixels.shape == (16, 16, 4)


def test_a_guide_picture_is_turned_too() -> None:
    with Image.open(io.BytesIO(read_guide(saved(RED, "PNG", red_for_green())).png)) as guide:
        assert guide.convert("RGB").getpixel((8, 8)) == pytest.approx(GREEN, abs=3)
