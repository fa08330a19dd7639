"""Sequences of shades: each repeat in its turn, on closed paths until both the order and the shades come out.

Source: common practice of strung beads and bunting, where a pattern of so many goes round a whole number of
times; the least common multiple for two patterns at once.
"""

from __future__ import annotations

import math
from dataclasses import replace
from itertools import pairwise

import numpy as np
import pytest

from curlet.core.brush import Brush, Letter, Row
from curlet.core.dress.colour import ColourRole, read_colour
from curlet.core.dress.take import TakeRule
from curlet.core.lay import LaidRow, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import FAMILIES
from curlet.core.path.figures import FIGURES
from curlet.store.edits.recipes import brush_of

CREAM, RUST, INK = (read_colour(text) for text in ("#f3ead7", "#c8553d", "#1f2a44"))
BALL = FAMILIES["ball"]()


def roles(*colours: str) -> tuple[ColourRole, ...]:
    return tuple(ColourRole(own=colour) for colour in colours)


def laid(row: Row, figure: str = "circle") -> LaidRow:
    values = {setting.name: setting.default for setting in FIGURES[figure].settings}
    run = lay(FIGURES[figure].make(values), Brush(courses=(row,)), Scale())
    assert run.main is not None
    return run.main


def colours(row: LaidRow) -> list[str | None]:
    """The colour of thread 1 in every repeat, in their order along the path."""
    order = np.argsort(row.repeats.start)
    motifs = [row.motifs[int(row.repeats.motif[i])] for i in order if row.repeats.counted[i]]
    return [next(item.role.own for item in motif.shapes if item.role.given) for motif in motifs]


@pytest.mark.parametrize("shades", [(CREAM, CREAM, RUST), (CREAM, RUST), (CREAM, RUST, INK, RUST, RUST)])
@pytest.mark.parametrize("order", ["A", "A B", "A A B"])
def test_a_closed_path_ends_the_order_and_the_shades_where_they_began(
    shades: tuple[str, ...], order: str
) -> None:
    more = (Letter(BALL, Measure(6.0)),)
    row = laid(Row(BALL, Measure(4.0), Measure(0.0), more=more, order=order, shades=roles(*shades)))
    found = colours(row)
    assert len(found) % math.lcm(len(order.split()), len(shades)) == 0
    assert found == [shades[i % len(shades)] for i in range(len(found))]


@pytest.mark.parametrize("family", ["running", "cable", "laid", "bead", "dots"])
def test_stitches_links_marks_beads_and_dots_follow_a_sequence(family: str) -> None:
    row = replace(brush_of(family).to_core().rows[0], shades=roles(CREAM, CREAM, RUST))
    values = {setting.name: setting.default for setting in FIGURES["line"].settings}
    run = lay(FIGURES["line"].make(values), Brush(courses=(row,)), Scale())
    assert run.main is not None
    found = colours(run.main)
    assert len(found) > 4
    assert found == [(CREAM, CREAM, RUST)[i % 3] for i in range(len(found))]


def test_other_threads_and_own_colours_stay_and_tints_are_kept() -> None:
    chain = FAMILIES["chainstitch"]()
    plain = laid(Row(chain, Measure(4.0), Measure(0.0)))
    row = laid(Row(chain, Measure(4.0), Measure(0.0), shades=roles(RUST, INK)))
    for old, new in zip(plain.motifs[0].shapes, row.motifs[0].shapes, strict=True):
        assert new.role.lighter == old.role.lighter
        assert (new.role.own == RUST) == (old.role.thread == 1 and old.role.own is None)


def test_shades_are_painted_and_artwork_that_takes_the_thread_leaves_them() -> None:
    row = Row(length=Measure(3.0), shades=roles(RUST, INK))
    brush = Brush(courses=(row,), take=TakeRule("lightness"))
    assert not brush.coloured
    group = draw_run(lay(FIGURES["circle"].make({"diameter": 20}), brush, Scale()), "hem", "Hem")
    painted = {shape.stroke.paint.colour for item in group.items for shape in item.shapes}  # type: ignore[union-attr]
    assert painted == {RUST, INK}


def test_a_corner_begins_the_sequence_anew_as_it_does_the_order() -> None:
    row = laid(Row(length=Measure(5.0), shades=roles(RUST, INK)), "rectangle")
    starts = [number for number, leg in zip(row.repeats.number, row.repeats.leg, strict=True) if leg == 1]
    assert min(starts) == 0
    for one, next_one in pairwise(np.flatnonzero(row.repeats.leg == 1)):
        assert row.repeats.motif[one] != row.repeats.motif[next_one]
