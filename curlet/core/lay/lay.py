"""Laying a brush along one path."""

from __future__ import annotations

from dataclasses import dataclass, field

from curlet.core.brush.brush import Brush
from curlet.core.brush.courses import Band, Row, Span
from curlet.core.brush.flip import flipped
from curlet.core.choice import chosen
from curlet.core.lay.band import LaidBand, lay_band
from curlet.core.lay.by_hand import set_by_hand
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.crossings import Pass, passes
from curlet.core.lay.frames import LegLine
from curlet.core.lay.hold import HOLDS
from curlet.core.lay.one_repeat import OneRepeat, RepeatKey
from curlet.core.lay.rooms import CornerManners
from curlet.core.lay.row import Beside, LaidRow, lay_row
from curlet.core.lay.span import LaidSpan, lay_span
from curlet.core.measures import Scale
from curlet.core.path.corners import Corner, Leg, find_corners, find_legs, run_together, sharpened, with_kinks
from curlet.core.path.fillets import Fillet, on_arcs, rounded
from curlet.core.path.path import Path
from curlet.core.path.walk import opened, started_at

LaidCourse = LaidRow | LaidBand | LaidSpan

# Where a chord would span such a turn there may be no place for the next link.
LINK_TURN = 90.0
# Turns are known to this, degrees.
_ROUNDING = 1e-6


@dataclass(frozen=True)
class RunRule:
    """What a run says for itself beside its brush. What is said of one place is kept by its node.

    Attributes
    ----------
    backwards : walk the path from its end to its start.
    start : how far a closed path's start point is slid, drawn mm.
    opening : how wide a closed path is opened at its start point, drawn mm; None for closed.
    corners : the manner of single corners.
    counts : counts of single legs, by the node where they start.
    flips : crossings whose over and under are swapped.
    seed : of the sway.
    other_half : the mirrored half of the same seam, if it shares this run's stitch length.
    repeats : what is said of single repeats.
    flipped : what the brush has to the right of the path lies to its left.
    """

    backwards: bool = False
    start: float = 0.0
    opening: float | None = None
    corners: dict[str, str] = field(default_factory=dict)
    counts: dict[str, int] = field(default_factory=dict)
    flips: frozenset[str] = frozenset()
    seed: int = 0
    other_half: OtherHalf | None = None
    repeats: dict[RepeatKey, OneRepeat] = field(default_factory=dict)
    flipped: bool = False


@dataclass(frozen=True, eq=False)
class OtherHalf:
    """The other half of a seam: its path, and what its run says for itself."""

    path: Path
    rule: RunRule


@dataclass(frozen=True, eq=False)
class LaidRun:
    """A brush laid along a path, at a scale.

    Attributes
    ----------
    path : as walked: reversed, slid or opened if the run is, and rounded at its corners.
    corners, manners : the path's corners and how each is turned.
    passes : where the path crosses itself and which pass is over, empty for a plain crossing.
    fillets : the arcs in rounded corners' places.
    """

    path: Path
    brush: Brush
    scale: Scale
    rule: RunRule
    corners: tuple[Corner, ...]
    manners: CornerManners
    courses: tuple[LaidCourse, ...]
    passes: tuple[Pass, ...]
    fillets: tuple[Fillet, ...] = ()

    @property
    def rows(self) -> tuple[LaidRow, ...]:
        """The courses that repeat."""
        return tuple(course for course in self.courses if isinstance(course, LaidRow))

    @property
    def main(self) -> LaidRow | None:
        """The course that the run's measures are read from."""
        return self.rows[0] if self.rows else None


PLAIN = RunRule()


def lay(path: Path, brush: Brush, scale: Scale, rule: RunRule = PLAIN) -> LaidRun:
    """Lay a brush along a path. The same inputs give the same bytes.

    Parameters
    ----------
    path : in sheet mm.
    brush : its measures are on the garment or on paper; `scale` brings them to sheet mm.

    Raises
    ------
    BadInput
        If the brush's measures cannot be laid.
    TooMuch
        Past 200,000 repeats.

    >>> from curlet.core.path.figures import FIGURES
    >>> run = lay(FIGURES["circle"].make({"diameter": 50}), Brush(), Scale())
    >>> run.main.fits[0].repeats, round(run.main.fits[0].gap, 3)
    (39, 1.007)
    """
    brush.check(scale)
    chosen(MANNERS, brush.corners.manner, "corner manner")
    walk = _walk(path, brush, scale, rule)
    half = _walk(rule.other_half.path, brush, scale, rule.other_half.rule) if rule.other_half else None
    laid = flipped(brush) if rule.flipped else brush
    courses = tuple(_lay_course(walk, laid, index, scale, half) for index in range(len(brush.courses)))
    crossed = passes(walk.path, rule.flips) if brush.crossings.manner == "over-under" else ()
    return LaidRun(walk.path, brush, scale, rule, walk.corners, walk.manners, courses, crossed, walk.fillets)


