"""Five plain sheets that tests are about: flat, in the brushes' own colours, half of them bare.

`python -m tests.plain.load FILE` makes a database of them; the application adds nothing to sheets that are
there.
"""

from __future__ import annotations

import sys
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path as FilePath
from typing import Any

from curlet.demo.brushes import BRUSHES
from curlet.demo.drawn import DemoPath
from curlet.demo.motifs import MOTIFS
from curlet.formats.lettering_doc import LetteringDoc
from curlet.store.commands.runs import LayBrush
from curlet.store.database import open_database, writing
from curlet.store.lettering import letters_of, put_lettering
from curlet.store.models import Brush, Motif, Run, SeamGroup, Sheet, SheetPath, Single
from curlet.store.rows import write_changes
from curlet.store.state import load_state
from tests.plain import coat, curtain, programme, satchel, waistcoat


@dataclass(frozen=True)
class PlainSheet:
    """One sheet of the demo."""

    id: str
    name: str
    size: dict[str, Any]
    groups: dict[str, str]
    paths: Callable[[], list[DemoPath]]
    # What lies on it beside its paths: text along one of them by name, and single repeats by their brush.
    lettering: tuple[str, Callable[[str], LetteringDoc]] | None = None
    singles: tuple[tuple[str, float, float], ...] = ()


SHEETS = (
    PlainSheet("waistcoat", "Usher’s waistcoat", waistcoat.SHEET, waistcoat.GROUPS, waistcoat.waistcoat),
    PlainSheet("programme", "Season programme", programme.SHEET, programme.GROUPS, programme.programme),
    PlainSheet(
        "satchel",
        "Prop satchel",
        satchel.SHEET,
        satchel.GROUPS,
        satchel.satchel,
        lettering=("Name line", satchel.name_on_flap),
    ),
    PlainSheet(
        "coat",
        "Lamplighter puppet’s coat",
        coat.SHEET,
        coat.GROUPS,
        coat.coat,
        singles=tuple(("sequins", x, y) for x, y in coat.BUTTONS),
    ),
    PlainSheet("curtain", "Stage curtain and pelmet", curtain.SHEET, curtain.GROUPS, curtain.curtain),
)


def load_plain() -> None:
    """Put the plain sheets into a store that has the demo's brushes, or will have them."""
    with writing():
        for position, (brush_id, doc) in enumerate(BRUSHES.items()):
            Brush.create(id=brush_id, doc=doc, builtin=True, position=position)
        for position, (motif_id, kept) in enumerate(MOTIFS.items()):
            Motif.create(id=motif_id, doc=kept.model_dump(mode="json"), position=position)
        for position, sheet in enumerate(SHEETS):
            _add_sheet(sheet, position)


# Runs lie over all paths, single repeats over all runs.
_RUNS, _SINGLES = 1_000, 2_000


def _add_sheet(sheet: PlainSheet, position: int) -> None:
    Sheet.create(id=sheet.id, name=sheet.name, position=position, **sheet.size)
    for place, (name, mark) in enumerate(sheet.groups.items()):
        SeamGroup.create(id=_id(sheet, name), sheet=sheet.id, name=name, mark=mark, position=place)
    for place, path in enumerate(sheet.paths()):
        _add_path(sheet, path, place)
    for place, (brush, x, y) in enumerate(sheet.singles):
        Single.create(
            id=f"{sheet.id}-one-{place}",
            sheet=sheet.id,
            brush=brush,
            x=x,
            y=y,
            size=250,
            position=_SINGLES + place,
        )
    if sheet.lettering:
        _write_along(sheet, *sheet.lettering)


def _write_along(sheet: PlainSheet, name: str, make: Callable[[str], LetteringDoc]) -> None:
    """Text along a path, dressed."""
    state, line = load_state(sheet.id), _id(sheet, name)
    put_lettering(state, f"{sheet.id}-text", make(line), state.get("path", line)["group"])
    letters = [path["id"] for path in letters_of(state, f"{sheet.id}-text")]
    LayBrush(kind="lay-brush", paths=letters, brush="eight").apply(state)
    write_changes(state.changes)


def _id(sheet: PlainSheet, name: str) -> str:
    return f"{sheet.id}-" + name.lower().replace(" ", "-")


def _add_path(sheet: PlainSheet, path: DemoPath, position: int) -> None:
    path_id = _id(sheet, path.name)
    SheetPath.create(
        id=path_id,
        sheet=sheet.id,
        group=_id(sheet, path.group),
        name=path.name,
        closed=path.closed,
        nodes=[node.model_dump(mode="json") for node in path.nodes],
        facts=path.facts.model_dump(mode="json") if path.facts else {},
        fill=path.fill.model_dump(mode="json") if path.fill else {},
        position=position,
    )
    if path.brush:
        Run.create(
            id=f"run-{path_id}", sheet=sheet.id, path=path_id, brush=path.brush, position=_RUNS + position
        )


def make_plain(file: FilePath) -> None:
    """A new database of them, which stays open."""
    file.parent.mkdir(parents=True, exist_ok=True)
    open_database(file)
    load_plain()


if __name__ == "__main__":
    make_plain(FilePath(sys.argv[1]))
