"""Rows that cannot be read: set aside, so that everything else opens, and shown with what can be done."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from curlet.core.errors import BadInput, CurletError
from curlet.formats.brush_file import read_brush
from curlet.formats.content import content_of
from curlet.formats.path_doc import path_of_content
from curlet.formats.shade_refs import with_colours
from curlet.store.documents import Unreadable
from curlet.store.records import Json

# Rows that a row cannot be shown without.
_BESIDE = {"run": ("path", "brush"), "single": ("brush",)}
_NO_PATH, _NO_BRUSH = "Its path cannot be read.", "Its brush cannot be read."

Rows = dict[str, dict[str, Json]]


@dataclass(frozen=True)
class SetAside:
    """A row that is not shown: its kind, id and name, and what keeps it from being read."""

    kind: str
    id: str
    name: str
    fault: str


def readable(value: Any) -> Any:
    """A document; BadInput where it is `Unreadable`."""
    if isinstance(value, Unreadable):
        raise BadInput(f"This cannot be read: {value.fault} Choose an earlier version, or remove it.")
    return value


def set_aside(rows: Rows, read: Rows | None = None) -> tuple[SetAside, ...]:
    """Take out of a sheet's rows those that cannot be read, and what cannot be shown without them.

    Parameters
    ----------
    read : rows that were found readable together. Those that are the same still, on the same path and of the
        same brush, are not looked at again.
    """
    for sheet in rows["sheet"].values():
        # A sheet without its cloth is still that sheet.
        if isinstance(sheet["background_cloth"], Unreadable):
            sheet["background_cloth"] = {}
    used = Counter(row["brush"] for kind in ("run", "single") for row in rows[kind].values())
    names = {row["id"]: row["name"] for row in rows["path"].values()}
    found: list[SetAside] = []
    for kind, row, fault in _faults(rows, read):
        del rows[kind][row["id"]]
        # What hangs on a path or a brush is told of with it; a brush that is not used here is not.
        if fault in (_NO_PATH, _NO_BRUSH) or (kind == "brush" and not used[row["id"]]):
            continue
        if kind == "brush":
            count = used[row["id"]]
            fault = f"{fault} What uses it here is not shown: {count} run{'s' * (count > 1)}."
        name = f"on {names[row['path']]}" if kind == "run" else name_of(row)
        found.append(SetAside(kind, row["id"], name, fault))
    return tuple(found)


def _faults(rows: Rows, read: Rows | None) -> Iterator[tuple[str, Json, str]]:
    """The rows that cannot be read, each to be taken out before the next is looked for."""
    as_they_were = _as_they_were(rows, read or {})
    for kind, of_kind in rows.items():
        for row in list(of_kind.values()):
            keys = ((kind, row["id"]), *((of, row[of]) for of in _BESIDE.get(kind, ())))
            if as_they_were.issuperset(keys):
                continue
            fault = _own_fault(row) or _fault_beside(kind, row, rows)
            if fault:
                yield kind, row, fault


def _as_they_were(rows: Rows, read: Rows) -> set[tuple[str, str]]:
    """The rows, by kind and id, that are what they were when they were found readable."""
    return {
        (kind, row_id)
        for kind, of_kind in read.items()
        for row_id, row in of_kind.items()
        if (now := rows[kind].get(row_id)) is row or (kind == "brush" and now == row)
    }


def _own_fault(row: Json) -> str:
    return next((value.fault for value in row.values() if isinstance(value, Unreadable)), "")


def _fault_beside(kind: str, row: Json, rows: Rows) -> str:
    """What of a row cannot be used though each of its columns can be read."""
    if kind in ("run", "single") and row["brush"] not in rows["brush"]:
        return _NO_BRUSH
    if kind == "run" and row["path"] not in rows["path"]:
        return _NO_PATH
    try:
        if kind == "path":
            path_of_content(content_of(row["nodes"]), row["closed"])
        elif kind in ("run", "single"):
            # Which colours its shades have does not matter here.
            read_brush(rows["brush"][row["brush"]]["doc"], with_colours(row["own"], {}))
    except CurletError as error:
        return str(error)
    return ""


def name_of(row: Json) -> str:
    """What a row is called; without a name, what its text begins with."""
    if row.get("name"):
        return str(row["name"])
    doc = row.get("doc")
    text = doc.text if isinstance(doc, Unreadable) else ""
    found = text.partition('"name":"')[2].partition('"')[0]
    return found[:120] or str(row["id"])
