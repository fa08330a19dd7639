"""The lamplighter puppet's coat, half size: felt, with more trim than a coat that people wear could bear."""

from __future__ import annotations

from typing import Any

from curlet.demo.drawn import Chain, DemoPath, DemoSheet, DemoSingle, area, curve, mirrored, polyline, wearing
from curlet.formats.cloth_doc import ClothDoc

MIDDLE = 105.0

GROUPS = {
    "Felt": "#5b6770",
    "Front edge": "#8a6d1f",
    "Hem": "#3c7d6d",
    "Cuffs": "#c2643a",
    "Collar": "#7b5aa6",
    "Pockets": "#a3475f",
}
SHADES = {
    "Felt": ("#35487a", "#7a3346"),
    "Lining": ("#c9a24b", "#5fa39a"),
    "Gold braid": ("#e9b44c", "#e8dcc0"),
    "Rickrack": ("#d2553a", "#e9b44c"),
    "Pompom": ("#d2553a", "#5fa39a"),
    "Pearl": ("#f6efe0", "#f6efe0"),
    "Silk": ("#9cc7dd", "#f0b9a8"),
    "Brass": ("#d9b45b", "#d9b45b"),
    "Ink": ("#1c2540", "#3a1520"),
}

FELT = ClothDoc(weave="felt", warp="shade:Felt", weft="shade:Felt", ends=20, picks=20)
LINING = ClothDoc(weave="knit", warp="shade:Lining", weft="shade:Lining", ends=4, picks=5)

# The wearer's right, on the sheet's left: from the neck round the sleeve and the side to the front's foot.
HALF: Chain = [
    (92, 42), (84, 44), (76, 46), (68, 50), (52, 70), (36, 106), (24, 148), (31, 151), (38, 153), (45, 154),
    (54, 134), (60, 118), (66, 104), (66, 128), (62, 156), (60, 176), (55, 202), (48, 232), (40, 262),
    (60, 268), (84, 271), (105, 271),
]  # fmt: skip
CUFF: Chain = [(24, 148), (31, 151), (38, 153), (45, 154)]
CUFF_BRAID: Chain = [(27, 138), (34, 141), (42, 143), (49, 144)]
HEM: Chain = [(43, 255), (62, 261), (84, 264), (103, 264)]
HEM_BRAID: Chain = [(46, 244), (64, 250), (84, 253), (103, 253)]
COLLAR: Chain = [(103, 64), (100, 56), (96, 48), (92, 42)]
SHOULDER: Chain = [(90, 47), (84, 49), (77, 51), (71, 54)]
POCKET: Chain = [(60, 206), (70, 206), (82, 208), (92, 211)]
BACK_NECK: Chain = [(91, 42), (98, 48), (112, 48), (119, 42), (116, 56), (110, 68), (105, 76), (100, 68),
                    (94, 56), (91, 42)]  # fmt: skip


def coat() -> list[DemoPath]:
    """The lining first, then the felt and its trims, the wearer's right and then the left."""
    paths = [area("Lining", "Felt", BACK_NECK, LINING, "#20263a")]
    for side in "RL":
        front = [*_on(side, HALF), *_on(side, [(105, 271), (105, 271), (105, 66)])]
        front += _on(side, [(101, 56), (97, 48), (92, 42)])
        paths += [area(f"Front {side}", "Felt", front, FELT, "#20263a"), *_trim(side)]
    gold = wearing("Gold braid", "Rickrack", height=80)
    return [
        *paths,
        polyline("Front braid", "Front edge", [(105, 70), (105, 268)], brush="flat-braid", own=gold),
    ]


def _trim(side: str) -> list[DemoPath]:
    def at(name: str, group: str, points: Chain, brush: str, own: dict[str, Any]) -> DemoPath:
        there = _on(side, points) if side == "R" else _on(side, points)[::-1]
        return curve(f"{name} {side}", group, there, brush=brush, own=own)

    return [
        at("Hem", "Hem", HEM, "rickrack", wearing("Rickrack", height=60)),
        at("Hem braid", "Hem", HEM_BRAID, "round-braid", wearing("Gold braid", height=80)),
        at("Cuff", "Cuffs", CUFF, "pompom", wearing("Pompom", "Gold braid", height=70)),
        at("Cuff braid", "Cuffs", CUFF_BRAID, "round-braid", wearing("Gold braid", height=80)),
        at("Collar", "Collar", COLLAR, "pearls", wearing("Pearl", "Pearl", height=80, finish="satin")),
        at("Shoulder", "Collar", SHOULDER, "chainstitch", wearing("Silk", "Silk", height=60)),
        at("Pocket", "Pockets", POCKET, "feather", wearing("Silk", height=60)),
    ]


def _on(side: str, points: Chain) -> Chain:
    """Points of the wearer's right, or the same on the left."""
    return list(points) if side == "R" else mirrored(points, MIDDLE)


# Buttons down the front, over the braid.
_BUTTONS = tuple(
    DemoSingle("button", MIDDLE, float(y), size=140, own=wearing("Brass", "Ink", height=80, finish="metal"))
    for y in range(86, 240, 30)
)

COAT = DemoSheet(
    "coat",
    "Lamplighter puppet’s coat",
    {"width": 210.0, "height": 297.0, "scale": "1:2"},
    GROUPS,
    ("Lamplight", "First frost"),
    SHADES,
    coat,
    singles=_BUTTONS,
    # Drawn once: either half follows the other.
    halves=True,
)
