"""Areas against shapely on outlines flattened by themselves, and against closed forms."""

from __future__ import annotations

import math
from collections.abc import Sequence

import numpy as np
import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st
from numpy.typing import NDArray

from curlet.core.area.clean import Clean, cleaned
from curlet.core.area.edges import Edge, edges_of
from curlet.core.area.parts import Part, part_of, stamped
from curlet.core.area.silhouette import silhouette
from curlet.core.area.ways import WAYS, made
from curlet.core.drawing import Laid, Outline, Shape, Solid, Stamps, Stroke
from curlet.core.outlines import box, disc
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on
from curlet.core.path.figures import FIGURES
from curlet.core.path.outline import outline_of

Floats = NDArray[np.float64]

FINE, WITHIN = 0.005, 1e-4


def figure(name: str, dx: float = 0.0, dy: float = 0.0) -> Outline:
    path = FIGURES[name].make({setting.name: setting.default for setting in FIGURES[name].settings})
    outline = outline_of(path)
    return Outline(outline.commands, outline.points + (dx, dy))


def finely(outline: Outline) -> shapely.Geometry:
    """An outline's area, every cubic as 400 chords: independent of how areas are worked out."""
    rings = [points_on(part.cubics, np.linspace(0, 1, 400, endpoint=False)) for part in contours(outline)]
    return shapely.union_all([shapely.Polygon(ring.reshape(-1, 2)).buffer(0) for ring in rings])


def area_of(edges: Sequence[Edge]) -> float:
    """What closed cubics enclose, exactly: Green's theorem, ∮ x dy of polynomials (Gauss-Legendre, 5 places,
    is exact up to degree 9)."""
    places, weights = np.polynomial.legendre.leggauss(5)
    t = (places + 1) / 2
    total = 0.0
    for edge in edges:
        a, b, c, d = (edge.cubics[:, i, None] for i in range(4))
        u = t[None, :, None]
        v = 1 - u
        at = v**3 * a + 3 * v * v * u * b + 3 * v * u * u * c + u**3 * d
        rate = 3 * (v * v * (b - a) + 2 * v * u * (c - b) + u * u * (d - c))
        total += float(((at[..., 0] * rate[..., 1]) * weights / 2).sum())
    return total


PAIRS = {
    "two discs": (disc(0, 0, 30.0), disc(20, 5, 25.0)),
    "a heart and a star": (figure("heart"), figure("star", 8, 3)),
    "a star and a box": (figure("star"), box(10, 10, 60, 30)),
    "a disc within a disc": (disc(0, 0, 30.0), disc(2, 3, 10.0)),
    "boxes with a side in common": (box(0, 0, 20, 20), box(20, 5, 40, 15)),
}


@pytest.mark.parametrize("way", WAYS)
@pytest.mark.parametrize("pair", PAIRS)
def test_areas_are_those_of_fine_polygons(pair: str, way: str) -> None:
    """Within 0.01 %, and to the same place: common practice."""
    outlines = PAIRS[pair]
    edges = edges_of(made([part_of(outline, FINE) for outline in outlines], way))
    expected = WAYS[way].make(np.array([finely(outline) for outline in outlines], dtype=object))
    assert area_of(edges) == pytest.approx(expected.area, rel=WITHIN, abs=1e-6)
    for edge in edges:
        ring = points_on(edge.cubics, np.linspace(0, 1, 33)).reshape(-1, 2)
        assert shapely.distance(expected.boundary, shapely.points(ring)).max() < 0.01


@given(
    st.lists(
        st.tuples(st.floats(-9, 9), st.floats(-9, 9), st.floats(2, 8)), min_size=2, max_size=2, unique=True
    )
)
def test_what_is_joined_is_what_is_cut_away_on_both_sides_and_what_is_common(
    discs: list[tuple[float, float, float]],
) -> None:
    one, other = (part_of(disc(*each), FINE) for each in discs)
    whole, common = (
        area_of(edges_of(made([one, other], "join"))),
        area_of(edges_of(made([one, other], "common"))),
    )
    cut = [area_of(edges_of(made(pair, "cut"))) for pair in ([one, other], [other, one])]
    assert whole == pytest.approx(sum(cut) + common, rel=WITHIN)
    assert area_of(edges_of(made([one, other], "either"))) == pytest.approx(sum(cut), rel=WITHIN, abs=1e-3)


