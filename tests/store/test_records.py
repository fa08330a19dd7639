"""The types of rows are those of the tables."""

from __future__ import annotations

import types
from typing import Any, Literal, Union, get_args, get_origin, get_type_hints

import pytest
from peewee import BooleanField, CharField, FloatField, ForeignKeyField, IntegerField

from curlet.store.records import RECORDS
from curlet.store.state import KINDS

_TYPES: dict[type, type] = {
    CharField: str, ForeignKeyField: str, FloatField: float, BooleanField: bool, IntegerField: int
}  # fmt: skip


@pytest.mark.parametrize("kind", KINDS)
def test_a_row_has_the_columns_of_its_table(kind: str) -> None:
    record = get_type_hints(RECORDS[kind])
    columns = KINDS[kind]._meta.fields
    assert record.keys() == columns.keys()
    for name, field in columns.items():
        plain, null = _plain(record[name])
        assert null == bool(field.null), name
        if type(field) in _TYPES:
            assert plain is _TYPES[type(field)], name


def _plain(hint: Any) -> tuple[Any, bool]:
    """A type without None, and whether it had it."""
    if get_origin(hint) in (types.UnionType, Union):
        (plain,) = (part for part in get_args(hint) if part is not types.NoneType)
        return plain, True
    if get_origin(hint) is Literal:
        return type(get_args(hint)[0]), False
    return hint, False
