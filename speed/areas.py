"""Areas made anew: of a run of many repeats, and while a node is dragged."""

from __future__ import annotations

import math
import time
from collections.abc import Callable

import numpy as np

from curlet.core.area.edges import edges_of
from curlet.core.area.parts import Part, part_of
from curlet.core.area.silhouette import silhouette
from curlet.core.area.ways import made
from curlet.core.brush import Brush, Row
from curlet.core.drawing import Item
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import FAMILIES
from curlet.core.outlines import disc
from curlet.core.path.figures import FIGURES
from speed.timing import begin, say

FINE = 0.005
ROUNDS = 5


def run() -> None:
    begin("Areas")
    for count, aim in ((1_000, 500), (100, 120)):
        items, middle = _ring(count)
        took = _median(lambda items=items, middle=middle: _area(items, middle))  # type: ignore[misc]
        say(f"a run of {count:,} repeats with its inside, cold", took, "ms", aim)


def _ring(count: int) -> tuple[tuple[Item, ...], float]:
    """Discs of 4 mm round a circle, so many that they nearly touch; and its radius."""
    radius = 4.1 * count / (2 * math.pi)
    path = FIGURES["circle"].make({"diameter": 2 * radius})
    row = Row(FAMILIES["sequin"](), Measure(4.0), Measure(0.1))
    return draw_run(lay(path, Brush(courses=(row,)), Scale()), "run", "").items, radius


def _area(items: tuple[Item, ...], radius: float) -> int:
    covered: Part = silhouette(items, FINE)
    return len(edges_of(made([covered, part_of(disc(0, 0, radius), FINE)], "join")))


def _median(work: Callable[[], object]) -> float:
    """Milliseconds."""
    took = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        work()
        took.append(1000 * (time.perf_counter() - start))
    return float(np.median(took))
