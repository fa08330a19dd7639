"""JSON documents in columns: what cannot be read back is never written, later damage is reported."""

from __future__ import annotations

from functools import lru_cache
from typing import Any

import orjson
from peewee import TextField
from pydantic import JsonValue, TypeAdapter, ValidationError

from curlet.core.errors import BadInput, CurletError

# Texts up to this length are remembered as read, so that a sheet's thousands of paths are not read each time.
_SHORT = 20_000


class Unreadable:
    """What stands in a column for a document that cannot be read: its text, and what is wrong with it."""

    def __init__(self, text: str, fault: str) -> None:
        self.text, self.fault = text, fault


class JsonField(TextField):
    """A JSON document of a stated type, or the column's default, which stands for none."""

    def __init__(self, kind: Any = JsonValue, **named: Any) -> None:
        super().__init__(**named)
        self._reads: TypeAdapter[Any] = TypeAdapter(kind)
        self._none = orjson.dumps(self.default()).decode() if callable(self.default) else None

    def fault(self, text: str) -> str:
        """What keeps a text from being read, in words; empty where nothing does."""
        if text == self._none:
            return ""
        return (_remembered if len(text) < _SHORT else _fault)(self._reads, text)

    def db_value(self, value: Any) -> str:
        """The text to keep.

        Raises
        ------
        BadInput
            If it could not be read back.
        """
        if isinstance(value, Unreadable):
            return value.text
        text = orjson.dumps(value).decode()
        fault = self.fault(text)
        if fault:
            raise BadInput(f"This could not be opened again once it is kept: {fault} Nothing was changed.")
        return text

    def python_value(self, value: str) -> Any:
        """The document, or `Unreadable`."""
        if value == self._none:
            return self.default()
        fault = self.fault(value)
        return Unreadable(value, fault) if fault else orjson.loads(value)


def _fault(reads: TypeAdapter[Any], text: str) -> str:
    try:
        # Numbers and names are as strict from the store as they are from outside.
        reads.validate_json(text)
    except ValidationError as error:
        first = error.errors(include_url=False, include_input=False)[0]
        place = "/".join(map(str, first["loc"]))
        return f"{place}: {first['msg']}." if place else f"It is damaged ({first['msg']})."
    except (CurletError, ValueError, RecursionError) as error:
        return str(error)
    return ""


_remembered = lru_cache(maxsize=40_000)(_fault)
