"""Edits: what is done to a brush on the Bench, each as data that turns one brush file into the next."""

from __future__ import annotations

import re
from abc import abstractmethod
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from curlet.core.errors import BadInput
from curlet.core.measures import Scale, read_measure
from curlet.core.motif.families import FAMILIES
from curlet.formats.brush_courses import BandDoc, PiecesDoc, RowDoc
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.brush_motifs import FamilyDoc, PieceDoc
from curlet.formats.names import Name
from curlet.formats.pointer import look_up, patched
from curlet.store.edits.artwork_places import course_of
from curlet.store.edits.names import setting_name
from curlet.store.edits.recipes import brush_of, family_of, motif_of, natural_length
from curlet.store.edits.settings import read_setting

Pointer = Annotated[str, Field(min_length=1, max_length=200)]
Index = Annotated[int, Field(ge=0, lt=16)]
Piece = Literal["start", "end", "corner_outside", "corner_inside", "join"]
Family = Annotated[str, Field(min_length=1, max_length=40)]

_MOTIF = re.compile(r"^/courses/(\d{1,2})/motif/")
_PIECE = re.compile(r"^/courses/(\d{1,2})/pieces/(\w+)/motif/")
_MAX_COURSES = 16
# What a family draws itself for, by the piece: the first of them that it can.
_DRAWN_FOR = {
    "corner_outside": ("corner",),
    "corner_inside": ("inner corner", "corner"),
    "start": ("root",),
    "end": ("tip",),
}
# A brush is made at true size; how it looks smaller is for the proof board to show.
_TRUE = Scale()


class Edit(BaseModel):
    """Changes a brush file and says, in words for Undo, what it did."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    @abstractmethod
    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]: ...


class Entered(BaseModel):
    """What was entered or chosen for one setting; or a whole part of the file, as `value`."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    pointer: Pointer
    entered: str | bool | float = ""
    value: list[Any] | dict[str, Any] | None = None


class SetOnBrush(Edit):
    """Change settings of the brush."""

    kind: Literal["set"]
    settings: Annotated[list[Entered], Field(min_length=1, max_length=20)]

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        for setting in self.settings:
            value = setting.value
            if value is None:
                value = read_setting(doc, setting.pointer, setting.entered, _TRUE)
            before = doc
            doc = read_brush(patched(doc.model_dump(mode="json"), {setting.pointer: value}))
            doc = _length_follows(before, doc, setting.pointer)
        return doc, f"Set {setting_name(self.settings[0].pointer)}"


class Rename(Edit):
    """Give the brush another name, or say that it is of another kind."""

    kind: Literal["rename"]
    name: Name

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        return doc.model_copy(update={"name": self.name.strip() or doc.name}), "Rename the brush"


class AddCourse(Edit):
    """Lay one more course on top: a band, or a family's row or span."""

    kind: Literal["add-course"]
    course: Literal["band", "row", "span"]
    family: Family = "running"

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        if len(doc.courses) >= _MAX_COURSES:
            raise BadInput(f"A brush has {_MAX_COURSES} courses at the most.")
        made = brush_of(self.family).courses[0]
        assert isinstance(made, RowDoc)
        course = {
            "row": made.model_dump(mode="json"),
            "band": {"course": "band"},
            "span": {
                "course": "span",
                "motif": made.motif.model_dump(mode="json"),
                "length": made.length.model_dump(mode="json"),
            },
        }[self.course]
        whole = doc.model_dump(mode="json")
        whole["courses"].append(course)
        return read_brush(whole), f"Add a {self.course}"


class RemoveCourse(Edit):
    """Remove a course."""

    kind: Literal["remove-course"]
    course: Index

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        course_of(doc, self.course)
        if len(doc.courses) == 1:
            raise BadInput("A brush has at least one course. Add another before you remove this one.")
        left = tuple(course for i, course in enumerate(doc.courses) if i != self.course)
        return doc.model_copy(update={"courses": left}), "Remove a course"


class MoveCourse(Edit):
    """Lay a course one higher or one lower."""

    kind: Literal["move-course"]
    course: Index
    up: bool

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        course_of(doc, self.course)
        other = self.course + (1 if self.up else -1)
        courses = list(doc.courses)
        if 0 <= other < len(courses):
            courses[self.course], courses[other] = courses[other], courses[self.course]
        return doc.model_copy(update={"courses": tuple(courses)}), "Move a course"


