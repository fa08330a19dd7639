"""The stage curtain with its pelmet, 1:4: trims, ropes and borders where a theatre has them."""

from __future__ import annotations

from typing import Any

from curlet.demo.drawn import (
    Chain,
    DemoPath,
    DemoSheet,
    area,
    box,
    circle,
    curve,
    in_place_of,
    mirrored,
    plain,
    polyline,
    wearing,
)
from curlet.formats.cloth_doc import ClothDoc

GROUPS = {
    "Stage": "#5b6770",
    "Pelmet": "#7b5aa6",
    "Curtains": "#c2643a",
    "Stage front": "#3c7d6d",
    "Lantern": "#8a6d1f",
}
SHADES = {
    "Velvet": ("#9a342c", "#1f5a56"),
    "Velvet fold": ("#7c2722", "#174643"),
    "Pelmet": ("#5a2f4a", "#3a2b52"),
    "Gold": ("#e2b34d", "#e2a45f"),
    "Old gold": ("#b98a35", "#b0713c"),
    "Night": ("#1d2748", "#3c2a4d"),
    "Far hills": ("#2c3a63", "#563a60"),
    "Boards": ("#a9855c", "#8d7a6a"),
    "Lamplight": ("#f8d98a", "#ffd9b0"),
    "Paper": ("#f0cf8f", "#f4c9a8"),
    "Ink": ("#241a26", "#201a2e"),
}

MIDDLE = 210.0
# In the middle of the footlights, in place of three.
_STAR = in_place_of(3, "motif-star", "n1", 83, size=200.0)
VELVET = ClothDoc(weave="corduroy", warp="shade:Velvet", weft="shade:Velvet", ends=0.9, picks=2)
PELMET = ClothDoc(weave="twill", warp="shade:Pelmet", weft="shade:Pelmet", ends=5, picks=4)
BOARDS = ClothDoc(weave="corduroy", warp="shade:Boards", weft="shade:Boards", ends=0.5, picks=1, turn=90)

# The pelmet's swags, from the left end of its foot to the right: one chain each, from point to point.
SWAGS: tuple[Chain, ...] = (
    [(42, 80), (54, 106), (86, 108), (100, 84)],
    [(100, 84), (116, 114), (150, 116), (166, 86)],
    [(166, 86), (182, 120), (238, 120), (254, 86)],
    [(254, 86), (270, 116), (304, 114), (320, 84)],
    [(320, 84), (334, 108), (366, 106), (378, 80)],
)
# The left curtain's free edge, drawn to its tie-back.
EDGE: Chain = [(168, 80), (168, 126), (152, 160), (98, 178), (108, 204), (116, 232), (116, 257)]


def curtain() -> list[DemoPath]:
    """What lies furthest back first."""
    hem = [point for i, swag in enumerate(SWAGS[::-1]) for point in swag[::-1][1 if i else 0 :]]
    pelmet = [(42, 30), (42, 30), (378, 30), (378, 30), (378, 30), (378, 80), *hem]
    gold = wearing("Gold", "Old gold", height=80)
    return [
        area("Backdrop", "Stage", box(60, 60, 360, 256), plain("Night"), "#141c34"),
        area("Hills", "Stage", _HILLS, plain("Far hills"), "#141c34"),
        *_lantern(),
        *(path for side in "LR" for path in _sewn_to_curtain(side)),
        area("Pelmet cloth", "Pelmet", pelmet, PELMET),
        *(curve(f"Swag {i}", "Pelmet", swag, brush="tassels", own=gold) for i, swag in enumerate(SWAGS, 1)),
        curve("Pelmet hem", "Pelmet", _hem(), brush="cord", own=wearing("Gold", "Pelmet", height=80)),
        polyline("Pelmet band", "Pelmet", [(48, 56), (372, 56)], brush="guilloche",
                 own=wearing("Gold", "Old gold", "Lamplight", height=70)),
        polyline("Pelmet cord", "Pelmet", [(42, 36), (378, 36)], brush="rope",
                 own=wearing("Gold", height=90)),
        area("Stage cloth", "Stage front", box(36, 256, 384, 286), BOARDS),
        polyline("Footlights", "Stage front", [(46, 261), (374, 261)], brush="pearls",
                 own=wearing("Lamplight", "Lamplight", height=90, finish="satin", courses__0__size=140.0),
                 places=_STAR),
        polyline("Stage border", "Stage front", [(42, 271), (378, 271)], brush="key", own=wearing("Ink")),
        polyline("Stage foot", "Stage front", [(36, 282.5), (384, 282.5)], brush="checker",
                 own=wearing("Ink", "Old gold")),
    ]  # fmt: skip


_THIN: dict[str, Any] = {"courses__0__width": {"mm": 1.2, "on": "garment"}}
_HILLS: Chain = [
    (60, 218), (90, 196), (130, 190), (168, 208), (200, 222), (236, 188), (284, 190), (320, 196), (344, 206),
    (360, 212), (360, 212), (360, 256), (360, 256), (360, 256), (60, 256), (60, 256),
]  # fmt: skip


