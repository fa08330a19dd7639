"""Where a brush is used: by runs, and by single repeats."""

from __future__ import annotations

from collections.abc import Iterable

from curlet.store.models import Run, Sheet, Single

_WEARERS = (Run, Single)


def is_used(brush_id: str) -> bool:
    """Whether anything on any sheet uses a brush."""
    return any(model.select().where(model.brush == brush_id).exists() for model in _WEARERS)


def sheets_using(brush_ids: Iterable[str]) -> set[str]:
    """The sheets on which brushes are used."""
    those = list(brush_ids)
    found = [model.select(model.sheet).where(model.brush.in_(those)).tuples() for model in _WEARERS]
    return {sheet for rows in found for (sheet,) in rows}


def use_instead(brush_id: str, for_another: str) -> None:
    """What uses a brush uses another from now on."""
    for model in _WEARERS:
        model.update(brush=for_another).where(model.brush == brush_id).execute()


def new_revisions(sheets: Iterable[str]) -> None:
    """A new revision for some sheets."""
    Sheet.update(revision=Sheet.revision + 1).where(Sheet.id.in_(list(sheets))).execute()