class TakeFamily(Edit):
    """Make a course's repeat of another family, as a new brush of it would be."""

    kind: Literal["take-family"]
    course: Index
    family: Family

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        now = course_of(doc, self.course)
        made = brush_of(self.family)
        row = made.courses[0]
        assert isinstance(row, RowDoc)
        whole = doc.model_dump(mode="json")
        course: dict[str, Any] = row.model_dump(mode="json")
        if now.course == "span":
            course = {"course": "span", "motif": course["motif"], "length": course["length"]}
        course["offset"] = now.offset.model_dump(mode="json")
        whole["courses"][self.course] = course
        if len(doc.courses) == 1:
            whole |= {"kind": made.kind, "corners": made.corners.model_dump(mode="json")}
        lacking = len(made.threads) - len(doc.threads)
        if lacking > 0:
            whole["threads"] = [*doc.threads, *made.threads[-lacking:]]
        return read_brush(whole), f"Make it {made.name.lower()}"


class SetPiece(Edit):
    """Give a row artwork for one place, of a family; or none."""

    kind: Literal["set-piece"]
    course: Index
    place: Piece
    family: Family | None = None

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        row = course_of(doc, self.course)
        if not isinstance(row, RowDoc):
            raise BadInput("Only a row of repeats has pieces at its ends and corners.")
        piece = None
        if self.family is not None:
            motif = _for_place(self.family, self.place)
            piece = PieceDoc(motif=motif, length=natural_length(motif))
        pieces: PiecesDoc = row.pieces.model_copy(update={self.place: piece})
        courses = list(doc.courses)
        courses[self.course] = row.model_copy(update={"pieces": pieces})
        place = self.place.replace("_", ", ")
        label = f"Remove the piece at its {place}" if piece is None else f"Add a piece at its {place}"
        return doc.model_copy(update={"courses": tuple(courses)}), label


class StretchOrRepeat(Edit):
    """From repeats to one motif stretched once along the path, and back."""

    kind: Literal["stretch-or-repeat"]
    course: Index

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        now = course_of(doc, self.course).model_dump(mode="json")
        if now["course"] == "band":
            raise BadInput("A band has no motif to stretch or repeat.")
        other = "span" if now["course"] == "row" else "row"
        made = {"course": other, "motif": now["motif"], "length": now["length"], "offset": now["offset"]}
        if other == "row":
            made |= {"gap": {"mm": 0}, "hold": "bend"}
        whole = doc.model_dump(mode="json")
        whole["courses"][self.course] = made
        return read_brush(whole), "Stretch the motif once" if other == "span" else "Repeat the motif"


class SetWidth(Edit):
    """Make a course as wide as stated: its size is changed, or a band's width."""

    kind: Literal["set-width"]
    course: Index
    entered: Annotated[str, Field(max_length=64)]

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        course = course_of(doc, self.course)
        if isinstance(course, BandDoc):
            setting = Entered(pointer=f"/courses/{self.course}/width", entered=self.entered)
            return SetOnBrush(kind="set", settings=[setting]).apply(doc)
        wide = read_measure(self.entered).value
        now = course.motif.to_core().make(_TRUE).width
        if not wide > 0 or not now > 0:
            raise BadInput("A width is above 0. Give it like 8 mm or 1/4 in.")
        size = {f"/courses/{self.course}/size": round(100 * wide / now, 4)}
        doc = read_brush(patched(doc.model_dump(mode="json"), size))
        doc.to_core().check(_TRUE)
        return doc, "Set width"


def _for_place(family: str, place: str) -> FamilyDoc:
    """A family's motif, drawn for a place if it can be."""
    specs = family_of(family).specs()
    values: dict[str, Any] = {}
    if "side" in specs and place in specs["side"].choices:
        values["side"] = place
    drawn = [
        name for name in _DRAWN_FOR.get(place, ()) if "place" in specs and name in specs["place"].choices
    ]
    if drawn:
        values["place"] = drawn[0]
    return motif_of(family, **values)


def _length_follows(before: BrushDoc, after: BrushDoc, pointer: str) -> BrushDoc:
    """A repeat or piece that is as long as its family's measures ask for stays so when they change."""
    if match := _MOTIF.match(pointer):
        base = f"/courses/{match[1]}"
    elif match := _PIECE.match(pointer):
        base = f"/courses/{match[1]}/pieces/{match[2]}"
    else:
        return after
    was, now = (look_up(doc.model_dump(mode="json"), base) for doc in (before, after))
    old, new = (_natural(doc) for doc in (was, now))
    if old is None or new is None or abs(was["length"]["mm"] - old) > 1e-3 or old == new:
        return after
    length = {"mm": new, "on": "garment"}
    return read_brush(patched(after.model_dump(mode="json"), {f"{base}/length": length}))


def _natural(holder: dict[str, Any]) -> float | None:
    motif = holder["motif"]
    if motif["family"] not in FAMILIES:
        return None
    values = {key: value for key, value in motif.items() if key != "family"}
    return natural_length(motif_of(motif["family"], **values)).mm
