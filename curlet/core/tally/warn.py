"""Warnings, in words, with their place and mend."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Iterator

from curlet.core.brush.courses import Share
from curlet.core.brush.words import repeat_noun
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.corners.limit import SHARPEST_CUT
from curlet.core.lay.crossings import SHALLOW
from curlet.core.lay.hold import HOLDS
from curlet.core.lay.span import LaidSpan
from curlet.core.measures import MM_PER_PT, Measure, MeasuredOn, Scale
from curlet.core.motif.families import Family
from curlet.core.sentence import Sentence
from curlet.core.tally.facts import LegTally, RunTally, gave_way
from curlet.core.tally.fine import FINEST_PRINTED_PT, thread_of
from curlet.core.tally.pinches import Pinch
from curlet.core.tally.warning import Found, Mend, Place, Warning, told

THINNEST_MM = 1e-9
# A smaller radius is told as none, mm on the garment; a smaller step is none.
_ON_THE_SPOT, _STEP = 0.05, 1e-3

_Leg = tuple[int, LegTally]


def warnings(run: LaidRun, facts: RunTally, tight: tuple[Pinch, ...]) -> tuple[Warning, ...]:
    """Everything about a run that wants looking at, each once with its places."""
    row = run.main
    found: list[Warning] = []
    if row is not None:
        legs = list(enumerate(facts.legs))
        found += [*_too_fine(run, row), *_solid(run, row, facts.legs), *_unusual(run, row)]
        found += [*_short_legs(run, row, legs), *_off_legs(run, row, legs), *_counts_not_met(run, legs)]
        found += [*_open_step(run, row, facts), *_links(run, row, legs), *_unequal(run, row, facts.legs)]
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


def _too_fine(run: LaidRun, row: LaidRow) -> Iterator[Warning]:
    thread, measure = thread_of(row), row.course.motif.thread
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
    name = motif.about.name
    words = f"{{}} is an unusual length: {{}} is usual for {name[0].lower()}{name[1:]}."
    settings = ((_setting(run, "length"), f"{near:g} mm"),)
    mend = Mend(Sentence("Set it to {}", near), settings) if row.course.size == 100 else None
    yield Warning("unusual", Sentence(words, _mm(row.length, run), (low, high)), mend=mend)


def _solid(run: LaidRun, row: LaidRow, legs: tuple[LegTally, ...]) -> Iterator[Warning]:
    thread = thread_of(row)
    if thread is None or row.gap < 0:
        return
    tight = [
        (Place.on(run, leg.start, index), (_mm(leg.gap, run), _mm(thread, run)))
        for index, leg in enumerate(legs)
        if leg.repeats > 1 and leg.gap <= thread + THINNEST_MM
    ]
    wide = Measure(2.0 * thread * 100 / row.course.size, MeasuredOn.PAPER)
    if isinstance(row.course.gap, Share):
        share = 2.0 * thread / row.length
        text = f"{math.ceil(100 * share):g} %"
    else:
        text = _to_enter(wide, row.course.gap.on, run.scale)
    mend = Mend(Sentence("Widen the gap to {}", _mm(2.0 * thread, run)), ((_setting(run, "gap"), text),))
    solid = "is not wider than the thread, {}: the stitches run together into a solid line"
    yield from told("solid-line", tight, f"The gap, {{}}, {solid}.", f"The gap, {{}}, {solid}.", mend)


def _short_legs(run: LaidRun, row: LaidRow, legs: list[_Leg]) -> Iterator[Warning]:
    """Legs with no repeat, or with one that is eased far."""
    course, noun = row.course, repeat_noun(run.brush.kind)
    stitch = course.drawn_length(run.scale)
    alone = [(i, leg) for i, leg in legs if not leg.set and leg.repeats < 2]
    none = [(i, leg) for i, leg in alone if not leg.repeats]
    eased = [(i, leg) for i, leg in alone if leg.repeats and course.fit.short_legs and leg.off]
    vanished = [(Place.on(run, leg.start, i), ()) for i, leg in none if leg.own_length <= 0]
    yield from told(
        "leg-vanishes",
        vanished,
        f"A leg vanishes on the row’s own line beside it, so it has no {noun.many}.",
        f"[count] legs vanish on the row’s own line beside them, so they have no {noun.many}.",
    )

    def short(some: list[_Leg]) -> list[Found]:
        return [(Place.on(run, leg.start, i), (_mm(leg.length, run), _mm(stitch, run))) for i, leg in some]

    lead = f"too short for a {noun.one} of {{}}, so"
    yield from told(
        "short-leg-eased",
        short(eased),
        f"A leg is {{}} long: {lead} it has one eased to fit.",
        f"[count] legs are {{}} long: {lead} they have one each, eased to fit.",
    )
    ease = Mend(Sentence(f"Ease a {noun.one} to fit"), ((_setting(run, "fit/short_legs"), True),))
    yield from told(
        "leg-too-short",
        short([(i, leg) for i, leg in none if leg.own_length > 0]),
        f"A leg is {{}} long: {lead} it has none.",
        f"[count] legs are {{}} long: {lead} they have none.",
        None if HOLDS[course.hold].chain else ease,
    )


def _off_legs(run: LaidRun, row: LaidRow, legs: list[_Leg]) -> Iterator[Warning]:
    course, noun = row.course, repeat_noun(run.brush.kind)
    # A single one eased to fit a short leg is told as that.
    least = 2 if course.fit.short_legs else 1
    off = [(i, leg) for i, leg in legs if leg.off and (leg.set or leg.repeats >= least)]
    if not off or HOLDS[course.hold].chain:
        return
    past = f"off what was set, past the tolerance of {course.fit.tolerance:g} %"
    departures = _percents(leg.departure for _, leg in off)
    mend = None
    if course.fit.kind == "ease" and course.length.on is MeasuredOn.GARMENT:
        worst = max((leg for _, leg in off), key=lambda leg: abs(leg.departure))
        garment = worst.stitch / run.scale.factor * 100 / course.size
        here = "here" if len(off) == 1 else "the leg that is furthest off"
        label = Sentence(f"Set the {noun.one} to {{}}, which fits {here}", _mm(worst.stitch, run))
        mend = Mend(label, ((_setting(run, "length"), f"{round(garment, 4):g} mm"),))
    yield from told(
        "off-tolerance",
        [(Place.on(run, leg.start, i), ()) for i, leg in off],
        f"A leg’s {noun.many} are {departures} {past}.",
        f"The {noun.many} of [count] legs are {departures} {past}.",
        mend,
    )


def _percents(values: Iterable[float]) -> str:
    """How far off, from and to."""
    return f"{_from_to(values, '+.1f').replace('-', '−')} %"


def _from_to(values: Iterable[float], form: str = ".0f") -> str:
    """The smallest and the largest number, or one where they read alike; nothing of none."""
    each = sorted(values)
    return " to ".join(dict.fromkeys(f"{value:{form}}" for value in each[:1] + each[-1:]))


def _counts_not_met(run: LaidRun, legs: list[_Leg]) -> Iterator[Warning]:
    for index, leg in legs:
        asked = run.rule.counts.get(leg.node_id)
        if asked is not None and asked != leg.repeats:
            words = f"{asked} were set on this leg, and no more than {leg.repeats} go in as they are."
            yield Warning("count-not-met", Sentence(words), (Place.on(run, leg.start, index),))


def _unequal(run: LaidRun, row: LaidRow, legs: tuple[LegTally, ...]) -> Iterator[Warning]:
    """Repeats that touch cannot all share one length."""
    lengths = [_mm(leg.stitch, run) for leg in legs if leg.repeats]
    if row.course.fit.shared and row.gap <= 0 and lengths and max(lengths) - min(lengths) > THINNEST_MM:
        words = "Repeats that touch leave no gap to share a length: they are {}, so that no leg shows a slit."
        yield Warning("unequal-lengths", Sentence(words, (min(lengths), max(lengths))))


def _open_step(run: LaidRun, row: LaidRow, facts: RunTally) -> Iterator[Warning]:
    if not (row.legs[0].unbroken and facts.legs[0].left_over > 1e-6) or row.hold.chain:
        return
    leg = facts.legs[0]
    words = "This closed path does not come out even: {} is left over at its start point."
    mend = Mend(Sentence("Ease it to close"), ((_setting(run, "fit/kind"), "ease"),))
    place = Place.on(run, leg.start, 0)
    yield Warning("open-step", Sentence(words, _mm(leg.left_over, run)), (place,), mend)


def _links(run: LaidRun, row: LaidRow, legs: list[_Leg]) -> Iterator[Warning]:
    if not row.hold.chain:
        return
    noun = repeat_noun(run.brush.kind)
    whole = f"{noun.many} are never eased"
    short = [(i, leg) for i, leg in legs if leg.left_over > 1e-6 and leg.repeats]
    yield from told(
        "links-left-over",
        [(Place.on(run, leg.start, i), (_mm(leg.left_over, run),)) for i, leg in short],
        f"The chain ends {{}} short of its leg: {whole}.",
        f"The chain ends {{}} short of [count] legs: {whole}.",
    )
    off = [(i, leg) for i, leg in legs if leg.off and leg.left_over <= 1e-6]
    if off:
        apart = _percents(leg.departure for _, leg in off)
        words = f"The {noun.many} stand {apart} off their own length"
        places = [(Place.on(run, leg.start, i), ()) for i, leg in off]
        yield from told("links-off", places, f"{words} on a leg.", f"{words} on [count] legs.")


def _no_room(run: LaidRun) -> Iterator[Warning]:
    corners = gave_way(run).values()
    for sharp, instead in ((False, "mitred"), (True, "cut where their legs meet")):
        some = [corner for corner in corners if (abs(corner.turn) >= SHARPEST_CUT) is sharp]
        turns = _from_to(abs(corner.turn) for corner in some)
        yield from told(
            "corner-no-room",
            [(Place.on(run, corner.s), ()) for corner in some],
            f"The corner piece has no room at a turn of {turns}°, so the corner is {instead}.",
            f"Corner pieces have no room at [count] turns of {turns}°, so these corners are {instead}.",
        )


def _rounded_less(run: LaidRun) -> Iterator[Warning]:
    """Corners whose arc has no room for the radius that was set, or that have none."""
    made = {fillet.corner.node_id: fillet.radius for fillet in run.fillets}
    sharp: list[Found] = []
    less: list[Found] = []
    for corner in run.corners:
        radius = made.get(corner.node_id, 0.0)
        set_radius = MANNERS[run.manners.of(corner)].radius(run.brush.corners, run.scale)
        as_drawn = not radius and corner.rounded
        if as_drawn or radius > set_radius - 1e-6:
            continue
        lengths = (_mm(set_radius, run), _mm(radius, run))
        (less if radius else sharp).append((Place.on(run, corner.s), lengths[: 2 if radius else 1]))
    no_room = "There is no room for a radius of {}"
    yield from told(
        "less-rounded", less, f"{no_room}: a corner has {{}}.", f"{no_room}: [count] corners have {{}}."
    )
    yield from told(
        "less-rounded", sharp, f"{no_room}: a corner stays sharp.", f"{no_room}: [count] corners stay sharp."
    )


def _pinched(run: LaidRun, tight: tuple[Pinch, ...]) -> Iterator[Warning]:
    folded, squeezed = "the artwork folds over itself", "the artwork is squeezed on the inner side"

    def found(some: list[Pinch], *lengths: Callable[[Pinch], float]) -> list[Found]:
        places = [Place.on(run, (pinch.start + pinch.end) / 2) for pinch in some]
        return [(at, [_mm(of(p), run) for of in lengths]) for at, p in zip(places, some, strict=True)]

    spots = [pinch for pinch in tight if pinch.folds and _mm(pinch.radius, run) < _ON_THE_SPOT]
    yield from told(
        "pinch",
        found(spots, lambda pinch: pinch.needs),
        f"A bend turns almost on the spot, and needs a radius of {{}}: {folded} there.",
        f"[count] bends turn almost on the spot, and need a radius of {{}}: {folded} there.",
    )
    for folds, what in ((True, folded), (False, squeezed)):
        some = [pinch for pinch in tight if pinch.folds is folds and pinch not in spots]
        yield from told(
            "pinch",
            found(some, lambda pinch: pinch.radius, lambda pinch: pinch.needs),
            f"A bend has a radius of {{}}, and needs {{}}: {what} there.",
            f"[count] bends have a radius of {{}}, and need {{}}: {what} there.",
        )


def _spans(run: LaidRun) -> Iterator[Warning]:
    for course in run.courses:
        if isinstance(course, LaidSpan) and course.step > _STEP:
            words = "The span’s two ends meet with a step of {}. Make them equally wide."
            yield Warning("span-step", Sentence(words, _mm(course.step, run)), (Place.on(run, 0.0),))


def _crossed(run: LaidRun) -> Iterator[Warning]:
    shallow = [item.crossing for item in run.passes if item.crossing.angle < SHALLOW]
    flat = f"at {_from_to(item.angle for item in shallow)}°: too shallow to show over and under"
    yield from told(
        "shallow-crossing",
        [(Place(item.first, (item.x, item.y)), ()) for item in shallow],
        f"The path crosses itself {flat}.",
        f"The path crosses itself [count] times {flat}.",
    )
    order = [item.crossing for item in run.passes if item.conflict]
    words = "Over and under do not alternate {}. Flip a crossing that looks wrong."
    yield from told(
        "crossing-order",
        [(Place(item.first, (item.x, item.y)), ()) for item in order],
        words.format("at a crossing"),
        words.format("at [count] crossings"),
    )


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
