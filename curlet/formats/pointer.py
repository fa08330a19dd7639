"""JSON Pointer (RFC 6901) reads and writes, for settings kept beside a document."""

from __future__ import annotations

import copy
from typing import Any

from curlet.core.errors import BadInput

Json = Any


def parts(pointer: str) -> list[str]:
    """The reference tokens of a pointer.

    Raises
    ------
    BadInput
        If it does not start with "/".
    """
    if not pointer.startswith("/") or len(pointer) > 200:
        raise BadInput(f"“{pointer[:40]}” does not name a setting.")
    return [part.replace("~1", "/").replace("~0", "~") for part in pointer[1:].split("/")]


def look_up(document: Json, pointer: str) -> Json:
    """The value at a pointer; BadInput if there is none."""
    here = document
    for part in parts(pointer):
        try:
            here = here[int(part)] if isinstance(here, list) else here[part]
        except (KeyError, IndexError, ValueError, TypeError):
            raise BadInput(f"There is no setting {pointer[:60]} in this brush.") from None
    return here


def patched(document: Json, values: dict[str, Json]) -> Json:
    """A copy of the document with the values put in at their pointers."""
    document = copy.deepcopy(document)
    for pointer, value in values.items():
        *path, last = parts(pointer)
        parent = look_up(document, "/" + "/".join(path)) if path else document
        look_up(document, pointer)
        parent[int(last) if isinstance(parent, list) else last] = copy.deepcopy(value)
    return document
