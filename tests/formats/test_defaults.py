"""What a file leaves out is what the core begins with."""

from __future__ import annotations

from typing import Any

import pytest

from curlet.core.brush import Brush, CornerRule, FitRule
from curlet.core.brush.brush import CrossingRule
from curlet.core.brush.courses import Band, Row, Span
from curlet.core.brush.rules import EndRule, Facing, Piece, Pieces, SwayRule
from curlet.core.dress.cloth import Cloth
from curlet.core.lay import RunRule
from curlet.core.measures import Measure
from curlet.core.motif.families import Running
from curlet.formats.brush_courses import (
    BandDoc,
    EndDoc,
    FacingDoc,
    FitDoc,
    PiecesDoc,
    RowDoc,
    SpanDoc,
    SwayDoc,
)
from curlet.formats.brush_file import BrushDoc, CornerDoc, CrossingDoc
from curlet.formats.brush_motifs import MeasureDoc, PieceDoc, RunningDoc
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.run_places import PlacesDoc

RUNNING = RunningDoc(family="running")
PAIRS = [
    (FitDoc(), FitRule()),
    (FacingDoc(), Facing()),
    (EndDoc(), EndRule()),
    (PiecesDoc(), Pieces()),
    (SwayDoc(channel="size"), SwayRule("size")),
    (CornerDoc(), CornerRule()),
    (CrossingDoc(), CrossingRule()),
    (RowDoc(), Row()),
    (BandDoc(course="band"), Band()),
    (SpanDoc(course="span", motif=RUNNING, length=MeasureDoc(mm=3)), Span(Running(), Measure(3))),
    (PieceDoc(motif=RUNNING, length=MeasureDoc(mm=3)), Piece(Running(), Measure(3))),
    (BrushDoc(), Brush()),
    (ClothDoc(), Cloth()),
]


@pytest.mark.parametrize(("doc", "core"), PAIRS, ids=lambda value: type(value).__name__)
def test_what_a_document_leaves_out_is_the_cores_default(doc: Any, core: Any) -> None:
    assert doc.to_core() == core


def test_a_run_says_nothing_of_single_places_by_default() -> None:
    assert PlacesDoc().to_core(backwards=False, other_half=None) == RunRule()
