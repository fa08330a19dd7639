"""Call-outs: leaders with a text that says how a seam is made."""

from curlet.core.callouts.place import CallOut, PlacedCallOut, place_callouts
from curlet.core.callouts.words import words_of

__all__ = ["CallOut", "PlacedCallOut", "place_callouts", "words_of"]
