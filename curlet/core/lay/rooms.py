"""Rooms: what corners, ends and pieces leave of each leg for its repeats."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import CornerRule, Piece
from curlet.core.lay.corners import MANNERS, CornerAsk, Turning
from curlet.core.lay.frames import LegLine
from curlet.core.lay.own_line import OwnLine
from curlet.core.measures import Scale
from curlet.core.path.corners import Corner, Leg

NOTHING = Turning()


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
    line: LegLine, row: Row, manners: CornerManners, reach: float, scale: Scale
) -> tuple[Room, ...]:
    """The room of every leg that the row's own line does not lose altogether."""
    offset = row.drawn_offset(scale)
    beside = offset if row.own_line else 0.0

    def turning(corner: Corner | None) -> Turning:
        if corner is None:
            return NOTHING
        ask = CornerAsk(
            corner,
            manners.rule,
            row.pieces,
            reach,
            scale,
            row.size / 100,
            row.drawn_length(scale),
            row.drawn_gap(scale),
        )
        return MANNERS[manners.of(corner)].turning(ask)

    rooms = []
    for index, leg in enumerate(line.legs):
        own = OwnLine(line, index, beside, manners.rule.mitre_limit)
        start, stop = turning(leg.start), turning(leg.end)
        low = start.take + _end_take(row, leg, "start", scale)
        high = own.length - stop.take - _end_take(row, leg, "end", scale)
        rooms.append(Room(index, own, low, high, start, stop))
    return tuple(rooms)


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
