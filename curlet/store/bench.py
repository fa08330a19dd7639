"""Brushes on the Bench: changed one version at a time, every version kept."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from peewee import fn

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.names import ended
from curlet.store.database import reading, writing
from curlet.store.documents import Unreadable
from curlet.store.errors import Conflict, Missing
from curlet.store.models import Brush, Run
from curlet.store.names import unlike
from curlet.store.records import Json
from curlet.store.remade import remake_areas
from curlet.store.state import new_id
from curlet.store.unreadable import readable
from curlet.store.usage import is_used, new_revisions, sheets_using, use_instead
from curlet.store.versions import add_version, find_version, list_versions, step_to, version_ahead

Apply = Callable[[BrushDoc], tuple[BrushDoc, str]]

# Versions that are listed.
_SHOWN = 50


@dataclass(frozen=True)
class Bench:
    """A brush with its versions, newest first; `used_by` counts the runs that use it."""

    id: str
    doc: BrushDoc
    builtin: bool
    version: int
    used_by: int
    versions: tuple[Json, ...]
    undo: str | None
    redo: str | None


def look(brush_id: str) -> Bench:
    """A brush as it is now; Missing if there is none."""
    with reading():
        return _bench(_find(brush_id))


def change(brush_id: str, version: int, edit: Apply, *, keep_runs: bool = False) -> Bench:
    """Change a brush as one undoable version.

    A built-in stays as it is: a copy of it is changed instead, and returned.

    Parameters
    ----------
    version : the one that the change was made on.
    keep_runs : leave the runs that use it as they were: they get a copy of it as it was.

    Raises
    ------
    Conflict
        If the brush has been changed elsewhere since.
    """
    with writing():
        brush = _fresh(brush_id, version)
        before = read_brush(readable(brush.doc))
        doc, label = edit(before)
        if doc == before:
            return _bench(brush)
        doc.to_core().check(Scale())
        if brush.builtin:
            brush = _copy(before, ended(before.name, " (copy)"))
            doc = doc.model_copy(update={"name": brush.doc["name"]}) if doc.name == before.name else doc
        elif keep_runs:
            _leave_runs(brush, before)
        _keep(brush, doc, label)
        return _bench(brush)


def undo(brush_id: str, version: int) -> Bench:
    """Back to the version before this one; nothing happens where there is none."""
    with writing():
        brush = _fresh(brush_id, version)
        now = find_version(brush, brush.version)
        if now is not None and now.before is not None:
            _step_to(brush, now.before)
        return _bench(brush)


def redo(brush_id: str, version: int) -> Bench:
    """On to the newest version that came from this one; nothing happens where there is none."""
    with writing():
        brush = _fresh(brush_id, version)
        ahead = version_ahead(brush)
        if ahead is not None:
            _step_to(brush, ahead.number)
        return _bench(brush)


def go_back(brush_id: str, version: int, number: int) -> Bench:
    """Any earlier version, as a new one."""
    with writing():
        brush = _fresh(brush_id, version)
        earlier = find_version(brush, number)
        if earlier is None:
            raise Missing("That version is no longer kept. Choose another from the list.")
        _keep(brush, read_brush(readable(earlier.doc)), f"Back to: {earlier.label}")
        return _bench(brush)


def add(doc: BrushDoc) -> Bench:
    """A new brush in the Library."""
    with writing():
        return _bench(_copy(doc, doc.name))


def remove(brush_id: str) -> None:
    """Remove a brush from the Library; one that is used, or built in, stays."""
    with writing():
        brush = _find(brush_id)
        if brush.builtin:
            raise BadInput("Built-in brushes stay in the Library.")
        if is_used(brush_id):
            raise Conflict("This brush is used. Remove it from its paths first, then it can be removed.")
        brush.removed = True
        brush.save()


def restore(brush_id: str) -> None:
    """Put a removed brush back into the Library, under another name where its own has been taken since."""
    with writing():
        brush = _there(Brush.get_or_none(Brush.id == brush_id))
        if not brush.removed:
            return
        doc = read_brush(readable(brush.doc))
        name = free_name(doc.name)
        brush.removed = False
        brush.save()
        if name != doc.name:
            _keep(brush, doc.model_copy(update={"name": name}), "Restore under another name")


def everything() -> list[Json]:
    """Every brush's row in the Library's order, with how many runs use it; of those that were removed only
    what a run uses again."""
    with reading():
        counts = Run.select(Run.brush, fn.COUNT(Run.id)).group_by(Run.brush).tuples()
        used: dict[str, int] = {brush: count for brush, count in counts}
        every = _readable(Brush.select().order_by(Brush.position, Brush.id))
        brushes = [brush for brush in every if not brush.removed or used.get(brush.id)]
        return [{**brush.__data__, "used_by": used.get(brush.id, 0)} for brush in brushes]


def free_name(name: str) -> str:
    """A name that no brush in the Library has."""
    return unlike(name, (brush.doc["name"] for brush in _readable()))


def by_name() -> dict[str, Brush]:
    """The first brush of each name, the user's before a built-in."""
    ordered = sorted(_readable(), key=lambda brush: (brush.builtin, brush.position), reverse=True)
    return {brush.doc["name"]: brush for brush in ordered}


