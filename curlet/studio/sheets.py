"""A sheet changed, tried, undone, and its small picture.

Whatever is done must be possible to lay; whatever is undone too, unless the sheet cannot be laid as it is.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from functools import lru_cache, partial

from curlet.core.errors import BadInput, CurletError
from curlet.store import journal
from curlet.store.commands import Intent
from curlet.store.database import opening
from curlet.store.errors import Stale
from curlet.store.following import follow
from curlet.store.state import State
from curlet.studio.checks import check_runs
from curlet.studio.drawn_sheet import small_picture
from curlet.studio.under_way import UNWATCHED, UnderWay


@contextmanager
def doing(sheet_id: str, revision: int, intent: Intent, work: UnderWay = UNWATCHED) -> Iterator[State]:
    """Carry out an intent as one undoable step; kept when the block ends, as `journal.doing`."""
    with journal.doing(sheet_id, revision, intent, partial(check_runs, work=work)) as state:
        yield state


def attempt(sheet_id: str, revision: int, intent: Intent) -> State:
    """What a sheet would be if an intent were carried out; nothing is kept. Raises as `journal.doing`."""
    now = journal.current_revision(sheet_id)
    if now != revision:
        raise Stale(now)
    draft = _kept(opening(), sheet_id, revision).draft()
    intent.apply(draft)
    follow(draft)
    check_runs(draft)
    return draft


def undo(sheet_id: str, revision: int, work: UnderWay = UNWATCHED) -> State:
    """Take back the last step; nothing happens where there is none."""
    return journal.undo(sheet_id, revision, partial(check_replayed, work=work))


def redo(sheet_id: str, revision: int, work: UnderWay = UNWATCHED) -> State:
    """Do the last undone step again; nothing happens where there is none."""
    return journal.redo(sheet_id, revision, partial(check_replayed, work=work))


def check_replayed(before: State, after: State, work: UnderWay = UNWATCHED) -> None:
    """Refuse a step back or forth to what cannot be laid; from what cannot be laid either, any step may be
    taken."""
    try:
        check_runs(after, work)
    except CurletError as error:
        if _can_be_laid(before):
            raise BadInput(f"As its brush is now, this step would leave a run that fails: {error}") from None


def _can_be_laid(state: State) -> bool:
    try:
        check_runs(state)
    except CurletError:
        return False
    return True


def thumbnail(sheet_id: str) -> bytes:
    """A small picture of a sheet, a PNG, made once for each revision."""
    return _picture(opening(), sheet_id, journal.current_revision(sheet_id))


@lru_cache(maxsize=64)
def _picture(opened: int, sheet_id: str, revision: int) -> bytes:
    return small_picture(journal.find_sheet(sheet_id))


@lru_cache(maxsize=8)
def _kept(opened: int, sheet_id: str, revision: int) -> State:
    """The state at a revision; a drag asks for the same one many times."""
    return journal.find_sheet(sheet_id)
