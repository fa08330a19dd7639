"""Edge check: built-ins meet; what is broken on purpose is found, with its size."""

from __future__ import annotations

import pytest

from curlet.core.brush import Letter, Piece, Pieces, Row
from curlet.core.dress.colour import ColourRole
from curlet.core.lay.row_edges import check_edges
from curlet.core.measures import Measure, Scale
from curlet.core.motif.edges import STEP
from curlet.core.motif.families import FAMILIES, ArtShape, Artwork
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.store.edits.recipes import brush_of

BARE = Pieces()
FAMILY_ROWS = [name for name, family in FAMILIES.items() if not family.about.piece]


def art(d: str, length: float = 10.0, **shape: object) -> Artwork:
    return Artwork((ArtShape(d, fill=ColourRole(1), **shape),), length, 8)  # type: ignore[arg-type]


def row(motif: Artwork, pieces: Pieces = BARE, **settings: object) -> Row:
    return Row(motif, Measure(10.0), Measure(0.0), hold="bend", pieces=pieces, **settings)  # type: ignore[arg-type]


def rows(doc: object) -> list[Row]:
    return [course for course in read_brush(doc).to_core().courses if isinstance(course, Row)]


@pytest.mark.parametrize("name", BRUSHES)
def test_every_built_in_meets_itself(name: str) -> None:
    for course in rows(BRUSHES[name]):
        for joint in check_edges(course, Scale()):
            assert joint.step <= STEP, (joint.before, joint.after, joint.mismatches)


@pytest.mark.parametrize("name", FAMILY_ROWS)
@pytest.mark.parametrize("scale", ["1:1", "1:4"])
def test_every_family_meets_itself_at_any_scale(name: str, scale: str) -> None:
    for course in rows(brush_of(name).model_dump(mode="json")):
        for joint in check_edges(course, Scale.read(scale)):
            assert joint.step <= STEP, (joint.before, joint.after, joint.mismatches)


def test_a_repeat_wider_at_one_end_is_found_with_its_step() -> None:
    (joint,) = check_edges(row(art("M0 -2L10 -3L10 2L0 2Z")), Scale())
    assert joint.step == pytest.approx(1.0, abs=1e-6)
    assert [m.what for m in joint.mismatches if m.fault] == ["width", "step"]


def test_an_outline_with_nothing_to_meet_is_told_and_is_no_fault() -> None:
    split = "M0 -2L10 -2L10 2L0 2ZM0 -1L6 -1L6 1L0 1Z"
    (joint,) = check_edges(row(art(split, even_odd=True)), Scale())
    assert joint.step == 0
    assert {(m.what, m.size, m.other) for m in joint.mismatches} == {("open", 0.0, None)}


def test_a_change_of_direction_is_told_in_degrees() -> None:
    (joint,) = check_edges(row(art("M0 -2L5 -3L10 -2L10 2L0 2Z")), Scale())
    (bend,) = joint.mismatches
    assert (bend.what, bend.fault) == ("bend", False)
    assert bend.size == pytest.approx(2 * 11.31, abs=0.01)


@pytest.mark.parametrize("place", ["start", "end", "corner_outside"])
def test_a_piece_of_another_width_is_found(place: str) -> None:
    body = art("M0 -2L10 -2L10 2L0 2Z")
    wide = art("M0 -2.5L10 -2.5L10 2.5L0 2.5Z")
    corner = art("M0 -2.5L12.5 -2.5L12.5 10L7.5 10L7.5 2.5L0 2.5Z")
    motif = corner if place.startswith("corner") else wide
    joints = check_edges(row(body, Pieces(**{place: Piece(motif, Measure(10.0))})), Scale())
    assert [round(joint.step, 6) for joint in joints if joint.step] == [0.5] * (1 + (motif is corner))


def test_letters_are_checked_in_the_order_in_which_they_come() -> None:
    narrow = art("M0 -1L10 -1L10 1L0 1Z")
    both = row(art("M0 -2L10 -2L10 2L0 2Z"), more=(Letter(narrow, Measure(10.0)),), order="A A B")
    joints = {(joint.before, joint.after): joint.step for joint in check_edges(both, Scale())}
    assert joints == {
        ("repeat A", "repeat A"): 0,
        ("repeat A", "repeat B"): pytest.approx(1.0),
        ("repeat B", "repeat A"): pytest.approx(1.0),
    }


def test_gaps_and_links_have_no_joints() -> None:
    assert check_edges(Row(), Scale()) == ()
    assert check_edges(rows(BRUSHES["chain"])[0], Scale()) == ()
