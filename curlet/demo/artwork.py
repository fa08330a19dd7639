"""Shapes that the demo's brushes are drawn with, as path data in mm."""

from __future__ import annotations

from curlet.formats.brush_motifs import ArtShapeDoc, ArtworkDoc, RoleDoc

# Four cubics a turn: handles of (4/3)·tan(π/8) of the radius.
K = 0.5522847498


def disc(x: float, y: float, rx: float, ry: float | None = None) -> str:
    """An ellipse about (x, y)."""
    ry = rx if ry is None else ry
    kx, ky = K * rx, K * ry
    return (
        f"M{x + rx} {y}C{x + rx} {y + ky} {x + kx} {y + ry} {x} {y + ry}"
        f"C{x - kx} {y + ry} {x - rx} {y + ky} {x - rx} {y}"
        f"C{x - rx} {y - ky} {x - kx} {y - ry} {x} {y - ry}"
        f"C{x + kx} {y - ry} {x + rx} {y - ky} {x + rx} {y}Z"
    )


def capsule(x0: float, x1: float, h: float) -> str:
    """A bar from x0 to x1 with round ends, h to either side of the baseline."""
    k, a, b = K * h, x0 + h, x1 - h
    return (
        f"M{a} {-h}L{b} {-h}C{b + k} {-h} {x1} {-k} {x1} 0C{x1} {k} {b + k} {h} {b} {h}"
        f"L{a} {h}C{a - k} {h} {x0} {k} {x0} 0C{x0} {-k} {a - k} {-h} {a} {-h}Z"
    )


def box(x0: float, y0: float, x1: float, y1: float) -> str:
    return f"M{x0} {y0}L{x1} {y0}L{x1} {y1}L{x0} {y1}Z"


def filled(
    d: str, thread: int = 1, lighter: float = 0.0, *, over: bool = False, even_odd: bool = False
) -> ArtShapeDoc:
    return ArtShapeDoc(d=d, fill=RoleDoc(thread=thread, lighter=lighter), over=over, even_odd=even_odd)


def stroked(d: str, weight: float, thread: int = 1, lighter: float = 0.0, ends: str = "round") -> ArtShapeDoc:
    role = RoleDoc(thread=thread, lighter=lighter)
    return ArtShapeDoc(d=d, stroke=role, weight=weight, ends=ends)  # type: ignore[arg-type]


def artwork(length: float, width: float, *shapes: ArtShapeDoc) -> ArtworkDoc:
    return ArtworkDoc(family="artwork", shapes=shapes, length=length, width=width)
