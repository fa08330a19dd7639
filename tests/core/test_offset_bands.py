"""Bands beside their path, against shapely's parallel curves: no bow, no spike, no loop."""

from __future__ import annotations

import numpy as np
import pytest
from shapely import LineString, Polygon, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.brush import Band, Brush, CornerRule
from curlet.core.drawing import Outline
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.path import Path
from tests.outlines import flattened, shapes_of
from tests.shapes import cubic, moved, polyline, square, turn

WIDTH = 2.0
HOUSE = polyline((0, 0), (40, 0), (42, 3), (44, 0), (80, 0), (80, 50), (40, 80), (0, 50), closed=True)
WAVE = cubic((0, 0), (20, -25), (40, 25), (60, 0), (80, -25), (100, 25), (120, 0))


def dense(path: Path) -> LineString | Polygon:
    parts = [
        np.linspace(a, b, 200) for a, b in zip(path.node_positions[:-1], path.node_positions[1:], strict=True)
    ]
    points = path.arc.points(np.concatenate(parts))
    return Polygon(points) if path.closed else LineString(points)


def drawn(path: Path, offset: float, joins: str, limit: float) -> BaseGeometry:
    """The centreline of a band as drawn."""
    band = Band(Measure(WIDTH), offset=Measure(offset), joins=joins)
    brush = Brush(courses=(band,), corners=CornerRule("mitre", mitre_limit=limit))
    run = lay(path, brush, Scale())
    outlines: list[Outline] = [outline for _, outline, _ in shapes_of(draw_run(run, "r", ""))]
    lines = [
        LineString(np.vstack([part, part[:1]]) if "Z" in outline.commands else part)
        for outline in outlines for part in flattened(outline)
    ]  # fmt: skip
    return union_all(lines)


def expected(path: Path, offset: float, joins: str, limit: float) -> BaseGeometry:
    style = {"mitre": "mitre", "round": "round", "bevel": "bevel"}[joins]
    shape = dense(path)
    if isinstance(shape, Polygon):
        # Clockwise on the sheet, the inside is to the right.
        way = -offset if shape.exterior.is_ccw else offset
        grown = shape.buffer(way, join_style=style, mitre_limit=limit, quad_segs=64)
        return grown.boundary
    return shape.offset_curve(offset, join_style=style, mitre_limit=limit, quad_segs=64)


@pytest.mark.parametrize("joins", ["mitre", "round", "bevel"])
@pytest.mark.parametrize("offset", [-9.0, -3.0, 3.0, 9.0])
@pytest.mark.parametrize(
    "path",
    [square(50), HOUSE, turn(90), turn(-130), turn(165), turn(20), WAVE],
    ids=lambda path: path.node_ids[-1],
)
def test_a_band_lies_where_a_parallel_curve_does(path: Path, offset: float, joins: str) -> None:
    if path is HOUSE and joins == "bevel" and abs(offset) > 3:
        pytest.skip("where the flat itself is lost among its neighbours shapely draws it, and we do not")
    limit = 4.0
    line, wanted = drawn(path, offset, joins, limit), expected(path, offset, joins, limit)
    if wanted.is_empty or (path.node_ids[-1] == "n3" and abs(path.turns[1]) > 160 and offset == 9):
        # Two legs folded back on each other leave no room for a band so far inside.
        assert line.is_empty
        return
    # Shapely cuts a mitre past its limit at the limit, we where SVG's strokes do: those corners are apart.
    sharp = [
        path.points[i] for i, t in enumerate(path.turns)
        if joins == "mitre" and abs(t) > 150 and t * offset < 0
    ]  # fmt: skip
    for corner in sharp:
        away = LineString([corner, corner + 1e-3]).buffer(4.2 * abs(offset))
        line, wanted = line - away, wanted - away
    assert line.hausdorff_distance(wanted) < 0.06


def test_a_leg_lost_beside_the_path_leaves_no_spike() -> None:
    """A leg of 3 mm, its band 9 mm inside: it threw a spike of 200 mm."""
    path = moved(HOUSE, 100, 100)
    line = drawn(path, 9.0, "mitre", 4.0)
    assert line.length < path.length
    assert dense(path).buffer(0.01).contains(line)
