"""The schedule as a table: headings with their units, and a line for each run, seam group, brush or shade."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from curlet.core.lay.corners import MANNERS
from curlet.core.measures import MM_PER_INCH
from curlet.core.tally.schedule import Seam, Sum, by_brush, by_group, by_shade, summed

Cell = str | float | int | None


@dataclass(frozen=True)
class Column:
    """A column: its key, its heading, and to how many places its numbers are told; None for words and
    counts. `kind` "length" and "thread" are told in the sheet's unit, which the heading says."""

    key: str
    heading: str
    places: int | None = None
    kind: str = ""

    def in_unit(self, unit: str) -> Column:
        """The same with its unit in the heading."""
        if not self.kind:
            return self
        name, _ = UNITS[unit][self.kind]
        finer = 1 if unit == "in" and self.kind == "length" else 0
        return Column(self.key, f"{self.heading}, {name}", (self.places or 0) + finer, self.kind)


# What lengths and thread are told in on sheets in mm and in inches, and how many mm that is.
UNITS = {
    "mm": {"length": ("mm", 1.0), "thread": ("m", 1_000.0)},
    "in": {"length": ("in", MM_PER_INCH), "thread": ("yd", 36 * MM_PER_INCH)},
}


@dataclass(frozen=True)
class Line:
    """A line of a table: its cells by their columns' keys, and the runs that it is about."""

    cells: dict[str, Cell]
    runs: tuple[str, ...]


@dataclass(frozen=True)
class Table:
    """A table with its sums beneath."""

    columns: tuple[Column, ...]
    lines: tuple[Line, ...]
    sums: Line


_RUN = (
    Column("name", "Path"),
    Column("group", "Seam group"),
    Column("brush", "Brush"),
    Column("length", "Length", 1, "length"),
    Column("legs", "Legs"),
    Column("repeats", "Count"),
    Column("noun", "Of"),
    Column("stitch", "Each", 2, "length"),
    Column("gap", "Gap", 2, "length"),
    Column("spi", "Per inch", 1),
    Column("departure", "Off by, %", 1),
    Column("corners", "Corners"),
    Column("thread", "Thread", 2, "thread"),
    Column("shades", "Shades"),
    Column("trim", "Trim to cut, mm", 0),
    Column("trim_in", "Trim to cut, in", 2),
    Column("pieces", "Pieces"),
)
_COUNTS = (Column("stitches", "Stitches"), Column("links", "Links"), Column("repeats", "Repeats"))
_SUM = (
    Column("runs", "Runs"),
    Column("length", "Length", 1, "length"),
    *_COUNTS,
    Column("thread", "Thread", 2, "thread"),
    Column("trim", "Trim to cut, mm", 0),
    Column("trim_in", "Trim to cut, in", 2),
    Column("pieces", "Pieces"),
)
_SHADE = tuple(column for column in _SUM if column not in _COUNTS and column.key != "pieces")

Summing = Callable[[Sequence[Seam]], list[Sum]]
# What lines can be about, what that is called, and their columns.
KINDS: dict[str, tuple[str, Summing | None, tuple[Column, ...]]] = {
    "run": ("Path", None, _RUN),
    "group": ("Seam group", by_group, (Column("name", "Seam group"), *_SUM)),
    "brush": ("Brush", by_brush, (Column("name", "Brush"), *_SUM)),
    "shade": ("Shade", by_shade, (Column("name", "Shade"), *_SHADE)),
}


def table_of(seams: Sequence[Seam], kind: str, unit: str = "mm") -> Table:
    """The schedule by a name in `KINDS`, in the unit of its sheet."""
    _, summing, columns = KINDS[kind]
    if summing is None:
        lines = [Line(_run(seam), (seam.run,)) for seam in seams]
    else:
        lines = [Line(_sum(each), each.ids) for each in summing(seams)]
    total = summed("All", seams)
    # There it would be the sum of unlike things.
    sums = {key: value for key, value in _sum(total).items() if summing is not None or key not in _BY_KIND}
    every = [_in_unit(line, columns, unit) for line in (*lines, Line(sums, total.ids))]
    return Table(tuple(column.in_unit(unit) for column in columns), tuple(every[:-1]), every[-1])


def all_tables(seams: Sequence[Seam], unit: str) -> tuple[tuple[str, Table], ...]:
    """The schedule in every way, each under its heading."""
    return tuple((f"By {name.lower()}", table_of(seams, kind, unit)) for kind, (name, *_) in KINDS.items())


_BY_KIND = {column.key for column in _COUNTS}
_WHOLE = {"legs", "runs"} | _BY_KIND


def _in_unit(line: Line, columns: Sequence[Column], unit: str) -> Line:
    """A line whose lengths, mm, are told in a sheet's unit."""
    cells = dict(line.cells)
    for column in columns:
        value = cells.get(column.key)
        if column.kind and isinstance(value, float):
            cells[column.key] = value / UNITS[unit][column.kind][1]
    return Line(cells, line.runs)


def _run(seam: Seam) -> dict[str, Cell]:
    noun = seam.noun.one if seam.repeats == 1 else seam.noun.many
    return {
        "name": seam.name,
        "group": seam.group,
        "brush": seam.brush,
        "length": seam.length,
        "legs": seam.legs,
        "repeats": seam.repeats or None,
        "noun": noun if seam.repeats else "",
        "stitch": seam.stitch,
        "gap": seam.gap,
        "spi": seam.spi,
        "departure": seam.departure if seam.repeats else None,
        "corners": ", ".join(f"{count} × {MANNERS[manner].label.lower()}" for manner, count in seam.corners),
        "thread": seam.thread if seam.taken.thread else None,
        "shades": ", ".join(dict.fromkeys(seam.shades)),
        **_trim(seam.taken.trim),
        "pieces": _pieces(seam.taken.pieces),
    }


def _sum(of: Sum) -> dict[str, Cell]:
    return {
        "name": of.name or "In no group",
        "runs": of.runs,
        "length": of.length,
        **dict(of.repeats),
        "thread": of.thread or None,
        **_trim(of.trim or None),
        "pieces": _pieces(of.pieces),
    }


def _trim(length: float | None) -> dict[str, Cell]:
    return {"trim": length, "trim_in": None if length is None else length / MM_PER_INCH}


def _pieces(pieces: Sequence[tuple[str, int]]) -> str:
    return ", ".join(f"{count:,} × {name}" for name, count in pieces)


def told(cell: Cell, column: Column) -> str:
    """A cell in words: a number to its column's places, with commas; nothing where there is none."""
    if cell is None or isinstance(cell, str):
        return cell or ""
    return f"{cell:,}" if column.places is None else f"{rounded(cell, column.places):,.{column.places}f}"


def rounded(value: float, places: int) -> float:
    """A number to so many places, without a sign where nothing is left of it.

    >>> rounded(-0.04, 1), rounded(-0.06, 1)
    (0.0, -0.1)
    """
    return round(value, places) + 0.0


def is_number(column: Column) -> bool:
    """Whether a column's cells are numbers."""
    return column.places is not None or column.key in _WHOLE
