"""The usher's waistcoat front, wearer's right and left, as a flat at 1:4: denim with raised topstitching.

Drawn in garment mm for the wearer's right (on the sheet's left); the left is its mirror.
"""

from __future__ import annotations

from curlet.demo.drawn import DemoPath, DemoSheet, DemoSingle, Point, curve, wearing
from curlet.demo.waistcoat_cut import (
    ARMHOLE,
    BREAK,
    FRONT_FOOT,
    NECK,
    OUTLINE,
    POINT,
    SCALE,
    SHOULDER,
    SIDE_FOOT,
    UNDERARM,
    Drawn,
    inset,
    nodes,
    welt,
)
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.path_doc import FactsDoc

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
    paths = [DemoPath(lining.name, "Outlines", lining.nodes, True, edge, fill=LINING)]
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
    front = inset([NECK, BREAK, FRONT_FOOT, POINT], INSET)[:-1]
    hem = inset([BREAK, FRONT_FOOT, POINT, SIDE_FOOT], INSET)[1:]
    armhole = inset([UNDERARM, ARMHOLE, SHOULDER], INSET)
    drawn: list[Drawn] = [((392, 556), None, (16, -60)), ((400, 380), (8, 62), None)]
    piped = [NECK, BREAK, FRONT_FOOT, POINT, SIDE_FOOT]
    return [
        DemoPath(f"Front {side}", "Outlines", nodes(OUTLINE, side), True, outline, fill=DENIM),
        DemoPath(f"Dart {side}", "Darts", nodes(drawn, side), facts=dart),
        _line("Front edge", side, "Front edges", front, "show-stitch", SHOWN),
        _line("Armhole", side, "Armholes", armhole, "twin", TOPSTITCH),
        _line("Hem", side, "Hems", hem, "show-stitch", SHOWN),
        DemoPath(
            f"Welt pocket {side}", "Welt pockets", nodes(welt(), side), True, pocket, "topstitch", WELT,
            TOPSTITCH,
        ),
        _line("Piping", side, "Front edges", piped, "cord", wearing("Cord", "Lining", height=80)),
    ]  # fmt: skip


def _line(
    name: str, side: str, group: str, drawn: list[Drawn], brush: str, own: dict[str, object]
) -> DemoPath:
    return DemoPath(f"{name} {side}", group, nodes(drawn, side), brush=brush, own=own)


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
