"""Laying one row: rooms, fits, repeats."""

from __future__ import annotations

import math
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import Swell
from curlet.core.choice import chosen
from curlet.core.errors import TooMuch
from curlet.core.lay.corners import MANNERS, Turning
from curlet.core.lay.corners.cut import Cut, Cuts, cuts_between, square
from curlet.core.lay.ends import secured
from curlet.core.lay.fit import FITS, FitAsk, LegFit
from curlet.core.lay.fit.shared import share_length
from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold import HOLDS, Hold
from curlet.core.lay.in_step import to_the_corners
from curlet.core.lay.links import lay_links
from curlet.core.lay.one_repeat import OneRepeat, RepeatKey
from curlet.core.lay.pieces import CornerPlace, PieceSet, piece_set
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.lay.rooms import CornerManners, Room, make_rooms, own_offset
from curlet.core.measures import Scale
from curlet.core.motif.motif import Motif, half_width_of
from curlet.core.path.corners import Leg

Floats = NDArray[np.float64]
MAX_REPEATS = 200_000
# Repeats laid past a corner that cuts them.
_MAX_PAST = 64
_SAME = 1e-9
# Gaps narrower than this are none, mm.
_TOUCH = 1e-6
# A single repeat between two cuts is not eased to less than this share of its length.
_SQUEEZED = 0.7


@dataclass(frozen=True, eq=False)
class LaidRow:
    """A row as laid.

    Attributes
    ----------
    motifs : its motifs in the letters' order, then those of its pieces.
    legs, rooms, fits : in the order of the path's legs.
    cuts : where legs end at their corners, by height; `ends` where else what runs on is cut, square.
    repeats : everything it is made of, pieces too, in the order along the path.
    offset : of its own line, drawn mm.
    lengths : as asked, in the letters' order, drawn mm.
    by_hand : what was said of single repeats.
    set_by_hand : each of those repeats, and the arc length at which its middle lies or would lie, drawn mm.
    """

    course: Row
    index: int
    line: LegLine
    motifs: tuple[Motif, ...]
    legs: tuple[Leg, ...]
    rooms: tuple[Room, ...]
    fits: tuple[LegFit, ...]
    repeats: Repeats
    offset: float
    lengths: tuple[float, ...]
    gap: float
    corner_places: tuple[CornerPlace, ...] = ()
    cuts: Cuts = field(default_factory=dict)
    ends: Cuts = field(default_factory=dict)
    by_hand: tuple[OneRepeat, ...] = ()
    set_by_hand: tuple[tuple[RepeatKey, float], ...] = ()

    @property
    def length(self) -> float:
        """Motif A's length as asked, drawn mm."""
        return self.lengths[0]

    @property
    def asked(self) -> Floats:
        """(n,) length that each repeat was asked to have, drawn mm; a piece, which has its own, takes the
        last letter's."""
        lengths = np.array(self.lengths)
        return np.asarray(lengths[np.minimum(self.repeats.motif, len(lengths) - 1)])

    @property
    def hold(self) -> Hold:
        """How its repeats sit on the path."""
        return HOLDS[self.course.hold]

    @property
    def motif(self) -> Motif:
        return self.motifs[0]

    @property
    def reach(self) -> float:
        """Half of its repeats' width, drawn mm."""
        return half_width_of(self.motifs[: self.course.count])

    @property
    def touching(self) -> bool:
        """Whether repeats lie edge to edge."""
        return min((fit.gap for fit in self.fits if fit.repeats > 1), default=self.gap) < _TOUCH

    @property
    def slots(self) -> Repeats:
        """The counted repeats."""
        return self.repeats if self.repeats.counted.all() else self.repeats.take(self.repeats.counted)


@dataclass(frozen=True, eq=False)
class Beside:
    """The mirrored half of a seam: its legs, how its corners are turned, its counts set by hand."""

    line: LegLine
    manners: CornerManners
    counts: dict[str, int]


def lay_row(
    line: LegLine,
    row: Row,
    index: int,
    manners: CornerManners,
    counts: dict[str, int],
    scale: Scale,
    half: Beside | None = None,
) -> LaidRow:
    """Lay a row along the legs of a path.

    Parameters
    ----------
    counts : counts set by hand, by the node where the leg starts.
    other_half : the mirrored half whose legs share this row's repeat length.
    """
    hold = chosen(HOLDS, row.hold, "hold")
    motifs = row.motifs(scale)
    reach = half_width_of(motifs)
    cuts = _cuts(line, row, manners, reach, scale)
    rooms = make_rooms(line, row, manners, reach, cuts, scale)
    ends = _square_ends(line, rooms) if any(motif.runs_on for motif in motifs) else {}
    if hold.chain:
        fits, laid = lay_links(line, row, rooms, counts, scale)
    else:
        fits = _fits(
            line,
            row,
            rooms,
            counts,
            scale,
            _asks_of_other_half(half, row, reach, scale) if half else None,
        )
        laid = _repeats(row, rooms, fits, {**cuts, **ends}, scale)
    pieces = piece_set(line, row, rooms, len(motifs), scale)
    if hold.chain and not line.path.closed:
        pieces = replace(pieces, repeats=_attached(pieces.repeats, laid))
    repeats = _with_pieces(secured(line, row, laid, rooms, reach, scale), pieces)
    return LaidRow(
        row,
        index,
        line,
        (*motifs, *pieces.motifs),
        line.legs,
        rooms,
        fits,
        repeats,
        row.drawn_offset(scale),
        row.drawn_lengths(scale),
        row.drawn_gap(scale),
        pieces.corners,
        cuts,
        ends,
    )


