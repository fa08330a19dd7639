"""The stitch brushes in the demo's drawer; measures from common practice."""

from __future__ import annotations

from curlet.formats.brush_courses import FitDoc, RowDoc
from curlet.formats.brush_file import BrushDoc, CornerDoc
from curlet.formats.brush_motifs import MeasureDoc, RunningDoc
from curlet.formats.pointer import Json


def _stitch(
    name: str, length: float, gap: float, thread: float, colour: str, ends: str = "round", **fit: object
) -> Json:
    row = RowDoc(
        motif=RunningDoc(thread=MeasureDoc(mm=thread), ends=ends),  # type: ignore[arg-type]
        length=MeasureDoc(mm=length),
        gap=MeasureDoc(mm=gap),
        fit=FitDoc(**fit),  # type: ignore[arg-type]
    )
    doc = BrushDoc(name=name, courses=(row,), corners=CornerDoc(), threads=(colour,))
    return doc.model_dump(mode="json")


BRUSHES: dict[str, Json] = {
    "topstitch": _stitch("Topstitch, 3 + 1 mm", 3.0, 1.0, 0.4, "#e9c46a"),
    "show-stitch": _stitch("Show stitch, 6 + 2.8 mm", 6.0, 2.8, 0.8, "#e9c46a"),
    "eight": _stitch("Running, 8 to the inch", 2.175, 1.0, 0.45, "#f3ead7"),
    "twelve": _stitch("Edge stitch, 12 to the inch", 1.517, 0.6, 0.4, "#c8553d"),
    "basting": _stitch("Basting, 12 + 8 mm", 12.0, 8.0, 0.6, "#a8d4de", ends="flat", kind="leave-over"),
}
