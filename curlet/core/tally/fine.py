"""What in a run will be too fine for a file with pixels, where, and what mends it."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from curlet.core.lay import LaidRow, LaidRun
from curlet.core.measures import MM_PER_INCH, MM_PER_PT
from curlet.core.motif.families import Running
from curlet.core.tally.warning import Place

FINEST_PRINTED_PT = 0.25
# Fewer pixels than these across show no shapes within a repeat.
_SHAPES = 3.0


@dataclass(frozen=True)
class TooFine:
    """Something too fine: what, in words, one place where it is, and what to do."""

    words: str
    place: Place
    mend: str


def thread_of(row: LaidRow) -> float | None:
    """Weight of the thread that a row's stitches are drawn with, drawn mm; None for other artwork."""
    if not isinstance(row.course.motif, Running):
        return None
    stroke = row.motif.shapes[0].shape.stroke
    return stroke.weight if stroke else None


def too_fine(run: LaidRun, ppi: float) -> tuple[TooFine, ...]:
    """What in a run is below print weight (0.25 pt), below one pixel at `ppi`, or muddy: so few pixels that
    its colours run together."""
    return tuple(found for row in run.rows if row.fits for found in _in_row(run, row, MM_PER_INCH / ppi))


def _in_row(run: LaidRun, row: LaidRow, pixel: float) -> Iterator[TooFine]:
    start = Place.on(run, row.legs[0].s0, 0)
    thread, at = thread_of(row), f"at {MM_PER_INCH / pixel:g} ppi"
    if thread is None:
        yield from _muddy(row, pixel, start, at)
        return
    if thread < FINEST_PRINTED_PT * MM_PER_PT - 1e-9:
        mend = f"Thicken it to {FINEST_PRINTED_PT} pt."
        yield TooFine(
            f"the thread is {thread / MM_PER_PT:.2f} pt, below {FINEST_PRINTED_PT} pt.", start, mend
        )
    elif thread < pixel:
        yield TooFine(f"the thread is {thread / pixel:.1f} of a pixel {at}.", start, _finer(thread))
    gaps = [
        (fit.gap - 2 * row.motif.overhang, index) for index, fit in enumerate(row.fits) if fit.repeats > 1
    ]
    if not gaps:
        return
    gap, leg = min(gaps)
    if gap < pixel:
        words = f"the clear gap is {max(gap, 0) / pixel:.1f} of a pixel {at}."
        mend = _finer(gap) if gap > 0 else "Make the gap wider, or the thread finer."
        yield TooFine(words, Place.on(run, row.legs[leg].s0, leg), mend)


def _muddy(row: LaidRow, pixel: float, start: Place, at: str) -> Iterator[TooFine]:
    """Artwork of several shapes that is only a few pixels large: its colours mix."""
    drawn = zip(row.lengths, row.motifs, strict=False)
    sizes = [min(length, motif.width) for length, motif in drawn if len(motif.shapes) > 1]
    if sizes and min(sizes) < _SHAPES * pixel:
        words = f"a repeat is {min(sizes) / pixel:.1f} pixels across {at}: its colours run together."
        yield TooFine(words, start, _finer(min(sizes) / _SHAPES))


def _finer(length: float) -> str:
    """The resolution at which a length is a whole pixel, rounded up to tens."""
    return f"Ask for {math.ceil(MM_PER_INCH / length / 10) * 10:,} ppi or more, or make it larger."
