"""The picture that is looked at before it is exported: made whole, as the file will be, and kept while other
parts of it are looked at. A part that is painted by itself differs at its edges and in its cloth."""

from __future__ import annotations

import threading
from dataclasses import dataclass

from curlet.formats.output import FileSettings
from curlet.formats.window import Window
from curlet.store.state import State
from curlet.studio import exports
from curlet.studio.export_facts import per_mm
from curlet.studio.exported import Exported, drawings
from curlet.studio.under_way import UNWATCHED, UnderWay


@dataclass(frozen=True, eq=False)
class _Kept:
    state: State
    asked: Exported
    form: str
    settings: FileSettings
    picture: bytes

    def is_of(self, state: State, asked: Exported, form: str, settings: FileSettings) -> bool:
        same = (self.asked, self.form, self.settings) == (asked, form, settings)
        return same and self.state.rows == state.rows


_kept: _Kept | None = None
_lock = threading.Lock()


def pixels_of(
    state: State,
    asked: Exported,
    form: str,
    settings: FileSettings,
    part: Window,
    work: UnderWay = UNWATCHED,
) -> bytes:
    """A PNG of a part of the picture that a format with pixels has; raises as `drawings`, the format and
    `window`."""
    global _kept
    # The whole of a layered picture is a PNG's.
    form = "png" if form == "ora" else form
    with _lock:
        kept = _kept
    if kept is None or not kept.is_of(state, asked, form, settings):
        made = drawings(state, asked, per_mm(form, settings), work)[0]
        picture = exports.export(made.title, [made], form, settings, work).data
        kept = _Kept(state, asked, form, settings, picture)
        with _lock:
            _kept = kept
    return exports.part_of(kept.picture, part, work)