@dataclass(frozen=True, eq=False)
class _Walk:
    """A path as a run walks it, with its corners and what is done at them."""

    path: Path
    rule: RunRule
    corners: tuple[Corner, ...]
    manners: CornerManners
    fillets: tuple[Fillet, ...] = ()

    def line(self, course: Row) -> LegLine:
        breaks = tuple(corner for corner in self.corners if _breaks(course, corner, self.manners))
        return self.sharpened(find_legs(self.path, breaks))

    def line_of_band(self, band: Band, rows: bool) -> LegLine:
        """A band turns at every kink, however slight. Beside rows it keeps to their corners, so that what
        lies on it does not pass its edge; alone it follows small fillets as the path does."""
        if band.swell.points:
            return LegLine(self.path, find_legs(self.path, ()))
        sharp = [corner for corner in self.corners if not self._on_an_arc(corner)]
        corners = with_kinks(self.path, tuple(c for c in sharp if rows or not c.rounded))
        legs = find_legs(self.path, corners)
        return self.sharpened(legs) if rows else LegLine(self.path, legs)

    def sharpened(self, legs: tuple[Leg, ...]) -> LegLine:
        """Legs that run on to where they would meet, at rounded corners where artwork is cut."""
        return LegLine(self.path, sharpened(self.path, legs, self._sharp))

    def _on_an_arc(self, corner: Corner) -> bool:
        return any(fillet.corner.node_id == corner.node_id for fillet in self.fillets)

    def _sharp(self, corner: Corner) -> bool:
        return MANNERS[self.manners.of(corner)].sharp


def _walk(path: Path, brush: Brush, scale: Scale, rule: RunRule) -> _Walk:
    walked = _walked(path, rule)
    reach = max(course.drawn_span(scale) for course in brush.courses)
    corners = find_corners(walked, brush.corners.angle, reach)
    manners = CornerManners(brush.corners, rule.corners)
    for corner in corners:
        chosen(MANNERS, manners.of(corner), "corner manner")
    radii = [(corner, MANNERS[manners.of(corner)].radius(brush.corners, scale)) for corner in corners]
    turned, fillets = rounded(walked, radii)
    if fillets:
        walked, corners = turned, on_arcs(corners, fillets)
    if bool(brush.rows):
        half = max(course.drawn_reach(scale) for course in brush.courses)
        corners = run_together(walked, corners, lambda corner: MANNERS[manners.of(corner)].sharp, half)
    return _Walk(walked, rule, corners, manners, fillets)


def _walked(path: Path, rule: RunRule) -> Path:
    if rule.backwards:
        path = path.reversed()
    if path.closed and rule.start:
        path = started_at(path, rule.start)
    if path.closed and rule.opening is not None:
        path = opened(path, rule.opening)
    return path


def _lay_course(walk: _Walk, brush: Brush, index: int, scale: Scale, half: _Walk | None) -> LaidCourse:
    course = brush.courses[index]
    if isinstance(course, Span):
        return lay_span(walk.path, course, index, scale)
    if isinstance(course, Band):
        return lay_band(walk.line_of_band(course, bool(brush.rows)), course, index, walk.manners, scale)
    shared = course.fit.shared and half is not None
    other = Beside(half.line(course), half.manners, half.rule.counts) if shared and half else None
    row = lay_row(walk.line(course), course, index, walk.manners, walk.rule.counts, scale, other)
    return set_by_hand(row, walk.rule.repeats, scale)


def _breaks(course: Row, corner: Corner, manners: CornerManners) -> bool:
    sharp = chosen(HOLDS, course.hold, "hold").chain and abs(corner.turn) >= LINK_TURN - _ROUNDING
    return sharp or MANNERS[manners.of(corner)].breaks
