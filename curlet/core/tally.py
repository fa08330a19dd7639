"""Measured facts of a laid run, and warnings with their place and mend.

Lengths are drawn (sheet) mm unless a name says worn.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from curlet.core.brush.brush import Row, Share
from curlet.core.lay.fit import LegFit
from curlet.core.lay.lay import LaidCourse, LaidRun
from curlet.core.measures import MM_PER_INCH, MM_PER_PT, Frame, Measure, Scale, pitch_to_spi
from curlet.core.path.corners import Leg

FINEST_PRINTED_PT = 0.25
THINNEST_MM = 1e-9


@dataclass(frozen=True)
class Mend:
    """A one-press fix: what the person would type into the settings named by JSON Pointers."""

    label: str
    settings: tuple[tuple[str, str | bool], ...]


@dataclass(frozen=True)
class Warning:
    """Something to look at. `s` and `at` are its place on the path; `leg` its leg's index."""

    code: str
    message: str
    s: float | None = None
    at: tuple[float, float] | None = None
    leg: int | None = None
    mend: Mend | None = None


@dataclass(frozen=True)
class LegTally:
    """One leg as laid; `ease` is the change in stitch length and `departure` in pitch, in %."""

    node_id: str
    start: float
    length: float
    repeats: int
    stitch: float
    gap: float
    ease: float
    departure: float
    off: bool
    lead: float
    left_over: float


@dataclass(frozen=True)
class CornerTally:
    """One corner: its place along the path, its turn in degrees, and how it was done."""

    node_id: str
    s: float
    x: float
    y: float
    turn: float
    manner: str


@dataclass(frozen=True)
class RunTally:
    """A run's facts. `spi` is the mean over the legs, None where nothing was laid."""

    closed: bool
    length: float
    repeats: int
    stitch: tuple[float, float]
    gap: tuple[float, float]
    mean_stitch: float
    mean_gap: float
    spi: float | None
    departure: float
    legs: tuple[LegTally, ...]
    corners: tuple[CornerTally, ...]
    warnings: tuple[Warning, ...]


def tally(run: LaidRun) -> RunTally:
    """The facts of a run's first course, which is the one that its measures are read from."""
    laid = run.courses[0]
    legs = tuple(_leg(run, laid, leg, fit) for leg, fit in zip(laid.legs, laid.fits, strict=True))
    filled = [leg for leg in legs if leg.repeats] or list(legs)
    stitches = max(sum(leg.repeats for leg in legs), 1)
    mean_stitch = sum(leg.stitch * leg.repeats for leg in filled) / stitches or filled[0].stitch
    mean_gap = sum(leg.gap * leg.repeats for leg in filled) / stitches or filled[0].gap
    repeats = sum(leg.repeats for leg in legs)
    pitch = (mean_stitch + mean_gap) / run.scale.factor
    return RunTally(
        closed=run.path.closed,
        length=run.path.length,
        repeats=repeats,
        stitch=(min(leg.stitch for leg in filled), max(leg.stitch for leg in filled)),
        gap=(min(leg.gap for leg in filled), max(leg.gap for leg in filled)),
        mean_stitch=mean_stitch,
        mean_gap=mean_gap,
        spi=pitch_to_spi(pitch) if repeats and pitch > 0 else None,
        departure=max((leg.departure for leg in filled), key=abs),
        legs=legs,
        corners=_corners(run),
        warnings=tuple(_warnings(run, laid, legs)),
    )


def _leg(run: LaidRun, laid: LaidCourse, leg: Leg, fit: LegFit) -> LegTally:
    length = laid.course.drawn_length(run.scale)
    pitch = length + laid.course.drawn_gap(run.scale)
    alone = fit.repeats < 2 and not leg.unbroken
    departure = fit.length / length - 1 if alone else (fit.length + fit.gap) / pitch - 1
    return LegTally(
        node_id=leg.node_id,
        start=leg.s0,
        length=leg.length,
        repeats=fit.repeats,
        stitch=fit.length,
        gap=fit.gap,
        ease=100 * (fit.length / length - 1),
        departure=100 * departure,
        off=abs(100 * departure) > laid.course.fit.tolerance + 1e-9,
        lead=fit.lead,
        left_over=fit.left_over,
    )


def _corners(run: LaidRun) -> tuple[CornerTally, ...]:
    if not run.corners:
        return ()
    points = run.path.arc.points([corner.s for corner in run.corners])
    return tuple(
        CornerTally(c.node_id, c.s, float(x), float(y), c.turn, run.brush.corners.manner)
        for c, (x, y) in zip(run.corners, points, strict=True)
    )


def _warnings(run: LaidRun, laid: LaidCourse, legs: tuple[LegTally, ...]) -> list[Warning]:
    found = [*_too_fine(run, laid), *_solid(run, laid, legs)]
    for index, leg in enumerate(legs):
        found += _short_leg(run, laid.course, leg, index) or _off_leg(run, laid.course, leg, index)
    if laid.legs[0].unbroken and legs[0].left_over > 1e-6:
        found.append(_step(run, legs[0]))
    return [*found, *(Warning("tidied", note) for note in run.path.notes)]


