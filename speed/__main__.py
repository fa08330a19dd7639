"""Run every benchmark, or those named: `python -m speed [laying] [heart] [screen]`."""

from __future__ import annotations

import sys

from curlet.memory import keep_freed_memory
from speed import heart, laying, screen

PARTS = {"laying": laying.run, "heart": heart.run, "screen": screen.run}


def main(names: list[str]) -> None:
    # Both sides of every ratio run with it.
    keep_freed_memory()
    for name in names or list(PARTS):
        PARTS[name]()


main(sys.argv[1:])
