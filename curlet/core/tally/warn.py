"""Warnings, in words, with their place and mend."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from curlet.core.brush.courses import Row, Share
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.corners.limit import SHARPEST_CUT
from curlet.core.lay.crossings import SHALLOW
from curlet.core.lay.hold import HOLDS
from curlet.core.lay.span import LaidSpan
from curlet.core.measures import MM_PER_INCH, MM_PER_PT, Measure, MeasuredOn, Scale
from curlet.core.motif.families import Family, Running
from curlet.core.tally.facts import LegTally, RunTally, gave_way
from curlet.core.tally.pinches import Pinch
from curlet.core.tally.sentence import Sentence

FINEST_PRINTED_PT = 0.25
THINNEST_MM = 1e-9


@dataclass(frozen=True)
class Mend:
    """A one-press fix: what the person would enter in the settings named by JSON Pointers."""

    label: Sentence
    settings: tuple[tuple[str, str | bool], ...]


@dataclass(frozen=True)
class Warning:
    """Something to look at. `s` and `at` are its place on the path; `leg` its leg's index."""

    code: str
    message: Sentence
    s: float | None = None
    at: tuple[float, float] | None = None
    leg: int | None = None
    mend: Mend | None = None


def warnings(run: LaidRun, facts: RunTally, tight: tuple[Pinch, ...]) -> tuple[Warning, ...]:
    """Everything about a run that wants looking at."""
    row = run.main
    found: list[Warning] = []
    if row is not None:
        found += [*_too_fine(run, row), *_solid(run, row, facts.legs), *_unusual(run, row)]
        for index, leg in enumerate(facts.legs):
            found += _short_leg(run, row.course, leg, index) or _off_leg(run, row.course, leg, index)
            found += _count_not_met(run, leg, index)
        found += [*_step(run, row, facts), *_links(run, row, facts), *_unequal(run, row, facts.legs)]
    found += [*_no_room(run), *_rounded_less(run), *_pinched(run, tight), *_spans(run), *_crossed(run)]
    found += [Warning("lost-place", Sentence(text)) for text in _lost(run)]
    return (*found, *(Warning("tidied", Sentence(note)) for note in run.path.notes))


def _setting(run: LaidRun, name: str) -> str:
    return f"/courses/{run.brush.main}/{name}"


def _mm(drawn: float, run: LaidRun) -> float:
    """A length of the drawing in mm on the garment."""
    return drawn / run.scale.factor


def _to_enter(measure: Measure, on: MeasuredOn, scale: Scale) -> str:
    """What to enter for a measure on the garment or on paper, rounded up so that it is no less."""
    mm = measure.on_garment(scale) if on is MeasuredOn.GARMENT else measure.drawn(scale)
    return f"{math.ceil(mm * 10_000 - 1e-6) / 10_000:g} mm"


def _place(run: LaidRun, s: float) -> tuple[float, float]:
    x, y = run.path.arc.points([s])[0]
    return float(x), float(y)


def _thread(row: LaidRow) -> float | None:
    """Weight of the thread that a row's stitches are drawn with, drawn mm; None for other artwork."""
    if not isinstance(row.course.motif, Running):
        return None
    stroke = row.motif.shapes[0].shape.stroke
    return stroke.weight if stroke else None


def _too_fine(run: LaidRun, row: LaidRow) -> Iterator[Warning]:
    thread, measure = _thread(row), row.course.motif.thread
    if thread is None or measure is None or thread / MM_PER_PT >= FINEST_PRINTED_PT - 1e-9:
        return
    need = Measure(FINEST_PRINTED_PT * MM_PER_PT * 100 / row.course.weight, MeasuredOn.PAPER)
    text = _to_enter(need, measure.on, run.scale)
    mend = Mend(Sentence(f"Thicken to {FINEST_PRINTED_PT} pt"), ((_setting(run, "motif/thread"), text),))
    message = (
        f"The thread prints as {thread / MM_PER_PT:.2f} pt: below {FINEST_PRINTED_PT} pt it may not print."
    )
    yield Warning("too-fine", Sentence(message), mend=mend)


def _unusual(run: LaidRun, row: LaidRow) -> Iterator[Warning]:
    """A repeat longer or shorter than its family is usually made."""
    motif = row.course.motif
    if not isinstance(motif, Family):
        return
    low, high = motif.about.usual
    garment = row.length / run.scale.factor
    if low - 1e-9 <= garment <= high + 1e-9:
        return
    near = low if garment < low else high
    message = Sentence(
        "{} is an unusual length: {} to {} is usual for this.", _mm(row.length, run), low, high
    )
    settings = ((_setting(run, "length"), f"{near:g} mm"),)
    mend = Mend(Sentence("Set it to {}", near), settings) if row.course.size == 100 else None
    yield Warning("unusual", message, mend=mend)


