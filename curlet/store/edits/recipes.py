"""A new brush of a family, as a maker would begin it."""

from __future__ import annotations

from typing import Any

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.core.motif.families import FAMILIES, Family
from curlet.formats.brush_courses import FitDoc, PiecesDoc, RowDoc
from curlet.formats.brush_file import BrushDoc, CornerDoc
from curlet.formats.brush_motifs import FAMILY_DOCS, ArtworkDoc, FamilyDoc, MeasureDoc, PieceDoc


def family_of(name: str) -> type[Family]:
    """A family by its name; BadInput if there is none."""
    if name not in FAMILIES:
        raise BadInput(f"There is no motif family “{name[:32]}”. Choose one from the list.")
    return FAMILIES[name]


def motif_of(name: str, **values: Any) -> FamilyDoc:
    """A family's document; lengths may be given as plain mm."""
    family_of(name)
    made = {key: MeasureDoc(mm=v) if _is_length(name, key, v) else v for key, v in values.items()}
    return FAMILY_DOCS[name](family=name, **made)


def _is_length(name: str, key: str, value: Any) -> bool:
    return family_of(name).specs()[key].form == "measure" and isinstance(value, int | float)


def natural_length(motif: FamilyDoc) -> MeasureDoc:
    """The length of a repeat that a motif's measures ask for, garment mm."""
    return MeasureDoc(mm=round(motif.to_core().natural(Scale()), 4))


def piece_of(name: str, *, within: bool = True, **values: Any) -> PieceDoc:
    """A family's artwork for a single place."""
    motif = motif_of(name, **values)
    return PieceDoc(motif=motif, length=natural_length(motif), within=within)


def row_of(motif: FamilyDoc, **settings: Any) -> RowDoc:
    """A row of a family's motif, with its own corner piece if it draws one."""
    about = family_of(motif.family).about
    pieces = settings.pop("pieces", None) or PiecesDoc()
    places = family_of(motif.family).specs().get("place", _NO_PLACE).choices
    for place, piece in (("corner", "corner_outside"), ("inner corner", "corner_inside")):
        if place in places:
            corner = motif.model_copy(update={"place": place})
            drawn = PieceDoc(motif=corner, length=natural_length(corner))
            pieces = pieces.model_copy(update={piece: drawn})
    given = {
        "length": natural_length(motif),
        "gap": MeasureDoc(mm=about.gap),
        "hold": about.hold,
        "fit": FitDoc(kind=about.fit),
        "overlap": about.overlap,
        "pieces": pieces,
        **settings,
    }
    return RowDoc(motif=motif, **given)


_NO_PLACE = next(iter(FAMILIES["running"].specs().values()))


# An empty brush's cell, garment mm: its length, its width, the gap to the next; and how it turns corners.
_EMPTY = {
    "stitch": (4.0, 2.0, 1.0, "pivot"),
    "rope": (8.0, 8.0, 0.0, "mitre"),
    "chain": (10.0, 8.0, 0.0, "carry"),
    "trim": (10.0, 12.0, 0.0, "mitre"),
    "border": (12.0, 12.0, 0.0, "piece"),
}


def empty_brush(kind: str) -> BrushDoc:
    """A brush of a kind with an empty cell, to be drawn on.

    Raises
    ------
    BadInput
        If there is no such kind.
    """
    if kind not in _EMPTY:
        raise BadInput(f"There is no kind “{kind[:32]}” of brush. Choose one from the list.")
    length, width, gap, manner = _EMPTY[kind]
    motif = ArtworkDoc(family="artwork", shapes=(), length=length, width=width)
    row = RowDoc(motif=motif, length=MeasureDoc(mm=length), gap=MeasureDoc(mm=gap), hold="bend")
    corners = CornerDoc(manner=manner)
    return BrushDoc(name=f"My {kind}", kind=kind, courses=(row,), corners=corners)


def brush_of(
    family: str,
    name: str = "",
    *,
    threads: tuple[str, ...] = (),
    row: dict[str, Any] | None = None,
    **values: Any,
) -> BrushDoc:
    """A brush of one row of a family: what a maker would begin with."""
    about = family_of(family).about
    return BrushDoc(
        name=name or about.name,
        kind=about.kind,
        courses=(row_of(motif_of(family, **values), **(row or {})),),
        corners=CornerDoc(manner=about.corners, made=about.made),
        threads=threads or about.threads,
    )
