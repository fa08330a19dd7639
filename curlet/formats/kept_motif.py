"""A motif kept by itself in the Library: its artwork with a name and the threads it was drawn in."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.brush.rules import Piece
from curlet.core.drawing import Drawing, Group, Picture
from curlet.core.measures import Measure
from curlet.formats.artwork_in import read_artwork
from curlet.formats.artwork_sheet import artwork_sheet
from curlet.formats.brush_courses import RowDoc
from curlet.formats.brush_file import BrushDoc, Thread
from curlet.formats.brush_motifs import ArtworkDoc, MeasureDoc, PictureDoc, Strict
from curlet.formats.names import Name as Name


class KeptMotifDoc(Strict):
    """A motif on its own; `threads` are those that its roles were drawn in."""

    name: Name
    motif: Annotated[ArtworkDoc | PictureDoc, Field(discriminator="family")]
    threads: Annotated[tuple[Thread, ...], Field(min_length=1, max_length=64)]

    @property
    def what(self) -> Literal["drawn", "picture"]:
        return "picture" if isinstance(self.motif, PictureDoc) else "drawn"


def motif_from_svg(data: bytes, name: str) -> tuple[KeptMotifDoc, tuple[str, ...]]:
    """An SVG drawing as a motif, and what was left out, in words; raises as `read_artwork` does."""
    motif, notes = read_artwork(data)
    return KeptMotifDoc(name=name, motif=motif, threads=BrushDoc.model_fields["threads"].default), notes


def brush_of_motif(kept: KeptMotifDoc) -> BrushDoc:
    """A brush that repeats a motif end to end."""
    motif = kept.motif
    row = RowDoc(
        motif=motif,
        length=MeasureDoc(mm=motif.length, on=motif.on),
        gap=MeasureDoc(mm=0),
        hold="rigid" if isinstance(motif, PictureDoc) else "bend",
    )
    return BrushDoc(name=kept.name, kind="trim", courses=(row,), threads=kept.threads)


def piece_of_motif(kept: KeptMotifDoc) -> Piece:
    """A motif as artwork for one place, at its own length."""
    motif = kept.motif.to_core()
    return Piece(motif, Measure(motif.length, motif.on))


def motif_sheet(kept: KeptMotifDoc) -> Drawing:
    """The motif on a sheet that just holds it, at true size."""
    motif = kept.motif
    if isinstance(motif, ArtworkDoc):
        return artwork_sheet(motif.to_core(), kept.threads, kept.name)
    picture = Picture(motif.to_core().png, np.array([[motif.length, 0.0, 0.0, motif.width, 0.0, 0.0]]))
    return Drawing(motif.length, motif.width, (Group("motif", kept.name, (picture,)),), kept.name)
