"""Tracing a picture of two megapixels, against Pillow finding as many colours in it (median cut)."""

from __future__ import annotations

import math

import numpy as np
from PIL import Image

from curlet.core.motif.tracing import TraceRule, trace
from speed.timing import begin, best, say

ROWS, COLUMNS, COLOURS = 1250, 1600, 6


def run() -> None:
    pixels = _picture()
    picture = Image.fromarray(pixels).convert("RGB")
    rules = {
        "one cut-off": TraceRule(160),
        f"{COLOURS} colours": TraceRule(160, by="colours", colours=COLOURS),
        "12 colours, bands as gradients": TraceRule(160, by="colours", colours=12, bands=True),
    }
    ours = [lambda rule=rule: trace(pixels, rule) for rule in rules.values()]
    *times, theirs = best(*ours, lambda: picture.quantize(COLOURS, method=Image.Quantize.MEDIANCUT), rounds=3)
    begin(f"Tracing {ROWS * COLUMNS / 1e6:.0f} megapixels")
    for name, seconds in zip(rules, times, strict=True):
        say(f"by {name}", seconds, "s", 3.0, beside=f"{seconds / theirs:.1f} × a median cut")


def _picture() -> np.ndarray:
    """Discs, stars and boxes of a few colours on paper, and two that shade, with a camera's noise."""
    chance = np.random.default_rng(3)
    y, x = np.mgrid[:ROWS, :COLUMNS] + 0.5
    picture = np.full((ROWS, COLUMNS, 3), (243.0, 238.0, 225.0))
    for number in range(60):
        cx, cy, r = chance.uniform(80, COLUMNS - 80), chance.uniform(80, ROWS - 80), chance.uniform(25, 75)
        colour = ((180, 60, 50), (40, 70, 110), (220, 170, 70), (60, 110, 90))[number % 4]
        angle, far = np.arctan2(y - cy, x - cx), np.hypot(x - cx, y - cy)
        points = 1 + 0.45 * np.cos(5 * angle) * (number % 3 == 0)
        inside = np.clip(r * points / math.sqrt(2) - far + 0.5, 0, 1)[..., None]
        picture = picture * (1 - inside) + np.array(colour) * inside
    for cx, cy, r in ((1200, 300, 180), (300, 1000, 160)):
        inside = np.hypot(x - cx, y - cy) < r
        share = ((x - cx) / r / 2 + 0.5)[inside][:, None]
        picture[inside] = (1 - share) * (200, 90, 60) + share * (80, 150, 190)
    picture += chance.normal(0, 2, picture.shape)
    opaque = np.full((ROWS, COLUMNS, 1), 255.0)
    return np.asarray(np.clip(np.concatenate([picture, opaque], axis=-1), 0, 255), dtype=np.uint8)
