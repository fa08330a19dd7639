"""Rows from outside: read as strictly as if each of their values had been entered."""

from __future__ import annotations

from functools import cache
from typing import Any

from peewee import Field
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import BadInput, CurletError
from curlet.store.records import RECORDS, Json
from curlet.store.state import KINDS


def read_row(kind: str, row: Json) -> Json:
    """A row of a kind as it is kept: a column that it lacks, as one from before there was that column does,
    has its default.

    Raises
    ------
    BadInput
        If there is no such kind or column, or a value could not be kept.
    """
    if kind not in KINDS:
        raise BadInput(
            f"This file has rows of a kind that is not known: “{kind[:40]}”. Nothing was imported."
        )
    fields: dict[str, Field] = KINDS[kind]._meta.fields
    # What a Field without a default lacks is told by the reader.
    full = {name: _default(field) for name, field in fields.items() if field.default is not None} | row
    full = {name: None for name, field in fields.items() if field.null} | full
    try:
        read: Json = _reader(kind).validate_python(full, strict=True, extra="forbid")
        for name, value in read.items():
            fields[name].db_value(value)  # type: ignore[no-untyped-call]
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False)[0]
        place = "/".join(map(str, first["loc"]))
        raise BadInput(_refusal(kind, row, f"{place}: {first['msg']}.")) from None
    except (CurletError, ValueError, RecursionError) as error:
        raise BadInput(_refusal(kind, row, str(error))) from None
    return read


@cache
def _reader(kind: str) -> TypeAdapter[Any]:
    return TypeAdapter(RECORDS[kind])


def _default(field: Field) -> object:
    return field.default() if callable(field.default) else field.default


def _refusal(kind: str, row: Json, fault: str) -> str:
    called = str(row.get("name") or row.get("id", ""))[:60]
    return f"The {kind} “{called}” in this file cannot be used: {fault} Nothing was imported."
