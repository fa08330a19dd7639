"""The usher's waistcoat front, wearer's right and left, as a flat at 1:4."""

from __future__ import annotations

from curlet.demo.drawn import DemoPath
from curlet.demo.waistcoat_cut import (
    ARMHOLE,
    BREAK,
    FRONT_FOOT,
    NECK,
    OUTLINE,
    POINT,
    SHOULDER,
    SIDE_FOOT,
    UNDERARM,
    Drawn,
    inset,
    nodes,
    welt,
)
from curlet.formats.path_doc import FactsDoc

SHEET = {"width": 297.0, "height": 210.0, "scale": "1:4"}
INSET = 8.0

GROUPS = {
    "Outlines": "#5b6770",
    "Front edges": "#c2643a",
    "Armholes": "#8a6d1f",
    "Hems": "#3c7d6d",
    "Welt pockets": "#7b5aa6",
    "Darts": "#a3475f",
}


def waistcoat() -> list[DemoPath]:
    """The twelve paths: the wearer's right first, then the left."""
    paths: list[DemoPath] = []
    for side in ("R", "L"):
        stitched = side == "R"
        add = paths.append
        outline = FactsDoc(
            element=f"front-{side}", stroke="#2b3440", weight=0.35, joins="round", fill="#66757d"
        )
        add(DemoPath(f"Front {side}", "Outlines", nodes(OUTLINE, side), True, outline))
        edge = inset([NECK, BREAK, FRONT_FOOT, POINT], INSET)[:-1]
        add(_line("Front edge", side, "Front edges", edge, "show-stitch" if stitched else None))
        armhole = inset([UNDERARM, ARMHOLE, SHOULDER], INSET)
        add(_line("Armhole", side, "Armholes", armhole))
        hem = inset([BREAK, FRONT_FOOT, POINT, SIDE_FOOT], INSET)[1:]
        add(_line("Hem", side, "Hems", hem, "show-stitch" if stitched else None))
        pocket = FactsDoc(element=f"welt-{side}", stroke="#2b3440", weight=0.25, fill="#5a6870")
        brush = "topstitch" if stitched else None
        add(DemoPath(f"Welt pocket {side}", "Welt pockets", nodes(welt(), side), True, pocket, brush))
        dart = FactsDoc(element=f"dart-{side}", stroke="#2b3440", weight=0.25, ends="round")
        drawn: list[Drawn] = [((392, 556), None, (16, -60)), ((400, 380), (8, 62), None)]
        add(DemoPath(f"Dart {side}", "Darts", nodes(drawn, side), facts=dart))
    return paths


def _line(name: str, side: str, group: str, drawn: list[Drawn], brush: str | None = None) -> DemoPath:
    return DemoPath(f"{name} {side}", group, nodes(drawn, side), brush=brush)
