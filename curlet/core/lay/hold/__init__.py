"""Holds: how a repeat sits on the path. A new hold is a file beside these and a line here."""

from curlet.core.lay.hold.links import links
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Hold, Placements
from curlet.core.lay.hold.rigid import rigid

RIGID = Hold("Rigid", rigid, spreads=True)

HOLDS: dict[str, Hold] = {
    "bend": Hold("Bend", None),
    "pinned": Hold("Pinned", pinned),
    "rigid": RIGID,
    "links": Hold("Links", links, chain=True),
}

__all__ = ["HOLDS", "RIGID", "Hold", "Placements"]
