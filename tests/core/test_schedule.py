"""The schedule's sums: by seam group, brush and shade, and what a table tells of them in mm and inches."""

from __future__ import annotations

import pytest

from curlet.core.brush import Brush
from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.core.tally.consumed import Allowances, consumed
from curlet.core.tally.schedule import Named, Seam, by_brush, by_group, by_shade, seam
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.schedule_table import Column, table_of, told
from curlet.store.edits.recipes import brush_of
from tests.shapes import line, square

EXACT = Allowances(waste=0, ends=0)
TOPSTITCH, COVER, CORD, CHAIN = Brush(), *(brush_of(f).to_core() for f in ("cover", "cord", "cable"))


def of(run: str, brush: Brush, length: float, group: str = "", shades: tuple[str, ...] = ("Straw",)) -> Seam:
    laid = lay(line(length), brush, Scale())
    return seam(laid, Named(run, f"path of {run}", run.title(), group, shades), EXACT)


SEAMS = [
    of("hem", TOPSTITCH, 400, "Hems"),
    of("cuff", TOPSTITCH, 200),
    of("yoke", COVER, 300, "Yokes", ("Straw", "Rust")),
    of("edge", CORD, 500, "Hems", ("Rust", "Ink")),
    of("watch", CHAIN, 160, "Hems", ("Brass",)),
]


@pytest.mark.parametrize("key", ["topstitch", "cover", "saddle", "cross", "satin"])
def test_thread_is_the_garments_at_any_scale(key: str) -> None:
    """Sewn by machine or by hand: drawn at a quarter, a seam takes what it takes at its full size."""
    brush = read_brush(BRUSHES[key]).to_core()
    whole = consumed(lay(line(400), brush, Scale()), EXACT).thread
    quarter = consumed(lay(line(100), brush, Scale.read("1:4")), EXACT).thread
    assert whole
    assert [use.length for use in quarter] == pytest.approx([use.length for use in whole])


def test_a_runs_line_says_how_it_came_out() -> None:
    laid = lay(square(60), TOPSTITCH, Scale())
    one = seam(laid, Named("r1", "p1", "Pocket", "Pockets", ("Straw",)), EXACT)
    assert (one.length, one.legs, one.repeats, one.closed) == (pytest.approx(240), 4, 60, True)
    assert (one.stitch, one.gap, one.spi) == pytest.approx((3, 1, 6.35), rel=0.03)
    assert one.corners == (("pivot", 4),)
    assert one.noun.many == "stitches"
    assert SEAMS[3].spi is None


def test_groups_are_summed_and_runs_in_none_come_last() -> None:
    hems, yokes, none = by_group(SEAMS)
    assert (hems.name, hems.runs, hems.ids) == ("Hems", 3, ("hem", "edge", "watch"))
    assert hems.length == pytest.approx(1060)
    assert dict(hems.repeats) == {
        "stitches": SEAMS[0].repeats,
        "repeats": SEAMS[3].repeats,
        "links": SEAMS[4].repeats,
    }
    assert hems.thread == pytest.approx(400 * 2.5)
    assert hems.trim == pytest.approx(660)
    assert hems.pieces == SEAMS[4].taken.pieces
    assert (yokes.name, none.name, none.ids) == ("Yokes", "", ("cuff",))


def test_brushes_are_summed() -> None:
    assert [(one.name, one.runs) for one in by_brush(SEAMS)] == [
        ("Topstitch", 2),
        (COVER.name, 1),
        (CORD.name, 1),
        (CHAIN.name, 1),
    ]


def test_thread_is_summed_by_shade_each_with_its_own_part() -> None:
    found = {one.name: one for one in by_shade(SEAMS)}
    assert found["Straw"].thread == pytest.approx(600 * 2.5 + 300 * 18 * 0.3)
    assert found["Rust"].thread == pytest.approx(300 * 18 * 0.7)
    assert found["Straw"].ids == ("hem", "cuff", "yoke")
    # A cord is told with its first shade, and takes no sewing thread.
    assert found["Rust"].ids == ("yoke", "edge")
    assert found["Rust"].trim == pytest.approx(500)
    assert "Ink" not in found
    assert by_shade(SEAMS)[0].name == "Rust"


def test_a_thread_that_has_no_shade_is_told_so() -> None:
    (one,) = by_shade([of("hem", TOPSTITCH, 100, shades=())])
    assert one.name == "no shade"


def cells(kind: str, unit: str, row: int = 0) -> dict[str, str]:
    table = table_of(SEAMS, kind, unit)
    line = table.sums if row < 0 else table.lines[row]
    return {column.heading: told(line.cells.get(column.key), column) for column in table.columns}


def test_a_table_tells_lengths_and_thread_in_the_sheets_unit() -> None:
    metric, imperial = cells("run", "mm"), cells("run", "in")
    assert (metric["Length, mm"], metric["Each, mm"], metric["Thread, m"]) == ("400.0", "3.01", "1.00")
    assert (imperial["Length, in"], imperial["Each, in"], imperial["Thread, yd"]) == (
        "15.75",
        "0.118",
        "1.09",
    )
    # Trim is told in both.
    edge = cells("run", "in", 3)
    assert (edge["Trim to cut, mm"], edge["Trim to cut, in"]) == ("500", "19.69")


def test_sums_stand_beneath_and_unlike_things_are_not_added_up() -> None:
    of_runs, of_groups = cells("run", "mm", -1), cells("group", "mm", -1)
    assert (of_runs["Path"], of_runs["Length, mm"], of_runs["Count"]) == ("All", "1,560.0", "")
    stitches = SEAMS[0].repeats + SEAMS[1].repeats + SEAMS[2].repeats
    assert (of_groups["Runs"], of_groups["Stitches"]) == ("5", f"{stitches:,}")
    assert cells("group", "mm", 2)["Seam group"] == "In no group"


def test_a_count_that_comes_to_nothing_has_no_sign() -> None:
    assert told(-0.04, Column("departure", "Off by, %", 1)) == "0.0"


@pytest.mark.parametrize("allowances", [Allowances(waste=-1), Allowances(waste=201), Allowances(ends=-1)])
def test_allowances_have_bounds(allowances: Allowances) -> None:
    with pytest.raises(BadInput, match="allowance"):
        consumed(lay(line(10), TOPSTITCH, Scale()), allowances)


def test_pieces_at_ends_and_corners_are_counted() -> None:
    belcher = read_brush(BRUSHES["belcher"]).to_core()
    assert dict(consumed(lay(line(200), belcher, Scale())).pieces)["End piece"] == 2
    vine = read_brush(BRUSHES["vine"]).to_core()
    assert "Corner piece" not in dict(consumed(lay(line(200), vine, Scale())).pieces)
    border = read_brush(BRUSHES["border"]).to_core()
    assert dict(consumed(lay(square(120), border, Scale())).pieces)["Corner piece"] == 4


def test_a_bead_at_a_corner_is_one_more() -> None:
    beads = brush_of("bead").to_core()
    run = lay(square(60), beads, Scale())
    between = sum(fit.repeats for fit in run.main.fits)  # type: ignore[union-attr]
    assert dict(consumed(run).pieces)["Bead"] == between + 4


def test_a_chain_of_two_links_counts_each() -> None:
    long_short = read_brush(BRUSHES["long-short"]).to_core()
    run = lay(line(350), long_short, Scale())
    counts = dict(consumed(run).pieces)
    assert set(counts) == {"Link A", "Link B"}
    assert sum(counts.values()) == run.main.fits[0].repeats  # type: ignore[union-attr]
    assert counts["Link B"] > 2 * counts["Link A"]
