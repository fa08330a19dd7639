"""Run every benchmark, or those named: `python -m speed [laying] [heart] [screen]`."""

from __future__ import annotations

import sys

from speed import heart, laying, screen

PARTS = {"laying": laying.run, "heart": heart.run, "screen": screen.run}


def main(names: list[str]) -> None:
    for name in names or list(PARTS):
        PARTS[name]()


main(sys.argv[1:])
