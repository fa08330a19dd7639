"""Edits: each turns one brush into the next, says what it did, and leaves what it does not touch."""

from __future__ import annotations

from typing import Any

import pytest
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.core.motif.families import FAMILIES
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.store.edits import AnyEdit
from curlet.store.edits.recipes import brush_of

EDIT: TypeAdapter[Any] = TypeAdapter(AnyEdit)
ROWS = [name for name, family in FAMILIES.items() if not family.about.piece]


def make(doc: BrushDoc, kind: str, **values: Any) -> tuple[BrushDoc, str]:
    made: tuple[BrushDoc, str] = EDIT.validate_python({"kind": kind, **values}).apply(doc)
    made[0].to_core().check(Scale())
    # What is made can be kept: it reads back as it was written.
    assert read_brush(made[0].model_dump(mode="json")) == made[0]
    return made


@pytest.mark.parametrize("family", ROWS)
def test_any_family_is_taken_and_taken_out_as_artwork(family: str) -> None:
    doc, label = make(brush_of("running"), "take-family", course=0, family=family)
    assert label == f"Make it {FAMILIES[family].about.name.lower()}"
    art, _ = make(doc, "to-artwork", course=0)
    assert art.courses[0].motif.family == "artwork"  # type: ignore[union-attr]
    assert art.courses[0].length == doc.courses[0].length  # type: ignore[union-attr]


@pytest.mark.parametrize("family", [name for name, f in FAMILIES.items() if f.about.piece])
@pytest.mark.parametrize("place", ["start", "end", "join"])
def test_any_end_piece_is_put_in_its_place(family: str, place: str) -> None:
    doc, _ = make(brush_of("laid"), "set-piece", course=0, place=place, family=family)
    piece = getattr(doc.courses[0].pieces, place)  # type: ignore[union-attr]
    assert piece.motif.family == family
    assert getattr(piece.motif, "side", None) in (None, place if place != "join" else "end")
    bare, label = make(doc, "set-piece", course=0, place=place)
    assert bare == brush_of("laid")
    assert label == f"Remove the piece at its {place}"


def test_a_corner_is_drawn_by_the_family_that_draws_one() -> None:
    doc, _ = make(brush_of("laid"), "set-piece", course=0, place="corner_outside", family="key")
    piece = doc.courses[0].pieces.corner_outside  # type: ignore[union-attr]
    assert piece.motif.place == "corner"


def test_courses_keep_their_order_when_one_is_moved_past_the_end() -> None:
    doc, _ = make(brush_of("laid"), "add-course", course="band")
    assert make(doc, "move-course", course=1, up=True)[0] == doc
    swapped, _ = make(doc, "move-course", course=0, up=True)
    assert [course.course for course in swapped.courses] == ["band", "row"]


def test_sixteen_courses_are_the_most() -> None:
    doc = brush_of("laid")
    for _ in range(15):
        doc, _ = make(doc, "add-course", course="band")
    with pytest.raises(BadInput, match="16 courses"):
        make(doc, "add-course", course="band")


def test_stretching_and_repeating_bring_the_motif_back() -> None:
    doc = brush_of("leaf-stem")
    once, _ = make(doc, "stretch-or-repeat", course=0)
    again, _ = make(once, "stretch-or-repeat", course=0)
    assert once.courses[0].course == "span"
    assert again.courses[0].motif == doc.courses[0].motif  # type: ignore[union-attr]


@pytest.mark.parametrize(("entered", "size"), [("12 mm", 150), ("1/4 in", 79.375), ("2*8", 200)])
def test_a_width_is_typed_and_sets_the_size(entered: str, size: float) -> None:
    doc, _ = make(brush_of("laid"), "set-width", course=0, entered=entered)
    assert doc.courses[0].size == pytest.approx(size)


@pytest.mark.parametrize("name", ["whipped", "belcher", "stem", "vine"])
def test_an_end_piece_is_matched_to_its_repeat(name: str) -> None:
    doc = read_brush(BRUSHES[name])
    made, label = make(doc, "match-piece", course=0, place="end") if name != "belcher" else (doc, "")
    assert label in ("Match the piece at its end", "")
    assert made.courses[0].pieces.start == doc.courses[0].pieces.start  # type: ignore[union-attr]


@pytest.mark.parametrize(
    "edit",
    [
        {"kind": "bend-it", "course": 0},
        {"kind": "set", "settings": []},
        {"kind": "set-piece", "course": 0, "place": "middle"},
        {"kind": "rename", "name": ""},
        {"kind": "remove-course", "course": -1},
        {"kind": "add-course", "course": "band", "colour": "red"},
    ],
)
def test_what_is_no_edit_is_refused_whole(edit: dict[str, Any]) -> None:
    with pytest.raises(ValidationError):
        EDIT.validate_python(edit)


@pytest.mark.parametrize(
    ("values", "says"),
    [
        ({"kind": "cut-in-three", "first": "9 mm", "second": "2 mm"}, "cuts lie within"),
        ({"kind": "cut-in-three", "first": "two", "second": "3 mm"}, "not a measure"),
        ({"kind": "match-piece", "place": "start"}, "no piece"),
        ({"kind": "set-cell", "start": "5 mm", "end": "5 mm", "baseline": "0"}, "at least 0.01"),
        ({"kind": "turn-artwork", "entered": "5 mm"}, "takes an angle"),
    ],
)
def test_what_cannot_be_done_is_told(values: dict[str, Any], says: str) -> None:
    with pytest.raises(BadInput, match=says):
        make(brush_of("laid"), course=0, **values)


def test_a_band_has_no_motif_to_be_worked_on() -> None:
    doc, _ = make(brush_of("laid"), "add-course", course="band")
    for kind, values in (("to-artwork", {}), ("cut-centre", {}), ("stretch-or-repeat", {})):
        with pytest.raises(BadInput):
            make(doc, kind, course=1, **values)
