"""Call-outs: what they say of a run, and that they stand clear of one another and of the garment."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import LineString

from curlet.core.brush import Brush
from curlet.core.callouts import CallOut, PlacedCallOut, place_callouts, words_of
from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.store.edits.recipes import brush_of
from tests.shapes import line

GARMENT, SHEET = (90.0, 30.0, 210.0, 180.0), (300.0, 210.0)
WITHIN = (0.0, 0.0, *SHEET)


def demo(key: str) -> Brush:
    return read_brush(BRUSHES[key]).to_core()


@pytest.mark.parametrize(
    ("brush", "unit", "says"),
    [
        (Brush(), "mm", "Topstitch 301, 3 + 1 mm, Straw"),
        (demo("twin"), "mm", "Twin needle 301, 3 + 1 mm, 6.4 mm gauge, Straw"),
        (demo("twin"), "in", "Twin needle 301, 0.12 + 0.04 in, 0.25 in gauge, Straw"),
        # A class that the name has already is not said twice.
        (demo("cover"), "mm", "Flat cover 602, 2.5 mm, Straw"),
        (demo("cord"), "mm", "Twisted cord, 12.1 mm repeat, Straw"),
        (demo("strip"), "mm", "Plain band, 8 mm wide, Straw"),
        (demo("ball"), "mm", "Ball chain, 4.3 mm repeat, 93 × link, Straw"),
    ],
)
def test_a_call_out_says_how_the_seam_is_made(brush: Brush, unit: str, says: str) -> None:
    assert words_of(lay(line(399), brush, Scale()), ["Straw"], unit) == says


def test_shades_are_said_once_each() -> None:
    cord = brush_of("cord").to_core()
    said = words_of(lay(line(100), cord, Scale()), ["Rust", "Ink", "Rust"])
    assert said.endswith(", Rust and Ink")
    assert not words_of(lay(line(100), cord, Scale()), []).endswith(", ")


def test_measures_are_the_garments() -> None:
    run = lay(line(100), Brush(), Scale.read("1:4"))
    assert words_of(run, []) == "Topstitch 301, 3 + 1 mm"


def overlap(a: tuple[float, ...], b: tuple[float, ...]) -> bool:
    return a[0] < b[2] and b[0] < a[2] and a[1] < b[3] and b[1] < a[3]


def cross(one: PlacedCallOut, other: PlacedCallOut) -> bool:
    return bool(LineString(one.leader).crosses(LineString(other.leader)))


spots = st.tuples(st.floats(95, 205), st.floats(35, 175))
few = st.lists(spots, min_size=1, max_size=14, unique=True)


@given(few)
def test_no_leaders_cross_and_no_text_lies_on_another_or_on_the_garment(
    places: list[tuple[float, float]],
) -> None:
    callouts = [CallOut(at, 40 + 10 * (i % 3), 3.5 if i % 2 else 7.0) for i, at in enumerate(places)]
    placed = place_callouts(callouts, GARMENT, WITHIN)
    boxes = [one.box for one in placed]
    for i, box in enumerate(boxes):
        assert not overlap(box, GARMENT)
        assert box[0] >= 0
        assert box[1] >= 0
        assert box[2] <= SHEET[0]
        assert box[3] <= SHEET[1]
        assert placed[i].leader[1] == callouts[i].at
        assert not any(overlap(box, other) for other in boxes[i + 1 :])
    left = [one for one in placed if one.box[2] < GARMENT[0]]
    right = [one for one in placed if one.box[0] > GARMENT[2]]
    for column in (left, right):
        assert not any(cross(a, b) for i, a in enumerate(column) for b in column[i + 1 :])


def test_each_stands_on_its_side_at_its_seams_height() -> None:
    callouts = [CallOut((100, 60), 30, 4), CallOut((200, 120), 30, 4)]
    left, right = place_callouts(callouts, GARMENT, WITHIN)
    assert left.box == (pytest.approx(53), pytest.approx(58), pytest.approx(83), pytest.approx(62))
    assert right.box == (pytest.approx(217), pytest.approx(118), pytest.approx(247), pytest.approx(122))
    # The leader is level, from beside the text.
    assert left.leader[0] == (pytest.approx(84.2), pytest.approx(60))
    assert right.leader[0] == (pytest.approx(215.8), pytest.approx(120))


def test_where_one_was_put_it_stays_and_others_make_room() -> None:
    callouts = [CallOut((100, 60), 30, 4, corner=(53.0, 57.0)), CallOut((100, 61), 30, 4)]
    put, other = place_callouts(callouts, GARMENT, WITHIN)
    assert put.box == (53, 57, 83, 61)
    assert not overlap(put.box, other.box)
    assert other.box[1] == pytest.approx(63.5)


@pytest.mark.parametrize(("left", "in_the_way"), [(22.0, False), (30.0, True), (75.0, True), (84.0, False)])
def test_only_what_lies_in_the_column_is_stepped_aside_for(left: float, in_the_way: bool) -> None:
    """The column is from 53 to 83 mm."""
    callouts = [CallOut((100, 60), 30, 4, corner=(left, 57.0)), CallOut((100, 61), 30, 4)]
    _, other = place_callouts(callouts, GARMENT, WITHIN)
    assert other.box[1] == pytest.approx(63.5 if in_the_way else 59.0)


def test_a_leader_begins_at_the_side_that_faces_its_seam() -> None:
    for corner, start in (
        ((10, 10), (41.2, 12)),
        ((250, 10), (248.8, 12)),
        ((90, 10), (105, 15.2)),
        ((90, 190), (105, 188.8)),
    ):
        (placed,) = place_callouts([CallOut((100, 100), 30, 4, corner=corner)], GARMENT, WITHIN)
        assert placed.leader[0] == pytest.approx(start)


def test_more_than_one_side_holds_go_to_the_other() -> None:
    crowded = [CallOut((95 + i, 35 + i), 30, 7) for i in range(30)]
    placed = place_callouts(crowded, GARMENT, WITHIN)
    assert all(one.box[1] >= 0 and one.box[3] <= SHEET[1] for one in placed)
    assert any(one.box[0] > GARMENT[2] for one in placed)
    # Those nearest to the middle went.
    gone = [at for at, one in enumerate(placed) if one.box[0] > GARMENT[2]]
    assert min(gone) > len(crowded) - len(gone) - 1


def test_without_room_beside_the_garment_they_stay_on_the_sheet() -> None:
    (placed,) = place_callouts([CallOut((10, 100), 40, 4)], (2.0, 2.0, 298.0, 208.0), WITHIN)
    assert placed.box[0] == 4
    assert place_callouts([], GARMENT, WITHIN) == []
