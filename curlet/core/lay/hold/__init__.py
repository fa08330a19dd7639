"""Holds: how a repeat sits on the path. A new hold is a file beside these and a line here."""

from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Hold, Placements

HOLDS: dict[str, Hold] = {"pinned": pinned}

__all__ = ["HOLDS", "Placements"]
