"""The colour profile of everything that Curlet writes: sRGB (IEC 61966-2-1)."""

from __future__ import annotations

from functools import cache

from PIL import ImageCms

# An ICC profile's header says when it was made, at these bytes (ICC.1, 7.2): a file would differ each time.
_MADE = slice(24, 36)
_ALWAYS = bytes((7, 208, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0))


@cache
def srgb_profile() -> bytes:
    """sRGB as an ICC profile, the same bytes each time."""
    made = bytearray(ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes())
    made[_MADE] = _ALWAYS
    return bytes(made)