def test_a_ring_of_discs_with_its_inside() -> None:
    """A scalloped disc: the polygon of the discs' centres, and of each disc what lies outside of it, a sector
    of 180° + 360°/n, where neighbours touch. Elementary geometry."""
    count, radius = 24, 3.0
    centres = radius / math.sin(math.pi / count)
    turns = np.linspace(0, 2 * math.pi, count, endpoint=False)
    placements = np.array([[1, 0, 0, 1, centres * math.cos(t), centres * math.sin(t)] for t in turns])
    ring = stamped(disc(0, 0, radius), placements, FINE)
    points = placements[:, 4:]
    middle = part_of(Outline("M" + "L" * (count - 1) + "Z", points), FINE)
    polygon = count * centres**2 * math.sin(2 * math.pi / count) / 2
    sectors = count * radius**2 * (math.pi + 2 * math.pi / count) / 2
    area = area_of(edges_of(made([ring, middle], "join")))
    # A disc of four cubics is 0.03 % larger than a circle.
    assert area == pytest.approx(polygon + sectors, rel=3e-4)


def test_a_lens_is_bounded_by_two_arcs_that_meet_where_circles_do() -> None:
    """Two circles of one radius, their centres 2d apart, cross at ±√(r² - d²)."""
    edges = edges_of(made([part_of(disc(-3, 0, 5.0), FINE), part_of(disc(3, 0, 5.0), FINE)], "common"))
    (edge,) = edges
    corners = edge.cubics[:, 0][np.abs(edge.cubics[:, 0, 0]) < 1e-6]
    assert sorted(np.round(corners[:, 1], 2).tolist()) == [-4.0, 4.0]


def test_the_edges_are_the_very_curves_that_shapes_are_drawn_with() -> None:
    """A disc with a bite: its four arcs, two of them shorter, and three sides of the bite."""
    whole = part_of(disc(0, 0, 30.0), FINE)
    (edge,) = edges_of(made([whole, part_of(box(20, -8, 60, 8), FINE)], "cut"))
    assert len(edge.cubics) == 7
    (same,) = edges_of(whole)
    assert np.allclose(
        np.sort(same.cubics.reshape(-1, 2), axis=0), np.sort(whole.cubics.reshape(-1, 2), axis=0)
    )


def test_a_run_of_stitches_covers_what_its_threads_do() -> None:
    """A line of length l and weight w with round ends covers l·w + π·w²/4; with flat ones l·w."""
    line = Outline("ML", np.array([[0.0, 0.0], [1.0, 0.0]]))
    turns = np.linspace(0, 2 * math.pi, 12, endpoint=False)
    placements = np.array(
        [
            [4 * math.cos(t), 4 * math.sin(t), -math.sin(t), math.cos(t), 40 * math.cos(t), 40 * math.sin(t)]
            for t in turns
        ]
    )
    for ends, each in (("round", 4 * 0.8 + math.pi * 0.16), ("flat", 4 * 0.8)):
        thread = Shape(line, stroke=Stroke(Solid("#ffffff"), 0.8, ends))
        part = silhouette([Stamps((thread,), placements)], FINE)
        assert area_of(edges_of(part)) == pytest.approx(12 * each, rel=1e-3)


def test_shadows_and_steps_in_relief_cover_nothing() -> None:
    ground = Shape(disc(0, 0, 5.0), Solid("#ffffff"))
    shadow = Shape(disc(4, 0, 5.0), Solid("#000000"), seen=(3.0, math.inf))
    part = silhouette([Laid((shadow, ground))], FINE)
    assert area_of(edges_of(part)) == pytest.approx(25 * math.pi, rel=1e-3)


