"""Cutting artwork into pieces: nothing is lost, nothing shows at the cuts, every piece is equally wide."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import box, transform, union_all
from shapely.geometry.base import BaseGeometry

from curlet.core.brush import Piece, Pieces, Row
from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.lay.row_edges import check_edges
from curlet.core.measures import Measure, Scale
from curlet.core.motif.art import path_text
from curlet.core.motif.edges import silhouette
from curlet.core.motif.families import FAMILIES, ArtShape, Artwork
from curlet.core.motif.families.artwork import read_outline
from curlet.core.motif.pieces import (
    as_artwork,
    as_wide,
    celled,
    centre_to_centre,
    equalised,
    fitted,
    in_three,
    turned,
)
from curlet.core.outlines import disc
from tests.outlines import polygon

# A leaf with a vein, on a stem that goes right through.
LEAF = Artwork(
    (
        ArtShape("M0 -1L30 -1L30 1L0 1Z", fill=ColourRole(1)),
        ArtShape("M4 0C8 -9 20 -9 26 0C20 6 8 6 4 0Z", fill=ColourRole(2)),
        ArtShape("M4 0C12 -3 18 -3 26 0", stroke=ColourRole(1), weight=0.6),
    ),
    30,
    16,
)


def area(art: Artwork) -> BaseGeometry:
    return union_all([polygon(read_outline(shape.d)) for shape in art.shapes if shape.fill])


def along(shape: BaseGeometry, by: float) -> BaseGeometry:
    return transform(shape, lambda points: points + (by, 0.0))


def piece(art: Artwork) -> Piece:
    return Piece(art, Measure(art.length))


@given(st.floats(1, 14), st.floats(15, 29))
def test_three_pieces_are_the_drawing_again(first: float, second: float) -> None:
    parts = in_three(LEAF, first, second)
    assert sum(part.length for part in parts) == pytest.approx(30)
    assert {part.width for part in parts} == {16}
    at = (0.0, first, second)
    laid = union_all([along(area(p), x) for p, x in zip(parts, at, strict=True)])
    # Curves are measured as polygons, whose corners differ where they are cut.
    assert laid.symmetric_difference(area(LEAF)).area < 0.003 * area(LEAF).area


@given(st.floats(1, 14), st.floats(15, 29))
def test_pieces_cut_from_one_drawing_meet_without_a_step(first: float, second: float) -> None:
    start, repeat, end = in_three(LEAF, first, second)
    row = Row(
        repeat, Measure(repeat.length), Measure(0.0), hold="bend", pieces=Pieces(piece(start), piece(end))
    )
    joints = {(j.before, j.after): j.step for j in check_edges(row, Scale())}
    assert joints["start", "repeat"] < 1e-4
    assert joints["repeat", "end"] < 1e-4


@pytest.mark.parametrize(
    ("first", "second"), [(0, 10), (20, 10), (5, 30), (-1, 5), (10, 10), (float("nan"), 9)]
)
def test_cuts_outside_the_drawing_or_out_of_order_are_refused(first: float, second: float) -> None:
    with pytest.raises(BadInput, match="cut"):
        in_three(LEAF, first, second)


@pytest.mark.parametrize("pitch", [4.0, 7.0, 10.0, 13.0])
def test_centre_to_centre_is_what_overlapping_shapes_look_like(pitch: float) -> None:
    """Discs of 10 mm; the seamless repeat laid end to end is the row of discs."""
    dot = Artwork((ArtShape(path_text(disc(5, 0, 5)), fill=ColourRole(1)),), 10, 10)
    cell = centre_to_centre(dot, pitch)
    assert cell.length == pitch
    repeated = union_all([along(area(cell), 5 + k * pitch) for k in range(-2, 6)])
    row = union_all([along(area(dot), k * pitch) for k in range(-12, 20)])
    inside = box(5 - 2 * pitch, -9, 5 + 6 * pitch, 9)
    assert repeated.symmetric_difference(row.intersection(inside)).area < 0.2
    seam = Row(cell, Measure(pitch), Measure(0.0), hold="bend")
    assert all(joint.step < 1e-4 for joint in check_edges(seam, Scale()))


def test_a_line_that_is_cut_goes_on_in_the_next_piece_with_flat_ends() -> None:
    start, repeat, end = in_three(LEAF, 10, 20)
    veins = [[s for s in part.shapes if s.stroke] for part in (start, repeat, end)]
    assert [len(v) for v in veins] == [1, 1, 1]
    assert {v[0].ends for v in veins} == {"flat"}


@pytest.mark.parametrize("name", ["guilloche", "lace", "cable", "zigzag", "leaf-stem"])
def test_a_family_taken_out_as_artwork_looks_the_same(name: str) -> None:
    family = FAMILIES[name]()
    length = family.natural(Scale())
    art = as_artwork(family, length)
    art.check()
    ours, theirs = art.make(Scale()), family.make(Scale())
    assert ours.width == theirs.width
    assert len(ours.shapes) == len(theirs.shapes)
    for a, b in zip(ours.shapes, theirs.shapes, strict=True):
        assert a.shape.outline.points == pytest.approx(b.shape.outline.points, abs=2e-4)
        assert (a.role, a.over) == (b.role, b.over) or b.shape.fill is None


def test_artwork_is_turned_in_a_cell_that_is_fitted_to_it() -> None:
    upright = turned(LEAF, 90)
    assert (upright.length, upright.width) == (pytest.approx(11.25, abs=0.01), pytest.approx(30))
    again = turned(upright, -90)
    assert again.length == pytest.approx(30)
    assert area(again).area == pytest.approx(area(LEAF).area, rel=1e-4)


def test_a_cell_is_moved_over_the_artwork() -> None:
    moved = celled(LEAF, 4, 26, -1)
    assert moved.length == 22
    (x0, y0, x1, y1) = area(moved).bounds
    assert (x0, x1) == pytest.approx((-4, 26))
    assert moved.width == pytest.approx(2 * max(abs(y0), abs(y1)), abs=0.01)
    with pytest.raises(BadInput, match=r"0\.01 mm"):
        celled(LEAF, 5, 5, 0)


def test_fitting_takes_lines_in() -> None:
    line = Artwork((ArtShape("M3 7L9 7", stroke=ColourRole(1), weight=2),), 100, 100)
    cell = fitted(line)
    assert (cell.length, cell.width) == (pytest.approx(8), pytest.approx(2))


def test_a_piece_is_made_as_wide_as_the_repeat_it_meets() -> None:
    piece_art = Artwork((ArtShape("M0 -3L10 -2.5L10 3.5L0 3Z", fill=ColourRole(1)),), 10, 8)
    made = as_wide(piece_art, True, (-2.0, 2.0))
    assert silhouette(made.make(Scale()), 10, at_end=True) == pytest.approx((-2, 2), abs=1e-5)
    # Its other end keeps its proportion.
    low, high = silhouette(made.make(Scale()), 10, at_end=False) or (0, 0)
    assert high - low == pytest.approx(6 * 4 / 6, abs=1e-5)


def test_a_repeat_is_equalised_and_meets_itself() -> None:
    wedge = Artwork((ArtShape("M0 -2L10 -3L10 2.5L0 2Z", fill=ColourRole(1)),), 10, 8)
    even = equalised(wedge)
    row = Row(even, Measure(10.0), Measure(0.0), hold="bend")
    assert all(joint.step < 1e-4 for joint in check_edges(row, Scale()))


def test_every_crossing_is_matched_with_its_mate() -> None:
    vine = Artwork(
        (
            ArtShape("M0 -3L10 -3L10 3L0 3Z", fill=ColourRole(1)),
            ArtShape("M0 1C4 1 6 -2 10 -1", stroke=ColourRole(2), weight=0.4),
        ),
        10,
        6,
    )
    row = Row(vine, Measure(10.0), Measure(0.0), hold="bend")
    assert max(joint.step for joint in check_edges(row, Scale())) == pytest.approx(2, abs=1e-3)
    even = equalised(vine)
    matched = Row(even, Measure(10.0), Measure(0.0), hold="bend")
    assert all(joint.step < 1e-4 for joint in check_edges(matched, Scale()))
    # What was level at both edges stays as it was.
    level, was = (read_outline(drawn.shapes[0].d).points for drawn in (even, vine))
    assert level == pytest.approx(was, abs=1e-4)


def test_what_reaches_no_edge_has_no_width_to_match() -> None:
    dot = Artwork((ArtShape(path_text(disc(5, 0, 2)), fill=ColourRole(1)),), 10, 10)
    for mend in (lambda: equalised(dot), lambda: as_wide(dot, True, (-1, 1))):
        with pytest.raises(BadInput, match="No outline reaches"):
            mend()
