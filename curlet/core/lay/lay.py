"""Laying a brush along one path, from legs to placements."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TypeVar

from curlet.core.brush.brush import Brush, Row
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.fit import FITS, FitAsk, LegFit
from curlet.core.lay.hold import HOLDS, Placements
from curlet.core.lay.slots import MOST_REPEATS, Slots, make_slots
from curlet.core.measures import Scale
from curlet.core.motif.motif import Motif
from curlet.core.path.corners import Corner, Leg, find_corners, find_legs
from curlet.core.path.path import Path

T = TypeVar("T")


@dataclass(frozen=True, eq=False)
class LaidCourse:
    """One course as laid: a fit per leg, a slot and a placement per repeat."""

    course: Row
    motif: Motif
    legs: tuple[Leg, ...]
    fits: tuple[LegFit, ...]
    slots: Slots
    placements: Placements


@dataclass(frozen=True, eq=False)
class LaidRun:
    """A brush laid along a path, at a scale. `path` is as walked: reversed if the run is."""

    path: Path
    brush: Brush
    scale: Scale
    corners: tuple[Corner, ...]
    courses: tuple[LaidCourse, ...]


def lay(path: Path, brush: Brush, scale: Scale, *, backwards: bool = False) -> LaidRun:
    """Lay a brush along a path. The same inputs give the same bytes.

    Parameters
    ----------
    path : in sheet mm.
    brush : its measures are worn or printed; `scale` brings them to sheet mm.
    backwards : walk the path from its end to its start.

    Raises
    ------
    BadInput
        If the brush's measures cannot be laid.
    TooMuch
        Past 200,000 repeats.
    """
    brush.check(scale)
    walked = path.reversed() if backwards else path
    reach = max(_reach(course, scale) for course in brush.courses)
    corners = find_corners(walked, brush.corners.angle, reach)
    manner = _named(MANNERS, brush.corners.manner, "corner manner")
    legs = find_legs(walked, corners if manner.breaks else ())
    courses = tuple(_lay_course(walked, course, legs, scale) for course in brush.courses)
    return LaidRun(walked, brush, scale, corners, courses)


def _reach(course: Row, scale: Scale) -> float:
    """How much of the path a rigid repeat spans: turns closer than that are one corner."""
    return max(course.drawn_length(scale), course.motif.make(scale).width / 2)


def _lay_course(path: Path, course: Row, legs: tuple[Leg, ...], scale: Scale) -> LaidCourse:
    fit = _named(FITS, course.fit.kind, "fit")
    hold = _named(HOLDS, course.hold, "hold")
    asks = [_ask(leg, course, scale) for leg in legs]
    if sum(max(ask.ideal, 0) for ask in asks) > 2 * MOST_REPEATS:
        raise TooMuch(
            f"This run would have about {sum(a.ideal for a in asks):,.0f} repeats; {MOST_REPEATS:,} "
            "is the most. Use a longer stitch or gap, or a shorter path."
        )
    fits = tuple(fit(ask) for ask in asks)
    slots = make_slots(legs, fits)
    return LaidCourse(course, course.motif.make(scale), legs, fits, slots, hold(path, slots))


def _ask(leg: Leg, course: Row, scale: Scale) -> FitAsk:
    return FitAsk(
        available=leg.length,
        length=course.drawn_length(scale),
        gap=course.drawn_gap(scale),
        end_gaps=1.0 if leg.unbroken else 0.0,
        rule=course.fit,
    )


def _named(registry: dict[str, T], name: str, what: str) -> T:
    try:
        return registry[name]
    except KeyError:
        known = ", ".join(registry)
        raise BadInput(f"“{name[:32]}” is not a {what}. Choose one of: {known}.") from None
