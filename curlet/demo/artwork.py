"""Shapes that the demo's brushes are drawn with, as path data in mm."""

from __future__ import annotations

from curlet.core import outlines
from curlet.core.motif.art import path_text
from curlet.formats.brush_motifs import ArtShapeDoc, ArtworkDoc, RoleDoc


def disc(x: float, y: float, rx: float, ry: float | None = None) -> str:
    """An ellipse about (x, y)."""
    return path_text(outlines.disc(x, y, rx, ry))


def capsule(x0: float, x1: float, h: float) -> str:
    """A bar from x0 to x1 with round ends, h to either side of the baseline."""
    return path_text(outlines.capsule(x0, x1, h))


def box(x0: float, y0: float, x1: float, y1: float) -> str:
    return path_text(outlines.box(x0, y0, x1, y1))


def filled(
    d: str, thread: int = 1, lighter: float = 0.0, *, over: bool = False, even_odd: bool = False
) -> ArtShapeDoc:
    return ArtShapeDoc(d=d, fill=RoleDoc(thread=thread, lighter=lighter), over=over, even_odd=even_odd)


def stroked(d: str, weight: float, thread: int = 1, lighter: float = 0.0, ends: str = "round") -> ArtShapeDoc:
    role = RoleDoc(thread=thread, lighter=lighter)
    return ArtShapeDoc(d=d, stroke=role, weight=weight, ends=ends)  # type: ignore[arg-type]


def artwork(length: float, width: float, *shapes: ArtShapeDoc) -> ArtworkDoc:
    return ArtworkDoc(family="artwork", shapes=shapes, length=length, width=width)
