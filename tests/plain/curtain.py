"""The stage curtain with its pelmet, 1:4: trims, ropes and borders where a theatre has them."""

from __future__ import annotations

from curlet.demo.drawn import Chain, DemoPath, box, curve, mirrored, polyline
from curlet.formats.path_doc import FactsDoc

SHEET = {"width": 420.0, "height": 297.0, "scale": "1:4"}

GROUPS = {
    "Cloth": "#5b6770",
    "Pelmet": "#7b5aa6",
    "Curtains": "#c2643a",
    "Stage front": "#3c7d6d",
    "Banner": "#8a6d1f",
}

MIDDLE = 210.0
RED, PLUM, FLOOR, CREAM = "#8f3a32", "#5d3a4e", "#b9a27c", "#e8dcc0"

# The pelmet's swags, from the right end of its foot to the left.
SWAGS: Chain = [
    (378, 78), (368, 100), (336, 104), (322, 82), (306, 108), (270, 110), (256, 84), (242, 112),
    (178, 112), (164, 84), (150, 110), (114, 108), (98, 82), (84, 104), (52, 100), (42, 78),
]  # fmt: skip
# The left curtain's free edge, drawn to its tie-back.
EDGE: Chain = [(168, 92), (166, 130), (150, 160), (96, 176), (104, 200), (112, 226), (112, 252)]


def curtain() -> list[DemoPath]:
    """Cloth first, then what is sewn to it."""
    cloths = [_cloth(f"Curtain cloth {side}", _drape(_on(side, EDGE)), RED) for side in "LR"]
    pelmet = [(42, 36), (42, 36), (378, 36), (378, 36), (378, 36), (378, 78), *SWAGS]
    return [
        *cloths,
        *(path for side in "LR" for path in _sewn_to_curtain(side)),
        _cloth("Pelmet cloth", pelmet, PLUM),
        curve("Pelmet hem", "Pelmet", SWAGS[::-1], brush="tassels"),
        polyline("Pelmet band", "Pelmet", [(46, 58), (374, 58)], brush="guilloche"),
        polyline("Pelmet cord", "Pelmet", [(42, 44), (378, 44)], brush="cord"),
        _cloth("Stage cloth", box(42, 262, 378, 288), FLOOR),
        polyline("Footlights", "Stage front", [(50, 266), (370, 266)], brush="pearls"),
        polyline("Stage border", "Stage front", [(46, 275), (374, 275)], brush="key"),
        polyline("Stage foot", "Stage front", [(42, 285), (378, 285)], brush="checker"),
        *_banner(),
    ]


def _sewn_to_curtain(side: str) -> list[DemoPath]:
    """A curtain's trims; on the right half they run the other way, so that they face as on the left."""

    def at(*points: tuple[float, float]) -> Chain:
        return _on(side, points) if side == "L" else _on(side, points)[::-1]

    tie, hook = ((44, 168), (60, 190), (86, 190), (104, 174)), ((44, 168), (38, 174), (34, 180), (30, 190))
    return [
        curve(f"Curtain edge {side}", "Curtains", at(*EDGE), brush="ruffle"),
        curve(f"Tie-back {side}", "Curtains", at(*tie), brush="whipped"),
        curve(f"Hook chain {side}", "Curtains", at(*hook), brush="long-short"),
        polyline(f"Hem {side}", "Curtains", at((46, 244), (108, 244)), brush="fringe"),
        polyline(f"Hem stitch {side}", "Curtains", at((46, 238), (108, 238)), brush="herringbone"),
    ]


def _banner() -> list[DemoPath]:
    """A small banner that hangs over the stage."""
    lantern = [(210, 154), (228, 160), (228, 192), (210, 198), (192, 192), (192, 160), (210, 154)]
    edge = [(188, 138), (232, 138), (232, 214), (188, 214)]
    inner = [(192, 142), (228, 142), (228, 210), (192, 210)]
    return [
        _cloth("Banner cloth", box(186, 136, 234, 216), CREAM),
        polyline("Banner edge", "Banner", edge, True, brush="satin"),
        polyline("Banner stitch", "Banner", inner, True, brush="cross"),
        curve("Lantern", "Banner", lantern, brush="chainstitch"),
        curve("Vine", "Banner", [(198, 206), (206, 200), (214, 200), (222, 206)], brush="vine"),
    ]


def _cloth(name: str, outline: Chain, fill: str) -> DemoPath:
    """A filled area, drawn as a chain of cubics that closes."""
    path = curve(name, "Cloth", outline)
    facts = FactsDoc(element=name.lower().replace(" ", "-"), stroke="#2b3440", weight=0.25, fill=fill)
    return DemoPath(name, "Cloth", path.nodes, True, facts)


def _drape(edge: Chain) -> Chain:
    """A curtain's outline: along its free edge, and back by the stage's side."""
    (x0, y0), (x1, y1) = edge[0], edge[-1]
    side = 42.0 if x0 < MIDDLE else 2 * MIDDLE - 42.0
    foot, head = (side, y1), (side, y0)
    return [*edge, (x1, y1), foot, foot, foot, head, head]


def _on(side: str, points: Chain) -> Chain:
    """Points of the left half, or the same on the other half of the stage."""
    return list(points) if side == "L" else mirrored(points, MIDDLE)
