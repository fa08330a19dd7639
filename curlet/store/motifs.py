"""Motifs kept by themselves in the Library: brushes take copies of them."""

from __future__ import annotations

from peewee import fn

from curlet.core.errors import BadInput
from curlet.formats.artwork_in import artwork_doc
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import PictureDoc
from curlet.formats.kept_motif import KeptMotifDoc
from curlet.store.database import reading, writing
from curlet.store.documents import Unreadable
from curlet.store.edits.artwork_places import AnyPlace, artwork_at, motif_at
from curlet.store.errors import Missing
from curlet.store.models import Motif
from curlet.store.names import unlike
from curlet.store.state import new_id
from curlet.store.unreadable import readable


def motif_from(doc: BrushDoc, course: int, place: AnyPlace, name: str) -> KeptMotifDoc:
    """A brush's motif at a place, as one of its own; a family's becomes artwork.

    Raises
    ------
    BadInput
        If there is none at this place.
    """
    motif, _ = motif_at(doc, course, place)
    own = motif if isinstance(motif, PictureDoc) else artwork_doc(artwork_at(doc, course, place))
    return KeptMotifDoc(name=name, motif=own, threads=doc.threads)


def everything() -> list[tuple[str, KeptMotifDoc]]:
    """Every motif with its id, in the order in which they were kept."""
    with reading():
        rows = Motif.select().where(~Motif.removed).order_by(Motif.position, Motif.id)
        there = [row for row in rows if not isinstance(row.doc, Unreadable)]
        return [(row.id, KeptMotifDoc.model_validate(row.doc)) for row in there]


def look(motif_id: str) -> KeptMotifDoc:
    """A motif; Missing if there is none."""
    with reading():
        return KeptMotifDoc.model_validate(readable(_find(motif_id).doc))


def keep(kept: KeptMotifDoc) -> tuple[str, KeptMotifDoc]:
    """A new motif in the Library, under a name that no other has, and its id."""
    with writing():
        named = kept.model_copy(update={"name": _free_name(kept.name)})
        position = (Motif.select(fn.MAX(Motif.position)).scalar() or 0) + 1
        row = Motif.create(id=new_id(), doc=named.model_dump(mode="json"), position=position)
        return row.id, named


def rename(motif_id: str, name: str) -> KeptMotifDoc:
    """Another name for a motif; a number follows where another motif has it."""
    name = name.strip()
    if not name:
        raise BadInput("Give the motif a name.")
    with writing():
        row = _find(motif_id)
        before = KeptMotifDoc.model_validate(readable(row.doc))
        if name == before.name:
            return before
        after = before.model_copy(update={"name": _free_name(name)})
        row.doc = after.model_dump(mode="json")
        row.save()
        return after


def remove(motif_id: str) -> None:
    """Take a motif out of the Library; brushes keep the copies that they took."""
    with writing():
        row = _find(motif_id)
        row.removed = True
        row.save()


def restore(motif_id: str) -> None:
    """Put a removed motif back into the Library, under another name where its own has been taken since."""
    with writing():
        row = Motif.get_or_none(Motif.id == motif_id, Motif.removed)
        if row is None:
            raise Missing("There is no such motif to be restored.")
        kept = KeptMotifDoc.model_validate(readable(row.doc))
        row.doc = kept.model_copy(update={"name": _free_name(kept.name)}).model_dump(mode="json")
        row.removed = False
        row.save()


def _find(motif_id: str) -> Motif:
    row = Motif.get_or_none(Motif.id == motif_id, ~Motif.removed)
    if row is None:
        raise Missing("There is no such motif. Choose one from the Library.")
    return row


def _free_name(name: str) -> str:
    return unlike(name, (kept.name for _, kept in everything()))
