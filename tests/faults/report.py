"""What the long run measured, as a page."""

from __future__ import annotations

import datetime
from pathlib import Path as FilePath

_INTRO = """# Faults tried

What `make faults` tried, and what came of it. It was written by that command on {date}, on two cores; the
suite tries the same in short. Seconds are from the request to its answer; MB are the most that the
application and all of its processes had at once beyond what they had before; "others" is the longest that
another request, the list of sheets, took meanwhile.
"""


class Report:
    """Rows by their heading."""

    def __init__(self) -> None:
        self._tables: dict[str, tuple[tuple[str, ...], list[tuple[str, ...]]]] = {}

    def add(self, heading: str, columns: tuple[str, ...], *cells: object) -> None:
        table = self._tables.setdefault(heading, (columns, []))
        table[1].append(tuple(str(cell).replace("|", "\\|").replace("\n", " ") for cell in cells))

    def write(self, file: FilePath) -> None:
        parts = [_INTRO.format(date=datetime.date.today().isoformat())]
        for heading, (columns, rows) in self._tables.items():
            lines = [columns, tuple("---" for _ in columns), *rows]
            parts.append(f"## {heading}\n\n" + "\n".join(f"| {' | '.join(line)} |" for line in lines) + "\n")
        file.write_text("\n".join(parts))
