"""A rope of two courses: a band, and marks over it a third of the lay apart."""

from __future__ import annotations

from curlet.demo.artwork import artwork, stroked
from curlet.formats.brush_courses import BandDoc, FitDoc, RowDoc
from curlet.formats.brush_file import BrushDoc, CornerDoc
from curlet.formats.brush_motifs import MeasureDoc

DIAMETER, LAY = 8.0, 24.0


def marked_rope() -> BrushDoc:
    pitch, h = LAY / 3, 0.87 * DIAMETER / 2
    mark = (
        f"M{0.01 * pitch} {-h}C{0.3 * pitch} {-0.9 * h} {0.38 * pitch} {-0.35 * h} {pitch / 2} 0"
        f"C{0.62 * pitch} {0.35 * h} {0.7 * pitch} {0.9 * h} {0.99 * pitch} {h}"
    )
    marks = RowDoc(
        motif=artwork(pitch, DIAMETER, stroked(mark, 0.9, 1, -28, ends="flat")),
        length=MeasureDoc(mm=pitch),
        gap=MeasureDoc(mm=0),
        hold="bend",
        fit=FitDoc(kind="ease"),
    )
    band = BandDoc(course="band", width=MeasureDoc(mm=DIAMETER))
    corners = CornerDoc(manner="mitre")
    return BrushDoc(name="Marked rope", kind="rope", courses=(band, marks), corners=corners)
