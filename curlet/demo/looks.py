"""Looks that the theatre's workshop keeps in the Library, in shades by name."""

from __future__ import annotations

from typing import Any

from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_courses import FadePointDoc
from curlet.formats.brush_file import BrushDoc, LookDoc, ReliefDoc, read_brush
from curlet.formats.brush_motifs import MeasureDoc


def _look(name: str, brush: str, *shades: tuple[str, str], **changed: Any) -> BrushDoc:
    """A built-in brush in shades: each by its name, and its colour where a sheet has none of that name."""
    plain = read_brush(BRUSHES[brush])
    threads = tuple(colour for _, colour in shades) + plain.threads[len(shades) :]
    names = {f"/threads/{i}": shade for i, (shade, _) in enumerate(shades)}
    own = {"name": name, "threads": threads, "look": LookDoc(shades=names)}
    return plain.model_copy(update={**changed, **own})


_RAISED = ReliefDoc(height=70, sunk=40)

LOOKS: dict[str, BrushDoc] = {
    "look-topstitch": _look(
        "Raised topstitch on denim", "show-stitch", ("Topstitch", "#f0a24a"), relief=_RAISED
    ),
    "look-rope": _look("Lit rope, flax", "rope", ("Flax", "#dcc594"), relief=ReliefDoc(height=90)),
    "look-chain": _look(
        "Brass chain, lit", "curb", ("Brass", "#d9b45b"), relief=ReliefDoc(height=100, finish="metal")
    ),
    "look-ribbon": _look(
        "Soft ribbon of seven",
        "ribbon",
        fade=(
            FadePointDoc(at=0, opacity=0),
            FadePointDoc(at=0.3, opacity=80),
            FadePointDoc(at=0.7, opacity=80),
            FadePointDoc(at=1, opacity=0),
        ),
        soft=MeasureDoc(mm=2.5),
    ),
}
