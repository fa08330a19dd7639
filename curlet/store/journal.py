"""Doing, undoing and redoing commands: one transaction each, kept with the sheet."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager

from peewee import Field, fn

from curlet.core.errors import BadInput
from curlet.store.commands import Intent
from curlet.store.database import reading, writing
from curlet.store.errors import Conflict, Missing, Stale
from curlet.store.following import follow
from curlet.store.models import Brush, Sheet, Step
from curlet.store.records import Json
from curlet.store.remade import remade_areas, remake_areas
from curlet.store.rows import write_changes
from curlet.store.state import KINDS, Change, State, load_state, reread
from curlet.store.unreadable import readable
from curlet.store.usage import new_revisions, sheets_using
from curlet.store.versions import with_versions

# Is shown the state before a step back or forth and the state after, each with the step's changes; what it
# raises leaves everything as it was.
CheckReplayed = Callable[[State, State], None]

MAX_STEPS = 2_000


def do(sheet_id: str, revision: int, intent: Intent, check: Callable[[State], None] | None = None) -> State:
    """Carry out an intent as one undoable step; see `doing`."""
    with doing(sheet_id, revision, intent, check) as state:
        return state


@contextmanager
def doing(
    sheet_id: str, revision: int, intent: Intent, check: Callable[[State], None] | None = None
) -> Iterator[State]:
    """Carry out an intent as one undoable step, and give the sheet as it was read back, with the changes.

    It is kept when the block ends: what the block raises, as when the sheet cannot be shown, leaves all as it
    was.

    Parameters
    ----------
    check : is shown the state before it is written; what it raises leaves everything as it was.

    Raises
    ------
    Stale
        If the sheet has moved on from `revision`.
    """
    with writing():
        state = _fresh(sheet_id, revision)
        label = intent.apply(state)
        follow(state)
        if check:
            check(state)
        if state.changes:
            Step.delete().where(Step.sheet == sheet_id, Step.undone).execute()
            changes = with_versions(state.changes, label)
            Step.create(sheet=sheet_id, label=label, changes=[vars(change) for change in changes])
            write_changes(changes)
            _drop_oldest(sheet_id)
            _moved_on(sheet_id, changes)
        yield _read_back(state)


def _read_back(done: State) -> State:
    """The sheet as it is now kept; BadInput if anything that changed cannot be read."""
    changed = {(change.kind, change.id) for change in done.changes}
    state = reread(done, changed)
    for row in state.set_aside:
        if (row.kind, row.id) in changed:
            raise BadInput(f"{row.name} could not be opened again: {row.fault} Nothing was changed.")
    state.changes = done.changes
    return state


def undo(sheet_id: str, revision: int, check: CheckReplayed | None = None) -> State:
    """Take back the last step, and give the sheet with the changes; nothing happens where there is none."""
    with writing():
        before, step = _fresh(sheet_id, revision), _last(sheet_id)
        if step is None:
            return before
        back = [Change(c["kind"], c["id"], c["after"], c["before"]) for c in readable(step.changes)]
        return _replay(before, back[::-1], step, check, undone=True)


def redo(sheet_id: str, revision: int, check: CheckReplayed | None = None) -> State:
    """Do the last undone step again, and give the sheet with the changes; nothing happens where there is
    none."""
    with writing():
        before, step = _fresh(sheet_id, revision), _next(sheet_id)
        if step is None:
            return before
        changes = [Change(**change) for change in readable(step.changes)]
        return _replay(before, changes, step, check, undone=False)


def undo_labels(sheet_id: str) -> tuple[str | None, str | None]:
    """What undo and redo would take back or do again, in words."""
    with reading():
        # What a step changed is not read: it may be as much as the sheet.
        last, ahead = _last(sheet_id, Step.label), _next(sheet_id, Step.label)
    return (last.label if last else None, ahead.label if ahead else None)


def _last(sheet_id: str, *columns: Field) -> Step | None:
    done = Step.select(*columns).where(Step.sheet == sheet_id, ~Step.undone)
    return done.order_by(Step.id.desc()).first()


def _next(sheet_id: str, *columns: Field) -> Step | None:
    ahead = Step.select(*columns).where(Step.sheet == sheet_id, Step.undone)
    return ahead.order_by(Step.id).first()


def _fresh(sheet_id: str, revision: int) -> State:
    state = load_state(sheet_id)
    if state.sheet["revision"] != revision:
        raise Stale(state.sheet["revision"])
    return state


def _replay(
    before: State, changes: list[Change], step: Step, check: CheckReplayed | None, *, undone: bool
) -> State:
    sheet_id = before.sheet["id"]
    for change in changes:
        if change.kind == "brush":
            _check_same(change)
    write_changes(changes)
    step.undone = undone
    step.save()
    _moved_on(sheet_id, changes)
    # A brush may have changed since: areas are made of it as it is now.
    anew = remade_areas(sheet_id)
    after = load_state(sheet_id)
    before.changes, after.changes = changes, [*changes, *anew]
    if check:
        check(before, after)
    return after


def _but_removed(row: Json | None) -> Json | None:
    return row and {key: value for key, value in row.items() if key != "removed"}


def _check_same(change: Change) -> None:
    """A brush is shared by sheets: it must still be as this step left it, removed from the Library or not."""
    model = KINDS[change.kind]
    item = model.get_or_none(model.id == change.id)
    if _but_removed(item.__data__ if item else None) != _but_removed(change.before):
        raise Conflict("This brush has been changed on another sheet since. Undo it there first.")


def _moved_on(sheet_id: str, changes: list[Change]) -> None:
    """A new revision here, and on every sheet that uses a changed brush."""
    brushes = {change.id for change in changes if change.kind == "brush"}
    others = sheets_using(brushes) - {sheet_id} if brushes else set()
    remake_areas(others)
    new_revisions({sheet_id} | others)


def _drop_oldest(sheet_id: str) -> None:
    count, first = (
        Step.select(fn.COUNT(Step.id), fn.MIN(Step.id)).where(Step.sheet == sheet_id).tuples().get()
    )
    if count > MAX_STEPS:
        Step.delete().where(Step.sheet == sheet_id, Step.id == first).execute()


def find_sheet(sheet_id: str) -> State:
    """A sheet's state for reading."""
    with reading():
        return load_state(sheet_id)


def current_revision(sheet_id: str) -> int:
    """The sheet's revision, or Missing."""
    with reading():
        revision = Sheet.select(Sheet.revision).where(Sheet.id == sheet_id).scalar()
    if revision is None:
        raise Missing("There is no such sheet. Choose one from the list.")
    return int(revision)


def unit_of(sheet_id: str) -> str:
    """The unit that a sheet is measured in; mm of one that is not there."""
    with reading():
        return str(Sheet.select(Sheet.unit).where(Sheet.id == sheet_id).scalar() or "mm")


def find_brush(brush_id: str) -> Json | None:
    """A brush's document, or None."""
    with reading():
        brush = Brush.get_or_none(Brush.id == brush_id)
    return readable(brush.doc) if brush else None
