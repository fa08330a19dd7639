"""Holds: how a repeat sits on the path. A new hold is a file beside these and a line here."""

from curlet.core.lay.hold.links import links
from curlet.core.lay.hold.pinned import pinned
from curlet.core.lay.hold.placements import Hold, Placements
from curlet.core.lay.hold.ride import ride

RIDE = Hold("Ride", ride, spreads=True)

HOLDS: dict[str, Hold] = {
    "bend": Hold("Bend", None),
    "pinned": Hold("Pinned", pinned),
    "ride": RIDE,
    "links": Hold("Links", links, chain=True),
}

__all__ = ["HOLDS", "RIDE", "Hold", "Placements"]
