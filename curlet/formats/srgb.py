"""The colour profile of everything that Curlet writes, and brings what it reads to: sRGB (IEC 61966-2-1)."""

from __future__ import annotations

import io
from functools import cache

from PIL import Image, ImageCms

# An ICC profile's header says when it was made, at these bytes (ICC.1, 7.2): a file would differ each time.
_MADE = slice(24, 36)
_ALWAYS = bytes((7, 208, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0))


@cache
def srgb_profile() -> bytes:
    """sRGB as an ICC profile, the same bytes each time."""
    made = bytearray(ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes())
    made[_MADE] = _ALWAYS
    return bytes(made)


def as_srgb(picture: Image.Image) -> Image.Image:
    """A picture's colours in sRGB, as RGB or RGBA, by the profile that it holds. One without a profile, or
    with one that is damaged, is taken to be sRGB."""
    opacity = picture.convert("RGBA").getchannel("A") if picture.has_transparency_data else None
    profile = picture.info.get("icc_profile")
    # The engine knows grey, RGB and CMYK; a palette's colours are RGB.
    plain = picture if picture.mode in ("L", "RGB", "CMYK") else picture.convert("RGB")
    turned = _by_profile(plain, profile) if profile else None
    shown = (turned or plain).convert("RGB")
    if opacity is not None:
        shown.putalpha(opacity)
    return shown


def _by_profile(picture: Image.Image, profile: bytes) -> Image.Image | None:
    """A picture in sRGB; None where its profile cannot be used."""
    try:
        source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
        return ImageCms.profileToProfile(picture, source, ImageCms.createProfile("sRGB"), outputMode="RGB")
    except (ImageCms.PyCMSError, OSError, ValueError, TypeError):
        return None
