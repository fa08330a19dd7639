"""Errors of keeping: missing, out of date, busy."""

from __future__ import annotations

from curlet.core.errors import CurletError


class Missing(CurletError):
    """What was asked for is not in the store."""


class Stale(CurletError):
    """A command was made on an older revision of the sheet."""

    def __init__(self, revision: int) -> None:
        super().__init__(
            "This sheet was changed in another page. It has been brought up to date here: "
            "look, and do that again."
        )
        self.revision = revision


class Conflict(CurletError):
    """Undo or redo would overwrite something that was changed elsewhere since."""


class Unavailable(CurletError):
    """The database cannot be written or read just now."""
