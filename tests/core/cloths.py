"""What every cloth looks like, in few numbers, so that a change of any is seen: `python -m tests.core.cloths`
writes them anew."""

from __future__ import annotations

import io
import json
from pathlib import Path as FilePath

import numpy as np
from PIL import Image

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape
from curlet.core.dress.cloth import WEAVES, Cloth
from curlet.formats.png_out import write_png

KEPT = FilePath(__file__).with_name("cloths.json")
# Blocks of a picture to a side, and its pixels to the mm.
BLOCKS, PX_PER_MM = 10, 20.0


def looks(weave: str) -> list[float]:
    """The size of a tile, 1/100 mm; and how light each of 10 × 10 blocks of two tiles by two is, and how much
    it varies within, 0 to 255."""
    paint = Cloth(weave, "#3b5068", "#d9d4c7", 10, 8, 0.0).paint(1.0)
    width, height = getattr(paint, "width", 4.0), getattr(paint, "height", 4.0)
    corners = np.array([[0, 0], [width, 0], [width, height], [0, height]]) * 2.0
    area = Laid((Shape(Outline("MLLLZ", corners), paint),))
    ppi = min(200 / max(2 * width, 2 * height) * 25.4, 4_800)
    png = write_png(Drawing(2 * width, 2 * height, (Group("cloth", "", (area,)),)), ppi)
    picture = np.asarray(Image.open(io.BytesIO(png)).convert("L"), dtype=float)
    rows, columns = (np.array_split(np.arange(side), BLOCKS) for side in picture.shape)
    blocks = [picture[np.ix_(down, across)] for down in rows for across in columns]
    size = [round(100 * width, 1), round(100 * height, 1)]
    return [*size, *(round(float(value), 1) for block in blocks for value in (block.mean(), block.std()))]


def found(weave: str) -> tuple[str, list[float]]:
    """What a weave says of itself, and its looks."""
    said = [f"{key}={value}" for key, value in vars(WEAVES[weave]).items() if not callable(value)]
    return "; ".join(said), looks(weave)


if __name__ == "__main__":
    KEPT.write_text(json.dumps({weave: found(weave) for weave in WEAVES}, separators=(",", ":")) + "\n")
