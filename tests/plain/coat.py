"""The lamplighter puppet's coat, half size: felt, with more trim than a coat that people wear could bear."""

from __future__ import annotations

from curlet.demo.drawn import Chain, DemoPath, curve, mirrored, polyline
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.path_doc import FactsDoc

SHEET = {"width": 210.0, "height": 297.0, "scale": "1:2"}
MIDDLE = 105.0

GROUPS = {
    "Felt": "#5b6770",
    "Front edge": "#8a6d1f",
    "Hem": "#3c7d6d",
    "Cuffs": "#c2643a",
    "Collar": "#7b5aa6",
    "Pockets": "#a3475f",
}

FELT = ClothDoc(weave="felt", warp="#3f4f78", weft="#3f4f78", ends=20, picks=20)
LINING = ClothDoc(weave="knit", warp="#b9a27c", weft="#b9a27c", ends=5, picks=7)

# The wearer's right, on the sheet's left: from the neck round the sleeve and the side to the front's foot.
HALF: Chain = [
    (94, 58), (86, 60), (78, 62), (70, 66), (54, 84), (38, 116), (26, 152), (32, 155), (38, 157), (44, 158),
    (54, 140), (60, 126), (66, 114), (66, 134), (62, 158), (60, 176), (56, 200), (50, 226), (44, 248),
    (62, 254), (84, 257), (105, 257),
]  # fmt: skip
CUFF: Chain = [(26, 152), (32, 155), (38, 157), (44, 158)]
SHOULDER: Chain = [(92, 62), (86, 64), (79, 66), (72, 69)]
HEM: Chain = [(46, 243), (63, 249), (84, 252), (105, 252)]
# Where buttons sit down the front, sheet mm.
BUTTONS = tuple((MIDDLE, float(y)) for y in range(84, 226, 28))


def coat() -> list[DemoPath]:
    """The felt first, the wearer's right and then the left."""
    paths: list[DemoPath] = [
        _cloth("Lining", [(92, 56), (98, 66), (112, 66), (118, 56), (110, 60), (100, 60), (92, 56)], LINING),
    ]
    for side in "RL":
        front = [*_on(side, HALF), *_on(side, [(105, 257), (105, 257), (105, 70)])]
        front += _on(side, [(104, 64), (100, 58), (94, 58)])
        paths += [_cloth(f"Front {side}", front, FELT), *_trim(side)]
    return [*paths, polyline("Front braid", "Front edge", [(105, 74), (105, 250)], brush="flat-braid")]


def _trim(side: str) -> list[DemoPath]:
    def at(points: Chain) -> Chain:
        return _on(side, points) if side == "R" else _on(side, points)[::-1]

    pocket = at([(64, 196), (92, 200)])
    return [
        curve(f"Hem {side}", "Hem", at(HEM), brush="rickrack"),
        curve(f"Cuff {side}", "Cuffs", at(CUFF), brush="pompom"),
        curve(f"Collar {side}", "Collar", at([(104, 70), (100, 64), (97, 60), (94, 58)]), brush="pearls"),
        polyline(f"Pocket {side}", "Pockets", pocket, brush="feather"),
        curve(
            f"Shoulder {side}", "Collar", at([(92, 62), (86, 64), (79, 66), (72, 69)]), brush="chainstitch"
        ),
    ]


def _cloth(name: str, outline: Chain, cloth: ClothDoc) -> DemoPath:
    path = curve(name, "Felt", outline)
    facts = FactsDoc(element=name.lower().replace(" ", "-"), stroke="#20263a", weight=0.3)
    return DemoPath(name, "Felt", path.nodes, True, facts, fill=cloth)


def _on(side: str, points: Chain) -> Chain:
    """Points of the wearer's right, or the same on the left."""
    return list(points) if side == "R" else mirrored(points, MIDDLE)
