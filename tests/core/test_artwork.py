"""What the trade looks for in artwork: scallops rise as stated, wire joins balls, cuts leave no hairs."""

from __future__ import annotations

import math

import numpy as np
import pytest
from shapely import Polygon, union_all

from curlet.core.drawing import Outline
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.cut import clipped
from curlet.core.motif.families import FAMILIES
from curlet.core.outlines import disc, sector, together
from curlet.store.edits.recipes import brush_of
from tests.outlines import flattened, shapes_of
from tests.shapes import circle, square


def areas(outline: Outline) -> list[float]:
    return [Polygon(ring).area for ring in flattened(outline)]


@pytest.mark.parametrize("rise", [1.0, 3.0, 5.0])
def test_a_scallops_arc_rises_as_stated(rise: float) -> None:
    """Area of a circular segment, r²·(α − sin α)/2 (geometry), over the cloth behind it."""
    width, depth = 10.0, 3.0
    made = FAMILIES["scallop"](rise=Measure(rise), depth=Measure(depth), eyelet=0, line=Measure(0))
    (shape,) = made.make(Scale()).shapes
    at = shape.shape.outline.points * (width, 1)
    assert np.ptp(np.vstack(flattened(Outline(shape.shape.outline.commands, at)))[:, 1]) == pytest.approx(
        depth + rise, abs=1e-3
    )
    r = (width**2 / 4 + rise**2) / (2 * rise)
    alpha = 2 * math.asin(width / 2 / r)
    whole = areas(Outline(shape.shape.outline.commands, at))[0]
    assert whole == pytest.approx(width * depth + r**2 * (alpha - math.sin(alpha)) / 2, rel=1e-3)


def test_a_scallop_that_rises_past_half_its_width_is_half_an_ellipse() -> None:
    made = FAMILIES["scallop"](rise=Measure(8.0), depth=Measure(0), eyelet=0, line=Measure(0))
    outline = made.make(Scale()).shapes[0].shape.outline
    (area,) = areas(Outline(outline.commands, outline.points * (10, 1)))
    assert area == pytest.approx(math.pi * 5 * 8 / 2, rel=2e-3)


@pytest.mark.parametrize("path", [circle(12), square(50)])
def test_a_ball_chain_is_joined_by_its_wire_all_round(path: object) -> None:
    drawn = draw_run(lay(path, brush_of("ball").to_core(), Scale()), "r", "")  # type: ignore[arg-type]
    parts = []
    for shape, outline, _ in shapes_of(drawn):
        for line in flattened(outline):
            ring = Polygon(line) if shape.fill else None
            parts.append(
                ring or Polygon(np.vstack([line, line[:1]])).boundary.buffer(shape.stroke.weight / 2)
            )
    assert union_all(parts).geom_type == "Polygon"


def test_a_cupped_sequin_is_lit_on_its_upper_side() -> None:
    facets = [s for s in FAMILIES["sequin"]().make(Scale()).shapes if s.role.lighter]
    upper = [s.role.lighter for s in facets if s.shape.outline.points[:, 1].mean() < -0.5]
    lower = [s.role.lighter for s in facets if s.shape.outline.points[:, 1].mean() > 0.5]
    assert min(upper) > 0 > max(lower)


def test_a_sector_is_part_of_a_ring() -> None:
    (area,) = areas(sector(5.0, 3.0, 20.0, 140.0))
    assert area == pytest.approx(math.pi * (25 - 9) * 120 / 360, rel=1e-3)


def test_a_whipping_has_a_thread_of_its_own() -> None:
    """Beside a cord of two colours it took the second ply's."""
    plies = {shape.role.thread for shape in FAMILIES["cord"]().make(Scale()).shapes}
    wrapped = {shape.role.thread for shape in FAMILIES["wrapped-end"]().make(Scale()).shapes}
    assert plies == {1, 2}
    assert wrapped - {1} == {3}


@pytest.mark.parametrize("axis", [0, 1])
def test_a_cut_through_fingers_leaves_them_apart(axis: int) -> None:
    """A comb's teeth were joined by hairs along the cut, which showed as lines once they were bent."""
    comb = [
        (0, 0),
        (10, 0),
        (10, 1),
        (4, 1),
        (4, 3),
        (10, 3),
        (10, 4),
        (4, 4),
        (4, 6),
        (10, 6),
        (10, 7),
        (0, 7),
    ]
    points = np.array(comb, dtype=float)[:, :: 1 if axis == 0 else -1]
    found = clipped(Outline("M" + "L" * 11 + "Z", points), 5.0, 9.0, axis)
    assert found is not None
    assert sorted(areas(found)) == pytest.approx([4.0, 4.0, 4.0])


def test_a_cut_through_a_ring_goes_round_its_hole() -> None:
    ring = together(disc(0, 0, 5), disc(0, 0, 3))
    found = clipped(ring, 0.0, 9.0, even_odd=True)
    assert found is not None
    assert len(areas(found)) == 1
    assert areas(found)[0] == pytest.approx(math.pi * (25 - 9) / 2, rel=2e-3)


def test_nothing_is_left_of_what_lies_outside() -> None:
    assert clipped(disc(0, 0, 1), 2.0, 3.0) is None
