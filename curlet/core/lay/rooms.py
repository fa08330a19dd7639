"""Rooms: what corners, ends and pieces leave of each leg for its repeats."""

from __future__ import annotations

from dataclasses import dataclass, replace

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import CornerRule, Piece
from curlet.core.lay.corners import MANNERS, CornerAsk, Turning
from curlet.core.lay.corners.cut import Cuts
from curlet.core.lay.corners.made import mitred
from curlet.core.lay.frames import LegLine
from curlet.core.lay.own_line import OwnLine
from curlet.core.measures import Scale
from curlet.core.path.corners import Corner, Leg

NOTHING = Turning()
_SLACK = 1e-9


@dataclass(frozen=True, eq=False)
class Room:
    """One leg's room on the row's own line.

    Attributes
    ----------
    leg : index.
    line : positions along the row's own line of this leg.
    low, high : where the room begins and ends on it, drawn mm.
    start, stop : how the row meets the corner there; nothing special at a path's end.
    """

    leg: int
    line: OwnLine
    low: float
    high: float
    start: Turning
    stop: Turning

    @property
    def length(self) -> float:
        return self.high - self.low


@dataclass(frozen=True)
class CornerManners:
    """A run's corner rule, and the manner of single corners by their node."""

    rule: CornerRule
    own: dict[str, str]

    def of(self, corner: Corner) -> str:
        return self.own.get(corner.node_id, self.rule.manner)


def make_rooms(
    line: LegLine, row: Row, manners: CornerManners, reach: float, cuts: Cuts, scale: Scale
) -> tuple[Room, ...]:
    """The room of every leg that the row's own line does not lose altogether."""
    beside = own_offset(row, scale)
    owns = [OwnLine(line, index, beside, manners.rule.mitre_limit) for index in range(len(line.legs))]
    motif = row.motifs(scale)[0]

    def ask(index: int, corner: Corner) -> CornerAsk:
        cut, after = cuts.get((index, True)), cuts.get(((index + 1) % len(line.legs), False))
        return CornerAsk(
            corner,
            manners.rule,
            row.pieces,
            motif,
            reach,
            scale,
            row.size / 100,
            row.drawn_length(scale),
            row.drawn_gap(scale),
            max(cut.short(beside), after.short(beside)) if cut and after else 0.0,
            -cut.outside if cut else 0.0,
            row.facing.side_to_side,
            row.drawn_offset(scale),
        )

    asks = {index: ask(index, leg.end) for index, leg in enumerate(line.legs) if leg.end is not None}
    turnings = {index: MANNERS[manners.of(asked.corner)].turning(asked) for index, asked in asks.items()}
    _give_way(line, owns, asks, turnings)
    rooms = []
    for index, leg in enumerate(line.legs):
        own = owns[index]
        start, stop = turnings.get(_before(line, index), NOTHING), turnings.get(index, NOTHING)
        low = start.take + _end_take(row, leg, "start", scale)
        high = own.length - stop.take - _end_take(row, leg, "end", scale)
        rooms.append(Room(index, own, low, high, start, stop))
    return tuple(rooms)


def own_offset(row: Row, scale: Scale) -> float:
    """How far beside the path the line lies on which a row is measured, drawn mm."""
    return row.drawn_offset(scale) if row.own_line else 0.0


def _before(line: LegLine, index: int) -> int:
    """The leg that ends where one starts; -1 where there is none."""
    return index - 1 if index or not line.path.closed else len(line.legs) - 1


def _give_way(
    line: LegLine, owns: list[OwnLine], asks: dict[int, CornerAsk], turnings: dict[int, Turning]
) -> None:
    """Corner artwork on a leg too short for it and what stands at its other end gives way to a mitre."""

    def need(end: int) -> tuple[float, bool]:
        """How much of the leg a corner needs, and whether artwork stands there."""
        turning = turnings.get(end, NOTHING)
        # A mitre's innermost line ends before the corner.
        return max(turning.take, asks[end].short if turning.cut else 0.0), turning.art is not None

    while True:
        tight = [
            index
            for index, own in enumerate(owns)
            for (first, one), (last, other) in [(need(_before(line, index)), need(index))]
            if (one or other) and first + last > own.length + _SLACK
        ]
        if not tight:
            return
        for index in tight:
            for end in {_before(line, index), index}:
                if end in turnings and turnings[end].art is not None:
                    turnings[end] = replace(mitred(asks[end]), gave_way=True)


def _end_take(row: Row, leg: Leg, end: str, scale: Scale) -> float:
    """What a piece or condensed stitches take at a path's end."""
    corner = leg.start if end == "start" else leg.end
    if corner is not None or leg.unbroken:
        return 0.0
    piece: Piece | None = getattr(row.pieces, end)
    size = row.size / 100
    take = piece.length.drawn(scale) * size if piece is not None and piece.within else 0.0
    return take + row.ends.condensed * condensed_pitch(row, scale)


# A machine's condensed stitches are about half as long: common practice.
CONDENSED = 0.5


def condensed_pitch(row: Row, scale: Scale) -> float:
    return CONDENSED * (row.drawn_length(scale) + row.drawn_gap(scale))
