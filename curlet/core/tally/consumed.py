"""What a run takes to be made: thread, trim to cut, links and beads. All lengths are garment mm.

Thread of a machine stitch is its stitch class's ratio × the length of the seam, the underthread in a share of
its own (thread makers' consumption guides, at about 7 stitches to the cm of two plies of medium cloth; from
memory). Hand stitches show about half of their thread: the length that is drawn, twice (common practice).
"""

from __future__ import annotations

import math
from collections import Counter, defaultdict
from dataclasses import dataclass

import numpy as np

from curlet.core.bounds import Bounds
from curlet.core.brush.words import repeat_noun
from curlet.core.lay import LaidRow, LaidRun
from curlet.core.lay.band import LaidBand
from curlet.core.lay.lay import LaidCourse
from curlet.core.lay.own_line import OwnLine
from curlet.core.motif.families import Family
from curlet.core.motif.motif import Motif, MotifMaker
from curlet.core.path.contours import contours
from curlet.core.path.corners import Corner
from curlet.core.path.cubics import points_on

# By stitch class (ISO 4915; 516 as in ASTM D6193): thread × the seam's length, and the needles' share of it.
RATIOS = {
    "101": (4.0, 1.0),
    "301": (2.5, 1.0),
    "304": (7.0, 1.0),
    "401": (5.5, 0.25),
    "406": (18.0, 0.3),
    "504": (14.0, 0.2),
    "516": (20.0, 0.2),
    "602": (25.0, 0.2),
}
# What shows of a hand stitch lies beneath once more.
HAND = 2.0
WASTE = Bounds("The allowance for thread", 0, 200, "10 % to 20 % is usual", "%")
ENDS = Bounds("The allowance at each end", 0, 1_000, "15 mm is usual")
_ALONG = np.linspace(0, 1, 17)
# Cut to length and sewn on; the others are stitched, printed, or chains, which are also counted.
_CUT = ("rope", "trim", "chain")


@dataclass(frozen=True)
class Allowances:
    """What is reckoned beside: thread for starts, ends and joins in %, trim at each cut end in mm."""

    waste: float = 15.0
    ends: float = 15.0

    def check(self) -> None:
        """Raise BadInput where one is out of bounds."""
        WASTE.check(self.waste)
        ENDS.check(self.ends)


USUAL = Allowances()


@dataclass(frozen=True)
class ThreadUse:
    """So much of a brush's thread 1, 2, 3 …, mm, the allowance included."""

    thread: int
    length: float


@dataclass(frozen=True)
class Consumed:
    """What a run takes.

    Attributes
    ----------
    classes : the stitch classes that its thread is reckoned by, each once.
    thread : by the brush's thread; none for what is not sewn.
    trim : length to cut, mitres and ends included, mm; None for what is not cut to length.
    pieces : how many of each thing that is counted, by its name: links, beads, corner and end pieces.
    """

    classes: tuple[str, ...]
    thread: tuple[ThreadUse, ...]
    trim: float | None
    pieces: tuple[tuple[str, int], ...]


def consumed(run: LaidRun, allowances: Allowances = USUAL) -> Consumed:
    """What a run takes to be made.

    >>> from curlet.core.brush import Brush
    >>> from curlet.core.lay import lay
    >>> from curlet.core.measures import Scale
    >>> from curlet.core.path.figures import FIGURES
    >>> square = FIGURES["rectangle"].make({"width": 100, "height": 100})
    >>> taken = consumed(lay(square, Brush(), Scale()), Allowances(waste=0))
    >>> taken.classes, round(taken.thread[0].length)
    (('301',), 1000)
    """
    allowances.check()
    thread: dict[int, float] = defaultdict(float)
    classes: dict[str, None] = {}
    pieces: Counter[str] = Counter()
    for row in run.rows:
        if run.brush.kind == "stitch":
            sewn = _sewn(row)
            classes |= dict.fromkeys(sewn)
            for slot, length in _thread(run, row, sewn).items():
                thread[slot] += length
        elif _is_counted(run.brush.kind, row):
            pieces.update(_counted(row, run.brush.kind))
        pieces.update(_placed(row))
    more = 1 + allowances.waste / 100
    used = tuple(ThreadUse(slot, length * more) for slot, length in sorted(thread.items()) if length > 0)
    trim = _to_cut(run, allowances.ends) if run.brush.kind in _CUT else None
    return Consumed(tuple(classes), used, trim, tuple(pieces.items()))


def _sewn(row: LaidRow) -> tuple[str, ...]:
    """The stitch class of each of a row's needles; none for what is sewn by hand."""
    maker = row.course.motif
    return maker.sewn if isinstance(maker, Family) else ()


