"""How much is tried: in `make test` what finds most in its time, with CURLET_TESTS=long everything.

`make test-long` runs the whole suite so; `make faults` only its faults, at their full size.
"""

from __future__ import annotations

import os
from collections.abc import Sequence
from typing import TypeVar

T = TypeVar("T")

LONG = os.environ.get("CURLET_TESTS") == "long"


def some(cases: Sequence[T], most: int) -> Sequence[T]:
    """So many of some cases, from first to last; all of them in the long run."""
    return cases if LONG else cases[:: -(-len(cases) // most)]