def _readable(brushes: Iterable[Brush] | None = None) -> list[Brush]:
    """Those of some brushes, or of all in the Library, that can be read."""
    some = Brush.select().where(~Brush.removed) if brushes is None else brushes
    return [brush for brush in some if not isinstance(brush.doc, Unreadable)]


def put_doc(brush: Brush, doc: BrushDoc, label: str) -> None:
    """Another document for a brush, as a version that can be taken back."""
    _keep(brush, doc, label)


def _find(brush_id: str) -> Brush:
    brush = _there(Brush.get_or_none(Brush.id == brush_id))
    if brush.removed and not is_used(brush_id):
        raise Missing("This brush was removed from the Library. Choose another there.")
    return brush


def _there(brush: Brush | None) -> Brush:
    if brush is None:
        raise Missing("There is no such brush. Choose one from the Library.")
    return brush


def _fresh(brush_id: str, version: int) -> Brush:
    brush = _find(brush_id)
    if brush.version != version:
        raise Conflict("This brush was changed in another page. It has been brought up to date: look again.")
    return brush


def _copy(doc: BrushDoc, name: str) -> Brush:
    """A new brush of the user's, under a name that is free."""
    return put_new(doc, free_name(name))


def put_new(doc: BrushDoc, name: str) -> Brush:
    """A new brush of the user's, under a name that no other has."""
    position = (Brush.select(fn.MAX(Brush.position)).scalar() or 0) + 1
    named = doc.model_copy(update={"name": name})
    kept = named.model_dump(mode="json")
    return Brush.create(id=new_id(), doc=kept, builtin=False, position=position)


def _leave_runs(brush: Brush, before: BrushDoc) -> None:
    if not is_used(brush.id):
        return
    as_it_was = _copy(before, ended(before.name, ", as it was"))
    _changed_on(sheets_using([brush.id]))
    use_instead(brush.id, as_it_was.id)


def _keep(brush: Brush, doc: BrushDoc, label: str) -> None:
    """A new version after the present one."""
    _step_to(brush, add_version(brush, doc.model_dump(mode="json"), label))


def _step_to(brush: Brush, number: int) -> None:
    step_to(brush, number)
    _changed_on(sheets_using([brush.id]))


def _changed_on(sheets: set[str]) -> None:
    """Sheets look otherwise now, their areas too."""
    remake_areas(sheets)
    new_revisions(sheets)


def _bench(brush: Brush) -> Bench:
    now, ahead = find_version(brush, brush.version), version_ahead(brush)
    return Bench(
        brush.id,
        read_brush(readable(brush.doc)),
        brush.builtin,
        brush.version,
        Run.select().where(Run.brush == brush.id).count(),
        list_versions(brush, _SHOWN),
        now.label if now is not None and now.before is not None else None,
        ahead.label if ahead else None,
    )
