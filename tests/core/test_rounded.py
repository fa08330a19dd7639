"""Rounded corners: an arc of the stated radius that touches both legs, or the largest there is room for."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Point

from curlet.core.brush import Band, Brush, CornerRule, Row
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.measures import Measure, Scale
from curlet.core.path import Path, find_corners
from curlet.core.path.fillets import on_arcs, rounded
from curlet.core.tally import tally
from tests.outlines import block, drawn_area, main_row
from tests.shapes import HEART, polyline, square, star, turn, two_legs


def fillet(path: Path, radius: float) -> Path:
    return rounded(path, [(corner, radius) for corner in find_corners(path)])[0]


def brush(radius: float, **rules: object) -> Brush:
    rule = CornerRule("rounded", radius=Measure(radius), **rules)  # type: ignore[arg-type]
    return Brush(courses=(Row(),), corners=rule)


@given(st.floats(-170, 170).filter(lambda t: abs(t) > 31), st.floats(0.5, 8))
def test_an_arc_takes_the_place_of_two_tangents(degrees: float, radius: float) -> None:
    """Each tangent is r·tan(τ/2) long and the arc r·τ: the circular curve of surveyors' handbooks."""
    tau = math.radians(abs(degrees))
    path, tangent = turn(degrees, 120), radius * math.tan(tau / 2)
    if tangent > 119:
        return
    after = fillet(path, radius)
    assert after.length == pytest.approx(path.length - 2 * tangent + radius * tau, abs=1e-6)
    assert np.abs(after.turns).max() < 1e-4
    middle = path.length / 2 - tangent + radius * tau / 2
    assert abs(after.arc.curvature([middle])[0]) == pytest.approx(1 / radius, rel=1e-3)


@pytest.mark.parametrize(
    "path", [square(40), star(30, 12), HEART, two_legs(60, -60, 80)], ids=["square", "star", "heart", "arcs"]
)
def test_nothing_turns_sharply_and_every_node_is_kept(path: Path) -> None:
    corners = find_corners(path)
    after, fillets = rounded(path, [(corner, 3.0) for corner in corners])
    assert np.abs(after.turns).max() < 1e-3
    assert set(path.node_ids) <= set(after.node_ids)
    assert after.node_ids[0] == path.node_ids[0]
    # Away from the arcs it is the same line, and each arc lies a radius from its centre.
    for fillet, corner in zip(fillets, on_arcs(corners, fillets), strict=True):
        along = np.linspace(corner.s - corner.before, corner.s + corner.after, 9)
        assert np.allclose(np.abs(after.arc.curvature(along[1:-1])), 1 / 3, rtol=1e-3)
        back, ahead = fillet.corner.s - fillet.before, fillet.corner.s + fillet.after
        assert np.allclose(path.arc.points([back, ahead]), after.arc.points(along[[0, -1]]), atol=1e-6)


def test_arcs_share_a_leg_that_is_too_short_for_both() -> None:
    """A square of 40 mm rounded by 30 is a circle of 20."""
    after = fillet(square(40), 30)
    assert after.length == pytest.approx(40 * math.pi, rel=1e-6)
    run = lay(square(40), brush(30), Scale())
    told = [w.message for w in tally(run).warnings if w.code == "less-rounded"]
    assert told == ["There is no room for a radius of 30 mm: 4 corners have 20 mm."]


def test_a_run_goes_round_as_one_leg() -> None:
    run = lay(square(60), brush(8), Scale())
    row = main_row(run)
    assert run.path.length == pytest.approx(240 - 64 + 16 * math.pi, abs=1e-5)
    assert [leg.unbroken for leg in row.legs] == [True]
    assert [c.manner for c in tally(run).facts.corners] == ["rounded"] * 4
    assert row.fits[0].repeats == round(run.path.length / 4)


def test_one_corner_can_be_rounded_by_itself() -> None:
    path = square(60)
    run = lay(path, brush(8, angle=30.0), Scale(), RunRule(corners={"n1": "pivot", "n3": "mitre"}))
    # The corners that stay are where they were, and the legs end there.
    assert [leg.node_id for leg in main_row(run).legs] == ["n1", "n3"]
    corners = {c.node_id: c.s for c in run.corners}
    assert np.allclose(run.path.arc.points([corners["n1"], corners["n3"]]), path.points[[0, 2]])
    assert len(run.fillets) == 2


def test_an_arc_stops_at_a_corner_that_stays() -> None:
    """A rounded corner 10 mm from one that pivots takes no more than those 10 mm."""
    path = polyline((0, 0), (50, 0), (50, 10), (90, 10))
    rule = RunRule(corners={"n3": "pivot"})
    run = lay(path, brush(40), Scale(), rule)
    assert run.fillets[0].radius == pytest.approx(10, abs=1e-4)
    assert any(c.node_id == "n3" for c in run.corners)


def test_a_band_under_a_row_goes_round_too() -> None:
    band = Band(Measure(6.0))
    both = replace(brush(10), courses=(band, Row()))
    area = drawn_area(lay(square(60), both, Scale()))
    # Its outer edge is an arc of 13 mm about (10, 10).
    assert area.distance(Point(0, 0)) == pytest.approx(10 * math.sqrt(2) - 13, abs=0.01)


@pytest.mark.parametrize("closed", [False, True])
@pytest.mark.parametrize("leg", [12.0, 30.0])
def test_a_small_fillet_beside_an_arc_stays_where_it_is(leg: float, closed: bool) -> None:
    """Turns that add up to a corner within the brush's reach are kept against one of their nodes: an arc that
    reached past that node would have laying fail, and the corner was told where the node is."""
    way = np.radians([90, 67.5, 45, 22.5, 0])
    steps = np.stack([np.cos(way), np.sin(way)], axis=1) * np.array([leg, 0.7, 0.7, 0.7, 60])[:, None]
    points = np.concatenate([[(0, 0)], [(50, 0)], (50, 0) + np.cumsum(steps, axis=0)])
    points = np.concatenate([points, [(110, 120), (0, 120)]]) if closed else points
    path = polyline(*points.tolist(), closed=closed)

    def laid(manner: str) -> LaidRun:
        rule = CornerRule(manner, radius=Measure(200.0))
        return lay(path, block(6.0, 8.0, corners=rule), Scale())

    run = laid("rounded")
    (there,) = (c for c in laid("mitre").corners if c.rounded)
    (small,) = (c for c in run.corners if c.node_id == there.node_id)
    assert np.allclose(run.path.arc.points([small.s]), path.arc.points([there.s]), atol=1e-4)
    (beside,) = (c for c in run.corners if c.node_id == "n2")
    assert beside.s + beside.after <= small.s - small.before + 1e-6
    # It is rounded as it was drawn, so that nothing is said of it; of the arc beside it something is.
    told = {place.s for w in tally(run).warnings if w.code == "less-rounded" for place in w.places}
    assert small.s not in told
    assert told
