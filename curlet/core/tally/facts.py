"""Measured facts of a laid run.

Lengths are drawn (sheet) mm unless a name says garment.
"""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.fit import LegFit
from curlet.core.measures import pitch_to_spi
from curlet.core.path.corners import Corner, Leg


@dataclass(frozen=True)
class LegTally:
    """One leg as laid; `ease` is the change in stitch length and `departure` in pitch, in %.

    `set` is a count set by hand; `shortened` the length of the last few stitches where they are
    shortened.
    """

    node_id: str
    start: float
    length: float
    own_length: float
    repeats: int
    stitch: float
    gap: float
    ease: float
    departure: float
    off: bool
    lead: float
    left_over: float
    shortened: float | None
    set: bool


@dataclass(frozen=True)
class CornerTally:
    """One corner: its place along the path, its turn in degrees, and how it was done."""

    node_id: str
    s: float
    x: float
    y: float
    turn: float
    manner: str
    own: bool


@dataclass(frozen=True)
class CrossingTally:
    """One crossing: where, the arc lengths of its passes, which is over, and its angle in degrees."""

    key: str
    x: float
    y: float
    first: float
    second: float
    over: float
    angle: float
    flipped: bool


@dataclass(frozen=True)
class RowTally:
    """A row's facts. `course` is its index in the brush; `spi` is the mean over the legs, None where
    nothing was laid; `departure` the largest of any leg's, in %."""

    course: int
    repeats: int
    mean_stitch: float
    mean_gap: float
    spi: float | None
    departure: float
    legs: tuple[LegTally, ...]


@dataclass(frozen=True)
class RunTally:
    """A run's facts. `main` is the row that the run's measures are read from, None for a run of bands
    and spans; `rows` are all of its rows."""

    closed: bool
    length: float
    main: RowTally | None
    rows: tuple[RowTally, ...]
    corners: tuple[CornerTally, ...]
    crossings: tuple[CrossingTally, ...]

    @property
    def legs(self) -> tuple[LegTally, ...]:
        """The main row's legs."""
        return self.main.legs if self.main else ()

    @property
    def repeats(self) -> int:
        """The main row's repeats."""
        return self.main.repeats if self.main else 0


def measured(run: LaidRun) -> RunTally:
    """The facts of a run."""
    rows = tuple(_row(run, row) for row in run.rows)
    return RunTally(
        closed=run.path.closed,
        length=run.path.length,
        main=rows[0] if rows else None,
        rows=rows,
        corners=_corners(run),
        crossings=_crossings(run),
    )


def _row(run: LaidRun, row: LaidRow) -> RowTally:
    legs = _legs(run, row)
    filled = [leg for leg in legs if leg.repeats] or list(legs)
    repeats = sum(leg.repeats for leg in legs)
    stitch = _mean([(leg.stitch, leg.repeats) for leg in filled], row.length)
    gap = _mean([(leg.gap, leg.repeats) for leg in filled], row.gap)
    pitch = (stitch + gap) / run.scale.factor
    return RowTally(
        course=row.index,
        repeats=repeats,
        mean_stitch=stitch,
        mean_gap=gap,
        spi=pitch_to_spi(pitch) if repeats and pitch > 0 else None,
        departure=max((leg.departure for leg in filled), key=abs, default=0.0),
        legs=legs,
    )


def _mean(values: list[tuple[float, int]], default: float) -> float:
    weight = sum(count for _, count in values)
    return sum(value * count for value, count in values) / weight if weight else default


def _legs(run: LaidRun, row: LaidRow) -> tuple[LegTally, ...]:
    found = zip(row.legs, row.rooms, row.fits, strict=True)
    return tuple(_leg(run, row, leg, room.line.length, fit) for leg, room, fit in found)


def _leg(run: LaidRun, row: LaidRow, leg: Leg, own_length: float, fit: LegFit) -> LegTally:
    pitch = row.length + row.gap
    stitch = row.length * fit.stretch
    alone = fit.repeats < 2 and not leg.unbroken
    departure = fit.stretch - 1 if alone else (stitch + fit.gap) / pitch - 1
    tolerance = row.course.fit.tolerance + 1e-9
    return LegTally(
        node_id=leg.node_id,
        start=leg.s0,
        length=leg.length,
        own_length=own_length,
        repeats=fit.repeats,
        stitch=stitch,
        gap=fit.gap,
        ease=100 * (fit.stretch - 1),
        departure=100 * departure,
        off=bool(fit.repeats) and abs(100 * departure) > tolerance,
        lead=fit.lead,
        left_over=fit.left_over,
        shortened=row.length * fit.tail_stretch if fit.tail else None,
        set=leg.node_id in run.rule.counts,
    )


def _corners(run: LaidRun) -> tuple[CornerTally, ...]:
    if not run.corners:
        return ()
    instead = gave_way(run)
    points = run.path.arc.points([corner.s for corner in run.corners])
    return tuple(
        CornerTally(
            c.node_id,
            c.s,
            float(x),
            float(y),
            c.turn,
            "mitre" if c.node_id in instead else run.manners.of(c),
            c.node_id in run.rule.corners,
        )
        for c, (x, y) in zip(run.corners, points, strict=True)
    )


def gave_way(run: LaidRun) -> dict[str, Corner]:
    """Corners at which artwork that has no room gave way to a mitre, by their nodes."""
    ends = [(row.legs[room.leg].end, room.stop) for row in run.rows for room in row.rooms]
    return {corner.node_id: corner for corner, turning in ends if corner is not None and turning.gave_way}


def _crossings(run: LaidRun) -> tuple[CrossingTally, ...]:
    return tuple(
        CrossingTally(
            item.crossing.key,
            item.crossing.x,
            item.crossing.y,
            item.crossing.first,
            item.crossing.second,
            item.over,
            item.crossing.angle,
            item.crossing.key in run.rule.flips,
        )
        for item in run.passes
    )