def _solid(run: LaidRun, row: LaidRow, legs: tuple[LegTally, ...]) -> Iterator[Warning]:
    thread = _thread(row)
    if thread is None or row.gap < 0:
        return
    tight = [i for i, leg in enumerate(legs) if leg.repeats > 1 and leg.gap <= thread + THINNEST_MM]
    if not tight:
        return
    leg = legs[tight[0]]
    wide = Measure(2.0 * thread * 100 / row.course.size, MeasuredOn.PAPER)
    if isinstance(row.course.gap, Share):
        share = 2.0 * thread / row.length
        text = f"{math.ceil(100 * share):g} %"
    else:
        text = _to_enter(wide, row.course.gap.on, run.scale)
    yield Warning(
        "solid-line",
        Sentence(
            "The gap, {}, is not wider than the thread, {}: the stitches run together into a solid line.",
            _mm(leg.gap, run),
            _mm(thread, run),
        ),
        s=leg.start,
        at=_place(run, leg.start),
        leg=tight[0],
        mend=Mend(Sentence("Widen the gap to {}", _mm(2.0 * thread, run)), ((_setting(run, "gap"), text),)),
    )


def _short_leg(run: LaidRun, course: Row, leg: LegTally, index: int) -> list[Warning]:
    stitch = course.drawn_length(run.scale)
    if leg.set or (leg.repeats and not (course.fit.short_legs and leg.off and leg.repeats == 1)):
        return []
    at = _place(run, leg.start)
    if leg.own_length <= 0:
        message = Sentence("This leg vanishes on the row's own line beside it, so it has no stitches.")
        return [Warning("leg-vanishes", message, leg.start, at, index)]
    done = "one eased to fit" if leg.repeats else "none"
    lead = f"This leg is {{}}: too short for a {{}} stitch, so it has {done}."
    message = Sentence(lead, _mm(leg.length, run), _mm(stitch, run))
    if leg.repeats:
        return [Warning("short-leg-eased", message, leg.start, at, index)]
    ease = Mend(Sentence("Ease to {}", _mm(leg.length, run)), ((_setting(run, "fit/short_legs"), True),))
    mend = None if HOLDS[course.hold].chain else ease
    return [Warning("leg-too-short", message, leg.start, at, index, mend)]


def _off_leg(run: LaidRun, course: Row, leg: LegTally, index: int) -> list[Warning]:
    if not leg.off or HOLDS[course.hold].chain:
        return []
    message = (
        f"This leg's stitches are {leg.departure:+.1f} % off what was asked, "
        f"past the tolerance of {course.fit.tolerance:g} %."
    )
    mend = None
    if course.fit.kind == "ease" and course.length.on is MeasuredOn.GARMENT:
        garment = leg.stitch / run.scale.factor * 100 / course.size
        label = Sentence("Set the stitch to {}, which fits here", _mm(leg.stitch, run))
        mend = Mend(label, ((_setting(run, "length"), f"{round(garment, 4):g} mm"),))
    return [Warning("off-tolerance", Sentence(message), leg.start, _place(run, leg.start), index, mend)]


def _count_not_met(run: LaidRun, leg: LegTally, index: int) -> Iterator[Warning]:
    asked = run.rule.counts.get(leg.node_id)
    if asked is not None and asked != leg.repeats:
        message = f"{asked} were asked for on this leg, and no more than {leg.repeats} go in as they are."
        yield Warning("count-not-met", Sentence(message), leg.start, _place(run, leg.start), index)


def _unequal(run: LaidRun, row: LaidRow, legs: tuple[LegTally, ...]) -> Iterator[Warning]:
    """Repeats that touch cannot all share one length."""
    lengths = [leg.stitch for leg in legs if leg.repeats]
    if row.course.fit.shared and row.gap <= 0 and lengths and max(lengths) - min(lengths) > THINNEST_MM:
        message = Sentence(
            "Repeats that touch leave no gap to share one length: they are {} to {}, so that no leg shows "
            "a slit.",
            _mm(min(lengths), run),
            _mm(max(lengths), run),
        )
        yield Warning("unequal-lengths", message)


def _step(run: LaidRun, row: LaidRow, facts: RunTally) -> Iterator[Warning]:
    if not (row.legs[0].unbroken and facts.legs[0].left_over > 1e-6) or row.hold.chain:
        return
    leg = facts.legs[0]
    yield Warning(
        "open-step",
        Sentence(
            "This closed path does not come out even: {} is left over at its start point.",
            _mm(leg.left_over, run),
        ),
        s=leg.start,
        at=_place(run, leg.start),
        leg=0,
        mend=Mend(Sentence("Ease it to close"), ((_setting(run, "fit/kind"), "ease"),)),
    )


