"""What all benchmarks measured, as a page of docs/."""

from __future__ import annotations

import datetime
import os
import platform
from collections.abc import Mapping, Sequence
from pathlib import Path as FilePath

from speed.timing import Figure

FILE = FilePath(__file__).parent.parent / "docs/speed.md"
_INTRO = """# Speed

What `make speed` measured, written by that command on {date}: {machine}, Python {python}, Chromium
without a graphics card. Ratios compare both sides in one run, so that they hold on other machines too;
milliseconds are this machine's.

How laying, painting and writing grow, over two logarithmic axes: what climbs one line for each one along is
linear.

![Seconds by repeats and paths](speed.svg)
"""


def write_report(figures: Mapping[str, Sequence[Figure]]) -> None:
    python, date = platform.python_version(), datetime.date.today().isoformat()
    parts = [_INTRO.format(date=date, machine=_machine(), python=python)]
    for words, told in figures.items():
        rows = [f"| {one.what} | {one.text} | {one.aimed} | {_met(one)} | {one.beside} |" for one in told]
        head = "| | measured | aim | | |\n|---|---:|---|---|---|"
        parts.append(f"## {words}\n\n{head}\n" + "\n".join(rows) + "\n")
    FILE.write_text("\n".join(parts))


def _met(figure: Figure) -> str:
    return "" if figure.aim is None else "met" if figure.met else "missed" if figure.missed else "nearly"


def _machine() -> str:
    info = FilePath("/proc/cpuinfo")
    names = [line.split(":", 1)[1].strip() for line in info.read_text().splitlines() if "model name" in line]
    return f"{os.cpu_count()} cores of {names[0] if names else platform.machine()}"
