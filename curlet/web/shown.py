"""Replies that are frames of a sheet, with what undo and redo would do."""

from __future__ import annotations

from flask import Response

from curlet.store import journal
from curlet.store.state import State
from curlet.studio.lost_places import lost_places
from curlet.studio.under_way import UNWATCHED, UnderWay
from curlet.web.frames import changed_frame, whole_frame
from curlet.web.replies import frame_reply


def whole(state: State, work: UnderWay = UNWATCHED) -> Response:
    """Everything on a sheet."""
    return frame_reply(whole_frame(state, journal.undo_labels(state.sheet["id"]), work))


def changed(state: State, base: int, notes: tuple[str, ...] = (), work: UnderWay = UNWATCHED) -> Response:
    """What a step touched of a sheet as it was at the revision `base`, and what is to be said of it."""
    labels = journal.undo_labels(state.sheet["id"])
    return frame_reply(changed_frame(state, base, labels, (*notes, *lost_places(state)), work))