def test_a_hole_stays_one_only_where_nothing_lies_over_it() -> None:
    """Two rings side by side: the second lies over a part of the first one's hole. Inclusion and exclusion of
    the areas of circles."""
    far, out, hole = 5.0, 4.0, 2.5
    rings = [ring(x, out, hole) for x in (0.0, far)]
    both = Outline("".join(each.commands for each in rings), np.concatenate([each.points for each in rings]))
    part = silhouette([Laid((Shape(both, Solid("#ffffff")),))], FINE)
    fine = [shapely.Point(x, 0).buffer(r, quad_segs=720) for x in (0.0, far) for r in (out, hole)]
    expected = shapely.union(fine[0] - fine[1], fine[2] - fine[3]).area
    assert area_of(edges_of(part)) == pytest.approx(expected, rel=1e-3)


def ring(x: float, out: float, hole: float) -> Outline:
    outer, inner = disc(x, 0, out), disc(x, 0, hole)
    return Outline(outer.commands + inner.commands, np.concatenate([outer.points, inner.points[::-1]]))


def test_nodes_keep_their_names_and_crossings_are_named_by_both_segments() -> None:
    one = part_of(box(0, 0, 20, 20), FINE, names=[f"a/n{i}" for i in range(1, 5)])
    for shift in (10.0, 12.5):
        other = part_of(box(shift, 5, 30, 15), FINE, names=[f"b/n{i}" for i in range(1, 5)])
        (edge,) = edges_of(made([one, other], "join"))
        own = {f"a/n{i}" for i in range(1, 5)} | {"b/n2", "b/n3"}
        crossings = {"a/n2×b/n1", "a/n2×b/n3"}
        assert set(edge.names) == own | crossings
        at = dict(zip(edge.names, edge.cubics[:, 0].tolist(), strict=True))
        assert at["a/n3"] == [20, 20]
        assert at["a/n2×b/n1"] == pytest.approx([20, 5])


def test_parts_of_many_shapes_are_one_after_the_other() -> None:
    parts: list[Part] = [part_of(disc(10 * i, 0, 6.0), FINE) for i in range(5)]
    edges = edges_of(made(parts, "join"))
    expected = shapely.union_all([finely(disc(10 * i, 0, 6.0)) for i in range(5)])
    assert len(edges) == 1
    assert area_of(edges) == pytest.approx(expected.area, rel=WITHIN)


@pytest.mark.parametrize("by", [0.3, 2.0, 7.5])
@pytest.mark.parametrize("outline", [disc(0, 0, 12.0), box(0, 0, 30, 18), figure("polygon")])
def test_growing_a_convex_shape_follows_steiners_formula(outline: Outline, by: float) -> None:
    """A + P·r + π·r²: Steiner's formula for convex bodies (Schneider, Convex Bodies, 4.2)."""
    whole = part_of(outline, FINE)
    grown = edges_of(cleaned(whole, Clean(grow=by), FINE))
    fine = finely(outline)
    expected = fine.area + fine.length * by + math.pi * by**2
    assert area_of(grown) == pytest.approx(expected, rel=5e-4)
    # Thinned again by as much it is what it was: of convex shapes nothing is lost.
    back = cleaned(cleaned(whole, Clean(grow=by), FINE), Clean(grow=-by), FINE)
    assert area_of(edges_of(back)) == pytest.approx(fine.area, rel=2e-3)


def test_sharp_corners_stay_sharp_where_an_area_is_grown() -> None:
    """A rectangle a × b grown by r with mitres is (a + 2r) × (b + 2r), in four straight sides."""
    (edge,) = edges_of(cleaned(part_of(box(0, 0, 30, 18), FINE), Clean(grow=2.0, round=False), FINE))
    assert area_of([edge]) == pytest.approx(34 * 22)
    assert len(edge.cubics) == 4
    assert edge.straight.all()


