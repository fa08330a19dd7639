"""What Measure tells, against figures of geometry and shapely."""

from __future__ import annotations

import math

import numpy as np
import pytest
from shapely import LineString, Point, line_locate_point

from curlet.core.errors import BadInput
from curlet.core.path import edit, measuring, rework
from curlet.core.path.edit import nearest_length
from curlet.core.path.path import Path
from tests.shapes import circle, cubic, polyline

Spot = tuple[float, float]

S = cubic((0, 0), (40, -30), (10, 60), (60, 20))


def test_distances_angles_and_radii() -> None:
    """A 3-4-5 triangle: Euclid I.47; its circumradius is half its longest side."""
    a, b, c = (0.0, 0.0), (40.0, 0.0), (40.0, 30.0)
    assert measuring.straight(a, c).value == pytest.approx(50)
    assert measuring.angle(a, b, c).value == pytest.approx(90)
    assert measuring.angle(b, a, c).value == pytest.approx(math.degrees(math.atan2(3, 4)))
    assert measuring.radius(a, b, c).value == pytest.approx(25)


@pytest.mark.parametrize(("one", "other"), [((5, -3), (55, 25)), ((30, 10), (2, 2))])
def test_distance_along_a_path_agrees_with_shapely(
    one: tuple[float, float], other: tuple[float, float]
) -> None:
    line = LineString(S.arc.points(np.linspace(0, S.length, 50_000)))
    theirs = abs(line_locate_point(line, Point(one)) - line_locate_point(line, Point(other)))
    assert measuring.along(S, nearest_length(S, one), nearest_length(S, other)).value == pytest.approx(
        theirs, abs=2e-3
    )


def test_the_shorter_way_round_a_closed_path() -> None:
    ring = circle(30)
    x, y = ring.arc.points([0.0])[0]
    a, b = ring.arc.points([0.05 * ring.length, 0.95 * ring.length])
    found = measuring.along(ring, *(nearest_length(ring, (at[0], at[1])) for at in (a, b)))
    assert found.value == pytest.approx(0.1 * ring.length, rel=1e-6)
    # The line that shows it goes through the start point.
    assert np.hypot(*(found.line - (x, y)).T).min() < 0.1


def test_the_radius_of_a_path() -> None:
    assert measuring.radius_at(circle(30), 40.0).value == pytest.approx(30, rel=1e-3)
    with pytest.raises(BadInput, match="straight"):
        measuring.radius_at(polyline((0, 0), (10, 0)), 5.0)


def test_what_has_no_answer_is_said() -> None:
    with pytest.raises(BadInput, match="one line"):
        measuring.radius((0, 0), (1, 1), (2, 2))
    with pytest.raises(BadInput, match="apart from its corner"):
        measuring.angle((0, 0), (0, 0), (1, 0))


@pytest.mark.parametrize(
    "path", [S, polyline((0, 0), (30, 0), (30, 40)), circle(20)], ids=["curve", "legs", "ring"]
)
@pytest.mark.parametrize("share", [0.0, 0.13, 0.5, 0.87])
def test_a_point_stays_with_its_path_however_that_is_edited(path: Path, share: float) -> None:
    """Moved rigidly, divided or walked the other way, a line has the same points: geometry."""
    s = share * path.length
    spot = path.arc.points([s])[0]
    anchor = measuring.anchored(path, (float(spot[0]), float(spot[1])))

    def now(edited: Path) -> np.ndarray:
        return edited.arc.points([measuring.length_at(edited, anchor)])[0]

    assert now(path) == pytest.approx(spot, abs=1e-4)
    assert now(rework.moved(path, 70, -9)) == pytest.approx(spot + (70, -9), abs=1e-4)
    assert now(path.reversed()) == pytest.approx(spot, abs=1e-4)
    divided = edit.add_node_after(path, path.node_ids[0], "new")
    assert now(divided) == pytest.approx(spot, abs=1e-4)


def test_a_point_between_nodes_that_are_gone_is_said() -> None:
    path = polyline((0, 0), (30, 0), (30, 40), (0, 40))
    anchor = measuring.anchored(path, (30.0, 10.0))
    with pytest.raises(BadInput, match="Measure it again"):
        measuring.length_at(edit.delete_nodes(path, [path.node_ids[1]]), anchor)
