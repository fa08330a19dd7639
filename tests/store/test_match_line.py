"""A drawn line matched as a brush: what is laid looks as the line did."""

from __future__ import annotations

import pytest

from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.formats.brush_courses import BandDoc, RowDoc
from curlet.formats.path_doc import FactsDoc
from curlet.store.match_line import matched
from tests.outlines import filled_area, main_row
from tests.shapes import line

DASHED = FactsDoc(stroke="#c8553d", weight=0.4, ends="round", dashes=(3.0, 1.5))


def row(facts: FactsDoc) -> RowDoc:
    (course,) = matched("As drawn", facts).courses
    assert isinstance(course, RowDoc)
    return course


def test_dashes_become_stitches_from_hole_to_hole() -> None:
    course = row(DASHED)
    assert (course.length.mm, course.gap.mm) == (3.0, 1.5)  # type: ignore[union-attr]
    assert course.length.on == "paper"
    assert course.motif.model_dump()["thread"] == {"mm": 0.4, "on": "paper"}
    assert matched("As drawn", DASHED).threads == ("#c8553d",)


def test_they_are_laid_where_svg_draws_the_dashes() -> None:
    """SVG 2, stroke-dasharray: dash k runs from k·(a + b) to k·(a + b) + a."""
    for scale in ("1:1", "1:4"):
        laid = main_row(lay(line(90), matched("As drawn", DASHED).to_core(), Scale.read(scale)))
        assert laid.slots.start[:5] == pytest.approx([k * 4.5 for k in range(5)], rel=0.02)
        assert laid.slots.end[0] == pytest.approx(3.0, rel=0.02)


def test_square_ends_are_part_of_the_stitch() -> None:
    course = row(FactsDoc(stroke="#000000", weight=1, ends="square", dashes=(2, 2)))
    assert (course.length.mm, course.gap.mm) == (3, 1)  # type: ignore[union-attr]
    assert course.motif.model_dump()["ends"] == "flat"


def test_a_single_dash_is_its_own_gap_and_long_and_short_ones_come_in_order() -> None:
    """SVG 2: an odd list is repeated to yield an even one."""
    course = row(FactsDoc(stroke="#000000", weight=0.3, dashes=(2.5,)))
    assert (course.length.mm, course.gap.mm) == (2.5, 2.5)  # type: ignore[union-attr]
    course = row(FactsDoc(stroke="#000000", weight=0.3, dashes=(5, 1, 2, 1)))
    assert course.order == "A B"
    assert [course.length.mm, course.more[0].length.mm] == [5, 2]


def test_a_plain_line_becomes_a_band_of_its_width() -> None:
    brush = matched("As drawn", FactsDoc(stroke="#2b3440", weight=2.5))
    (course,) = brush.courses
    assert isinstance(course, BandDoc)
    run = lay(line(40), brush.to_core(), Scale.read("1:4"))
    assert filled_area(run).area == 0
    assert run.courses[0].width == 2.5  # type: ignore[union-attr]


@pytest.mark.parametrize(
    ("facts", "says"),
    [
        (FactsDoc(fill="#ffffff"), "not drawn as a line"),
        (FactsDoc(stroke="#000000", weight=0), "not drawn as a line"),
        (FactsDoc(stroke="#000000", weight=1, dashes=(4, 1, 4, 3)), "several lengths"),
    ],
)
def test_what_cannot_be_matched_is_told(facts: FactsDoc, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        matched("As drawn", facts)