def test_a_gap_that_is_narrow_enough_is_closed_and_a_wider_one_stays() -> None:
    """Two squares of 10 mm, 1 mm apart: closed, 21 × 10, less a segment of the disc at each end."""
    pair = made([part_of(box(0, 0, 10, 10), FINE), part_of(box(11, 0, 21, 10), FINE)], "join")
    radius = 0.6
    segment = radius**2 * math.asin(0.5 / radius) - 0.5 * math.sqrt(radius**2 - 0.25)
    for gaps, size, count in ((0.8, 200, 2), (2 * radius, 210 - 2 * segment, 1)):
        edges = edges_of(cleaned(pair, Clean(gaps=gaps), FINE))
        assert len(edges) == count
        assert area_of(edges) == pytest.approx(size, abs=0.01)


@pytest.mark.parametrize("name", ["heart", "star"])
def test_closing_gaps_leaves_edges_without_any_as_they_are(name: str) -> None:
    """The very curves, and so it does the second time: an outline of an outline is itself."""
    whole = part_of(figure(name), FINE)
    once = cleaned(whole, Clean(gaps=0.5), FINE)
    (edge,) = edges_of(once)
    assert area_of([edge]) == pytest.approx(area_of(edges_of(whole)), rel=2e-4)
    (again,) = edges_of(cleaned(once, Clean(gaps=0.5), FINE))
    assert area_of([again]) == pytest.approx(area_of([edge]), rel=1e-5)
    assert shapely.Polygon(
        points_on(edge.cubics, np.linspace(0, 1, 33, endpoint=False)).reshape(-1, 2)
    ).is_valid


def test_crumbs_and_pin_holes_are_dropped_by_their_area() -> None:
    plate = [box(0, 0, 20, 20), box(30, 0, 30.3, 0.3)]
    whole = made([part_of(outline, FINE) for outline in plate], "join")
    pierced = made([whole, part_of(box(5, 5, 5.2, 5.2), FINE)], "cut")
    assert len(edges_of(pierced)) == 3
    assert len(edges_of(cleaned(pierced, Clean(least=0.05), FINE))) == 2
    assert len(edges_of(cleaned(pierced, Clean(least=0.1), FINE))) == 1


@pytest.mark.parametrize("stamped_too", [False, True])
def test_several_shapes_of_a_repeat_are_covered_together(stamped_too: bool) -> None:
    """A disc with a closed line round it and a bar across: inclusion and exclusion, by shapely on circles."""
    white = Solid("#ffffff")
    shapes = (
        Shape(disc(0, 0, 3.0), white),
        Shape(disc(0, 0, 5.0), stroke=Stroke(white, 1.0, "round")),
        Shape(box(-8, -0.5, 8, 0.5), white),
    )
    centre = shapely.Point(0, 0)
    wide, inner, outer = (centre.buffer(r, quad_segs=720) for r in (3.0, 4.5, 5.5))
    each = shapely.union_all([wide, outer - inner, shapely.box(-8, -0.5, 8, 0.5)]).area
    turns = np.array([[1, 0, 0, 1, 0, 0], [0, 1, -1, 0, 40, 7], [-1, 0, 0, -1, 80, 0]], dtype=float)
    items = [Stamps(shapes, turns)] if stamped_too else [Laid(shapes)]
    edges = edges_of(silhouette(items, FINE))
    count = len(turns) if stamped_too else 1
    assert area_of(edges) == pytest.approx(count * each, rel=1e-3)
    # The outside, and a window on both sides of the bar.
    assert len(edges) == 3 * count


def test_a_path_that_crosses_itself_encloses_all_that_it_goes_round() -> None:
    """A pentagram drawn in one line of circumradius r: its outline's area is 1.12257 r², that of the star
    polygon {5/2} (MathWorld, Pentagram, from memory)."""
    turns = 4 * math.pi / 5 * np.arange(5)
    star = Outline("MLLLLZ", 30 * np.stack([np.cos(turns), np.sin(turns)], axis=1))
    (edge,) = edges_of(part_of(star, FINE))
    assert area_of([edge]) == pytest.approx(1.12257 * 30**2, rel=1e-4)
    assert len(edge.cubics) == 10
