"""Edits of own artwork: a motif's shapes taken out, turned, given another cell, cut into pieces."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.core.motif.edges import silhouette
from curlet.core.motif.families.artwork import CELL_WIDTH, Artwork
from curlet.core.motif.pieces import as_wide, celled, centre_to_centre, equalised, in_three, turned, window
from curlet.formats.artwork_in import artwork_doc
from curlet.formats.brush_courses import PiecesDoc
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import MeasureDoc, PieceDoc
from curlet.store.edits.artwork_places import AnyPlace, artwork_at, row_of, with_artwork, with_course
from curlet.store.edits.courses import Edit, Index
from curlet.store.edits.entered import Text, degrees, mm

_TRUE = Scale()


class ToArtwork(Edit):
    """Take a family's repeat, or a piece, out as artwork of its own, shape by shape."""

    kind: Literal["to-artwork"]
    course: Index
    place: AnyPlace = "repeat"

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        art = artwork_at(doc, self.course, self.place)
        return with_artwork(doc, self.course, self.place, art), "Make it artwork of its own"


class TurnArtwork(Edit):
    """Turn the artwork clockwise, so that it repeats in another direction."""

    kind: Literal["turn-artwork"]
    course: Index
    place: AnyPlace = "repeat"
    entered: Text

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        art = turned(artwork_at(doc, self.course, self.place), degrees(self.entered))
        return with_artwork(doc, self.course, self.place, art), "Turn the artwork"


class SetCell(Edit):
    """Say where the cell begins and ends along the artwork, where its baseline lies across it, and how wide
    it is; a width that is not given is what the artwork takes up."""

    kind: Literal["set-cell"]
    course: Index
    place: AnyPlace = "repeat"
    start: Text
    end: Text
    baseline: Text
    width: Text | None = None

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        now = artwork_at(doc, self.course, self.place)
        art = celled(now, mm(self.start), mm(self.end), mm(self.baseline))
        if self.width is not None:
            art = replace(art, width=CELL_WIDTH.check(mm(self.width)))
        return with_artwork(doc, self.course, self.place, art), "Set the cell"


class TrimToCell(Edit):
    """Cut off what of the artwork reaches beyond its cell, so that the next piece begins where it ends."""

    kind: Literal["trim-to-cell"]
    course: Index
    place: AnyPlace = "repeat"

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        art = artwork_at(doc, self.course, self.place)
        trimmed = window(art, 0.0, art.length)
        return with_artwork(doc, self.course, self.place, trimmed), "Trim it to the cell"


class CutInThree(Edit):
    """Two cuts across one drawing make its start, repeat and end pieces."""

    kind: Literal["cut-in-three"]
    course: Index
    first: Text
    second: Text

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        start, repeat, end = in_three(artwork_at(doc, self.course), mm(self.first), mm(self.second))
        cut = with_artwork(doc, self.course, "repeat", repeat)
        row = row_of(cut, self.course)
        ends = {"start": _piece(start), "end": _piece(end)}
        pieces: PiecesDoc = row.pieces.model_copy(update=ends)
        settings = {"pieces": pieces, "gap": MeasureDoc(mm=0), "hold": "bend"}
        return with_course(
            cut, self.course, row.model_copy(update=settings)
        ), "Cut it into start, repeat and end"


class CutCentre(Edit):
    """A shape that overlaps its neighbours becomes one seamless repeat, cut from middle to middle."""

    kind: Literal["cut-centre"]
    course: Index

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        row = row_of(doc, self.course).to_core()
        pitch = row.drawn_length(_TRUE) + row.drawn_gap(_TRUE)
        size = row.size / 100
        art = centre_to_centre(artwork_at(doc, self.course), pitch / size)
        cut = with_artwork(doc, self.course, "repeat", art)
        settings = {"gap": MeasureDoc(mm=0), "hold": "bend"}
        whole = row_of(cut, self.course).model_copy(update=settings)
        return with_course(cut, self.course, whole), "Cut it from centre to centre"


class MatchPiece(Edit):
    """Make a start or end piece as wide as the repeat that it meets."""

    kind: Literal["match-piece"]
    course: Index
    place: Literal["start", "end"]

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        at_start = self.place == "start"
        repeat = artwork_at(doc, self.course)
        meets = silhouette(repeat.make(_TRUE), repeat.length, at_end=not at_start)
        if meets is None:
            raise BadInput("The repeat does not reach its edge, so there is nothing to match.")
        own = as_wide(artwork_at(doc, self.course, self.place), at_start, meets)
        return with_artwork(doc, self.course, self.place, own), f"Match the piece at its {self.place}"


class Equalise(Edit):
    """Make a repeat's exit match its entry, outline by outline."""

    kind: Literal["equalise"]
    course: Index

    def apply(self, doc: BrushDoc) -> tuple[BrushDoc, str]:
        return with_artwork(
            doc, self.course, "repeat", equalised(artwork_at(doc, self.course))
        ), "Match its end with its start"


def _piece(art: Artwork) -> PieceDoc:
    motif = artwork_doc(art)
    return PieceDoc(motif=motif, length=MeasureDoc(mm=motif.length, on=motif.on))
