"""Putting the demo into a store that does not have it yet."""

from __future__ import annotations

from typing import Any

from curlet.demo.brushes import BRUSHES
from curlet.demo.waistcoat import GROUPS, SHEET, DemoPath, waistcoat
from curlet.store.database import writing
from curlet.store.models import Brush, Run, SeamGroup, Sheet, SheetPath

SHEET_ID = "waistcoat"


def load_demo() -> None:
    """Add the demo's brushes and sheet; what is there already is left as it is."""
    with writing():
        for position, (brush_id, doc) in enumerate(BRUSHES.items()):
            _add(Brush, id=brush_id, doc=doc, builtin=True, position=position)
        if Sheet.get_or_none(Sheet.id == SHEET_ID) is None:
            _add_waistcoat()


def _add(model: type[Any], **values: Any) -> None:
    if model.get_or_none(model.id == values["id"]) is None:
        model.create(**values)


def _add_waistcoat() -> None:
    Sheet.create(id=SHEET_ID, name="Usher’s waistcoat", **SHEET)
    for position, (name, mark) in enumerate(GROUPS.items()):
        SeamGroup.create(id=_group_id(name), sheet=SHEET_ID, name=name, mark=mark, position=position)
    for position, path in enumerate(waistcoat()):
        _add_path(path, position)


def _group_id(name: str) -> str:
    return "waistcoat-" + name.lower().replace(" ", "-")


def _add_path(path: DemoPath, position: int) -> None:
    path_id = "waistcoat-" + path.name.lower().replace(" ", "-")
    SheetPath.create(
        id=path_id,
        sheet=SHEET_ID,
        group=_group_id(path.group),
        name=path.name,
        closed=path.closed,
        nodes=[node.model_dump(mode="json") for node in path.nodes],
        facts=path.facts.model_dump(mode="json") if path.facts else {},
        position=position,
    )
    if path.brush:
        Run.create(id=f"run-{path_id}", sheet=SHEET_ID, path=path_id, brush=path.brush, position=position)
