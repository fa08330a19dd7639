"""Run every benchmark, or those named: `python -m speed [laying] [heart] [screen] [bench] [many] …`.

Each writes its part of docs/speed.md. It ends with 1 where a figure is worse than its aim by a third.
"""

from __future__ import annotations

import sys

from curlet.memory import tune_memory
from speed import areas, bench, exports, growth, heart, laying, many, relief, screen, tracing
from speed.report import write_report
from speed.timing import FIGURES

PARTS = {
    "laying": laying.run,
    "heart": heart.run,
    "screen": screen.run,
    "bench": bench.run,
    "tracing": tracing.run,
    "many": many.run,
    "relief": relief.run,
    "areas": areas.run,
    "exports": exports.run,
    "growth": growth.run,
}


def main(names: list[str]) -> int:
    # Both sides of every ratio run with it.
    tune_memory()
    for name in names or list(PARTS):
        PARTS[name]()
        write_report(FIGURES)
    missed = [f"{words}: {one.what}" for words, figures in FIGURES.items() for one in figures if one.missed]
    if missed:
        print("\nWorse than their aims by a third:", *missed, sep="\n  ")
    return 1 if missed else 0


sys.exit(main(sys.argv[1:]))