def _attached(pieces: Repeats, laid: Repeats) -> Repeats:
    """A chain's end piece where its last link ends: what is left over of the path comes after it."""
    if not (len(pieces) and len(laid)):
        return pieces
    last = laid.end.max()
    by = np.where(pieces.middle > last, last - pieces.start, 0.0)
    return pieces.changed(start=pieces.start + by, end=pieces.end + by)


def _with_pieces(laid: Repeats, pieces: PieceSet) -> Repeats:
    return laid.then(pieces.repeats) if len(pieces.repeats) else laid


def _asks_of_other_half(half: Beside, row: Row, reach: float, scale: Scale) -> list[FitAsk]:
    cuts = _cuts(half.line, row, half.manners, reach, scale)
    rooms = make_rooms(half.line, row, half.manners, reach, cuts, scale)
    return _asks(half.line, row, rooms, half.counts, scale)


def _asks(
    line: LegLine, row: Row, rooms: tuple[Room, ...], counts: dict[str, int], scale: Scale
) -> list[FitAsk]:
    asks = [_ask(line.legs[room.leg], room, row, counts, scale) for room in rooms]
    if sum(max(ask.ideal, ask.count or 0, 0) for ask in asks) > 2 * MAX_REPEATS:
        raise _too_many(sum(max(ask.ideal, 0) for ask in asks))
    return asks


def _fits(
    line: LegLine,
    row: Row,
    rooms: tuple[Room, ...],
    counts: dict[str, int],
    scale: Scale,
    half: list[FitAsk] | None,
) -> tuple[LegFit, ...]:
    rule = chosen(FITS, row.fit.kind, "fit")
    asks = _asks(line, row, rooms, counts, scale)
    fits = [rule(ask) if ask.available > 0 else _bare(ask) for ask in asks]
    fits = [_slice(room, ask, fit) for room, ask, fit in zip(rooms, asks, fits, strict=True)]
    if row.fit.shared:
        others = [(ask, rule(ask) if ask.available > 0 else _bare(ask)) for ask in half or ()]
        fits = share_length(asks, fits, others)
    total = sum(fit.repeats for fit in fits)
    if total > MAX_REPEATS:
        raise _too_many(total)
    return tuple(fits)


def _slice(room: Room, ask: FitAsk, fit: LegFit) -> LegFit:
    """Between two cuts too near for a repeat, the middle of one as it is rather than all of one squeezed."""
    if not (room.start.cut and room.stop.cut and fit.repeats == 1 and fit.stretch < _SQUEEZED):
        return fit
    return LegFit(1, 1.0, ask.gap, lead=(ask.available - ask.lengths[0]) / 2)


def _bare(ask: FitAsk) -> LegFit:
    return LegFit(0, 1.0, ask.gap)


def _too_many(count: float) -> TooMuch:
    return TooMuch(
        f"This run would have about {count:,.0f} repeats; {MAX_REPEATS:,} is the most. "
        "Use a longer stitch or gap, or a shorter path."
    )


def _ask(leg: Leg, room: Room, row: Row, counts: dict[str, int], scale: Scale) -> FitAsk:
    lengths = row.drawn_lengths(scale)
    first, last = (max(turning.gap, row.fit.half_gaps / 2) for turning in (room.start, room.stop))
    shift = 0.0 if leg.unbroken else max(row.start_shift.drawn(scale), 0.0)
    rule = replace(row.fit, short_legs=True) if _joined(room.start) and _joined(room.stop) else row.fit
    centred = {"repeat": True, "gap": False}.get(row.fit.layout)
    return FitAsk(
        available=room.length - shift,
        lengths=tuple(lengths[letter] for letter in row.sequence),
        gap=row.drawn_gap(scale),
        end_gaps=1.0 if leg.unbroken else first + last,
        rule=rule,
        multiple=alternation(row) if leg.unbroken else 1,
        count=counts.get(leg.node_id),
        first_gap=0.0 if leg.unbroken else first,
        odd=None if leg.unbroken else centred,
    )


def _joined(turning: Turning) -> bool:
    """Whether artwork goes on past a corner, so that a leg too short for a repeat must not be left open."""
    return turning.cut or (turning.art is not None and turning.take > 0)


def alternation(row: Row) -> int:
    """What a count must be a multiple of for everything that alternates to meet itself."""
    return math.lcm(len(row.sequence), 2 if row.facing.mirror_alternate else 1)


