"""The sheets themselves: begun, duplicated, archived and restored. What is archived is not lost."""

from __future__ import annotations

from peewee import fn

from curlet.core.errors import BadInput
from curlet.core.measures import Scale, read_measure
from curlet.formats.papers import PAPERS, SIDE, Paper
from curlet.store.database import reading, writing
from curlet.store.errors import Missing
from curlet.store.ids import renamed
from curlet.store.models import Run, Sheet, SheetPath
from curlet.store.names import unlike
from curlet.store.records import Json
from curlet.store.rows import insert_rows
from curlet.store.state import OF_SHEET, load_state, new_id

# Usual sizes of sheets.
PRESETS = (*PAPERS.values(), Paper("Square, 200 mm", 200, 200), Paper("Square, 12 in", 304.8, 304.8))


def list_sheets(*, removed: bool = False) -> list[Json]:
    """Every sheet that is out, or every one that was put archived, with how many paths and runs it has."""
    with reading():
        rows = [dict(s.__data__) for s in Sheet.select().where(Sheet.removed == removed)]
        paths, runs = (_counts(model) for model in (SheetPath, Run))
    rows.sort(key=lambda row: (row["position"], row["name"]))
    return [{**row, "paths": paths.get(row["id"], 0), "runs": runs.get(row["id"], 0)} for row in rows]


def _counts(model: type[SheetPath] | type[Run]) -> dict[str, int]:
    counted = model.select(model.sheet, fn.COUNT(model.id)).group_by(model.sheet).tuples()
    return {sheet: int(count) for sheet, count in counted}


def begin_sheet(name: str, width: str, height: str, scale: str, unit: str) -> str:
    """A new, empty sheet; its sides are entered lengths, bare numbers in the sheet's unit. Its id."""
    size = {side: read_side(entered, unit) for side, entered in (("width", width), ("height", height))}
    return _put({**size, "name": name, "scale": str(Scale.read(scale)), "unit": unit, "background": "light"})


def read_side(entered: str, unit: str) -> float:
    """An entered side of a sheet in mm; a bare number is in the sheet's unit."""
    text = entered.strip()
    return SIDE.check(read_measure(f"{text} in" if unit == "in" and _bare(text) else text).value)


def _bare(text: str) -> bool:
    return all(c.isdigit() or c in ".,/ " for c in text)


def duplicate_sheet(sheet_id: str) -> str:
    """A copy of a sheet with everything on it, but not its steps; its id."""
    with writing():
        state = load_state(sheet_id)
        # Everything on the sheet gets an id of its own; what refers to it is told.
        new = {row["id"]: new_id() for kind in OF_SHEET for row in state.all(kind)}
        kept = {k: v for k, v in state.sheet.items() if k not in ("id", "revision", "position")}
        copy = _put(renamed(kept, new))
        names = {**new, sheet_id: copy}
        rows = [(kind, row) for kind in OF_SHEET for row in state.all(kind)]
        insert_rows([(kind, renamed(row, names)) for kind, row in rows])
    return copy


def archive(sheet_id: str, *, archived: bool) -> None:
    """Put a sheet archived, or bring it back as it was.

    Raises
    ------
    BadInput
        If it is the last one.
    """
    with writing():
        if Sheet.get_or_none(Sheet.id == sheet_id) is None:
            raise Missing("There is no such sheet. Choose one from the list.")
        if archived and Sheet.select().where(~Sheet.removed, Sheet.id != sheet_id).count() == 0:
            raise BadInput("This is the last sheet. Create another before you archive it.")
        Sheet.update(removed=archived).where(Sheet.id == sheet_id).execute()


def _put(values: Json) -> str:
    with writing():
        taken = [sheet.name for sheet in Sheet.select(Sheet.name)]
        position = (Sheet.select(fn.MAX(Sheet.position)).scalar() or 0) + 1
        sheet_id = new_id()
        name = unlike(values["name"].strip() or "Sheet", taken)
        Sheet.create(**{**values, "id": sheet_id, "name": name, "position": position, "removed": False})
    return sheet_id
