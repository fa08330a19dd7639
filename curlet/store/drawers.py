"""Brush files taken in: nothing is replaced unless it is said, and never a built-in."""

from __future__ import annotations

from curlet.formats.brush_file import BrushDoc
from curlet.store import bench
from curlet.store.bench import free_name, named_brush, put_doc
from curlet.store.database import writing
from curlet.store.state import Row


def take_in(found: list[tuple[str, BrushDoc]], *, replace: bool) -> list[Row]:
    """Add brushes, or put them in place of those of the same name; all of them or, on an error, none.

    Parameters
    ----------
    found : (file's name, brush).
    """
    with writing():
        return [_take(file, doc, replace=replace) for file, doc in found]


def _take(file: str, doc: BrushDoc, *, replace: bool) -> Row:
    there = named_brush(doc.name)
    if there is not None and there.doc == doc.model_dump(mode="json"):
        return {"file": file, "name": doc.name, "id": there.id, "became": "the same"}
    if there is not None and replace and not there.builtin:
        put_doc(there, doc, f"Taken in from {file}")
        return {"file": file, "name": doc.name, "id": there.id, "became": "replaced"}
    name = free_name(doc.name)
    brush = bench.add(doc)
    became = "added" if name == doc.name else "added beside"
    return {"file": file, "name": name, "id": brush.id, "became": became}
