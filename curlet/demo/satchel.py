"""The prop satchel, 1:4: canvas and leather, saddle-stitched, with a name on its flap."""

from __future__ import annotations

from curlet.demo.drawn import (
    Chain,
    DemoArea,
    DemoPath,
    DemoSheet,
    DemoSingle,
    DemoText,
    area,
    curve,
    plain,
    polyline,
    wearing,
)
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.lettering_doc import LetteringDoc

GROUPS = {
    "Canvas": "#5b6770",
    "Leather": "#8a5a34",
    "Seams": "#c2643a",
    "Edges": "#3c7d6d",
    "Tag": "#7b5aa6",
    "Name": "#8a6d1f",
    "Label": "#3f6ea5",
}
SHADES = {
    "Canvas": ("#8a8763", "#3f4a63"),
    "Canvas weft": ("#a7a37f", "#5a667f"),
    "Leather": ("#7d4a2a", "#8a3b2f"),
    "Waxed thread": ("#f3ead7", "#f0d9a0"),
    "Piping": ("#b5482f", "#d9a441"),
    "Tag": ("#c04a38", "#e0c48a"),
    "Hardware": ("#d3b266", "#c3cbd3"),
    "Dark edge": ("#2b2018", "#22171a"),
    "Label": ("#f0e3c4", "#e9d3a2"),
}

CANVAS = ClothDoc(weave="canvas", warp="shade:Canvas", weft="shade:Canvas weft", ends=6, picks=5)
LEATHER = ClothDoc(weave="leather", warp="shade:Leather", weft="shade:Leather", ends=5, picks=5)
LABEL = ClothDoc(weave="felt", warp="shade:Label", weft="shade:Label", ends=20, picks=20)
TAG = ClothDoc(weave="felt", warp="shade:Tag", weft="shade:Tag", ends=20, picks=20)

# Clockwise from the upper left; the foot's corners are round.
BODY: Chain = [
    (84, 84), (84, 84), (213, 84), (213, 84), (213, 84), (213, 168), (213, 168), (213, 178), (209, 182),
    (199, 182), (199, 182), (98, 182), (98, 182), (88, 182), (84, 178), (84, 168),
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
    (92, 78), (88, 40), (110, 16), (148.5, 16), (187, 16), (209, 40), (205, 78), (205, 78), (196, 78),
    (196, 78), (199, 44), (180, 25), (148.5, 25), (117, 25), (98, 44), (101, 78), (101, 78), (92, 78),
    (92, 78),
]  # fmt: skip
STRAP_SEAM: Chain = [
    (96.5, 76), (93, 42), (114, 20.5), (148.5, 20.5), (183, 20.5), (204, 42), (200.5, 76),
]  # fmt: skip
NAME_LINE: Chain = [(96, 108), (120, 113), (177, 113), (201, 108)]
# The chain runs through the eyelet of the tag, which hangs from its ring.
TAG_CHAIN: Chain = [(215, 88), (222, 84), (234, 88), (236, 104), (237, 110), (238, 114), (238, 118)]
# Along the tag's foot and past it, from right to left, so that the dots rise from it.
TAG_FOOT: Chain = [(253, 136), (238, 146.5), (223, 136)]

_DOTS = wearing("Dark edge", courses__0__size=180.0)
_SEWN = wearing("Waxed thread", height=80, relief__sunk=60.0)
_STITCHED = wearing("Waxed thread", height=70)


def satchel() -> list[DemoPath]:
    """What lies beneath first."""
    return [
        area("Strap", "Leather", STRAP, LEATHER),
        curve("Strap seam", "Seams", STRAP_SEAM, brush="saddle", own=_SEWN),
        area("Body", "Canvas", BODY, CANVAS),
        polyline("Pocket", "Seams", [(118, 148), (179, 148), (179, 174), (118, 174)], True, brush="twin",
                 own=wearing("Waxed thread", height=70)),
        polyline("Label edge", "Label", [(128, 154), (169, 154), (169, 168), (128, 168)], True,
                 brush="scallop", hidden=True),
        curve("Body piping", "Edges", _piped(), brush="piping", own=wearing("Piping", "Piping", height=80)),
        area("Flap", "Leather", FLAP, LEATHER),
        curve("Flap seam", "Seams", FLAP_SEAM, brush="saddle", own=_SEWN),
        *(part for x in (100.0, 189.0) for part in _buckle(x)),
        *_tag(),
        curve("Name line", "Name", NAME_LINE),
        polyline("Label line", "Label", [(133, 163.3), (164, 163.3)]),
    ]  # fmt: skip


