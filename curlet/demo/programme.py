"""The season programme's cover, A5 at full size: borders, cords and open letters on fixed outlines."""

from __future__ import annotations

from curlet.demo.drawn import (
    Chain,
    DemoArea,
    DemoPath,
    DemoPicture,
    DemoSheet,
    DemoText,
    circle,
    curve,
    plain,
    polyline,
    wearing,
)
from curlet.demo.pictures import night_hills
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.fill_doc import GradientFillDoc, GradientStopDoc
from curlet.formats.lettering_doc import LetteringDoc

GROUPS = {
    "Frame": "#7b5aa6",
    "Lantern": "#8a6d1f",
    "Letters": "#3c7d6d",
    "Trims": "#a3475f",
}
SHADES = {
    "Paper": ("#fbf1dc", "#20264a"),
    "Ink": ("#5a2f4a", "#f3ead7"),
    "Gold": ("#e2b34d", "#e2b34d"),
    "Flax": ("#dcc594", "#d8b98a"),
    "Chain": ("#9aa7b4", "#d9b45b"),
    "Lamplight": ("#f8d98a", "#ffcf87"),
    "Rust": ("#c8553d", "#e0704f"),
    "Moss": ("#5f7f52", "#8fb27a"),
}

CENTRE = (74.0, 84.0)
# A knot whose ends lie to either side.
KNOT: Chain = [(34, 156), (74, 150), (112, 136), (96, 128), (84, 122), (64, 122), (52, 128), (36, 136),
               (74, 150), (114, 156)]  # fmt: skip
BLADE: Chain = [(40, 172), (60, 167), (88, 167), (108, 172)]
TITLE: Chain = [(31, 51), (48, 31), (100, 31), (117, 51)]
FLAME: Chain = [(74, 92), (60, 80), (74, 72), (74, 70), (74, 72), (88, 80), (74, 92)]
FOOT: Chain = [(30, 183), (60, 183), (88, 183), (118, 183)]
ZIGZAG: Chain = [(28, 92), (40, 58), (108, 58), (120, 92)]
# From the lamp's light down to the gold of the frame.
GLOW = GradientFillDoc(
    kind="gradient",
    turn=90,
    stops=(
        GradientStopDoc(at=10, colour="shade:Lamplight"),
        GradientStopDoc(at=90, colour="shade:Gold"),
    ),
)


def programme() -> list[DemoPath]:
    """Every path of the cover, bottom to top."""
    metal = wearing("Chain", height=100, finish="metal")
    soft = {
        "/fade": [{"at": 0, "opacity": 0}, {"at": 0.3, "opacity": 75}, {"at": 0.7, "opacity": 75},
                  {"at": 1, "opacity": 0}],
        "/soft": {"mm": 2.5, "on": "garment"},
    }  # fmt: skip
    return [
        polyline("Frame", "Frame", [(16, 16), (132, 16), (132, 194), (16, 194)], True, brush="border",
                 own=wearing("Ink", "Gold")),
        curve("Ribbon", "Trims", ZIGZAG, brush="ribbon", own=soft, crop="Lantern ring", outside=True),
        DemoPath("Lamp", "Lantern", circle("Lamp", "Lantern", CENTRE, 18.5).nodes, True,
                 fill=DemoPicture("Night over the hills", night_hills, 77.0, 85.0, 60.0)),
        circle("Lantern edge", "Lantern", CENTRE, 18.5, brush="scallop", own=wearing("Paper", "Rust")),
        circle("Lantern ring", "Lantern", CENTRE, 30, brush="chain", own=metal),
        curve("Tether", "Lantern", FLAME, brush="twelve",
              own=wearing("Rust")),
        curve("Knotted cord", "Trims", KNOT, brush="rope", own=wearing("Flax", height=90)),
        curve("Blade", "Trims", BLADE, brush="blade", own=wearing("Moss", height=50)),
        curve("Title line", "Letters", TITLE),
        curve("Foot line", "Letters", FOOT),
    ]  # fmt: skip


def title(line: str) -> LetteringDoc:
    """What is played, in the middle of its line."""
    return LetteringDoc(
        text="The Paper Lantern", font="alfa-slab-one", caps=6.6, spacing=3, align="centre", along=line
    )


def season(line: str) -> LetteringDoc:
    """What it is, at the foot."""
    return LetteringDoc(
        text="SEASON PROGRAMME", font="graduate", caps=4.4, spacing=14, align="centre", along=line
    )


PROGRAMME = DemoSheet(
    "programme",
    "Season programme",
    {"width": 148.0, "height": 210.0, "scale": "1:1"},
    GROUPS,
    ("Day bill", "Night bill"),
    SHADES,
    programme,
    # A backing that follows the scallops, whatever becomes of them.
    areas=(
        DemoArea("Lamp backing", "Ribbon", (("Lantern edge", "filled"),), GLOW, clean=CleanDoc(grow=1.4)),
    ),
    texts=(
        DemoText("Title line", title, fill=plain("Ink")),
        DemoText("Foot line", season, fill=plain("Ink")),
    ),
    background=ClothDoc(weave="colour", warp="shade:Paper", weft="shade:Paper"),
)
