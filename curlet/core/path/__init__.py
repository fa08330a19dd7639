"""Paths: segments, arc length, corners and legs, edits."""

from curlet.core.path.arc_length import ArcLength
from curlet.core.path.corners import Corner, Leg, find_corners, find_legs
from curlet.core.path.path import Path

__all__ = ["ArcLength", "Corner", "Leg", "Path", "find_corners", "find_legs"]
