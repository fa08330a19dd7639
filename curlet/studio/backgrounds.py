"""The background on which a brush is seen best: white thread on light paper is not seen."""

from __future__ import annotations

from dataclasses import replace
from io import BytesIO

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape, Solid
from curlet.formats.png_out import write_png

# The first is kept while what lies on it is seen.
BACKGROUNDS = ("#66757d", "#fffdf6", "#1f2a44")
# A contrast of 3:1 is enough for what is not text (WCAG 2.2, 1.4.11); more makes it no clearer.
ENOUGH = 3.0
_KEPT = 2.2
_PPI = 50.0


def on_contrasting(drawing: Drawing) -> Drawing:
    """The drawing with the background under it on which it is seen best."""
    corners = np.array([[0, 0], [drawing.width, 0], [drawing.width, drawing.height], [0, drawing.height]])
    sheet = Shape(Outline("MLLLZ", corners.astype(float)), fill=Solid(background_for(drawing)))
    return replace(drawing, groups=(Group("background", "", (Laid((sheet,)),)), *drawing.groups))


def background_for(drawing: Drawing) -> str:
    """One of `BACKGROUNDS`, by how far the drawn pixels stand out from it."""
    picture = np.asarray(Image.open(BytesIO(write_png(drawing, _PPI))).convert("RGBA")) / 255
    drawn, weight = luminance(picture[..., :3]).ravel(), picture[..., 3].ravel()
    if not weight.any():
        return BACKGROUNDS[0]
    seen = [
        float(np.average(np.minimum(contrast(drawn, luminance(_rgb(background))), ENOUGH), weights=weight))
        for background in BACKGROUNDS
    ]
    return BACKGROUNDS[0] if seen[0] >= _KEPT else BACKGROUNDS[int(np.argmax(seen))]


def luminance(rgb: NDArray[np.float64]) -> NDArray[np.float64]:
    """Relative luminance 0…1 of (…, 3) sRGB values 0…1 (WCAG 2.2, "relative luminance")."""
    linear = np.where(rgb <= 0.04045, rgb / 12.92, ((rgb + 0.055) / 1.055) ** 2.4)
    light: NDArray[np.float64] = linear @ np.array([0.2126, 0.7152, 0.0722])
    return light


def contrast(one: NDArray[np.float64], other: NDArray[np.float64]) -> NDArray[np.float64]:
    """Contrast ratio 1…21 of two luminances (WCAG 2.2, "contrast ratio")."""
    high, low = np.maximum(one, other), np.minimum(one, other)
    ratio: NDArray[np.float64] = (high + 0.05) / (low + 0.05)
    return ratio


def _rgb(colour: str) -> NDArray[np.float64]:
    return np.array([int(colour[i : i + 2], 16) for i in (1, 3, 5)]) / 255
