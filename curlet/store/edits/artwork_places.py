"""Where artwork lies in a brush: a course's repeat, or the piece at a place of it."""

from __future__ import annotations

from typing import Literal

from curlet.core.errors import BadInput
from curlet.core.lay.hold import HOLDS
from curlet.core.measures import Scale
from curlet.core.motif.families import Artwork
from curlet.core.motif.motif import MotifMaker
from curlet.core.motif.pieces import as_artwork
from curlet.formats.artwork_in import artwork_doc
from curlet.formats.brush_courses import PiecesDoc, RowDoc, SpanDoc
from curlet.formats.brush_file import BrushDoc, CourseDoc
from curlet.formats.brush_motifs import ArtworkDoc, MeasureDoc, MotifDoc, PictureDoc, PieceDoc

AnyPlace = Literal["repeat", "start", "end", "corner_outside", "corner_inside", "join"]
_TRUE = Scale()


def course_of(doc: BrushDoc, index: int) -> CourseDoc:
    """A course by its index; BadInput if there is none."""
    if index >= len(doc.courses):
        raise BadInput("This brush has no such course.")
    return doc.courses[index]


def row_of(doc: BrushDoc, index: int) -> RowDoc:
    """A row by its index; BadInput if the course is none."""
    course = course_of(doc, index)
    if not isinstance(course, RowDoc):
        raise BadInput("Only a row of repeats has pieces and can be cut into some.")
    return course


def with_course(doc: BrushDoc, index: int, course: CourseDoc) -> BrushDoc:
    courses = list(doc.courses)
    courses[index] = course
    return doc.model_copy(update={"courses": tuple(courses)})


def motif_at(doc: BrushDoc, index: int, place: AnyPlace) -> tuple[MotifDoc, MeasureDoc]:
    """A motif and the length in which it is laid.

    Raises
    ------
    BadInput
        If there is none at this place.
    """
    if place == "repeat":
        course = course_of(doc, index)
        if not isinstance(course, RowDoc | SpanDoc):
            raise BadInput("A band has no motif. Add a row for the artwork.")
        return course.motif, course.length
    piece: PieceDoc | None = getattr(row_of(doc, index).pieces, place)
    if piece is None:
        raise BadInput("There is no piece at this place yet. Import one, or choose a family for it.")
    return piece.motif, piece.length


def artwork_at(doc: BrushDoc, index: int, place: AnyPlace = "repeat") -> Artwork:
    """A motif as artwork of its own, in a cell as long as it is laid."""
    motif, length = motif_at(doc, index, place)
    maker: MotifMaker = motif.to_core()
    return as_artwork(maker, length.to_core().on_garment(_TRUE))


def with_artwork(
    doc: BrushDoc, index: int, place: AnyPlace, art: Artwork | ArtworkDoc | PictureDoc
) -> BrushDoc:
    """The brush with other artwork at a place; its length is that of the new cell."""
    motif = artwork_doc(art) if isinstance(art, Artwork) else art
    length = MeasureDoc(mm=motif.length, on=motif.on)
    if place != "repeat":
        row = row_of(doc, index)
        before: PieceDoc | None = getattr(row.pieces, place)
        within = before.within if before else True
        piece = PieceDoc(motif=motif, length=length, within=within)
        pieces: PiecesDoc = row.pieces.model_copy(update={place: piece})
        return with_course(doc, index, row.model_copy(update={"pieces": pieces}))
    course = course_of(doc, index)
    if course.course == "band":
        raise BadInput("A band has no motif. Add a row for the artwork.")
    update: dict[str, object] = {"motif": motif, "length": length}
    if isinstance(motif, PictureDoc) and course.course == "row" and HOLDS[course.hold].bends:
        update["hold"] = "rigid"
    return with_course(doc, index, course.model_copy(update=update))


def with_new_artwork(
    doc: BrushDoc, index: int, place: AnyPlace, art: Artwork | ArtworkDoc | PictureDoc
) -> BrushDoc:
    """The brush with artwork from elsewhere at a place. The corner that a family drew for its own repeat goes
    with that: other artwork does not go on into it."""
    before = course_of(doc, index)
    found = with_artwork(doc, index, place, art)
    if place != "repeat" or not isinstance(before, RowDoc) or before.motif.family == "artwork":
        return found
    corners = ("corner_outside", "corner_inside")
    pieces = before.pieces
    own = [
        name for name in corners if (at := getattr(pieces, name)) and at.motif.family == before.motif.family
    ]
    row = row_of(found, index)
    gone = row.pieces.model_copy(update=dict.fromkeys(own))
    return with_course(found, index, row.model_copy(update={"pieces": gone}))
