"""Rows in and out of the tables, many at a time."""

from __future__ import annotations

from itertools import groupby

from peewee import Field, chunked

from curlet.store.errors import Conflict
from curlet.store.models import database
from curlet.store.records import Json
from curlet.store.state import KINDS, Change
from curlet.store.usage import is_used

# Parents before children, so that foreign keys hold while rows are written.
_ORDER = {kind: place for place, kind in enumerate(KINDS)}


def write_changes(changes: list[Change]) -> None:
    """Write each row's last state: parents first, and deletions children first."""
    last: dict[tuple[str, str], Json | None] = {}
    for change in changes:
        last[change.kind, change.id] = change.after
    ordered = sorted(last.items(), key=lambda item: _ORDER[item[0][0]])
    new = _new_rows(changes)
    insert_rows([(key[0], row) for key, row in ordered if key in new and row is not None])
    for key, row in ordered:
        if row is not None and key not in new:
            _put(key[0], row)
    delete_rows([key for key, row in reversed(ordered) if row is None])


def _new_rows(changes: list[Change]) -> set[tuple[str, str]]:
    """Rows that are not in the database yet: those that were not there before the first of their changes."""
    first: dict[tuple[str, str], Json | None] = {}
    for change in changes:
        first.setdefault((change.kind, change.id), change.before)
    return {key for key, before in first.items() if before is None}


def _put(kind: str, row: Json) -> None:
    model = KINDS[kind]
    values = {name: value for name, value in row.items() if name not in ("id", "revision")}
    if not model.update(**values).where(model.id == row["id"]).execute():
        model.create(**row)


def insert_rows(rows: list[tuple[str, Json]]) -> None:
    """Put new rows in, each with its kind, parents before children."""
    for kind, model in KINDS.items():
        new = [row for of, row in rows if of == kind]
        if new:
            # peewee would write the statement anew for every row, which takes longer than all else.
            fields = model._meta.sorted_fields
            columns = ", ".join(f'"{field.column_name}"' for field in fields)
            marks = ", ".join("?" * len(fields))
            statement = f'INSERT INTO "{model._meta.table_name}" ({columns}) VALUES ({marks})'
            values = [[_column(field, row) for field in fields] for row in new]
            database.connection().executemany(statement, values)


def delete_rows(keys: list[tuple[str, str]]) -> None:
    """Take rows out by kind and id, children before parents.

    Raises
    ------
    Conflict
        If one is a brush that is used.
    """
    for kind, group in groupby(keys, key=lambda key: key[0]):
        ids = [row_id for _, row_id in group]
        if kind == "brush" and any(map(is_used, ids)):
            raise Conflict("This brush is used on another sheet. Remove it there first.")
        model = KINDS[kind]
        for some in chunked(ids, 500):
            model.delete().where(model.id.in_(some)).execute()


def _column(field: Field, row: Json) -> object:
    """What is kept of a row in one column; a row from before there was the column has its default."""
    default = field.default() if callable(field.default) else field.default
    kept: object = field.db_value(row.get(field.name, default))  # type: ignore[no-untyped-call]
    return kept
