"""What the benchmarks measured, as a page of docs/: a part for each."""

from __future__ import annotations

import datetime
import os
import platform
from collections.abc import Mapping, Sequence
from pathlib import Path as FilePath

from speed.timing import Figure

FILE = FilePath(__file__).parent.parent / "docs/speed.md"
_INTRO = """# Speed

What `make speed` measured, written by that command. Ratios compare both sides in one run, so that they
hold on other machines too; milliseconds are those of the machine that is named, with Chromium without a
graphics card.

How laying, painting and writing grow, over two logarithmic axes: what climbs one line for each one along is
linear.

![Seconds by repeats and paths](speed.svg)
"""
_HEAD = "## "


def write_report(figures: Mapping[str, Sequence[Figure]]) -> None:
    """Put what was measured in place of what was measured of it before; all else stays."""
    parts = _written() | {words: _part(words, told) for words, told in figures.items()}
    FILE.write_text("\n".join([_INTRO, *parts.values()]))


def _written() -> dict[str, str]:
    """The parts of the page as it is, by their headings."""
    text = FILE.read_text() if FILE.exists() else ""
    found = text.split(f"\n{_HEAD}")[1:]
    return {part.partition("\n")[0]: f"{_HEAD}{part.rstrip()}\n" for part in found}


def _part(words: str, told: Sequence[Figure]) -> str:
    rows = [f"| {one.what} | {one.text} | {one.aimed} | {_met(one)} | {one.beside} |" for one in told]
    when = f"{datetime.date.today().isoformat()}: {_machine()}, Python {platform.python_version()}."
    head = "| | measured | aim | | |\n|---|---:|---|---|---|"
    return f"{_HEAD}{words}\n\n{when}\n\n{head}\n" + "\n".join(rows) + "\n"


def _met(figure: Figure) -> str:
    return "" if figure.aim is None else "met" if figure.met else "missed" if figure.missed else "nearly"


def _machine() -> str:
    info = FilePath("/proc/cpuinfo")
    names = [line.split(":", 1)[1].strip() for line in info.read_text().splitlines() if "model name" in line]
    return f"{os.cpu_count()} cores of {names[0] if names else platform.machine()}"
