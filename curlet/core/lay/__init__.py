"""Laying a brush along a path: legs, slots, placements. The heart."""

from curlet.core.lay.lay import LaidCourse, LaidRun, lay

__all__ = ["LaidCourse", "LaidRun", "lay"]
