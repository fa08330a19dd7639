"""How sharp a corner may be for its legs to be cut on its bisector."""

from __future__ import annotations

import math

# Past this turn, degrees, a bisector cut runs on without end.
SHARPEST_CUT = 179.0


def mitre_ratio(turn: float) -> float:
    """Mitre length over width, 1/sin(θ/2), θ = 180° − τ between the legs (SVG 2, stroke-miterlimit).

    >>> round(mitre_ratio(90), 4)
    1.4142
    """
    return 1 / max(math.cos(math.radians(abs(turn)) / 2), 1e-9)


def within_limit(turn: float, limit: float) -> bool:
    """Whether a corner is cut on its bisector rather than flat."""
    return abs(turn) < SHARPEST_CUT and mitre_ratio(turn) <= limit + 1e-9
