"""The prop satchel, 1:4: canvas and leather, saddle-stitched, with a name over its flap."""

from __future__ import annotations

from curlet.demo.drawn import Chain, DemoPath, curve, polyline
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.lettering_doc import LetteringDoc
from curlet.formats.path_doc import FactsDoc

SHEET = {"width": 297.0, "height": 210.0, "scale": "1:4"}

GROUPS = {
    "Canvas": "#5b6770",
    "Leather": "#8a5a34",
    "Seams": "#c2643a",
    "Edges": "#3c7d6d",
    "Tag": "#7b5aa6",
    "Name": "#8a6d1f",
}

CANVAS = ClothDoc(weave="canvas", warp="#8f8b6a", weft="#a29d7c", ends=10, picks=9)
LEATHER = ClothDoc(weave="colour", warp="#7a4a2b", weft="#7a4a2b")
TAG = ClothDoc(weave="felt", warp="#b8483c", weft="#b8483c", ends=20, picks=20)

# Clockwise from the upper left; the foot's corners are round.
BODY: Chain = [
    (84, 84), (84, 84), (213, 84), (213, 84), (213, 84), (213, 168), (213, 168), (213, 176), (209, 180),
    (201, 180), (201, 180), (96, 180), (96, 180), (88, 180), (84, 176), (84, 168),
]  # fmt: skip
FLAP: Chain = [
    (80, 76), (80, 76), (217, 76), (217, 76), (217, 76), (217, 112), (217, 112), (217, 130), (205, 138),
    (186, 139), (170, 140), (127, 140), (111, 139), (92, 138), (80, 130), (80, 112),
]  # fmt: skip
FLAP_SEAM: Chain = [
    (83, 79), (83, 90), (83, 100), (83, 112), (83, 128), (94, 135), (112, 136), (128, 137), (169, 137),
    (185, 136), (203, 135), (214, 128), (214, 112), (214, 100), (214, 90), (214, 79),
]  # fmt: skip
STRAP: Chain = [
    (92, 76), (88, 40), (110, 16), (148.5, 16), (187, 16), (209, 40), (205, 76), (205, 76), (196, 76),
    (196, 76), (199, 44), (180, 25), (148.5, 25), (117, 25), (98, 44), (101, 76), (101, 76), (92, 76),
    (92, 76),
]  # fmt: skip
STRAP_SEAM: Chain = [
    (96.5, 74), (93, 42), (114, 20.5), (148.5, 20.5), (183, 20.5), (204, 42), (200.5, 74),
]  # fmt: skip
NAME_LINE: Chain = [(96, 122), (120, 127), (177, 127), (201, 122)]


def satchel() -> list[DemoPath]:
    """What lies beneath first."""
    return [
        _part("Strap", STRAP, LEATHER, "Leather"),
        curve("Strap seam", "Seams", STRAP_SEAM, brush="saddle"),
        _part("Body", BODY, CANVAS, "Canvas"),
        polyline("Pocket", "Seams", [(112, 150), (185, 150), (185, 172), (112, 172)], True, brush="twin"),
        curve("Body piping", "Edges", [(84, 141), *BODY[-1:], *BODY[-1:], *_foot()], brush="piping"),
        _part("Flap", FLAP, LEATHER, "Leather"),
        curve("Flap seam", "Seams", FLAP_SEAM, brush="saddle"),
        *(part for x in (108.0, 181.0) for part in _buckle(x)),
        *_tag(),
        curve("Name line", "Name", NAME_LINE),
    ]


def name_on_flap(line: str) -> LetteringDoc:
    """The company's name, in the middle of the line on the flap."""
    return LetteringDoc(
        text="PAPER LANTERN", font="graduate", caps=5.0, spacing=14, align="centre", along=line, rise=1.5
    )


def _foot() -> Chain:
    """Round the body's foot, from its left to its right, below the flap."""
    return [
        (84, 168), (84, 176), (88, 180), (96, 180), (96, 180), (201, 180), (201, 180), (209, 180), (213, 176),
        (213, 168), (213, 168), (213, 141), (213, 141),
    ]  # fmt: skip


def _buckle(x: float) -> list[DemoPath]:
    """A strap over the flap, stitched in a box with a cross."""
    side = "L" if x < 148 else "R"
    tongue = [(x - 4, 132), (x + 4, 132), (x + 4, 156), (x, 160), (x - 4, 156)]
    cloth = polyline(f"Buckle strap {side}", "Leather", tongue, True)
    box = [(x - 2.6, 133.5), (x + 2.6, 133.5), (x + 2.6, 139), (x - 2.6, 139)]
    return [
        DemoPath(cloth.name, "Leather", cloth.nodes, True, _edge(cloth.name), fill=LEATHER),
        polyline(f"Box stitch {side}", "Seams", box, True, brush="backstitch"),
    ]


def _tag() -> list[DemoPath]:
    outline = [(236, 118), (256, 118), (256, 146), (246, 152), (236, 146)]
    cloth = polyline("Tag cloth", "Tag", outline, True)
    return [
        curve("Tag chain", "Tag", [(214, 92), (226, 92), (240, 100), (246, 116)], brush="ball"),
        DemoPath(cloth.name, "Tag", cloth.nodes, True, _edge(cloth.name), fill=TAG),
        polyline("Tag edge", "Tag", outline, True, brush="blanket"),
    ]


def _part(name: str, outline: Chain, cloth: ClothDoc, group: str) -> DemoPath:
    path = curve(name, group, outline)
    return DemoPath(name, group, path.nodes, True, _edge(name), fill=cloth)


def _edge(name: str) -> FactsDoc:
    return FactsDoc(element=name.lower().replace(" ", "-"), stroke="#2b2018", weight=0.25)
