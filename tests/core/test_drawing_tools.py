"""Drawing a motif: exact sizes, copies, grades, dotted edges, shapes combined."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput, TooMuch
from curlet.core.motif.art import about, box_of, moved, path_text, shifted
from curlet.core.motif.draw.combine import clipped_by, combine, lines_as_areas
from curlet.core.motif.draw.copies import graded, mirrored, one_after_another, round_about, spread
from curlet.core.motif.draw.paint import dotted_edge, with_gradient
from curlet.core.motif.draw.shapes import added, aligned, ordered, placed_in, removed
from curlet.core.motif.families.artwork import ArtShape, Artwork, read_outline
from curlet.core.outlines import box, disc, lines
from tests.outlines import polygon


def dot(x: float, y: float, r: float = 1.0, colour: str = "#c8553d") -> ArtShape:
    return ArtShape(path_text(disc(x, y, r)), ColourRole(own=colour))


def art(*shapes: ArtShape) -> Artwork:
    return Artwork(shapes, 20, 12)


def middles(drawn: Artwork) -> list[tuple[float, float]]:
    return [box_of(shape).middle for shape in drawn.shapes]


@given(st.floats(-9, 9), st.floats(-9, 9), st.floats(0.1, 30), st.floats(0.1, 30))
def test_a_shape_is_as_large_as_it_is_told_and_where(x: float, y: float, long: float, wide: float) -> None:
    shape = dot(3, 2, 1.7)
    made = box_of(placed_in(shape, box_of(shape), x, y, long, wide))
    assert made.middle == pytest.approx((x, y), abs=1e-3)
    assert (made.length, made.width) == pytest.approx((long, wide), abs=2e-3, rel=2e-3)


def test_a_line_has_no_width_to_be_scaled_and_stays_level() -> None:
    shape = ArtShape(path_text(lines([(0, 1), (4, 1)])), stroke=ColourRole())
    made = box_of(placed_in(shape, box_of(shape, line=False), 5, 0, 10, 3), line=False)
    assert (made.left, made.right, made.width) == pytest.approx((0, 10, 0))


def test_turning_about_a_point_keeps_it_there() -> None:
    x, y = box_of(moved(dot(5, 3), about(5, 3, 40, 2.0))).middle
    assert (x, y) == pytest.approx((5, 3), abs=1e-4)
    assert box_of(moved(dot(7, 3), about(5, 3, 90))).middle == pytest.approx((5, 5), abs=1e-4)


@pytest.mark.parametrize(
    ("side", "place"),
    [("start", 0), ("middle", 10), ("end", 20), ("top", -6), ("baseline", 0), ("foot", 6)],
)
def test_shapes_line_up_with_the_cell(side: str, place: float) -> None:
    drawn = aligned(art(dot(3, 2), dot(12, -3, 2)), [0, 1], side, to_cell=True)
    boxes = [box_of(shape) for shape in drawn.shapes]
    edge = {"start": "left", "end": "right", "top": "top", "foot": "foot"}
    found = [
        getattr(b, edge[side]) if side in edge else b.middle[0 if side == "middle" else 1] for b in boxes
    ]
    assert found == pytest.approx([place, place], abs=1e-4)


def test_shapes_line_up_with_one_another_and_are_spread_evenly() -> None:
    three = art(dot(3, 2), dot(5, -3), dot(15, 1))
    ends = [box_of(s).right for s in aligned(three, [0, 1, 2], "end", to_cell=False).shapes]
    assert ends == pytest.approx([16, 16, 16])
    assert [x for x, _ in middles(spread(three, [0, 1, 2], along=True))] == pytest.approx([3, 9, 15])
    with pytest.raises(BadInput, match="three shapes"):
        spread(three, [0, 1], along=True)


def test_two_shapes_are_lined_up_with_one_another_and_one_with_its_cell() -> None:
    two = aligned(art(dot(3, 2), dot(12, -3, 2)), [0, 1], "foot", to_cell=False)
    assert [box_of(shape).foot for shape in two.shapes] == pytest.approx([3, 3], abs=1e-3)
    one = aligned(art(dot(3, 2), dot(12, -3, 2)), [1], "foot", to_cell=False)
    assert [box_of(shape).foot for shape in one.shapes] == pytest.approx([3, 6], abs=1e-3)


def test_copies_go_round_a_point() -> None:
    drawn = round_about(art(dot(14, 0)), [0], 6, 10, 0)
    turns = sorted(math.degrees(math.atan2(y, x - 10)) % 360 for x, y in middles(drawn))
    assert [round(turn) % 360 for turn in turns] == [0, 60, 120, 180, 240, 300]
    assert {round(math.hypot(x - 10, y), 3) for x, y in middles(drawn)} == {4.0}


def test_mirrored_shapes_stand_beside_what_they_were_or_in_its_place() -> None:
    once = art(dot(3, 2))
    assert middles(mirrored(once, [0], along=True, keep=True)) == [
        pytest.approx((3, 2)),
        pytest.approx((17, 2)),
    ]
    assert middles(mirrored(once, [0], along=False, keep=False)) == [pytest.approx((3, -2))]


def test_copies_go_on_from_one_another_in_shades_that_are_drawn_again_alike() -> None:
    def copies(seed: int) -> Artwork:
        shades = ("#102030", "#405060", "gold")
        return one_after_another(art(dot(5, 0, 2)), [0], 6, 30, 80, (1.5, 0), shades, seed)

    drawn = copies(4)
    assert [round(x, 3) for x, _ in middles(drawn)] == [5, 6.5, 8, 9.5, 11, 12.5, 14]
    sizes = [box_of(shape).length / 2 for shape in drawn.shapes]
    assert sizes == pytest.approx([2 * 0.8**k for k in range(7)], rel=1e-3)
    colours = [shape.fill.own for shape in drawn.shapes[1:] if shape.fill]
    assert set(colours) <= {"#102030", "#405060", "#ffd700"}
    assert copies(4) == drawn
    assert copies(5) != drawn


def test_shapes_between_two_come_in_even_steps() -> None:
    drawn = graded(art(dot(2, 0, 2, "#000000"), dot(18, 4, 1, "#ffffff")), 0, 1, 3)
    assert middles(drawn) == [pytest.approx((2 + 4 * k, k), abs=1e-3) for k in range(5)]
    sizes = [box_of(shape).length for shape in drawn.shapes]
    assert sizes == pytest.approx([4, 3.5, 3, 2.5, 2], abs=1e-3)
    lightness = [int(shape.fill.own[1:3], 16) for shape in drawn.shapes if shape.fill and shape.fill.own]
    assert lightness == sorted(lightness)
    assert len(set(lightness)) == 5


def test_a_disc_grades_into_a_square_without_turning_over() -> None:
    square = ArtShape(path_text(box(14, -2, 18, 2)), ColourRole(2))
    drawn = graded(art(dot(4, 0, 2), square), 0, 1, 3)
    areas = [polygon(read_outline(shape.d)).area for shape in drawn.shapes]
    assert areas == sorted(areas)
    assert areas[2] == pytest.approx((areas[0] + areas[-1]) / 2, rel=0.05)
    with pytest.raises(BadInput, match="two shapes"):
        graded(drawn, 0, 0, 3)
    ring = ArtShape(path_text(box(0, -1, 1, 1)) + path_text(box(3, -1, 4, 1)), ColourRole())
    with pytest.raises(BadInput, match="same number of outlines"):
        graded(art(ring, square), 0, 1, 3)


def test_a_dotted_edge_goes_on_in_the_next_repeat() -> None:
    colours = (ColourRole(1), ColourRole(1), ColourRole(2))
    drawn = dotted_edge(art(dot(10, 0)), 1.2, 3.1, 0.7, -5, colours)
    dots = drawn.shapes[1:]
    assert len(dots) % 3 == 0
    x = sorted(box_of(shape).middle[0] for shape in dots)
    steps = [b - a for a, b in zip(x, [*x[1:], x[0] + 20], strict=True)]
    assert steps == pytest.approx([20 / len(dots)] * len(dots), abs=1e-3)
    assert x[0] == pytest.approx(0.7, abs=1e-3)
    threads = [shape.fill.thread for shape in dots if shape.fill]
    assert threads == [1, 1, 2] * (len(dots) // 3)
    with pytest.raises(BadInput, match="more than 0 mm apart"):
        dotted_edge(drawn, 1, 0, 0, 0, colours)
    with pytest.raises(BadInput, match="the most"):
        dotted_edge(drawn, 1, 0.01, 0, 0, colours)


def test_a_gradient_covers_each_shape_from_side_to_side() -> None:
    drawn = with_gradient(art(dot(5, 0, 2)), [0], "linear", (ColourRole(1), ColourRole(2)), 90)
    gradient = drawn.shapes[0].gradient
    assert gradient is not None
    assert gradient.start == pytest.approx((5, -2), abs=1e-3)
    assert gradient.end == pytest.approx((5, 2), abs=1e-3)
    there = moved(drawn.shapes[0], shifted(3, 1)).gradient
    assert there is not None
    assert there.matrix[4:] == (3, 1)
    with pytest.raises(BadInput, match="from one colour to another"):
        with_gradient(drawn, [0], "linear", (ColourRole(1),), 0)


def test_lines_become_areas_of_their_weight() -> None:
    line = ArtShape(path_text(lines([(0, 0), (10, 0)])), stroke=ColourRole(2), weight=2, ends="round")
    (made,) = lines_as_areas(art(line), [0]).shapes
    assert made.stroke is None
    assert made.fill == ColourRole(2)
    assert polygon(read_outline(made.d)).area == pytest.approx(20 + math.pi, rel=2e-3)
    both = replace(dot(5, 0, 2), stroke=ColourRole(2), weight=1.0)
    fill, rim = lines_as_areas(art(both), [0]).shapes
    assert fill.stroke is None
    assert box_of(rim).length == pytest.approx(5, abs=2e-3)


def test_combined_shapes_are_one_and_keep_the_lowest_ones_colour() -> None:
    two = art(dot(5, 0, 2, "#111111"), dot(7, 0, 2, "#222222"), dot(15, 0))
    one = combine(two, [0, 1], "cut")
    assert len(one.shapes) == 2
    assert one.shapes[0].fill == ColourRole(own="#111111")
    assert box_of(one.shapes[0]).left == pytest.approx(3, abs=1e-3)
    with pytest.raises(BadInput, match="Nothing would be left"):
        combine(two, [0, 2], "common")
    with pytest.raises(BadInput, match="two shapes"):
        combine(two, [1], "unite")


def test_what_is_clipped_is_cut_and_its_line_becomes_an_area() -> None:
    shape = replace(dot(5, 0, 3), stroke=ColourRole(2), weight=1.0)
    parts = clipped_by(shape, [box(0, -10, 5, 10)])
    assert [part.stroke for part in parts] == [None, None]
    assert all(box_of(part).right <= 5.001 for part in parts)
    assert clipped_by(shape, []) == [shape]
    assert clipped_by(shape, [box(50, 0, 60, 1)]) == []


def test_shapes_are_laid_higher_and_lower() -> None:
    four = art(*(dot(k, 0, 1, f"#00000{k}") for k in range(4)))

    def order(drawn: Artwork) -> str:
        return "".join(shape.fill.own[-1] for shape in drawn.shapes if shape.fill and shape.fill.own)

    assert order(ordered(four, [0], up=True, far=False)) == "1023"
    assert order(ordered(four, [0, 1], up=True, far=False)) == "2013"
    assert order(ordered(four, [2], up=False, far=True)) == "2013"
    assert order(ordered(four, [3], up=True, far=False)) == "0123"


def test_what_cannot_be_done_is_said() -> None:
    one = art(dot(1, 1))
    with pytest.raises(BadInput, match="at least one shape"):
        removed(one, [0])
    with pytest.raises(BadInput, match="no such shape"):
        removed(one, [5])
    with pytest.raises(BadInput, match="Choose the shapes"):
        removed(one, [])
    with pytest.raises(TooMuch, match="500 shapes"):
        added(one, [dot(1, 1)] * 500)
    with pytest.raises(BadInput, match="Copies"):
        round_about(one, [0], 0, 1, 1)


def test_a_shape_of_no_size_is_refused() -> None:
    shape = ArtShape("M0 0L10 0L10 4Z", fill=ColourRole())
    for length, width in ((0.0, 4.0), (10.0, 0.0), (-1.0, 4.0)):
        with pytest.raises(BadInput, match="are above 0"):
            placed_in(shape, box_of(shape, line=False), 5, 0, length, width)