def _hem() -> Chain:
    """All swags as one line."""
    return [point for i, swag in enumerate(SWAGS) for point in swag[1 if i else 0 :]]


def _lantern() -> list[DemoPath]:
    """A great paper lantern that hangs over the stage, with its glow behind it."""
    glow = {
        **wearing("Lamplight", soft={"mm": 90, "on": "garment"}, opacity=55.0),
        "/courses/0/width": {"mm": 60, "on": "garment"},
    }
    x, y = MIDDLE, 168.0
    body = [
        (x, y - 26), (x + 22, y - 26), (x + 34, y - 14), (x + 34, y), (x + 34, y + 14), (x + 22, y + 26),
        (x, y + 26), (x - 22, y + 26), (x - 34, y + 14), (x - 34, y), (x - 34, y - 14), (x - 22, y - 26),
        (x, y - 26),
    ]  # fmt: skip
    metal = wearing("Old gold", height=90, finish="metal")
    ribs = [
        curve(f"Rib {i}", "Lantern", [(x, y - 26), (x + dx, y - 20), (x + dx, y + 20), (x, y + 26)],
              brush="wire", own=wearing("Old gold", **_THIN))
        for i, dx in enumerate((-28.0, -11.0, 11.0, 28.0), 1)
    ]  # fmt: skip
    return [
        circle("Glow", "Lantern", (x, y), 26, brush="strip", own=glow),
        polyline("Lantern chain", "Lantern", [(x, 96), (x, y - 30)], brush="chain", own=metal),
        area("Lantern paper", "Lantern", body, plain("Paper"), "#8a5a2a"),
        *ribs,
        circle("Lantern top", "Lantern", (x, y - 27), 4.5, brush="cord",
               own=wearing("Gold", "Velvet", height=80)),
        polyline("Lantern tassel", "Lantern", [(x - 7, y + 28), (x + 7, y + 28)], brush="fringe",
                 own=wearing("Velvet", height=40)),
    ]  # fmt: skip


def _sewn_to_curtain(side: str) -> list[DemoPath]:
    """A curtain and its trims; on the right half they run the other way, so that they face as on the left."""

    def at(name: str, points: Chain, brush: str, own: dict[str, Any]) -> DemoPath:
        there = points if side == "L" else mirrored(points, MIDDLE)[::-1]
        return curve(f"{name} {side}", "Curtains", there, brush=brush, own=own)

    folds = [
        curve(f"Fold {i} {side}", "Curtains", _fold(side, x), brush="strip", own=_FOLD)
        for i, x in enumerate((74.0, 100.0, 126.0, 150.0), 1)
    ]  # fmt: skip
    tie = ((42, 166), (58, 192), (86, 194), (103, 176))
    metal = wearing("Old gold", height=100, finish="metal")
    return [
        area(f"Curtain cloth {side}", "Curtains", _drape(side), VELVET),
        *folds,
        at("Curtain edge", EDGE, "ruffle", wearing("Gold", height=50)),
        at("Tie-back", tie, "whipped", wearing("Gold", "Velvet", height=90)),
        at("Hook chain", ((42, 166), (36, 172), (32, 180), (30, 192)), "long-short", metal),
        at("Hem", ((45, 249), (66, 249), (90, 249), (112, 249)), "fringe", wearing("Gold", height=50)),
        at("Hem stitch", ((45, 241), (66, 241), (90, 241), (111, 241)), "herringbone", wearing("Lamplight")),
    ]


# A fold of the velvet: a soft dark stripe that fades away.
_FOLD = {
    **wearing("Velvet fold", soft={"mm": 24, "on": "garment"}, opacity=85.0),
    "/courses/0/width": {"mm": 30, "on": "garment"},
    "/fade": [{"at": 0, "opacity": 90}, {"at": 0.6, "opacity": 80}, {"at": 1, "opacity": 0}],
}


def _fold(side: str, x: float) -> Chain:
    """From the curtain's head down toward its tie-back."""
    near = 46 + 0.3 * (x - 46)
    left = [(x, 80), (x, 118), (near + 4, 146), (near, 172)]
    return left if side == "L" else mirrored(left, MIDDLE)


def _drape(side: str) -> Chain:
    """A curtain's outline: along its free edge, and back by the stage's side."""
    left = [*EDGE, EDGE[-1], (42, 257), (42, 257), (42, 257), (42, 80), (42, 80)]
    return left if side == "L" else mirrored(left, MIDDLE)


CURTAIN = DemoSheet(
    "curtain",
    "Stage curtain and pelmet",
    {"width": 420.0, "height": 297.0, "scale": "1:4"},
    GROUPS,
    ("Gala", "Winter season"),
    SHADES,
    curtain,
)
