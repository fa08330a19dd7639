"""A drawing to be tinted elsewhere: all in white, or in greys. What shows through goes on showing through."""

from __future__ import annotations

import io
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache, partial
from typing import NamedTuple

import numpy as np
from coloraide import Color
from numpy.typing import NDArray
from PIL import Image

from curlet.core.drawing import Drawing, Group, Item, Picture
from curlet.core.dress.colour import in_gamut, lightness, recoloured

WHITE = "#ffffff"
# Where nothing is lighter, it is all as dark as that.
_BLACK = 1e-3
# sRGB to linear light (IEC 61966-2-1), and that to OKLab's lightness (B. Ottosson, 2020).
_CONES = np.array(
    [
        [0.4122214708, 0.5363325363, 0.0514459929],
        [0.2119034982, 0.6806995451, 0.1073969566],
        [0.0883024619, 0.2817188376, 0.6299787005],
    ]
)
_LIGHT = np.array([0.2104542553, 0.7936177850, -0.0040720468])

Floats = NDArray[np.float64]


def as_drawn(drawing: Drawing) -> Drawing:
    """A drawing as it is."""
    return drawing


def whitened(drawing: Drawing) -> Drawing:
    """A drawing with every colour made white, as opaque as it was.

    >>> whitened(Drawing(10, 10, (Group("a", "", ()),))).width
    10
    """
    return _Recolouring(lambda _: WHITE, _white_picture).of_drawing(drawing)


def greyed(drawing: Drawing) -> Drawing:
    """A drawing with every colour made the grey that looks as light, all of them so much lighter that the
    lightest is white: multiplied by a colour, light and dark stay.

    >>> greyed(Drawing(10, 10, (Group("a", "", ()),))).height
    10
    """
    found = [_BLACK]

    def seen(colour: str) -> str:
        found.append(lightness(colour))
        return colour

    def seen_picture(png: bytes) -> bytes:
        found.append(_lightest(png))
        return png

    _Recolouring(seen, seen_picture).of_drawing(drawing)
    lightest = max(found)
    grey = partial(_grey, lightest=lightest)
    return _Recolouring(grey, partial(_grey_picture, lightest=lightest)).of_drawing(drawing)


class Colours(NamedTuple):
    """What a file's colours are: what that is called, and how a drawing gets them."""

    label: str
    make: Callable[[Drawing], Drawing]


COLOURS = {
    "drawn": Colours("As they are", as_drawn),
    "white": Colours("All white, to be tinted", whitened),
    "greys": Colours("Greys, to be tinted", greyed),
}


@dataclass(frozen=True)
class _Recolouring:
    """Changes a drawing's colours and pictures."""

    colour: Callable[[str], str]
    picture: Callable[[bytes], bytes]

    def of_drawing(self, drawing: Drawing) -> Drawing:
        return replace(drawing, groups=tuple(self._group(group) for group in drawing.groups))

    def _group(self, group: Group) -> Group:
        return replace(group, items=tuple(self._item(item) for item in group.items))

    def _item(self, item: Item) -> Item:
        if isinstance(item, Group):
            return self._group(item)
        if isinstance(item, Picture):
            return replace(item, png=self.picture(item.png))
        return replace(item, shapes=tuple(recoloured(shape, self.colour) for shape in item.shapes))


@lru_cache(maxsize=4_096)
def _grey(colour: str, lightest: float) -> str:
    return in_gamut(Color("oklab", [min(lightness(colour) / lightest, 1.0), 0, 0]))


@lru_cache(maxsize=64)
def _white_picture(png: bytes) -> bytes:
    """A picture's opacity alone, in white."""
    rgba = _pixels(png)
    rgba[..., :3] = 255
    return _png(rgba)


@lru_cache(maxsize=64)
def _grey_picture(png: bytes, lightest: float) -> bytes:
    rgba = _pixels(png)
    # A grey's lightness is the cube root of its linear light.
    linear = np.minimum(_light(rgba) / lightest, 1.0) ** 3
    grey = np.where(linear <= 0.0031308, 12.92 * linear, 1.055 * linear ** (1 / 2.4) - 0.055)
    rgba[..., :3] = np.rint(grey * 255)[..., None]
    return _png(rgba)


@lru_cache(maxsize=64)
def _lightest(png: bytes) -> float:
    """How light a picture is where it is lightest, 0 where nothing of it is seen."""
    rgba = _pixels(png)
    return float(np.max(_light(rgba)[rgba[..., 3] > 0], initial=0.0))


def _light(rgba: NDArray[np.uint8]) -> Floats:
    """(rows, columns) OKLab's lightness, 0…1."""
    srgb = rgba[..., :3] / 255
    linear = np.where(srgb <= 0.04045, srgb / 12.92, ((srgb + 0.055) / 1.055) ** 2.4)
    return np.asarray(np.cbrt(linear @ _CONES.T) @ _LIGHT)


def _pixels(png: bytes) -> NDArray[np.uint8]:
    with Image.open(io.BytesIO(png)) as picture:
        return np.array(picture.convert("RGBA"))


def _png(rgba: NDArray[np.uint8]) -> bytes:
    out = io.BytesIO()
    Image.fromarray(rgba, "RGBA").save(out, "PNG")
    return out.getvalue()
