"""The colour at a place on a sheet, as it was meant: of what is drawn there, of a guide picture, or of the
background."""

from __future__ import annotations

import base64
import math
from functools import lru_cache
from io import BytesIO

from PIL import Image

from curlet.formats.png_out import colour_at
from curlet.store.pictures import find_picture
from curlet.store.records import GuideRecord
from curlet.store.state import State
from curlet.studio.drawn_sheet import on_background, sheet_drawing

Place = tuple[float, float]


def picked(state: State, place: Place) -> str:
    """The colour at a place (sheet mm), "#rrggbb"; a guide picture's as in its file, not faded."""
    runs = [run for run in state.all("run") if state.seen(run)]
    drawing = sheet_drawing(state, with_lines=True, runs=runs)
    guides = (row for row in reversed(state.all("guide")) if row["shown"])
    of_guides = (colour for row in guides if (colour := _in_picture(row, place)))
    behind = on_background(state, drawing)
    found = colour_at(drawing, place) or next(of_guides, None) or colour_at(behind, place)
    return found or "#ffffff"


def _in_picture(row: GuideRecord, place: Place) -> str | None:
    """A guide picture's pixel at a place; None beside it, or where it is see-through."""
    angle = math.radians(-row["turn"])
    x, y = place[0] - row["x"], place[1] - row["y"]
    across = (x * math.cos(angle) - y * math.sin(angle)) / row["width"] + 0.5
    down = (x * math.sin(angle) + y * math.cos(angle)) / row["height"] + 0.5
    if not (0 <= across < 1 and 0 <= down < 1):
        return None
    pixels = _pixels(row["picture"])
    red, green, blue, opacity = pixels.getpixel((int(across * pixels.width), int(down * pixels.height)))
    return f"#{red:02x}{green:02x}{blue:02x}" if opacity >= 128 else None


@lru_cache(maxsize=4)
def _pixels(picture: str) -> Image.Image:
    return Image.open(BytesIO(base64.b64decode(find_picture(picture)))).convert("RGBA")