def name_on_flap(line: str) -> LetteringDoc:
    """The company's name, in the middle of the line on the flap."""
    return LetteringDoc(
        text="PAPER LANTERN", font="graduate", caps=7.5, spacing=12, align="centre", along=line, rise=0
    )


def word_on_label(line: str) -> LetteringDoc:
    """What is kept in it."""
    return LetteringDoc(text="PROPS", font="graduate", caps=4.8, spacing=20, align="centre", along=line)


def _piped() -> Chain:
    """Round the body, from under the flap to under the flap."""
    return [
        (84, 128), (84, 140), (84, 156), (84, 168), (84, 178), (88, 182), (98, 182), (98, 182), (199, 182),
        (199, 182), (209, 182), (213, 178), (213, 168), (213, 156), (213, 140), (213, 128),
    ]  # fmt: skip


def _buckle(x: float) -> list[DemoPath]:
    """A strap over the flap, stitched in a box, with its buckle's loop."""
    side = "L" if x < 148 else "R"
    tongue = [(x - 4.5, 126), (x + 4.5, 126), (x + 4.5, 158), (x, 163), (x - 4.5, 158)]
    seam = [(x - 3, 127.5), (x + 3, 127.5), (x + 3, 157.4), (x, 160.6), (x - 3, 157.4)]
    loop = [(x - 6.5, 146), (x + 6.5, 146), (x + 6.5, 152), (x - 6.5, 152)]
    return [
        area(f"Buckle strap {side}", "Leather", _straight(tongue), LEATHER),
        polyline(f"Box stitch {side}", "Seams", seam, True, brush="backstitch", own=_STITCHED),
        polyline(f"Buckle {side}", "Edges", loop, True, brush="wire",
                 own=wearing("Hardware", height=100, finish="metal")),
    ]  # fmt: skip


def _straight(points: Chain) -> Chain:
    """Corners as a chain of cubics that closes."""
    return [point for corner in points for point in (corner, corner, corner)][1:-1]


def _tag() -> list[DemoPath]:
    outline = [(228, 114), (248, 114), (248, 142), (238, 149), (228, 142)]
    metal = wearing("Hardware", height=100, finish="metal")
    return [
        area("Tag cloth", "Tag", _straight(outline), TAG),
        polyline("Tag dots", "Tag", TAG_FOOT, brush="dots", crop="Tag cloth", own=_DOTS),
        polyline("Tag edge", "Tag", outline, True, brush="blanket", own=wearing("Waxed thread", height=60)),
        curve("Tag chain", "Tag", TAG_CHAIN, brush="ball", own=metal),
    ]


SATCHEL = DemoSheet(
    "satchel",
    "Prop satchel",
    {"width": 297.0, "height": 210.0, "scale": "1:4"},
    GROUPS,
    ("Saddle", "Harbour"),
    SHADES,
    satchel,
    # Moths have been at it: its trim's scallops are cut out of it.
    areas=(DemoArea("Label", "Pocket", (("Label edge", "inside"),), LABEL),),
    texts=(
        DemoText("Name line", name_on_flap, "eight", wearing("Waxed thread")),
        DemoText("Label line", word_on_label, fill=plain("Dark edge")),
    ),
    singles=(
        DemoSingle("stud", 238, 119, size=130, own=wearing("Hardware", height=100, finish="metal")),
        DemoSingle("stud", 215, 87.5, size=110, own=wearing("Hardware", height=100, finish="metal")),
    ),
)
