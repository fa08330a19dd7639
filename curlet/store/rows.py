"""Rows in and out of the tables, many at a time."""

from __future__ import annotations

from itertools import groupby

from peewee import Field, chunked

from curlet.store.errors import Conflict
from curlet.store.models import database
from curlet.store.records import Json
from curlet.store.state import KINDS
from curlet.store.usage import is_used


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
