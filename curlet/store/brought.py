"""What is in a sheet file as it will be here: read, with ids that are not taken, and its brushes found among
those that are here or added to them."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Annotated, Any

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from curlet.core.errors import BadInput
from curlet.formats.names import Name
from curlet.formats.sheet_file import SheetFile, put_together
from curlet.store.fonts import add_font
from curlet.store.ids import renamed
from curlet.store.models import Brush
from curlet.store.names import unlike
from curlet.store.pictures import keep_picture
from curlet.store.records import Count, Id, Json
from curlet.store.rows_brought import read_row
from curlet.store.state import KINDS, OF_SHEET, new_id

_DOES_NOT_FIT = "What is in this file does not fit together. Export the sheet again. Nothing was imported."


@dataclass(frozen=True)
class Brought:
    """What is written of a sheet file: rows by their kinds, of brushes only new ones, the versions of these,
    and the sheet's steps."""

    rows: dict[str, list[Json]]
    versions: list[Json]
    steps: list[Json]


class _Change(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)
    kind: str
    id: Id
    before: dict[str, Any] | None
    after: dict[str, Any] | None


class _Step(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)
    label: Name
    changes: list[_Change]
    undone: bool


class _Version(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)
    brush: Id
    number: Count
    before: Count | None
    label: Name
    doc: dict[str, Any]
    made: Annotated[str, Field(max_length=40)]


def brought(file: SheetFile, taken: Iterable[str]) -> Brought:
    """What of a file is to be written; its pictures and fonts are kept already then.

    Parameters
    ----------
    taken : ids that rows of other sheets have.

    Raises
    ------
    BadInput
        If anything of it could not be kept.
    """
    file = _with_fonts(put_together(file))
    for png in file.pictures.values():
        keep_picture(png)
    for kind in set(file.rows) - set(KINDS):
        read_row(kind, {})
    rows = {kind: [read_row(kind, row) for row in file.rows.get(kind, ())] for kind in KINDS}
    try:
        versions = [_Version.model_validate(version).model_dump() for version in file.versions]
    except ValidationError:
        raise BadInput(_DOES_NOT_FIT) from None
    _check_together(rows)
    steps = _read_steps(file.steps, rows["sheet"][0]["id"])
    names, new = _brush_names(rows["brush"])
    ids = {row["id"] for kind in ("sheet", *OF_SHEET) for row in rows[kind]}
    ids |= {change["id"] for step in steps for change in step["changes"] if change["kind"] in OF_SHEET}
    if ids & set(taken):
        names |= {row_id: new_id() for row_id in ids}
    versions = [version for version in versions if version["brush"] in new]
    rows["brush"] = _new_brushes([row for row in rows["brush"] if row["id"] in new], versions)
    whole = {"rows": rows, "versions": versions, "steps": _latest(steps, new)}
    return Brought(**renamed(whole, names))


def _with_fonts(file: SheetFile) -> SheetFile:
    """The file with its fonts kept here, by the keys that they have here."""
    keys = {key: add_font(*font).id for key, font in file.fonts.items()}
    rows, steps = (renamed(part, keys) for part in (file.rows, file.steps))
    return replace(file, rows=rows, steps=steps)


def _read_steps(steps: list[Json], sheet: str) -> list[Json]:
    """The newest steps, as far back as all of them can be read and are of the sheet."""
    found: list[Json] = []
    for step in reversed(steps):
        try:
            read = _Step.model_validate(step).model_dump()
            read["changes"] = [_read_change(change, sheet) for change in read["changes"]]
        except (BadInput, ValidationError):
            break
        found.append(read)
    return found[::-1]


def _read_change(change: Json, sheet: str) -> Json:
    kind = change["kind"]
    for when in ("before", "after"):
        if change[when] is not None:
            row = change[when] = read_row(kind, change[when])
            if row["id"] != change["id"] or _sheet_of(kind, row, sheet) != sheet:
                raise BadInput(_DOES_NOT_FIT)
    if kind not in KINDS:
        raise BadInput(_DOES_NOT_FIT)
    return change


def _check_together(rows: dict[str, list[Json]]) -> None:
    """Whether everything is of the one sheet, nothing is there twice, and what a path is part of is there.
    All else that rows name is looked after by the database."""
    (sheet,) = rows["sheet"]
    ids = {kind: {row["id"] for row in of_kind} for kind, of_kind in rows.items()}
    twice = any(len(ids[kind]) != len(of_kind) for kind, of_kind in rows.items())
    others = any(
        _sheet_of(kind, row, sheet["id"]) != sheet["id"] for kind, of_kind in rows.items() for row in of_kind
    )
    alone = any(
        path[kind] is not None and path[kind] not in ids[kind]
        for path in rows["path"]
        for kind in ("lettering", "area")
    )
    if twice or others or alone:
        raise BadInput(_DOES_NOT_FIT)


def _sheet_of(kind: str, row: Json, sheet: str) -> object:
    """The id of the sheet that a row is of; brushes are of any."""
    return row["id"] if kind == "sheet" else row.get("sheet", sheet)


def _brush_names(rows: list[Json]) -> tuple[dict[str, str], set[str]]:
    """The ids that a file's brushes have here, and which of them are new: a brush that is just the same is
    used as it is."""
    here = {brush.id: brush.doc for brush in Brush.select()}
    names, new = {}, set()
    for row in rows:
        if here.get(row["id"]) == row["doc"]:
            continue
        same = next((key for key, doc in here.items() if doc == row["doc"]), None)
        if same is None:
            new.add(row["id"])
        if same is not None or row["id"] in here:
            names[row["id"]] = same or new_id()
    return names, new


def _new_brushes(rows: list[Json], versions: list[Json]) -> list[Json]:
    """Brushes as they are added to the Library."""
    numbers = {(version["brush"], version["number"]) for version in versions}
    taken = [brush.doc["name"] for brush in Brush.select() if isinstance(brush.doc, dict)]
    added = []
    for row in rows:
        name = unlike(row["doc"]["name"], taken)
        taken.append(name)
        number = row["version"] if (row["id"], row["version"]) in numbers else 1
        added.append({**row, "doc": {**row["doc"], "name": name}, "builtin": False, "version": number})
    return added


def _latest(steps: list[Json], new: set[str]) -> list[Json]:
    """The steps that can be taken back and done again here: up to one that changed a brush which was here
    already."""

    def fits(step: Json) -> bool:
        return all(change["kind"] != "brush" or change["id"] in new for change in step["changes"])

    done = [step for step in steps if not step["undone"]]
    ahead = [step for step in steps if step["undone"]]
    first = max((at + 1 for at, step in enumerate(done) if not fits(step)), default=0)
    last = next((at for at, step in enumerate(ahead) if not fits(step)), len(ahead))
    return [*done[first:], *ahead[:last]]
