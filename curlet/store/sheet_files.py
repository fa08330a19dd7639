"""Sheets as files: what a sheet needs gathered, and put here as a new sheet or in place of one."""

from __future__ import annotations

import base64
import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, replace
from typing import Any, Literal

from peewee import IntegrityError, fn

from curlet.core.errors import BadInput, CurletError
from curlet.formats.pictures_apart import named
from curlet.formats.sheet_file import SheetFile
from curlet.store import journal
from curlet.store.brought import Brought, brought
from curlet.store.commands.intent import BaseIntent
from curlet.store.database import reading, writing
from curlet.store.documents import Unreadable
from curlet.store.errors import Stale
from curlet.store.models import BrushVersion, KeptFont, Picture, Sheet, Step
from curlet.store.names import unlike
from curlet.store.records import Json
from curlet.store.rows import insert_rows
from curlet.store.state import KINDS, OF_SHEET, State, load_state

_NOT_OPENED = "This sheet could not be opened again. Export it again. Nothing was imported."


@dataclass(frozen=True)
class SheetTaken:
    """A sheet that was imported: its id and name here."""

    id: str
    name: str


def sheet_file(sheet_id: str, *, history: bool) -> SheetFile:
    """A sheet with the brushes, pictures and fonts that it needs, and with its history if that is asked for.
    What of it cannot be read is left out."""
    with reading():
        state = load_state(sheet_id)
        steps = _steps_of(sheet_id) if history else []
        used = {row["brush"] for kind in ("run", "single") for row in state.all(kind)}
        used |= set(named(steps, "brush")) & set(state.rows["brush"])
        rows: dict[str, list[Json]] = {kind: [dict(row) for row in state.all(kind)] for kind in KINDS}
        rows["brush"] = [row for row in rows["brush"] if row["id"] in used]
        versions = _versions_of(used) if history else []
        told: list[Any] = [rows, steps]
        return SheetFile(rows, versions, steps, _pictures(told), _fonts(told))


def import_sheet(file: SheetFile) -> SheetTaken:
    """Put a sheet here as a new one; its ids stay where none of them is taken.

    Raises
    ------
    BadInput
        If anything of it could not be kept, or opened again.
    """
    with all_or_nothing():
        new = brought(file, _ids_taken())
        (sheet,) = new.rows["sheet"]
        names = [row.name for row in Sheet.select(Sheet.name)]
        place = (Sheet.select(fn.MAX(Sheet.position)).scalar() or 0) + 1
        sheet |= {"name": unlike(sheet["name"] or "Sheet", names), "position": place, "removed": False}
        _write(new)
        for step in new.steps[-journal.MAX_STEPS :]:
            Step.create(sheet=sheet["id"], **step)
        with as_bad_input():
            state = load_state(sheet["id"])
        _check_all_read(state)
    return SheetTaken(sheet["id"], sheet["name"])


def replace_sheet(sheet_id: str, revision: int, file: SheetFile) -> SheetTaken:
    """Put a sheet in place of what is on another, as one step that can be undone. What is in the file of its
    history is left there. Raises as `import_sheet`, and Stale if the other has moved on from `revision`."""
    with all_or_nothing():
        new = brought(replace(file, steps=[], versions=[]), _ids_taken(but=sheet_id))
        _write(Brought({"brush": new.rows["brush"]}, [], []))
        with as_bad_input():
            state = journal.do(sheet_id, revision, _Replace(kind="replace-sheet", rows=new.rows))
        _check_all_read(state)
    return SheetTaken(sheet_id, state.sheet["name"])


class _Replace(BaseIntent):
    """Everything on a sheet replaced by rows of another."""

    kind: Literal["replace-sheet"]
    rows: dict[str, list[Json]]

    def apply(self, state: State) -> str:
        here, (sheet,) = state.sheet["id"], self.rows["sheet"]
        for kind in reversed(OF_SHEET):
            stay = {row["id"] for row in self.rows[kind]}
            for row_id in set(state.rows[kind]) - stay:
                # What hangs on another row is gone with it.
                if row_id in state.rows[kind]:
                    state.remove(kind, row_id)
        for kind in OF_SHEET:
            for row in self.rows[kind]:
                state.put(kind, {**row, "sheet": here})
        its_own = ("id", "revision", "position", "removed")
        state.update("sheet", here, **{key: value for key, value in sheet.items() if key not in its_own})
        return f"Replace with {sheet['name']}"


@contextmanager
def all_or_nothing() -> Iterator[None]:
    """A block whose rows are all written, or none."""
    try:
        with writing():
            yield
    except (IntegrityError, sqlite3.IntegrityError):
        raise BadInput("What is in this file does not fit together. Nothing was imported.") from None


def _write(new: Brought) -> None:
    insert_rows([(kind, row) for kind, of_kind in new.rows.items() for row in of_kind])
    for version in new.versions:
        BrushVersion.create(**version)


def _check_all_read(state: State) -> None:
    for row in state.set_aside:
        raise BadInput(f"{row.name} in this file cannot be used: {row.fault} Nothing was imported.")


@contextmanager
def as_bad_input() -> Iterator[None]:
    """A block in which documents are used that only a file brings: they may lack what every document that was
    made here has."""
    try:
        yield
    except Stale:
        raise
    except (CurletError, LookupError, TypeError, ValueError, ArithmeticError, RecursionError) as error:
        raise BadInput(f"{_NOT_OPENED} ({error})") from None


def _ids_taken(but: str | None = None) -> set[str]:
    """The ids of everything on every sheet, or on every other one."""
    taken = {sheet for (sheet,) in Sheet.select(Sheet.id).tuples() if sheet != but}
    for kind in OF_SHEET:
        model = KINDS[kind]
        rows = model.select(model.id, model.sheet).tuples()
        taken |= {row_id for row_id, sheet in rows if sheet != but}
    return taken


def _steps_of(sheet_id: str) -> list[Json]:
    """A sheet's steps, as far back as all of them can be read."""
    found: list[Json] = []
    for step in Step.select().where(Step.sheet == sheet_id).order_by(Step.id.desc()):
        if isinstance(step.changes, Unreadable):
            break
        found.append({"label": step.label, "changes": step.changes, "undone": step.undone})
    return found[::-1]


def _versions_of(brushes: set[str]) -> list[Json]:
    """Every version of some brushes that can be read."""
    kept = BrushVersion.select().where(BrushVersion.brush.in_(list(brushes)))
    rows = [dict(v.__data__) for v in kept.order_by(BrushVersion.brush, BrushVersion.number)]
    return [
        {key: value for key, value in row.items() if key != "id"}
        for row in rows
        if not isinstance(row["doc"], Unreadable)
    ]


def _pictures(told: list[Any]) -> dict[str, bytes]:
    keys = set(named(told, "picture"))
    found = Picture.select().where(Picture.id.in_(list(keys)))
    return {picture.id: base64.b64decode(picture.png) for picture in found}


def _fonts(told: list[Any]) -> dict[str, tuple[str, bytes]]:
    keys = set(named(told, "font"))
    found = KeptFont.select().where(KeptFont.id.in_(list(keys)))
    return {font.id: (font.name, base64.b64decode(font.data)) for font in found}
