"""The usher's waistcoat front, wearer's right and left, as a flat at 1:4: denim with raised topstitching.

Drawn in garment mm for the wearer's right (on the sheet's left); the left is its mirror.
"""

from __future__ import annotations

import numpy as np

from curlet.demo.drawn import DemoPath, DemoSheet, DemoSingle, Point, curve, wearing
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.path_doc import FactsDoc, NodeDoc

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
INSET = 9.0

GROUPS = {
    "Outlines": "#5b6770",
    "Front edges": "#c2643a",
    "Armholes": "#8a6d1f",
    "Hems": "#3c7d6d",
    "Welt pockets": "#7b5aa6",
    "Darts": "#a3475f",
    "Watch": "#8a6d1f",
}
SHADES = {
    "Indigo": ("#263c63", "#5f3448"),
    "Ecru": ("#5b6f95", "#8d5f6e"),
    "Topstitch": ("#ffb14f", "#f6ecd6"),
    "Cord": ("#e9c46a", "#d8dde2"),
    "Lining": ("#a8443a", "#3f6f78"),
    "Brass": ("#d9b45b", "#c3cbd3"),
    "Ink": ("#1b2740", "#2f1d27"),
}

DENIM = ClothDoc(weave="denim", warp="shade:Indigo", weft="shade:Ecru", ends=7, picks=5)
WELT = ClothDoc(weave="denim", warp="shade:Indigo", weft="shade:Ecru", ends=7, picks=5, turn=82)
LINING = ClothDoc(weave="twill", warp="shade:Lining", weft="shade:Lining", ends=10, picks=9)

_THICK = {"mm": 1.3, "on": "garment"}
TOPSTITCH = wearing("Topstitch", height=70)
SHOWN = wearing("Topstitch", height=70, courses__0__motif__thread=_THICK)
_BACK = [
    (428, 100), (500, 124), (688, 124), (760, 100), (700, 260), (660, 460), (640, 676), (600, 684),
    (588, 684), (548, 676), (528, 460), (488, 260), (428, 100),
]  # fmt: skip


def waistcoat() -> list[DemoPath]:
    """The lining behind, then the wearer's right and the left."""
    lining = curve("Back lining", "Outlines", [(x * SCALE, y * SCALE) for x, y in _BACK])
    edge = FactsDoc(element="back", stroke="#2b3440", weight=0.25, joins="round")
    paths = [DemoPath(lining.name, "Outlines", lining.nodes, True, edge, cloth=LINING)]
    for side in ("R", "L"):
        paths += _front(side)
    return [*paths, curve("Watch chain", "Watch", _chain(), brush="curb", own=_METAL)]


_METAL = wearing("Brass", height=100, finish="metal", relief__strength=55)


def _chain() -> list[Point]:
    """From the right welt pocket to the third button."""
    points = [(430, 586), (446, 660), (520, 664), (553, 548)]
    return [(x * SCALE, y * SCALE) for x, y in points]


def _front(side: str) -> list[DemoPath]:
    outline = FactsDoc(element=f"front-{side}", stroke="#1b2740", weight=0.35, joins="round")
    pocket = FactsDoc(element=f"welt-{side}", stroke="#1b2740", weight=0.25)
    dart = FactsDoc(element=f"dart-{side}", stroke="#1b2740", weight=0.25, ends="round")
    front = _inset([NECK, BREAK, FRONT_FOOT, POINT])[:-1]
    hem = _inset([BREAK, FRONT_FOOT, POINT, SIDE_FOOT])[1:]
    armhole = _inset([UNDERARM, ARMHOLE, SHOULDER])
    drawn: list[Drawn] = [((392, 556), None, (16, -60)), ((400, 380), (8, 62), None)]
    piped = [NECK, BREAK, FRONT_FOOT, POINT, SIDE_FOOT]
    return [
        DemoPath(f"Front {side}", "Outlines", _nodes(OUTLINE, side), True, outline, cloth=DENIM),
        DemoPath(f"Dart {side}", "Darts", _nodes(drawn, side), facts=dart),
        _line("Front edge", side, "Front edges", front, "show-stitch", SHOWN),
        _line("Armhole", side, "Armholes", armhole, "twin", TOPSTITCH),
        _line("Hem", side, "Hems", hem, "show-stitch", SHOWN),
        DemoPath(
            f"Welt pocket {side}", "Welt pockets", _nodes(_welt(), side), True, pocket, "topstitch", WELT,
            TOPSTITCH,
        ),
        _line("Piping", side, "Front edges", piped, "cord", wearing("Cord", "Lining", height=80)),
    ]  # fmt: skip


def _line(
    name: str, side: str, group: str, drawn: list[Drawn], brush: str, own: dict[str, object]
) -> DemoPath:
    return DemoPath(f"{name} {side}", group, _nodes(drawn, side), brush=brush, own=own)


def _welt() -> list[Drawn]:
    """A welt of 112 × 24 mm, tilted up toward the side seam."""
    turn, centre = np.radians(-8), np.array([398.0, 590.0])
    rotate = np.array([[np.cos(turn), np.sin(turn)], [-np.sin(turn), np.cos(turn)]])
    corners = np.array([(-56, -12), (56, -12), (56, 12), (-56, 12)]) @ rotate + centre
    return [((float(x), float(y)), None, None) for x, y in corners]


def _inset(drawn: list[Drawn]) -> list[Drawn]:
    """The line moved into the cloth by the seam's distance, mitred at its nodes."""
    points = np.array([node[0] for node in drawn], dtype=float)
    out: list[Drawn] = []
    for i, (point, into, onward) in enumerate(drawn):
        before = -np.array(into) if into else (points[i] - points[i - 1] if i else None)
        after = np.array(onward) if onward else (points[i + 1] - points[i] if i + 1 < len(points) else None)
        shift = _mitred([d for d in (before, after) if d is not None])
        x, y = np.array(point) + shift
        out.append(((float(x), float(y)), into if i else None, onward if i + 1 < len(drawn) else None))
    return out


def _mitred(directions: list[np.ndarray]) -> np.ndarray:
    """The shift that keeps INSET from one or two lines, to their right as they run."""
    normals = [np.array([-d[1], d[0]]) / np.hypot(*d) for d in directions]
    if len(normals) == 1:
        return np.asarray(INSET * normals[0])
    middle = normals[0] + normals[1]
    return np.asarray(INSET * middle / (1 + normals[0] @ normals[1]))


def _nodes(drawn: list[Drawn], side: str) -> list[NodeDoc]:
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


_BUTTONS = tuple(
    DemoSingle("button", 553 * SCALE, y * SCALE, own=wearing("Brass", "Ink", height=70, finish="metal"))
    for y in (412, 480, 548, 616, 680)
)

WAISTCOAT = DemoSheet(
    "waistcoat",
    "Usher’s waistcoat",
    {"width": 297.0, "height": 210.0, "scale": "1:4"},
    GROUPS,
    ("Evening", "Matinée"),
    SHADES,
    waistcoat,
    singles=_BUTTONS,
)
