"""What the small tiles of the proof board leave out: no more than can be seen there, and never in a file."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString, Point

from curlet.core.brush import Brush, Row
from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path.contours import Contour, coarser, contours
from curlet.core.proof import prove
from tests.outlines import shapes_of

SCALE = (12.0, 1.0)


def wavy(count: int) -> Outline:
    """A ring of many short lines, in a cell one unit long and a few mm wide."""
    angle = np.linspace(0, 2 * np.pi, count, endpoint=False)
    r = 1 + 0.06 * np.sin(23 * angle)
    points = np.stack([0.5 + 0.4 * r * np.cos(angle), 4 * r * np.sin(angle)], axis=1)
    return Outline("M" + "L" * (count - 1) + "Z", points)


def line(contour: Contour) -> LineString:
    points = np.concatenate([contour.cubics[:1, 0], contour.cubics[:, 3]]) * SCALE
    return LineString(points)


@given(st.integers(64, 900), st.floats(0.01, 0.5))
def test_no_point_goes_further_than_it_may(count: int, within: float) -> None:
    (fine,) = contours(wavy(count))
    coarse = coarser(fine, SCALE, within)
    assert coarse.closed
    assert line(fine).hausdorff_distance(line(coarse)) <= within + 1e-9
    # End to end, with no gap.
    assert np.allclose(coarse.cubics[1:, 0], coarse.cubics[:-1, 3])
    most = line(fine).length / within * 2 + 2
    assert len(coarse.cubics) <= max(most, 2)


def test_long_and_curved_segments_stay_as_they_are() -> None:
    curves = np.array([[(x, 0), (x + 0.3, 2), (x + 0.7, 2), (x + 1, 0)] for x in range(80)], dtype=float)
    contour = Contour(curves, closed=False)
    assert (coarser(contour, (1.0, 1.0), 0.1).cubics == curves).all()


def fine_brush() -> Brush:
    outline = wavy(5000)
    points = outline.points * (12.0, 1.0)
    d = "M" + "L".join(f"{x:.5f} {y:.5f}" for x, y in points) + "Z"
    art = Artwork((ArtShape(d, fill=ColourRole()),), 12.0, 10.0)
    return Brush(courses=(Row(art, Measure(12.0), hold="bend"),))


@pytest.mark.parametrize("name", ["straight", "round", "square"])
def test_a_motif_of_many_points_is_lighter_on_the_board_and_whole_in_a_file(name: str) -> None:
    brush = fine_brush()
    (proof,) = prove(brush, Scale(), (name,))
    run = lay(proof.run.path, brush, Scale())
    whole, small = (draw_run(run, "run", "", tolerance) for tolerance in (0.005, 0.03))
    counts = [sum(len(outline.points) for _, outline, _ in shapes_of(group)) for group in (whole, small)]
    assert counts[1] < counts[0] / 2
    repeats = len(run.main.repeats) if run.main else 0
    assert counts[0] >= 5000 * repeats
    fine, coarse = (next(shapes_of(group))[1].points for group in (whole, small))
    one, ring = fine[: len(fine) // repeats : 40], LineString(coarse[: len(coarse) // repeats])
    assert max(ring.distance(Point(point)) for point in one) < 0.06
