"""Pictures made for tests: antialiased areas on a background."""

from __future__ import annotations

import io
from collections.abc import Callable

import numpy as np
from PIL import Image

Field = Callable[[np.ndarray, np.ndarray], np.ndarray]


def canvas(rows: int, columns: int, background: tuple[int, int, int] = (255, 255, 255)) -> np.ndarray:
    """(rows, columns, 4) opaque pixels of one colour."""
    pixels = np.full((rows, columns, 4), 255, dtype=np.uint8)
    pixels[..., :3] = background
    return pixels


def paint(pixels: np.ndarray, depth: Field, colour: tuple[int, int, int]) -> np.ndarray:
    """Lay a colour where `depth(x, y)`, in px inside of an edge, is above 0; the edge is antialiased."""
    y, x = np.mgrid[: pixels.shape[0], : pixels.shape[1]] + 0.5
    share = np.clip(depth(x, y) + 0.5, 0, 1)[..., None]
    mixed = pixels[..., :3] * (1 - share) + np.array(colour) * share
    return np.concatenate([np.round(mixed).astype(np.uint8), pixels[..., 3:]], axis=-1)


def disc(cx: float, cy: float, r: float) -> Field:
    return lambda x, y: r - np.hypot(x - cx, y - cy)


def box(x0: float, y0: float, x1: float, y1: float) -> Field:
    return lambda x, y: np.minimum(np.minimum(x - x0, x1 - x), np.minimum(y - y0, y1 - y))


def encoded(pixels: np.ndarray, form: str = "PNG", **options: object) -> bytes:
    out = io.BytesIO()
    picture = Image.fromarray(pixels)
    (picture.convert("RGB") if form == "JPEG" else picture).save(out, form, **options)
    return out.getvalue()
