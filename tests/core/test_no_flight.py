"""Nothing laid leaves its path by more than its own reach, however the path's nodes were drawn."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, MultiPoint

from curlet.core.brush import Brush
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import block, flattened, shapes_of

FLEXIBLE = ("ribbon", "vine", "cord", "piping", "chainstitch", "dots")
POINTS = np.array([(10.0, 60.0), (60.0, 60.0), (100.0, 20.0), (150.0, 60.0)])


def with_handles(into: dict[int, tuple[float, float]], out: dict[int, tuple[float, float]]) -> Path:
    """The path through four nodes with handles at some of them."""
    before, after = POINTS.copy(), POINTS.copy()
    for index, place in into.items():
        before[index] = place
    for index, place in out.items():
        after[index] = place
    return Path.make(["a", "b", "c", "d"], POINTS, before, after, closed=False)


def furthest(brush: Brush, path: Path) -> float:
    """How far from its path anything is drawn, mm."""
    line = LineString(path.arc.points(np.linspace(0, path.length, 2000)))
    drawn = [p for _, o, _ in shapes_of(draw_run(lay(path, brush, Scale()), "r", "")) for p in flattened(o)]
    return max(point.distance(line) for point in MultiPoint(np.concatenate(drawn)).geoms)


@pytest.mark.parametrize("name", FLEXIBLE)
def test_a_node_with_one_handle_keeps_artwork_by_the_path(name: str) -> None:
    """The reported path: a ribbon reached 4e15 mm from a node with a handle on its other side only."""
    path = with_handles({2: (80, 10)}, {2: (120, 30)})
    brush = read_brush(BRUSHES[name]).to_core()
    straight = Path.make(["a", "b"], POINTS[:2], POINTS[:2], POINTS[:2], closed=False)
    # The mitre at the corner of 68° is 1.21 times as long as the brush is wide.
    assert furthest(brush, path) < 1.25 * furthest(brush, straight) + 0.5


@pytest.mark.parametrize("off", [0.3, 0.1, 0.01, 1e-3, 1e-5, 1e-8])
def test_a_handle_hard_by_its_node_keeps_artwork_by_the_path(off: float) -> None:
    path = with_handles({1: (60 - off, 60 + off), 2: (80, 10)}, {1: (60 + off, 60 - off / 2), 2: (120, 30)})
    assert furthest(block(10, 6), path) < 3 * 1.5
    assert furthest(block(10, 6, offset=Measure(2.0)), path) < 5 * 1.5


@given(
    st.lists(st.sampled_from([0.0, 1e-9, 1e-6, 1e-4, 0.01, 0.3, 5.0, 40.0]), min_size=6, max_size=6),
    st.lists(st.floats(0, 6.3), min_size=6, max_size=6),
)
def test_no_handles_send_artwork_away(lengths: list[float], ways: list[float]) -> None:
    """Stalled, retracted and microscopic handles, pointing anywhere."""
    shifts = np.array([[r * np.cos(w), r * np.sin(w)] for r, w in zip(lengths, ways, strict=True)])
    into = {i: tuple(POINTS[i] + shifts[i - 1]) for i in (1, 2, 3)}
    out = {i: tuple(POINTS[i] + shifts[i + 3]) for i in (0, 1, 2)}
    assert furthest(block(7, 4), with_handles(into, out)) < 2 * 2 + 0.1


def test_a_handle_within_a_rounding_of_its_node_is_none() -> None:
    path = with_handles({1: (60 - 4e-7, 60)}, {1: (60, 60 + 4e-7)})
    assert (path.into[1] == POINTS[1]).all()
    assert path.arc.only_lines
