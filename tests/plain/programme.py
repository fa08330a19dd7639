"""The season programme's cover, A5 at full size: borders, cords and open letters on fixed outlines."""

from __future__ import annotations

from curlet.demo.drawn import DemoPath, circle, curve, polyline

SHEET = {"width": 148.0, "height": 210.0, "scale": "1:1"}

GROUPS = {
    "Frame": "#7b5aa6",
    "Lantern": "#8a6d1f",
    "Letters": "#3c7d6d",
    "Trims": "#a3475f",
}


# Node, handle, handle, node, …
KNOT = [(34, 132), (74, 126), (112, 112), (96, 104), (84, 98), (64, 98), (52, 104)]
KNOT += [(36, 112), (74, 126), (114, 132)]
ZIGZAG = [(34, 169), (54, 169), (64, 175), (84, 175), (94, 169), (114, 169)]


def programme() -> list[DemoPath]:
    """Every path of the cover, bottom to top."""
    return [
        polyline("Frame", "Frame", [(16, 16), (132, 16), (132, 194), (16, 194)], True, brush="border"),
        circle("Lantern ring", "Lantern", (74, 64), 30, brush="chain"),
        circle("Lantern edge", "Lantern", (74, 64), 20, brush="scallop"),
        curve("Tether", "Lantern", [(74, 32), (64, 22), (84, 22), (74, 32)], brush="twelve"),
        curve("Knotted cord", "Lantern", KNOT, brush="rope"),
        *_letters(),
        polyline("Ribbon", "Trims", ZIGZAG, brush="ribbon"),
        curve("Blade", "Trims", [(40, 162), (60, 158), (88, 164), (108, 161)], brush="blade"),
    ]


def _letters() -> list[DemoPath]:
    """C, S and L as open single lines: fixed outlines, not lettering."""
    c = [(56, 141), (50, 135), (38, 137), (38, 145), (38, 153), (50, 156), (56, 150)]
    s = [
        (82, 141),
        (76, 135),
        (66, 138),
        (67, 144),
        (68, 150),
        (82, 146),
        (83, 152),
        (84, 159),
        (70, 161),
        (66, 154),
    ]
    return [
        curve("Letter C", "Letters", c, brush="stem"),
        curve("Letter S", "Letters", s, brush="stem"),
        polyline("Letter L", "Letters", [(94, 135), (94, 154), (110, 154)], brush="stem"),
    ]