def _mm(drawn: float, run: LaidRun) -> str:
    """A worn length in words, to two decimals at the most."""
    return f"{round(drawn / run.scale.factor, 2):g} mm"


def _typed(measure: Measure, frame: Frame, scale: Scale) -> str:
    """What to type for a measure in a frame, rounded up so that it is no less."""
    mm = measure.worn(scale) if frame is Frame.WORN else measure.drawn(scale)
    return f"{math.ceil(mm * 10_000 - 1e-6) / 10_000:g} mm"


def _place(run: LaidRun, s: float) -> tuple[float, float]:
    x, y = run.path.arc.points([s])[0]
    return float(x), float(y)


def _too_fine(run: LaidRun, laid: LaidCourse) -> list[Warning]:
    points = laid.motif.width / MM_PER_PT
    if points >= FINEST_PRINTED_PT - 1e-9:
        return []
    need = Measure(FINEST_PRINTED_PT * MM_PER_PT, Frame.PRINTED)
    text = _typed(need, laid.course.motif.thread.frame, run.scale)
    settings = (("/courses/0/motif/thread", text),)
    return [
        Warning(
            "too-fine",
            f"The thread prints as {points:.2f} pt: below {FINEST_PRINTED_PT} pt it may not print.",
            mend=Mend(f"Thicken to {FINEST_PRINTED_PT} pt", settings),
        )
    ]


def _solid(run: LaidRun, laid: LaidCourse, legs: tuple[LegTally, ...]) -> list[Warning]:
    thread = laid.motif.width
    tight = [i for i, leg in enumerate(legs) if leg.repeats > 1 and leg.gap <= thread + THINNEST_MM]
    if not tight:
        return []
    leg = legs[tight[0]]
    wide = Measure(2.0 * thread, Frame.PRINTED)
    if isinstance(laid.course.gap, Share):
        share = wide.mm / laid.course.drawn_length(run.scale)
        text = f"{math.ceil(100 * share):g} %"
    else:
        text = _typed(wide, laid.course.gap.frame, run.scale)
    return [
        Warning(
            "solid-line",
            f"The gap, {_mm(leg.gap, run)}, is not wider than the thread, {_mm(thread, run)}: "
            "the stitches run together into a solid line.",
            s=leg.start,
            at=_place(run, leg.start),
            leg=tight[0],
            mend=Mend(f"Widen the gap to {_mm(wide.mm, run)}", (("/courses/0/gap", text),)),
        )
    ]


def _short_leg(run: LaidRun, course: Row, leg: LegTally, index: int) -> list[Warning]:
    stitch = course.drawn_length(run.scale)
    if leg.repeats and not (course.fit.short_legs and leg.off and leg.repeats == 1):
        return []
    lead = f"This leg is {_mm(leg.length, run)}: too short for a {_mm(stitch, run)} stitch"
    if leg.repeats:
        message = f"{lead}, so it has one eased to fit."
        return [Warning("short-leg-eased", message, leg.start, _place(run, leg.start), index)]
    mend = Mend(f"Ease to {_mm(leg.length, run)}", (("/courses/0/fit/short_legs", True),))
    message = f"{lead}, so it has none."
    return [Warning("leg-too-short", message, leg.start, _place(run, leg.start), index, mend)]


def _off_leg(run: LaidRun, course: Row, leg: LegTally, index: int) -> list[Warning]:
    if not leg.off:
        return []
    message = (
        f"This leg's stitches are {leg.departure:+.1f} % off what was asked, "
        f"past the tolerance of {course.fit.tolerance:g} %."
    )
    mend = None
    if course.fit.kind == "ease" and course.length.frame is Frame.WORN:
        fitting = f"{round(leg.stitch / run.scale.factor, 4):g} mm"
        label = f"Set the stitch to {_mm(leg.stitch, run)}, which fits here"
        mend = Mend(label, (("/courses/0/length", fitting),))
    return [Warning("off-tolerance", message, leg.start, _place(run, leg.start), index, mend)]


def _step(run: LaidRun, leg: LegTally) -> Warning:
    return Warning(
        "open-step",
        f"This closed path does not come out even: {_mm(leg.left_over, run)} is left over at its "
        "start point.",
        s=leg.start,
        at=_place(run, leg.start),
        leg=0,
        mend=Mend("Ease it to close", (("/courses/0/fit/kind", "ease"),)),
    )


def too_fine(run: LaidRun, ppi: float) -> list[str]:
    """What in a run is below print weight (0.25 pt) or below one pixel at `ppi`, in words."""
    pixel = MM_PER_INCH / ppi
    notes = []
    for course in run.courses:
        thread = course.motif.width
        if thread < FINEST_PRINTED_PT * MM_PER_PT - 1e-9:
            notes.append(f"the thread is {thread / MM_PER_PT:.2f} pt, below {FINEST_PRINTED_PT} pt.")
        elif thread < pixel:
            notes.append(f"the thread is {thread / pixel:.1f} of a pixel at {ppi:g} ppi.")
        gaps = [fit.gap - 2 * course.motif.overhang for fit in course.fits if fit.repeats > 1]
        if gaps and min(gaps) < pixel:
            notes.append(f"the clear gap is {max(min(gaps), 0) / pixel:.1f} of a pixel at {ppi:g} ppi.")
    return notes
