"""The schedule against what is known outside: thread by stitch class, mitres, CSV as RFC 4180."""

from __future__ import annotations

import csv
import io
import math

import pytest

from curlet.core.brush import Brush
from curlet.core.brush.courses import Band, Row
from curlet.core.brush.rules import CornerRule
from curlet.core.lay import lay
from curlet.core.measures import Measure, Scale
from curlet.core.tally.consumed import Allowances, consumed
from curlet.core.tally.schedule import Named, Seam, seam
from curlet.formats.schedule_csv import write_csv
from curlet.formats.schedule_table import table_of
from curlet.store.edits.recipes import brush_of
from tests.shapes import line, square

MITRED = CornerRule(manner="mitre")
EXACT = Allowances(waste=0, ends=0)

# Thread makers' consumption guides, from memory: thread in metres for a metre of seam at about 7 stitches to
# the cm, and of that the needles' share.
METRES = {
    "lockstitch": (2.5, None),
    "running": (2.5, None),
    "zigzag": (7.0, None),
    "chainstitch": (4.0, None),
    "cover": (18.0, 0.30),
    "overedge": (14.0, 0.20),
}


@pytest.mark.parametrize(("family", "metres", "needles"), [(f, *of) for f, of in METRES.items()])
def test_thread_for_a_metre_of_seam_is_as_thread_makers_have_it(
    family: str, metres: float, needles: float | None
) -> None:
    brush = brush_of(family).to_core()
    taken = consumed(lay(line(1000), brush, Scale()), EXACT)
    assert sum(use.length for use in taken.thread) == pytest.approx(1000 * metres, rel=1e-9)
    if needles is not None:
        assert {use.thread: use.length for use in taken.thread} == pytest.approx(
            {1: 1000 * metres * needles, 2: 1000 * metres * (1 - needles)}
        )


@pytest.mark.parametrize(
    ("settings", "classes", "metres"),
    [
        ({"family": "chainstitch", "stitch_class": "401"}, ("401",), 5.5),
        ({"family": "cover", "stitch_class": "602"}, ("602",), 25.0),
        ({"family": "overedge", "safety": True}, ("516",), 20.0),
        # Two needles of lockstitch, and three: as many seams.
        ({"family": "needles"}, ("301",), 5.0),
        ({"family": "needles", "needles": 3}, ("301",), 7.5),
    ],
)
def test_the_class_follows_what_is_set(
    settings: dict[str, object], classes: tuple[str], metres: float
) -> None:
    family = str(settings.pop("family"))
    taken = consumed(lay(line(1000), brush_of(family, **settings).to_core(), Scale()), EXACT)
    assert taken.classes == classes
    assert sum(use.length for use in taken.thread) == pytest.approx(1000 * metres)


@pytest.mark.parametrize("scale", ["1:4", "2:1"])
def test_what_is_taken_is_the_garments_whatever_the_scale(scale: str) -> None:
    drawn = Scale.read(scale)
    brush = brush_of("lockstitch").to_core()
    taken = consumed(lay(line(1000 * drawn.factor), brush, drawn), EXACT)
    assert taken.thread[0].length == pytest.approx(2500)
    cord = brush_of("cord").to_core()
    assert consumed(lay(line(1000 * drawn.factor), cord, drawn), EXACT).trim == pytest.approx(1000)


def test_saddle_stitch_takes_about_what_shows_on_both_sides() -> None:
    """Hand sewing, common practice: what shows on the face lies beneath once more."""
    brush = brush_of("saddle").to_core()
    run = lay(line(1000), brush, Scale())
    shows = sum(leg_stitches * 1.0 for leg_stitches in run.main.repeats.end - run.main.repeats.start)  # type: ignore[union-attr]
    (use,) = consumed(run, EXACT).thread
    assert use.length == pytest.approx(2 * shows, rel=0.12)


def band(width: float, joins: str) -> Brush:
    return Brush(courses=(Band(width=Measure(width), joins=joins),), corners=MITRED, kind="trim")


