"""Laying a brush along a path: legs, rooms, fits, repeats. The heart."""

from curlet.core.lay.lay import LaidRun, Mate, RunRule, lay
from curlet.core.lay.row import LaidRow

__all__ = ["LaidRow", "LaidRun", "Mate", "RunRule", "lay"]
