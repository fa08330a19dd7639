"""Holds: how a repeat sits on the path. A new hold is a file beside these and a line here.

A rigid hold gives placements; bend gives none, since it makes new outlines (see `bend`).
"""

from curlet.core.lay.hold.links import links
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Hold, Placements
from curlet.core.lay.hold.ride import ride

HOLDS: dict[str, Hold | None] = {"pinned": pinned, "ride": ride, "bend": None, "links": links}

__all__ = ["HOLDS", "Placements"]
