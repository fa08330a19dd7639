"""Motifs: cells at a scale, sizes and weights apart, ends kept in proportion, colours from threads."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.brush import Brush, Row
from curlet.core.drawing import Shape, Solid, Stroke
from curlet.core.dress.colour import ColourRole, RoleShape, dress, paint_of, read_colour, recoloured, shaded
from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families import FAMILIES, KINDS, ArtShape, Artwork, Running
from curlet.core.motif.families.artwork import read_outline
from tests.outlines import shapes_of
from tests.shapes import line

LEAF = ArtShape("M0 0L10 -4L20 0L10 4Z", fill=ColourRole(1), stroke=ColourRole(2, lighter=-20), weight=0.5)


def leaf(on: MeasuredOn = MeasuredOn.GARMENT) -> Artwork:
    return Artwork((LEAF,), 20, 8, on)


def test_a_cell_runs_from_nought_to_one_along_and_in_mm_across() -> None:
    motif = leaf().make(Scale())
    outline = motif.shapes[0].shape.outline
    assert outline.points[:, 0].tolist() == [0, 0.5, 1, 0.5]
    assert outline.points[:, 1].tolist() == [0, -4, 0, 4]
    assert motif.width == 8
    assert motif.overhang == pytest.approx(0.25)


@pytest.mark.parametrize(
    ("on", "width", "weight"), [(MeasuredOn.GARMENT, 2.0, 0.125), (MeasuredOn.PAPER, 8.0, 0.5)]
)
def test_artwork_on_the_garment_follows_the_scale_and_on_paper_does_not(
    on: MeasuredOn, width: float, weight: float
) -> None:
    motif = leaf(on).make(Scale.read("1:4"))
    assert motif.width == width
    stroke = motif.shapes[0].shape.stroke
    assert stroke is not None
    assert stroke.weight == weight


def test_size_and_weight_are_apart() -> None:
    motif = leaf().make(Scale()).sized(2.0, 0.5)
    stroke = motif.shapes[0].shape.stroke
    assert stroke is not None
    assert (motif.width, stroke.weight) == (16, 0.25)
    assert motif.shapes[0].shape.outline.points[1, 1] == -8
    plain = leaf().make(Scale())
    assert plain.sized(1.0, 1.0) is plain


@pytest.mark.parametrize("drawn", [30.0, 100.0, 400.0])
def test_ends_kept_stay_as_long_as_they_were_drawn(drawn: float) -> None:
    art = Artwork((ArtShape("M0 0L6 -2L34 -2L40 0", stroke=ColourRole()),), 40, 8)
    motif = art.make(Scale()).with_ends_kept(40.0, drawn, 6.0)
    at = motif.shapes[0].shape.outline.points[:, 0] * drawn
    assert at == pytest.approx([0, 6, drawn - 6, drawn])


def test_no_more_is_kept_than_there_is() -> None:
    art = Artwork((ArtShape("M0 0L20 -2L40 0", stroke=ColourRole()),), 40, 8)
    motif = art.make(Scale()).with_ends_kept(40.0, 10.0, 30.0)
    assert motif.shapes[0].shape.outline.points[:, 0] == pytest.approx([0, 0.5, 1])
    untouched = art.make(Scale())
    assert untouched.with_ends_kept(40.0, 100.0, 0.0) is untouched


@pytest.mark.parametrize(
    ("ends", "overhang"),
    [("round", 0.2), ("flat", 0.0)],
)
def test_round_ends_stand_half_a_thread_beyond_the_holes(ends: str, overhang: float) -> None:
    motif = Running(Measure(0.4), ends).make(Scale())
    assert motif.overhang == overhang
    xs = np.concatenate(
        [o.points[:, 0] for _, o, _ in shapes_of(draw_run(lay(line(11), Brush(), Scale()), "r", ""))]
    )
    assert (xs.min(), xs.max()) == (0, 11)


@pytest.mark.parametrize(
    ("motif", "says"),
    [
        (Running(Measure(0.0)), "Thread is 0 mm"),
        (Running(Measure(-1.0)), "Thread is -1 mm"),
        (Running(Measure(0.4), "pointed"), "Thread ends is one of round, flat"),
        (Artwork((LEAF,), 0, 8), "The cell's length"),
        (Artwork((LEAF,), 20, -8), "The cell's width"),
        (Artwork((ArtShape("M0 0L1 1", stroke=ColourRole(), weight=0),), 20, 8), "A line's weight"),
        (Artwork((ArtShape("M0 0H9", stroke=ColourRole()),), 20, 8), "absolute M, L, C and Z"),
    ],
)
def test_impossible_motifs_are_refused(motif: Running | Artwork, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        lay(line(40), Brush(courses=(Row(motif),)), Scale())


def test_exponents_in_path_data_are_numbers() -> None:
    assert read_outline("M1e1 0L2.5E-1 -1e0").points.tolist() == [[10, 0], [0.25, -1]]


def test_families_are_registered_by_the_name_in_their_files() -> None:
    assert {family.about.kind for family in FAMILIES.values()} == set(KINDS)


THREADS = ("#c8553d", "#3c6e71")


@pytest.mark.parametrize(
    ("role", "colour"),
    [
        (ColourRole(1), "#c8553d"),
        (ColourRole(2), "#3c6e71"),
        (ColourRole(9), "#3c6e71"),
        (ColourRole(1, own="#112233"), "#112233"),
    ],
)
def test_a_role_takes_its_colour_from_a_thread_or_its_own(role: ColourRole, colour: str) -> None:
    assert paint_of(role, THREADS) == Solid(colour)


def test_fill_and_stroke_have_roles_of_their_own() -> None:
    (shape,) = dress((leaf().make(Scale()).shapes[0],), THREADS)
    assert shape.fill == Solid("#c8553d")
    assert shape.stroke is not None
    assert shape.stroke.paint == Solid(shaded("#3c6e71", -20))


def test_changing_a_thread_changes_everything_that_takes_it() -> None:
    drawn = [
        shape.fill
        for shape, _, _ in shapes_of(
            draw_run(
                lay(
                    line(60),
                    Brush(courses=(Row(leaf(), Measure(20.0), Measure(0.0)),), threads=THREADS),
                    Scale(),
                ),
                "r",
                "",
            )
        )
    ]
    assert drawn == [Solid("#c8553d")] * 3


def test_recolouring_leaves_what_is_not_painted() -> None:
    bare = Shape(read_outline("M0 0L1 1"))
    same = recoloured(bare, lambda _: "#000000")
    assert (same.fill, same.stroke) == (None, None)
    assert same.outline is bare.outline
    stroked = Shape(read_outline("M0 0L1 1"), stroke=Stroke(Solid("#ffffff", 0.5), 1.0))
    changed = recoloured(stroked, lambda _: "#123456").stroke
    assert changed is not None
    assert changed.paint == Solid("#123456", 0.5)


@pytest.mark.parametrize(
    ("text", "colour"),
    [
        ("rust", None),
        ("firebrick", "#b22222"),
        ("#abc", "#aabbcc"),
        (" #A1B2C3 ", "#a1b2c3"),
        ("oklch(0.7 0.1 60)", "#c8935f"),
    ],
)
def test_colours_are_read_as_css_writes_them(text: str, colour: str | None) -> None:
    if colour is None:
        with pytest.raises(BadInput, match="not a colour"):
            read_colour(text)
    elif text.startswith("oklch"):
        assert read_colour(text).startswith("#")
    else:
        assert read_colour(text) == colour


@pytest.mark.parametrize("steps", [-60, -25, 25, 60, 200, -200])
def test_shades_stay_colours(steps: float) -> None:
    for colour in ("#000000", "#ffffff", "#c8553d"):
        made = shaded(colour, steps)
        assert len(made) == 7
        int(made[1:], 16)


def test_white_thread_stays_white_for_tinting() -> None:
    # Common practice: stitches to be tinted later are drawn white.
    role = RoleShape(Shape(read_outline("M0 0L1 0"), stroke=Stroke(Solid("#000000"), 0.4)), ColourRole(1))
    (shape,) = dress((role,), ("#ffffff",))
    assert shape.stroke is not None
    assert shape.stroke.paint == Solid("#ffffff")
