"""Fitted edges do not depend on where a polygon came to begin, nor on how a processor rounds."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
import pytest
import shapely
from shapely.geometry.base import BaseGeometry

from curlet.core.path.refit import outlines_of, rings_of

SHAPES: dict[str, Callable[[], BaseGeometry]] = {
    "disc": lambda: shapely.Point(0, 0).buffer(8, 24),
    "ellipse": lambda: shapely.transform(shapely.Point(0, 0).buffer(8, 24), lambda at: at * (1, 0.4)),
    "band": lambda: shapely.LineString([(0, 0), (20, 0)]).buffer(3),
    "square": lambda: shapely.box(0, 0, 5, 5),
    "drop": lambda: shapely.Point(0, 0).buffer(5).union(shapely.Polygon([(-4.5, 2), (4.5, 2), (0, 12)])),
}


@pytest.mark.parametrize("name", SHAPES)
@pytest.mark.parametrize("share", [0.0, 0.13, 0.5, 0.77])
def test_an_edge_is_the_same_wherever_its_polygon_begins(name: str, share: float) -> None:
    (ring,) = rings_of(SHAPES[name](), 0.0)
    points = ring[:-1]
    moved = np.roll(points, -int(share * len(points)), axis=0)
    moved = moved + np.random.default_rng(5).normal(0, 1e-13, moved.shape)
    told, again = outlines_of([[ring], [np.concatenate([moved, moved[:1]])]], [0.05, 0.05])
    assert told is not None
    assert again is not None
    assert again.commands == told.commands
    np.testing.assert_allclose(again.points, told.points, atol=1e-9)


def test_an_edge_begins_at_its_leftmost_corner() -> None:
    (outline,) = outlines_of([rings_of(shapely.box(2, 1, 5, 4), 0.0)], [0.01])
    assert outline is not None
    assert outline.points[0].tolist() == [2, 1]
