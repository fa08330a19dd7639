"""The demo's pictures, drawn by the application itself."""

from __future__ import annotations

import numpy as np

from curlet.core.drawing import Drawing, Group, Laid, LinearGradient, Outline, Shape, Solid, Stop
from curlet.core.outlines import box, curve, disc

_WIDTH, _HEIGHT = 60.0, 40.0
_SKY = (Stop(0, "#232b52"), Stop(0.55, "#8a5a73"), Stop(1, "#e0a07a"))
# Hills from the back to the front: the heights of their crests along the picture, mm from its top.
_HILLS = (
    ("#4b3f6b", (26, 22, 25, 29, 24, 21, 26)),
    ("#372f57", (31, 29, 26, 28, 33, 31, 28)),
    ("#241f3d", (36, 34, 36, 37, 34, 33, 36)),
)
_STARS = ((7, 6), (15, 10), (24, 5), (33, 9), (52, 6), (55, 14), (4, 15), (20, 16))


def night_hills() -> Drawing:
    """Hills at dusk under a moon, as on the theatre's backdrop."""
    sky = LinearGradient((0.0, 0.0), (0.0, _HEIGHT), _SKY)
    shapes = [Shape(box(0, 0, _WIDTH, _HEIGHT), sky)]
    shapes += [Shape(disc(x, y, 0.25), Solid("#fff3cf", 0.85)) for x, y in _STARS]
    shapes += [Shape(disc(40, 13, 6.2), Solid("#fff3cf", 0.25)), Shape(disc(40, 13, 4.6), Solid("#ffedb8"))]
    shapes += [Shape(_hill(crest), Solid(colour)) for colour, crest in _HILLS]
    return Drawing(_WIDTH, _HEIGHT, (Group("hills", "", (Laid(tuple(shapes)),)),))


def _hill(crest: tuple[float, ...]) -> Outline:
    x = np.linspace(-5, _WIDTH + 5, len(crest))
    points = [*zip(x.tolist(), crest, strict=True), (_WIDTH + 5, _HEIGHT + 5), (-5.0, _HEIGHT + 5)]
    return curve(np.array(points), closed=True)
