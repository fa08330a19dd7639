"""What a call-out says of a run: its construction, stitch and gap, gauge or size, and shades."""

from __future__ import annotations

from collections.abc import Sequence

from curlet.core.brush.gauge import gauge
from curlet.core.lay import LaidRun
from curlet.core.lay.band import LaidBand
from curlet.core.measures import MM_PER_INCH
from curlet.core.tally.consumed import consumed
from curlet.core.tally.facts import measured

# So that 6.35 is told as 6.4, which it is a little below in binary.
_HALF = 1e-9


def words_of(run: LaidRun, shades: Sequence[str], unit: str = "mm") -> str:
    """A run in a line, as a sample room reads it; its measures as they came out, on the garment.

    >>> from curlet.core.brush import Brush
    >>> from curlet.core.lay import lay
    >>> from curlet.core.measures import Scale
    >>> from curlet.core.path.figures import FIGURES
    >>> circle = FIGURES["circle"].make({"diameter": 100})
    >>> words_of(lay(circle, Brush(), Scale()), ["Straw"])
    'Topstitch 301, 3 + 1 mm, Straw'
    """
    name = run.brush.name.partition(",")[0].strip()
    taken = consumed(run)
    classes = [each for each in taken.classes if each not in name]
    parts = [" ".join([name, *classes]), *_sizes(run, unit)]
    apart = gauge(run.brush)
    if apart is not None:
        parts.append(f"{_length(apart.on_garment(run.scale), unit)} {unit} gauge")
    parts += [f"{count:,} × {piece[0].lower()}{piece[1:]}" for piece, count in taken.pieces]
    if shades:
        parts.append(" and ".join(dict.fromkeys(shades)))
    return ", ".join(parts)


def _sizes(run: LaidRun, unit: str) -> list[str]:
    """Stitch and gap of what is sewn; the repeat of what is not, or a band's width."""
    main, k = measured(run).main, run.scale.factor
    if main is None:
        widths = [course.width for course in run.courses if isinstance(course, LaidBand)]
        return [f"{_length(max(widths) / k, unit)} {unit} wide"] if widths else []
    stitch, gap = _length(main.mean_stitch / k, unit), _length(main.mean_gap / k, unit)
    if run.brush.kind == "stitch":
        return [f"{stitch} + {gap} {unit}" if float(gap) > 0 else f"{stitch} {unit}"]
    return [f"{_length((main.mean_stitch + main.mean_gap) / k, unit)} {unit} repeat"]


def _length(mm: float, unit: str) -> str:
    """To a tenth of a mm, or a hundredth of an inch, halves upward, without needless zeros."""
    value, places = (mm / MM_PER_INCH, 2) if unit == "in" else (mm, 1)
    text = f"{value + _HALF:.{places}f}"
    return text.rstrip("0").rstrip(".") or "0"
