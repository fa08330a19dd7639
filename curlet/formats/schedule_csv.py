"""The schedule as CSV (RFC 4180): one line of headings, numbers with points and without commas."""

from __future__ import annotations

import csv
import io

from curlet.formats.schedule_table import Cell, Column, Line, Table, rounded

CSV_TYPE = "text/csv; charset=utf-8; header=present"
# A cell that begins so is reckoned, or run, by programs that open tables.
_RECKONED = ("=", "+", "-", "@", "\t")


def write_csv(table: Table) -> bytes:
    """A table in UTF-8, lines ended by CR LF, the sums last.

    A text that a program for tables would reckon as a formula has an apostrophe before it.
    """
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([column.heading for column in table.columns])
    for line in (*table.lines, table.sums):
        writer.writerow(_cells(line, table.columns))
    return out.getvalue().encode("utf-8")


def _cells(line: Line, columns: tuple[Column, ...]) -> list[str]:
    return [_plain(line.cells.get(column.key), column) for column in columns]


def _plain(cell: Cell, column: Column) -> str:
    if cell is None:
        return ""
    if isinstance(cell, str):
        return f"'{cell}" if cell.startswith(_RECKONED) else cell
    return str(cell) if column.places is None else f"{rounded(cell, column.places):.{column.places}f}"