def _thread(run: LaidRun, row: LaidRow, sewn: tuple[str, ...]) -> dict[int, float]:
    used: dict[int, float] = defaultdict(float)
    if not sewn:
        for slot, length in _drawn(row).items():
            used[slot] += HAND * length / run.scale.factor
        return used
    seam = sum(room.line.length for room in row.rooms) / run.scale.factor
    # The underthread is the brush's second thread, where it has one.
    under = 2 if len(run.brush.threads) > 1 else 1
    for each in sewn:
        ratio, needles = RATIOS[each]
        used[1] += ratio * needles * seam
        used[under] += ratio * (1 - needles) * seam
    return used


def _drawn(row: LaidRow) -> dict[int, float]:
    """Length of the lines that a row's repeats are drawn with, by thread, drawn mm."""
    found: dict[int, float] = defaultdict(float)
    lengths = row.repeats.end - row.repeats.start
    for index, motif in enumerate(row.motifs):
        of_motif = lengths[row.repeats.motif == index]
        if len(of_motif):
            # Lines that lie along the path are as much longer as their repeats are.
            for slot, length in _lines(motif, float(of_motif.mean())).items():
                found[slot] += len(of_motif) * length
    return found


def _lines(motif: Motif, length: float) -> dict[int, float]:
    """Length of a motif's lines by thread, laid `length` mm long."""
    found: dict[int, float] = defaultdict(float)
    for item in motif.shapes:
        role = item.stroke_role or item.role
        if item.shape.stroke is None or role.own is not None:
            continue
        for part in contours(item.shape.outline):
            points = points_on(part.cubics, _ALONG) * (length, 1.0)
            found[role.thread] += float(np.linalg.norm(np.diff(points, axis=1), axis=2).sum())
    return found


def _is_counted(kind: str, row: LaidRow) -> bool:
    """Whether a row is made of single things: links, or beads and buttons, which nothing stretches."""
    return kind == "chain" or (kind == "trim" and row.hold.spreads)


def _counted(row: LaidRow, kind: str) -> Counter[str]:
    """How many of each motif, by its name, with its letter where several are called the same."""
    makers = [maker for turns in row.course.letters for maker, _ in turns]
    letters = [chr(ord("A") + at) for at, turns in enumerate(row.course.letters) for _ in turns]
    names = [name_of(maker, kind) for maker in makers]
    if len(row.course.letters) > 1:
        names = [f"{name} {letter}" for name, letter in zip(names, letters, strict=True)]
    tones = max(len(row.course.shades), 1)
    counts = np.bincount(row.repeats.motif[row.repeats.counted], minlength=row.course.count)
    # Where a repeat itself is turned at a corner, that is one more.
    for place in row.corner_places:
        if place.art.piece is None:
            counts[place.motif] += 1
    found: Counter[str] = Counter()
    for index, count in enumerate(counts[: row.course.count].tolist()):
        if count:
            found[names[index // tones]] += count
    return found


def name_of(maker: MotifMaker, kind: str) -> str:
    """What one motif of a brush of a kind is called in a count: a link, or what it is."""
    if kind != "chain" and isinstance(maker, Family):
        return maker.about.name
    return repeat_noun(kind).one.capitalize()


def _placed(row: LaidRow) -> Counter[str]:
    """Pieces at ends, joins and corners."""
    found = Counter({"Corner piece": sum(place.art.piece is not None for place in row.corner_places)})
    others = int((row.repeats.motif >= row.course.count).sum())
    found["Bartack" if row.course.ends.bartack.mm > 0 else "End piece"] = others
    return +found


def _to_cut(run: LaidRun, ends: float) -> float:
    """The longest of its courses: what is cut together is cut as long as that."""
    lengths = [_course(run, course) for course in run.courses]
    return max(lengths) / run.scale.factor + 2 * ends


def _course(run: LaidRun, course: LaidCourse) -> float:
    """Length of one course, drawn mm."""
    if isinstance(course, LaidRow):
        turned = [course.legs[room.leg].end for room in course.rooms if room.stop.cut or room.stop.folded]
        line, width = sum(room.line.length for room in course.rooms), 2 * course.reach
    elif isinstance(course, LaidBand):
        turned = list(run.corners) if course.course.joins == "mitre" else []
        owns = (OwnLine(course.line, leg, course.offset) for leg in range(len(course.line.legs)))
        line, width = sum(own.length for own in owns), course.width
    else:
        return run.path.length
    limit = run.manners.rule.mitre_limit
    return line + width * sum(min(_mitre(corner), limit) for corner in turned if corner is not None)


def _mitre(corner: Corner) -> float:
    """What a mitre takes beside the line, as a share of the trim's width: at both of its ends half the width
    × tan of half the turn."""
    return math.tan(math.radians(min(abs(corner.turn), 179.0)) / 2)
