"""What can be done about rows that cannot be read: save them as they are, remove them, restore a brush."""

from __future__ import annotations

from typing import Any

from curlet.formats.brush_file import read_brush
from curlet.store import bench
from curlet.store.database import reading, writing
from curlet.store.documents import Unreadable
from curlet.store.errors import Conflict, Missing
from curlet.store.models import Brush, BrushVersion, Motif, Run, Single, Table, database
from curlet.store.state import KINDS, State, load_state
from curlet.store.unreadable import SetAside, name_of
from curlet.store.usage import is_used, new_revisions

# What is kept across sheets.
_LIBRARY: dict[str, type[Table]] = {"brush": Brush, "motif": Motif}


def unreadable_in_library() -> list[SetAside]:
    """The brushes and motifs that cannot be read."""
    with reading():
        return [
            SetAside(kind, row.id, name_of(row.__data__), row.doc.fault)
            for kind, model in _LIBRARY.items()
            for row in model.select()
            if isinstance(row.doc, Unreadable)
        ]


def as_kept(kind: str, row_id: str) -> dict[str, Any]:
    """A row's columns as they stand in the database, unread; Missing if there is none."""
    model = {**KINDS, **_LIBRARY}.get(kind)
    if model is None:
        raise Missing("There is nothing of this kind.")
    with reading():
        found = database.execute_sql(f'SELECT * FROM "{model._meta.table_name}" WHERE id = ?', (row_id,))
        row = found.fetchone()
    if row is None:
        raise Missing("This is no longer here.")
    return dict(zip((column[0] for column in found.description), row, strict=True))


def remove_from_sheet(sheet_id: str, kind: str, row_id: str) -> State:
    """Remove a row that cannot be read, and what hangs on it; of a brush, which others may use, what uses it
    on this sheet. This cannot be undone."""
    with writing():
        if not any((row.kind, row.id) == (kind, row_id) for row in load_state(sheet_id).set_aside):
            raise Missing("There is nothing unreadable of this name on the sheet.")
        if kind == "brush":
            for user in (Run, Single):
                user.delete().where(user.sheet == sheet_id, user.brush == row_id).execute()
        else:
            model = KINDS[kind]
            model.delete().where(model.id == row_id).execute()
        new_revisions([sheet_id])
        return load_state(sheet_id)


def remove_from_library(kind: str, row_id: str) -> None:
    """Remove a brush or motif that cannot be read; this cannot be undone."""
    with writing():
        _unreadable(kind, row_id)
        if kind == "brush" and is_used(row_id):
            raise Conflict("Runs use this brush. Restore it, or remove the runs first.")
        model = _LIBRARY[kind]
        model.delete().where(model.id == row_id).execute()


def restore_brush(brush_id: str) -> bench.Bench:
    """The newest version of a brush that can be read, in place of one that cannot."""
    with writing():
        brush = _unreadable("brush", brush_id)
        own = BrushVersion.select().where(BrushVersion.brush == brush_id).order_by(BrushVersion.number.desc())
        for earlier in own:
            if not isinstance(earlier.doc, Unreadable):
                bench.put_doc(brush, read_brush(earlier.doc), f"Restored: {earlier.label}")
                return bench.look(brush_id)
    raise Missing("No earlier version of this brush can be read. Save it as it is, then remove it.")


def _unreadable(kind: str, row_id: str) -> Any:
    model = _LIBRARY.get(kind)
    row = model.get_or_none(model.id == row_id) if model else None
    if row is None or not isinstance(row.doc, Unreadable):
        raise Missing("There is nothing unreadable of this name.")
    return row
