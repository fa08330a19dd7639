"""Motifs that the theatre's workshop keeps in the Library: made up, like everything of the demo."""

from __future__ import annotations

import math

from curlet.demo.artwork import artwork, disc
from curlet.formats.brush_motifs import ArtShapeDoc, ArtworkDoc, RoleDoc
from curlet.formats.kept_motif import KeptMotifDoc

RED, GOLD, NAVY, CREAM = "#c0392b", "#e9b44c", "#1f2a44", "#f3ead7"


def _fill(d: str, colour: str | None = None) -> ArtShapeDoc:
    return ArtShapeDoc(d=d, fill=RoleDoc(own=colour))


def _line(d: str, colour: str, weight: float) -> ArtShapeDoc:
    return ArtShapeDoc(d=d, stroke=RoleDoc(own=colour), weight=weight)


def _lantern() -> ArtworkDoc:
    """A round paper lantern with its ribs, caps and tassel, hanging from the baseline."""
    ribs = "".join(f"M10 2C{x} 3.5 {x} 10.5 10 12" for x in (1.5, 6.2, 13.8, 18.5))
    shapes = (
        _line("M0 0C4 1.2 7 1.6 10 1.6C13 1.6 16 1.2 20 0", NAVY, 0.5),
        _fill(disc(10, 7, 6.4, 5), RED),
        _line(ribs, GOLD, 0.3),
        _fill("M8 1.6L12 1.6L12 2.6L8 2.6Z", NAVY),
        _fill("M8.4 11.6L11.6 11.6L11.6 12.4L8.4 12.4Z", NAVY),
        _line("M9 12.4L8.8 16M10 12.4L10 16.6M11 12.4L11.2 16", GOLD, 0.35),
    )
    return artwork(20, 34, *shapes)


def _button() -> ArtworkDoc:
    """A coat button with four holes and its crossed thread."""
    holes = tuple(_fill(disc(6 + x, y, 0.55), NAVY) for x in (-1.1, 1.1) for y in (-1.1, 1.1))
    shapes = (
        _fill(disc(6, 0, 4), GOLD),
        _line(disc(6, 0, 3.1), "#b98a2e", 0.4),
        *holes,
        _line("M4.9 -1.1L7.1 1.1M7.1 -1.1L4.9 1.1", CREAM, 0.45),
    )
    return artwork(12, 9, *shapes)


def _star() -> ArtworkDoc:
    """A five-pointed star, white, to be tinted by the brush's thread."""
    corners = [(3.5 if k % 2 == 0 else 1.45, math.radians(36 * k - 90)) for k in range(10)]
    points = [f"{5 + r * math.cos(a):.3f} {r * math.sin(a):.3f}" for r, a in corners]
    return artwork(10, 8, _fill("M" + "L".join(points) + "Z"))


def _leaf() -> ArtworkDoc:
    """A stem with a leaf to either side."""
    shapes = (
        _line("M0 0C4 -1.4 8 -1.4 12 0", "#3f6b4a", 0.6),
        _fill("M2.5 -0.9C3.5 -4.4 7 -4.6 9 -4.2C8 -1.8 5.5 -0.8 2.5 -0.9Z", "#4f8a5b"),
        _fill("M6 -1.1C7 2.2 10 2.8 12 2.4C11.4 0.2 9 -1 6 -1.1Z", "#6fa36f"),
    )
    return artwork(12, 10, *shapes)


MOTIFS = {
    "motif-lantern": KeptMotifDoc(name="Paper lantern", motif=_lantern(), threads=(RED,)),
    "motif-button": KeptMotifDoc(name="Coat button", motif=_button(), threads=(GOLD,)),
    "motif-star": KeptMotifDoc(name="Playbill star, to be tinted", motif=_star(), threads=(CREAM,)),
    "motif-leaf": KeptMotifDoc(name="Pelmet leaf", motif=_leaf(), threads=("#4f8a5b",)),
}
