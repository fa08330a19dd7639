"""Brush files imported: nothing is replaced unless asked for, and never a built-in."""

from __future__ import annotations

from curlet.formats.brush_file import BrushDoc
from curlet.store import bench
from curlet.store.database import writing
from curlet.store.models import Brush
from curlet.store.names import unlike
from curlet.store.records import Json


def import_brushes(found: list[tuple[str, BrushDoc]], *, replace: bool) -> list[Json]:
    """Add brushes, or put them in place of those of the same name; all of them or, on an error, none.

    Parameters
    ----------
    found : (file's name, brush).
    """
    with writing():
        there = bench.by_name()
        return [_take(file, doc, there, replace=replace) for file, doc in found]


def _take(file: str, doc: BrushDoc, there: dict[str, Brush], *, replace: bool) -> Json:
    present = there.get(doc.name)
    if present is not None and present.doc == doc.model_dump(mode="json"):
        return {"file": file, "name": doc.name, "id": present.id, "became": "the same"}
    if present is not None and replace and not present.builtin:
        bench.put_doc(present, doc, f"Imported from {file}")
        return {"file": file, "name": doc.name, "id": present.id, "became": "replaced"}
    name = unlike(doc.name, there)
    there[name] = bench.put_new(doc, name)
    became = "added" if present is None else "added beside"
    return {"file": file, "name": name, "id": there[name].id, "became": became}
