"""A brush as a tile: laid straight, long enough that its repeats come out whole, with what lies about it.

A window as long as the tile, anywhere on an endless line of even repeats, looks the same one tile further on;
so its edges meet without a seam, whatever stands out of a repeat or lies over the next one.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.brush import Brush
from curlet.core.brush.courses import Band, Course, Row, Span
from curlet.core.brush.rules import EndRule, Fade, FitRule, Pieces, Swell
from curlet.core.drawing import Drawing, Group, Laid, Outline, Paint, Shape, Solid, Tiling
from curlet.core.dress.cloth import Cloth
from curlet.core.dress.relief import FLAT, LIGHT, FineRelief, Light, Relief
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay.draw import draw_run, reach_of
from curlet.core.lay.lay import LaidRun, lay
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.path.path import Path
from curlet.core.texture.ground import ground_of
from curlet.core.texture.moved import moved_down
from curlet.core.texture.rounds import fewest_rounds, stretch

SPACING = Bounds("The rows' spacing", 0.1, 1_000, "from the middle of one row to the next")
# Rows of a brush come out together within so many repeats of its main row, or nearly so.
_MAX_REPEATS = 4_000
_MAX_WITH_CLOTH = 50_000
_EXACT = 1e-6
# What is laid before the window and after it, so that nothing at its edges knows of an end, in repeats; and
# what is left above and below it, mm.
_BEFORE = 6
_AROUND = 0.5
# A tile of bands alone is as long as they are wide, and no shorter than this, mm.
_SHORTEST = 4.0


@dataclass(frozen=True)
class Tile:
    """A tile, on the garment at its true size.

    Attributes
    ----------
    run : the brush as laid along an endless straight line, drawn mm being garment mm.
    left, top, width, height : the part of it that is the tile, mm.
    spacing : from one row of the brush to the next, downward, mm; None where it repeats along itself only.
    notes : what of the brush is not in it, or is another than it was.
    ground : what its rows lie on; None for nothing.
    """

    run: LaidRun
    left: float
    top: float
    width: float
    height: float
    spacing: float | None
    notes: tuple[str, ...]
    ground: Paint | None = None

    @property
    def rows(self) -> tuple[float, ...]:
        """How far each row of the brush that reaches into the tile lies from the first, mm."""
        if self.spacing is None:
            return (0.0,)
        reach = max(reach_of(course) for course in self.run.courses) + _AROUND
        first = math.floor((self.top - reach) / self.spacing)
        last = math.ceil((self.top + self.height + reach) / self.spacing)
        return tuple(self.spacing * row for row in range(first, last + 1))

    def lit(self) -> Drawing:
        """The tile as its brush is lit."""
        return self._drawing(self.run.brush.relief, LIGHT)

    def flat(self) -> Drawing:
        """The tile in its plain colours."""
        return self._drawing(FLAT, LIGHT)

    def raised(self, height: float) -> Drawing:
        """The tile in fine steps of relief of a height, %, lit from straight above, so that each lies in the
        middle of the one below."""
        return self._drawing(FineRelief(height=height, shadow=0.0), Light(elevation=90.0))

    def _drawing(self, relief: Relief, light: Light) -> Drawing:
        run = replace(self.run, brush=replace(self.run.brush, relief=relief))
        group = draw_run(run, "tile", self.run.brush.name, light=light)
        groups = tuple(moved_down(group, by) for by in self.rows)
        if self.ground is not None:
            groups = (self._under(self.ground), *groups)
        return Drawing(self.width, self.height, groups, self.run.brush.name, (self.left, self.top))

    def _under(self, paint: Paint) -> Group:
        sides = np.array([(0, 0), (self.width, 0), (self.width, self.height), (0, self.height)])
        box = Outline("MLLLZ", sides + (self.left, self.top))
        # Nothing shows through where repeats of a cloth meet.
        sealed = [Shape(box, Solid(paint.mean))] if isinstance(paint, Tiling) and paint.opaque else []
        return Group("cloth", "Cloth", (Laid((*sealed, Shape(box, paint))),))


def tile_of(brush: Brush, spacing: float | None = None, cloth: Cloth | None = None) -> Tile:
    """A brush as a tile.

    Parameters
    ----------
    spacing : from one row of the brush to the next, garment mm, for a tile that repeats downward too; None
        for one that repeats along itself only.
    cloth : what its rows lie on, for a tile that repeats downward too; None for nothing.

    Raises
    ------
    BadInput
        If nothing of it repeats, the spacing is out of bounds, or there is none and a cloth is asked for.
    TooMuch
        If its rows come out together only after thousands of repeats, or with a cloth after far more.

    >>> from curlet.core.brush import Brush
    >>> tile = tile_of(Brush())
    >>> tile.width, tile.run.main.fits[0].stretch
    (4.0, 1.0)
    """
    if spacing is not None:
        SPACING.check(spacing)
    scale, notes = Scale(), list[str]()
    even = _even(brush, notes)
    width = _period(even, scale, notes)
    even = _in_step(even, width, scale)
    ground = ground_of(cloth, width, spacing) if cloth else None
    if ground:
        notes += ground.notes
        width *= ground.across
    reach = max(course.drawn_reach(scale) for course in even.courses) + _AROUND
    pitch = max((row.drawn_pitch(scale) for row in even.rows), default=width)
    before = max(math.ceil(_BEFORE * pitch / width), 2)
    points = np.array([[0.0, 0.0], [(2 * before + 1) * width, 0.0]])
    run = lay(Path.make(["a", "b"], points, points, points, False), even, scale)
    step = 2 * reach if spacing is None else spacing
    height = step * (ground.down if ground else 1)
    if ground and width / pitch * ground.down > _MAX_WITH_CLOTH:
        raise TooMuch(
            f"With this cloth the tile has over {_MAX_WITH_CLOTH:,} repeats. Put its rows further apart, "
            "or choose a finer cloth."
        )
    paint = ground.paint if ground else None
    return Tile(run, before * width, -step / 2, width, height, spacing, tuple(notes), paint)


def _even(brush: Brush, notes: list[str]) -> Brush:
    """The brush without what ends or changes along a run."""
    courses = tuple(_even_course(course, notes) for course in brush.courses)
    if not courses or all(isinstance(course, Span) for course in courses):
        raise BadInput("Nothing of this brush repeats, so it has no tile. Choose one with a row or a band.")
    if any(isinstance(course, Span) for course in courses):
        notes.append("What is stretched once along a run is not in the tile.")
    if brush.fade.points:
        notes.append("It does not fade along the tile.")
    kept = tuple(course for course in courses if not isinstance(course, Span))
    return replace(brush, courses=kept, fade=Fade())


def _even_course(course: Course, notes: list[str]) -> Course:
    if isinstance(course, Span):
        return course
    if course.swell.points:
        notes.append("Its width is the same all along the tile.")
    course = replace(course, swell=Swell(), fade=Fade())
    if isinstance(course, Band):
        return replace(course, ends="flat")
    steady = tuple(rule for rule in course.sway if rule.driver == "rhythm")
    if len(steady) < len(course.sway):
        notes.append("Sway at random, and from start to end, is left out, so that the tile repeats.")
    return replace(
        course,
        sway=steady,
        fit=FitRule(kind="leave-over"),
        pieces=Pieces(),
        ends=EndRule(),
        start_shift=Measure(0.0),
    )


def _period(brush: Brush, scale: Scale, notes: list[str]) -> float:
    """How long the tile is: whole sequences of the main row, so many that the others come out too, mm."""
    lengths = [_sequence(row, scale) for row in brush.rows]
    if not lengths:
        widest = max(course.drawn_width(scale) for course in brush.courses if isinstance(course, Band))
        return max(widest, _SHORTEST)
    main, others = lengths[0], lengths[1:]
    rounds = fewest_rounds(lambda n: _away(n * main, others), _EXACT)
    away = _away(rounds * main, others)
    if away > _EXACT:
        notes.append(f"Rows are up to {100 * away:.1f} % longer or shorter, so that all come out together.")
    if rounds * main / min(row.drawn_pitch(scale) for row in brush.rows) > _MAX_REPEATS:
        raise TooMuch("This brush repeats only after thousands of stitches. Give its rows lengths that fit.")
    return rounds * main


def _sequence(row: Row, scale: Scale) -> float:
    """How long all motifs of a row are in turn, and its rhythms, mm."""
    lengths, gap = row.drawn_lengths(scale), row.drawn_gap(scale)
    once = sum(lengths[index] + gap for index in row.sequence)
    repeats = len(row.sequence)
    whole = repeats
    for rule in row.sway:
        if rule.period == int(rule.period):
            whole = math.lcm(whole, int(rule.period))
    if row.facing.mirror_alternate:
        whole = math.lcm(whole, 2)
    return once * whole / repeats


def _away(width: float, others: list[float]) -> float:
    """How far the others are from coming out in a tile, the worst as a share."""
    return max((abs(stretch(width, each) - 1) for each in others), default=0.0)


def _in_step(brush: Brush, width: float, scale: Scale) -> Brush:
    """The brush with each row as much longer or shorter as it comes out in the tile."""

    def fitted(course: Course) -> Course:
        if not isinstance(course, Row):
            return course
        k = stretch(width, _sequence(course, scale))
        if abs(k - 1) <= _EXACT:
            return course
        more = tuple(replace(letter, length=_times(letter.length, k)) for letter in course.more)
        gap = _times(course.gap, k) if isinstance(course.gap, Measure) else course.gap
        return replace(course, length=_times(course.length, k), more=more, gap=gap)

    return replace(brush, courses=tuple(fitted(course) for course in brush.courses))


def _times(measure: Measure, k: float) -> Measure:
    return Measure(measure.mm * k, MeasuredOn(measure.on))