def _repeats(
    row: Row, rooms: tuple[Room, ...], fits: tuple[LegFit, ...], cuts: Cuts, scale: Scale
) -> Repeats:
    parts = [_leg_repeats(row, room, fit, cuts, scale) for room, fit in zip(rooms, fits, strict=True)]
    if row.drawn_offset(scale) and not row.own_line:
        parts = [
            to_the_corners(part, room, cuts, row, scale) for part, room in zip(parts, rooms, strict=True)
        ]
    return parts[0].then(*parts[1:]) if len(parts) > 1 else parts[0]


def _leg_repeats(row: Row, room: Room, fit: LegFit, cuts: Cuts, scale: Scale) -> Repeats:
    """The repeats of one leg, with those past its corners that are cut there."""
    level, reach = own_offset(row, scale), max(motif.overhang for motif in row.motifs(scale))
    start, end = _cut_at(room, cuts, at_end=False), _cut_at(room, cuts, at_end=True)
    before = after = 0
    if fit.repeats:
        pitch = row.drawn_length(scale) * fit.stretch + fit.gap
        past = (0.0 if cut is None else cut.past(level) + reach for cut in (start, end))
        before, after = (min(math.ceil(far / max(pitch, 1e-6) - 1e-9), _MAX_PAST) for far in past)
    number = np.arange(-before, fit.repeats + after)
    begin, length = _positions(row, fit, number, scale)
    begin += room.low + fit.lead + _shift(row, room, scale)
    line = room.line
    leg = np.full(len(number), room.leg)
    letters = np.array(row.sequence)
    motif = letters[number % len(letters)] if len(letters) > 1 else np.full(len(number), letters[0])
    laid = make_repeats(line.at(begin), line.at(begin + length), leg, number, motif)
    if start is None and end is None:
        return laid
    low = 0.0 if room.start.cut else room.low
    high = line.length if room.stop.cut else room.high
    return laid.changed(
        counted=(number >= 0) & (number < fit.repeats),
        cut_start=begin - reach < low + start.short(level) - _SAME if start else laid.cut_start,
        cut_end=begin + length + reach > high - end.short(level) + _SAME if end else laid.cut_end,
    )


def _cut_at(room: Room, cuts: Cuts, *, at_end: bool) -> Cut | None:
    """What cuts a leg's repeats at one of its ends: its corner, or its end where artwork runs on."""
    cut = cuts.get((room.leg, at_end))
    turning = room.stop if at_end else room.start
    return cut if cut is not None and (turning.cut or cut.parts) else None


def _square_ends(line: LegLine, rooms: tuple[Room, ...]) -> Cuts:
    """Square cuts where rooms begin and end without being cut by a corner."""
    found: Cuts = {}
    for room in rooms:
        for at_end, turning, place in ((False, room.start, room.low), (True, room.stop, room.high)):
            if not (turning.cut or room.line.leg.unbroken):
                s = float(room.line.at(np.array([place]))[0])
                found[room.leg, at_end] = square(line, room.leg, s, at_end=at_end)
    return found


def _shift(row: Row, room: Room, scale: Scale) -> float:
    shift = row.start_shift.drawn(scale)
    return shift if room.line.leg.unbroken else max(shift, 0.0)


def _cuts(line: LegLine, row: Row, manners: CornerManners, reach: float, scale: Scale) -> Cuts:
    """Where legs end by height, at the corners that need to know it: where artwork is cut or stands, and
    beside the path in step with it."""
    offset, wide = row.drawn_offset(scale), reach * _most(row.swell)
    found: Cuts = {}
    in_step = offset != 0 and not row.own_line
    for index, leg in enumerate(line.legs):
        if leg.end is not None and (in_step or MANNERS[manners.of(leg.end)].sharp):
            after, limit = (index + 1) % len(line.legs), manners.rule.mitre_limit
            found[index, True], found[after, False] = cuts_between(
                line, index, after, offset - wide, offset + wide, limit
            )
    return found


def _most(swell: Swell) -> float:
    return max((width / 100 for _, width in swell.points), default=1.0)


def _positions(row: Row, fit: LegFit, number: NDArray[np.intp], scale: Scale) -> tuple[Floats, Floats]:
    """Begin and length of each repeat on the leg's own line, from its first one's begin."""
    lengths = row.drawn_lengths(scale)
    order = np.array([lengths[letter] for letter in row.sequence])
    if len(order) == 1:
        begin = number * (order[0] * fit.stretch + fit.gap)
        length = np.full(len(number), order[0] * fit.stretch)
    else:
        rounds, place = np.divmod(number, len(order))
        prefix = np.concatenate([[0.0], np.cumsum(order)[:-1]])
        begin = (rounds * order.sum() + prefix[place]) * fit.stretch + number * fit.gap
        length = order[place] * fit.stretch
    if fit.head:
        early = number < fit.head
        change = (begin[number == fit.head][0] - fit.gap) * (fit.tail_stretch - 1)
        begin[~early] += change
        begin[early] *= fit.tail_stretch
        length[early] *= fit.tail_stretch
    if fit.tail:
        late = number >= fit.repeats - fit.tail
        first = begin[late][0]
        begin[late] = first + (begin[late] - first) * fit.tail_stretch
        length[late] *= fit.tail_stretch
    return begin, length