def _links(run: LaidRun, row: LaidRow, facts: RunTally) -> Iterator[Warning]:
    if not row.hold.chain:
        return
    for index, leg in enumerate(facts.legs):
        if leg.left_over > 1e-6:
            message = Sentence(
                "The chain ends {} short of the leg: links are never eased.", _mm(leg.left_over, run)
            )
            yield Warning("links-left-over", message, leg.start, _place(run, leg.start), index)
        elif leg.off:
            message = Sentence(f"The links stand {leg.departure:+.1f} % off their own length here.")
            yield Warning("links-off", message, leg.start, _place(run, leg.start), index)


def _no_room(run: LaidRun) -> Iterator[Warning]:
    for corner in gave_way(run).values():
        instead = "it is mitred" if abs(corner.turn) < SHARPEST_CUT else "both legs are cut where they meet"
        message = f"The corner piece has no room at this turn of {abs(corner.turn):.0f}°, so {instead}."
        yield Warning("corner-no-room", Sentence(message), corner.s, _place(run, corner.s))


def _rounded_less(run: LaidRun) -> Iterator[Warning]:
    """Corners whose arc has no room for the radius that was set, or that have none."""
    made = {fillet.corner.node_id: fillet.radius for fillet in run.fillets}
    for corner in run.corners:
        radius = made.get(corner.node_id, 0.0)
        set_radius = MANNERS[run.manners.of(corner)].radius(run.brush.corners, run.scale)
        as_drawn = not radius and corner.rounded
        if as_drawn or radius > set_radius - 1e-6:
            continue
        done, by = ("is rounded by {}", (_mm(radius, run),)) if radius else ("stays sharp", ())
        no_room = f"There is no room here for a radius of {{}}: this corner {done}."
        message = Sentence(no_room, _mm(set_radius, run), *by)
        yield Warning("less-rounded", message, corner.s, _place(run, corner.s))


def _pinched(run: LaidRun, tight: tuple[Pinch, ...]) -> Iterator[Warning]:
    for pinch in tight:
        what = "the artwork folds over itself" if pinch.folds else "it is squeezed on the inner side"
        yield Warning(
            "pinch",
            Sentence(f"Radius {{}}, needs {{}}: here {what}.", _mm(pinch.radius, run), _mm(pinch.needs, run)),
            s=pinch.start,
            at=_place(run, (pinch.start + pinch.end) / 2),
        )


def _spans(run: LaidRun) -> Iterator[Warning]:
    for course in run.courses:
        if isinstance(course, LaidSpan) and course.step > 1e-6:
            yield Warning(
                "span-step",
                Sentence(
                    "The span's two ends meet with a step of {}. Make them equally wide.",
                    _mm(course.step, run),
                ),
                s=0.0,
                at=_place(run, 0.0),
            )


def _crossed(run: LaidRun) -> Iterator[Warning]:
    for item in run.passes:
        crossing = item.crossing
        place = (crossing.x, crossing.y)
        if crossing.angle < SHALLOW:
            message = f"The path crosses itself at {crossing.angle:.0f}°: too shallow to show over and under."
            yield Warning("shallow-crossing", Sentence(message), crossing.first, place)
        if item.conflict:
            message = "Over and under do not alternate here. Flip this crossing if it looks wrong."
            yield Warning("crossing-order", Sentence(message), crossing.first, place)


def _lost(run: LaidRun) -> Iterator[str]:
    """What was said of places that the path no longer has."""
    corners = {corner.node_id for corner in run.corners}
    gone = len([node for node in run.rule.corners if node not in corners])
    if gone:
        what = "corner manners are" if gone > 1 else "corner manner is"
        yield f"{gone} {what} kept for nodes that turn no corner now."
    row = run.main
    legs = {leg.node_id for leg in row.legs} if row else set()
    gone = len([node for node in run.rule.counts if node not in legs])
    if gone:
        yield f"{gone} {'counts are' if gone > 1 else 'count is'} kept for legs that are not there now."


def too_fine(run: LaidRun, ppi: float) -> list[str]:
    """What in a run is below print weight (0.25 pt) or below one pixel at `ppi`, in words."""
    pixel = MM_PER_INCH / ppi
    notes = []
    for course in run.rows:
        if (thread := _thread(course)) is None:
            continue
        if thread < FINEST_PRINTED_PT * MM_PER_PT - 1e-9:
            notes.append(f"the thread is {thread / MM_PER_PT:.2f} pt, below {FINEST_PRINTED_PT} pt.")
        elif thread < pixel:
            notes.append(f"the thread is {thread / pixel:.1f} of a pixel at {ppi:g} ppi.")
        gaps = [fit.gap - 2 * course.motif.overhang for fit in course.fits if fit.repeats > 1]
        if gaps and min(gaps) < pixel:
            notes.append(f"the clear gap is {max(min(gaps), 0) / pixel:.1f} of a pixel at {ppi:g} ppi.")
    return notes
