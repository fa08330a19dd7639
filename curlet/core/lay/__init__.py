"""Laying a brush along a path: legs, rooms, fits, repeats. The heart."""

from curlet.core.lay.lay import LaidRun, OtherHalf, RunRule, lay
from curlet.core.lay.row import LaidRow

__all__ = ["LaidRow", "LaidRun", "OtherHalf", "RunRule", "lay"]
