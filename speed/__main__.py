"""Run every benchmark, or those named: `python -m speed [laying] [heart] [screen] [bench] [many] …`."""

from __future__ import annotations

import sys

from curlet.memory import tune_memory
from speed import areas, bench, exports, heart, laying, many, relief, screen, tracing

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
}


def main(names: list[str]) -> None:
    # Both sides of every ratio run with it.
    tune_memory()
    for name in names or list(PARTS):
        PARTS[name]()


main(sys.argv[1:])
