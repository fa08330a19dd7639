"""Rows beside their path at corners: they meet, they do not cross, and sharp turns leave no loose end."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from scipy.integrate import cumulative_trapezoid
from shapely import LineString, MultiPoint

from curlet.core.brush import Brush, CornerRule, Row
from curlet.core.drawing import Laid
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.frames import LegLine
from curlet.core.lay.own_line import OwnLine
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from curlet.core.path.corners import find_legs
from tests.outlines import flattened, main_row, shapes_of
from tests.shapes import HEART, square, turn


def stitches(offset: float, own_line: bool, limit: float = 4.0) -> Brush:
    row = Row(Running(Measure(0.3)), Measure(3.0), Measure(1.0), offset=Measure(offset), own_line=own_line)
    return Brush(courses=(row,), corners=CornerRule("pivot", mitre_limit=limit))


def sewn(run: LaidRun) -> list[LineString]:
    """Every stitch, hole to hole."""
    return [LineString(part) for _, o, _ in shapes_of(draw_run(run, "r", "")) for part in flattened(o)]


def gaps(run: LaidRun) -> np.ndarray:
    """From every hole to the nearest one of another stitch; an open row's two ends have none near."""
    ends = np.array([[line.coords[0], line.coords[-1]] for line in sewn(run)]).reshape(-1, 2)
    far = np.hypot(*(ends[:, None] - ends[None]).transpose(2, 0, 1))
    own = np.arange(len(ends)) // 2
    far[own[:, None] == own[None]] = np.inf
    return far.min(axis=1)


@pytest.mark.parametrize("own_line", [True, False])
@pytest.mark.parametrize("offset", [-3.2, 3.2])
@pytest.mark.parametrize("path", [square(50), HEART], ids=["square", "heart"])
def test_a_closed_row_beside_its_path_has_no_loose_end(path: Path, offset: float, own_line: bool) -> None:
    """Both rows of a twin needle, at right angles and at a notch: no wedge outside, no crossing inside."""
    run = lay(path, stitches(offset, own_line), Scale())
    assert gaps(run).max() < 1.8
    lines = sewn(run)
    for i, one in enumerate(lines):
        for other in lines[i + 1 :]:
            met = one.intersection(other)
            assert met.is_empty or met.distance(MultiPoint([one.coords[0], one.coords[-1]])) < 2e-3


@pytest.mark.parametrize("degrees", [152, -160, 170])
def test_past_the_mitre_limit_the_row_is_joined_across_the_flat(degrees: float) -> None:
    offset = -3.2 if degrees > 0 else 3.2
    path = turn(degrees, 60)
    run = lay(path, stitches(offset, own_line=True), Scale())
    art = [item for item in draw_run(run, "r", "").items if isinstance(item, Laid)]
    assert len(art) == 1
    assert np.sort(gaps(run))[:-2].max() < 1.6
    flat = 2 * 3.2 * np.sin(np.radians(abs(degrees)) / 2)
    across = [
        line for line in sewn(run) if line.distance(LineString([path.points[1], path.points[1]])) < 3.19
    ]
    assert sum(line.length for line in across) > 0.55 * flat
    assert not [item for item in draw_run(lay(turn(100, 60), stitches(offset, True), Scale()), "r", "").items
                if isinstance(item, Laid)]  # fmt: skip


def test_the_inner_needle_rests_at_a_pivot() -> None:
    """At a right angle it rests over gauge·tan(τ/2)/l stitches on each side (own derivation)."""
    inner, middle = (main_row(lay(turn(90, 60), stitches(q, False), Scale())) for q in (3.2, 0.0))
    rests = len(middle.repeats) - len(inner.repeats)
    assert rests == pytest.approx(2 * 3.2 / 4.0, abs=1.0)
    meet = LineString([(56.8, 3.2), (56.8, 3.2)])
    assert min(line.distance(meet) for line in sewn(lay(turn(90, 60), stitches(3.2, False), Scale()))) < 1e-6


@pytest.mark.parametrize("length", [200.0, 4300.0])
def test_a_row_on_a_long_line_of_its_own_does_not_drift(length: float) -> None:
    """Against the line itself, added up from 2 million points; it drifted by a quarter of a stitch."""
    x = np.linspace(0, length, 161)
    wide, high = length / 40, 0.15 * length / 40
    points = np.stack([x, high * np.sin(2 * np.pi * x / wide)], axis=1)
    rates = np.stack([np.ones_like(x), high * 2 * np.pi / wide * np.cos(2 * np.pi * x / wide)], axis=1)
    arms = rates * (x[1] / 3)
    path = Path.make([f"n{i}" for i in range(161)], points, points - arms, points + arms, closed=False)
    own = OwnLine(LegLine(path, find_legs(path, ())), 0, -0.5)
    asked = np.linspace(0, own.length, 400)
    s = np.linspace(0, path.length, 2_000_001)
    bend = path.arc.curvature(s)
    sewn_so_far = cumulative_trapezoid(1 + 0.5 * bend, s, initial=0.0)
    assert np.abs(np.interp(own.at(asked), s, sewn_so_far) - asked).max() < 1e-5


def test_the_outer_row_in_step_is_sewn_on_to_the_corner() -> None:
    run = lay(turn(90, 60), stitches(-6.4, own_line=False), Scale())
    ends = np.array([line.coords[i] for line in sewn(run) for i in (0, -1)])
    assert np.hypot(*(ends - (66.4, -6.4)).T).min() < 1e-6
    assert np.sort(gaps(run))[:-2].max() < 1.4


def test_a_row_that_is_cut_keeps_its_own_manner() -> None:
    brush = stitches(3.2, own_line=False)
    mitred = replace(brush, corners=CornerRule("mitre"))
    assert len(main_row(lay(turn(90, 60), mitred, Scale())).repeats) >= 28