def test_a_mitred_frame_is_cut_as_long_as_its_outer_edge() -> None:
    """Framing and binding, common practice: mitred at 45°, each strip is as long as the outer edge of its
    side; a tape of 20 mm centred on a square of 200 mm takes 4 × 220 mm."""
    assert consumed(lay(square(200), band(20, "mitre"), Scale()), EXACT).trim == pytest.approx(4 * 220)
    assert consumed(lay(square(200), band(20, "round"), Scale()), EXACT).trim == pytest.approx(4 * 200)
    # Beside the path its own line is longer before it is mitred.
    outside = Brush(
        courses=(Band(width=Measure(20.0), offset=Measure(-10.0)),),
        corners=CornerRule(manner="mitre"),
        kind="trim",
    )
    assert consumed(lay(square(200), outside, Scale()), EXACT).trim == pytest.approx(4 * 240)


def test_a_rows_mitres_are_cut_like_a_bands() -> None:
    cord = brush_of("flat-braid").to_core()
    width = 2 * lay(square(200), cord, Scale()).main.reach  # type: ignore[union-attr]
    mitred = Brush(
        courses=cord.courses, corners=CornerRule(manner="mitre"), kind="rope", threads=cord.threads
    )
    taken = consumed(lay(square(200), mitred, Scale()), EXACT).trim
    assert taken == pytest.approx(4 * (200 + width * math.tan(math.pi / 4)))


def test_allowances_are_added() -> None:
    cord, stitch = brush_of("cord").to_core(), brush_of("lockstitch").to_core()
    assert consumed(lay(line(500), cord, Scale()), Allowances(ends=20)).trim == pytest.approx(540)
    (use,) = consumed(lay(line(500), stitch, Scale()), Allowances(waste=20)).thread
    assert use.length == pytest.approx(500 * 2.5 * 1.2)


def test_links_are_counted_and_a_chain_is_cut_too() -> None:
    chain = brush_of("cable").to_core()
    run = lay(line(320), chain, Scale())
    taken = consumed(run, EXACT)
    assert taken.pieces == (("Link", run.main.fits[0].repeats),)  # type: ignore[union-attr]
    assert (taken.trim, taken.thread) == (pytest.approx(320), ())


def test_beads_are_counted_and_cords_are_not() -> None:
    run = lay(line(300), brush_of("bead").to_core(), Scale())
    assert dict(consumed(run, EXACT).pieces)["Bead"] == run.main.fits[0].repeats  # type: ignore[union-attr]
    assert consumed(lay(line(300), brush_of("cord").to_core(), Scale()), EXACT).pieces == ()
    assert consumed(lay(line(300), brush_of("key").to_core(), Scale()), EXACT).trim is None


def seam_of(name: str, length: float = 100, brush: Brush | None = None, shade: str = "Straw") -> Seam:
    run = lay(line(length), brush or Brush(courses=(Row(),)), Scale())
    return seam(run, Named("r", "p", name, "Hems", (shade,)), EXACT)


NASTY = ["Hem", 'He said "no"', "a, b", "two\nlines", "Säume ½", "=1+1", "@sum", "-3", ""]


def test_csv_comes_back_as_it_was_written() -> None:
    """RFC 4180: lines end with CR LF, quotes are doubled, and Python's own reader has the same cells."""
    data = write_csv(table_of([seam_of(name) for name in NASTY], "run"))
    lines = list(csv.reader(io.StringIO(data.decode("utf-8"), newline="")))
    assert data.count(b"\r\n") == len(NASTY) + 2
    assert len({len(cells) for cells in lines}) == 1
    assert lines[0][:4] == ["Path", "Seam group", "Brush", "Length, mm"]
    # A cell that would be reckoned as a formula is a text.
    told = [f"'{name}" if name[:1] in ("=", "@", "-") else name for name in NASTY]
    assert [cells[0] for cells in lines[1:-1]] == told
    assert [cells[3] for cells in lines[1:]] == ["100.0"] * len(NASTY) + [f"{100.0 * len(NASTY)}"]


def test_numbers_in_csv_have_points_and_no_commas() -> None:
    data = write_csv(table_of([seam_of("Long", 12_345.67)], "run")).decode()
    assert "12345.7" in data
    assert "12,345" not in data
