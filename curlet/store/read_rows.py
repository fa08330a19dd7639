"""Rows out of the tables, many at a time."""

from __future__ import annotations

from collections.abc import Callable
from operator import itemgetter
from threading import Lock
from typing import Any

from cachetools import LRUCache
from peewee import CharField, Expression, Field, ForeignKeyField, TextField

from curlet.store.documents import JsonField
from curlet.store.models import Table, database
from curlet.store.records import Json

Values = tuple[Any, ...]
# By table and sheet: what each row's columns hold, and the row as it was read of that.
_Known = dict[str, tuple[Values, Json]]
# About eight sheets' worth.
KNOWN: LRUCache[tuple[str, str], _Known] = LRUCache(100)
# Every thread of the server reads.
_ALONE = Lock()


def read_rows(model: type[Table], *which: Expression) -> dict[str, Json]:
    """Rows of a table by their ids, each column as its field reads it."""
    make = _maker(model)
    return {row["id"]: row for row in map(make, _found(model, *which))}


def read_sheet_rows(model: type[Table], sheet_id: str) -> dict[str, Json]:
    """A sheet's rows of a table by their ids. A row whose columns hold what they held when they were last
    read is the same object as then, so that it must not be changed in place."""
    key = (model._meta.table_name, sheet_id)
    with _ALONE:
        known = KNOWN.get(key, {})
    now: _Known = {}
    make, id_of = _maker(model), itemgetter(_names(model).index("id"))
    for values in _found(model, model.sheet == sheet_id):
        before = known.get(id_of(values))
        now[id_of(values)] = before if before and before[0] == values else (values, make(values))
    with _ALONE:
        KNOWN[key] = now
    return {row_id: row for row_id, (_, row) in now.items()}


def _found(model: type[Table], *which: Expression) -> Any:
    query = model.select()
    return database.execute(query.where(*which) if which else query)


def _names(model: type[Table]) -> list[str]:
    return [field.name for field in model._meta.sorted_fields]


def _maker(model: type[Table]) -> Callable[[Values], Json]:
    """What makes a row of its columns. peewee's own reading asks the same of each value anew, which takes
    most of the time that a large sheet takes to load."""
    names, reads = _names(model), [_reader(field) for field in model._meta.sorted_fields]

    def make(values: Values) -> Json:
        return {
            name: value if read is None or value is None else read(value)
            for name, read, value in zip(names, reads, values, strict=True)
        }

    return make


def _reader(field: Field) -> Callable[[Any], Any] | None:
    """What a column's values are read by; None where SQLite has them as they are."""
    if isinstance(field, CharField | TextField | ForeignKeyField) and not isinstance(field, JsonField):
        return None
    read: Callable[[Any], Any] = field.python_value
    return read
