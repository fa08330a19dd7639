"""The schedule: what every run of a sheet comes to, by run, seam group, brush or shade, with sums.

All lengths are garment mm.
"""

from __future__ import annotations

from collections import Counter, defaultdict
from collections.abc import Callable, Iterable
from dataclasses import dataclass

from curlet.core.brush.words import Noun, repeat_noun
from curlet.core.lay import LaidRun
from curlet.core.tally.consumed import USUAL, Allowances, Consumed, consumed
from curlet.core.tally.facts import RunTally, measured

# A run's shade where its brush has no such thread.
_NONE = "no shade"


@dataclass(frozen=True)
class Seam:
    """A run in the schedule.

    Attributes
    ----------
    run, path : their ids on the sheet.
    name, group, brush : of the path, its seam group ("" for none) and the brush.
    kind : of the brush.
    shades : what the brush's threads 1, 2, 3 … are called.
    length : of the path.
    stitch, gap : as they came out, in the mean; None where nothing repeats.
    spi : stitches to the inch, likewise; None of what is not stitched.
    departure : how far the pitch came out from what was set, %, the largest of any leg.
    corners : how many there are of each manner.
    """

    run: str
    path: str
    name: str
    group: str
    brush: str
    kind: str
    shades: tuple[str, ...]
    closed: bool
    length: float
    legs: int
    repeats: int
    stitch: float | None
    gap: float | None
    spi: float | None
    departure: float
    corners: tuple[tuple[str, int], ...]
    taken: Consumed

    @property
    def noun(self) -> Noun:
        """What its repeats are called."""
        return repeat_noun(self.kind)

    @property
    def thread(self) -> float:
        """All thread that it takes."""
        return sum(use.length for use in self.taken.thread)

    def shade_of(self, thread: int) -> str:
        """What its thread 1, 2, 3 … is called."""
        return self.shades[thread - 1] if 0 < thread <= len(self.shades) else _NONE


@dataclass(frozen=True)
class Named:
    """What a run is called by: the ids of itself and its path, and the names that `Seam` has."""

    run: str
    path: str
    name: str
    group: str
    shades: tuple[str, ...]


@dataclass(frozen=True)
class Sum:
    """What some runs come to together.

    Attributes
    ----------
    name : of the seam group, the brush or the shade that they have in common.
    runs : how many they are; `ids` says which.
    length : of their paths.
    repeats : how many, by what they are called, "stitches", "links" or "repeats".
    thread, trim : mm; what is not sewn, or not cut, takes none.
    """

    name: str
    runs: int
    ids: tuple[str, ...]
    length: float
    repeats: tuple[tuple[str, int], ...]
    thread: float
    trim: float
    pieces: tuple[tuple[str, int], ...]


def seam(run: LaidRun, named: Named, allowances: Allowances = USUAL) -> Seam:
    """What one laid run comes to."""
    facts, k = measured(run), run.scale.factor
    main = facts.main
    return Seam(
        run=named.run,
        path=named.path,
        name=named.name,
        group=named.group,
        brush=run.brush.name,
        kind=run.brush.kind,
        shades=named.shades,
        closed=facts.closed,
        length=facts.length / k,
        legs=len(facts.legs) or 1,
        repeats=facts.repeats,
        stitch=main.mean_stitch / k if main else None,
        gap=main.mean_gap / k if main else None,
        spi=main.spi if main and run.brush.kind == "stitch" else None,
        departure=main.departure if main else 0.0,
        corners=_corners(facts),
        taken=consumed(run, allowances),
    )


def _corners(facts: RunTally) -> tuple[tuple[str, int], ...]:
    return tuple(Counter(corner.manner for corner in facts.corners).items())


def summed(name: str, seams: Iterable[Seam]) -> Sum:
    """Some runs together."""
    all_of = list(seams)
    repeats: Counter[str] = Counter()
    pieces: Counter[str] = Counter()
    for each in all_of:
        repeats[each.noun.many] += each.repeats
        pieces.update(dict(each.taken.pieces))
    return Sum(
        name,
        len(all_of),
        tuple(each.run for each in all_of),
        sum(each.length for each in all_of),
        tuple((+repeats).items()),
        sum(each.thread for each in all_of),
        sum(each.taken.trim or 0.0 for each in all_of),
        tuple(pieces.items()),
    )


def by_group(seams: Iterable[Seam]) -> list[Sum]:
    """By seam group, in the order in which they come; runs in none last."""
    found = _by(seams, lambda each: each.group)
    return sorted(found, key=lambda one: one.name == "")


def by_brush(seams: Iterable[Seam]) -> list[Sum]:
    """By brush, in the order in which they come."""
    return _by(seams, lambda each: each.brush)


def by_shade(seams: Iterable[Seam]) -> list[Sum]:
    """By shade, the one with most thread first. A run that has several is in each of them, with that shade's
    thread alone; what is not sewn is with its first."""
    thread: dict[str, float] = defaultdict(float)
    of_shade: dict[str, dict[str, Seam]] = {}
    for each in seams:
        used = {each.shade_of(use.thread) for use in each.taken.thread} or {each.shade_of(1)}
        for shade in sorted(used):
            of_shade.setdefault(shade, {})[each.run] = each
        for use in each.taken.thread:
            thread[each.shade_of(use.thread)] += use.length
    found = []
    for shade, those in of_shade.items():
        together = summed(shade, those.values())
        found.append(
            Sum(shade, together.runs, together.ids, together.length, (), thread[shade], together.trim, ())
        )
    return sorted(found, key=lambda one: -one.thread)


def _by(seams: Iterable[Seam], key: Callable[[Seam], str]) -> list[Sum]:
    found: dict[str, list[Seam]] = {}
    for each in seams:
        found.setdefault(key(each), []).append(each)
    return [summed(name, those) for name, those in found.items()]
