"""The cut of the usher's waistcoat front, in garment mm for the wearer's right; the left is its mirror."""

from __future__ import annotations

import numpy as np

from curlet.demo.drawn import Point
from curlet.formats.path_doc import NodeDoc

SCALE = 0.25
MIDDLE = 594.0

# A node: its place, then its handles into and out of it as shifts from there.
Drawn = tuple[Point, Point | None, Point | None]

NECK: Drawn = ((432, 92), None, (34, 102))
BREAK: Drawn = ((570, 392), (-26, -64), None)
FRONT_FOOT: Drawn = ((570, 690), None, None)
POINT: Drawn = ((498, 768), None, (-76, -36))
SIDE_FOOT: Drawn = ((236, 706), (88, -10), (4, -66))
WAIST: Drawn = ((248, 548), (-1, 48), (-1, -60))
UNDERARM: Drawn = ((234, 396), (7, 40), (58, -18))
ARMHOLE: Drawn = ((326, 250), (2, 62), (-2, -50))
SHOULDER: Drawn = ((312, 126), (11, 44), None)

OUTLINE = [NECK, BREAK, FRONT_FOOT, POINT, SIDE_FOOT, WAIST, UNDERARM, ARMHOLE, SHOULDER]


def welt() -> list[Drawn]:
    """A welt of 112 × 24 mm, tilted up toward the side seam."""
    turn, centre = np.radians(-8), np.array([398.0, 590.0])
    rotate = np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    corners = np.array([(-56, -12), (56, -12), (56, 12), (-56, 12)]) @ rotate + centre
    return [((float(x), float(y)), None, None) for x, y in corners]


def inset(drawn: list[Drawn], distance: float) -> list[Drawn]:
    """The line moved into the cloth by a seam's distance, mitred at its nodes."""
    points = np.array([node[0] for node in drawn], dtype=float)
    out: list[Drawn] = []
    for i, (point, into, onward) in enumerate(drawn):
        before = -np.array(into) if into else (points[i] - points[i - 1] if i else None)
        after = np.array(onward) if onward else (points[i + 1] - points[i] if i + 1 < len(points) else None)
        shift = distance * _mitred([d for d in (before, after) if d is not None])
        x, y = np.array(point) + shift
        out.append(((float(x), float(y)), into if i else None, onward if i + 1 < len(drawn) else None))
    return out


def _mitred(directions: list[np.ndarray]) -> np.ndarray:
    """The shift that keeps one mm from one or two lines, to their right as they run."""
    normals = [np.array([-d[1], d[0]]) / np.hypot(*d) for d in directions]
    if len(normals) == 1:
        return np.asarray(normals[0])
    middle = normals[0] + normals[1]
    return np.asarray(middle / (1 + normals[0] @ normals[1]))


def nodes(drawn: list[Drawn], side: str) -> list[NodeDoc]:
    """Nodes in sheet mm, mirrored for the wearer's left."""
    flip = 1.0 if side == "R" else -1.0

    def place(x: float, y: float) -> Point:
        return (round((MIDDLE + flip * (x - MIDDLE)) * SCALE, 4), round(y * SCALE, 4))

    def handle(point: Point, shift: Point | None) -> Point | None:
        return place(point[0] + shift[0], point[1] + shift[1]) if shift else None

    return [
        NodeDoc(
            id=f"n{i}",
            x=place(*point)[0],
            y=place(*point)[1],
            into=handle(point, into),
            out=handle(point, out),
        )
        for i, (point, into, out) in enumerate(drawn, 1)
    ]
