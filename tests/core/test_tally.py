"""Measured facts and warnings: each with its place, and a mend that mends."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from curlet.core.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.brush.brush import CrossingRule
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families import Running
from curlet.core.path import Path
from curlet.core.sentence import Sentence
from curlet.core.tally import Warning, tally, too_fine
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.store.edits.settings import read_setting
from tests.shapes import circle, cubic, line, polyline, square, star

STITCH = BRUSHES["topstitch"]


def laid(path: Path, own: dict[str, object] | None = None, scale: str = "1:1") -> LaidRun:
    return lay(path, read_brush(STITCH, own).to_core(), Scale.read(scale))


def warned(run: LaidRun) -> dict[str, Warning]:
    return {warning.code: warning for warning in tally(run).warnings}


def mended(path: Path, own: dict[str, object], warning: Warning, scale: str = "1:1") -> LaidRun:
    """The run with a warning's mend entered into its settings."""
    assert warning.mend is not None
    doc: BrushDoc = read_brush(STITCH, own)
    for pointer, entered in warning.mend.settings:
        own = {**own, pointer: read_setting(doc, pointer, entered, Scale.read(scale))}
    return laid(path, own, scale)


MENDS = [
    ("solid-line", line(60), {"/courses/0/gap": {"mm": 0.3, "on": "garment"}}, "1:1"),
    ("solid-line", line(60), {"/courses/0/gap": {"percent": 5}}, "1:1"),
    ("too-fine", line(60), {}, "1:10"),
    ("leg-too-short", polyline((0, 0), (40, 0), (40, 2), (80, 2)), {}, "1:1"),
    ("off-tolerance", line(9.2), {}, "1:1"),
    ("open-step", circle(17), {"/courses/0/fit/kind": "leave-over", "/corners/manner": "carry"}, "1:1"),
]


@pytest.mark.parametrize(("code", "path", "own", "scale"), MENDS)
def test_a_mend_mends(code: str, path: Path, own: dict[str, object], scale: str) -> None:
    warning = warned(laid(path, own, scale))[code]
    assert code not in warned(mended(path, own, warning, scale))


@pytest.mark.parametrize(("code", "path", "own", "scale"), MENDS)
def test_a_warning_says_what_and_where(code: str, path: Path, own: dict[str, object], scale: str) -> None:
    run = laid(path, own, scale)
    warning = warned(run)[code]
    assert warning.message.endswith((".", ".)"))
    assert len(warning.message) < 200
    assert warning.places or code == "too-fine"
    for place in warning.places:
        assert run.path.arc.points([place.s])[0] == pytest.approx(place.at, abs=1e-6)


def test_a_run_as_it_should_be_has_no_warnings() -> None:
    for path in (line(43), square(43), circle(30)):
        assert tally(laid(path)).warnings == ()


def test_lengths_in_words_are_on_the_garment() -> None:
    message = warned(laid(polyline((0, 0), (40, 0), (40, 0.5), (80, 0.5)), {}, "1:4"))[
        "leg-too-short"
    ].message
    assert "A leg is 2 mm long: too short for a stitch of 3 mm" in message


def test_means_are_weighted_by_the_stitches_they_are_of() -> None:
    facts = tally(laid(polyline((0, 0), (100, 0), (100, 6.4)))).facts
    whole = sum(leg.stitch * leg.repeats for leg in facts.legs)
    assert facts.main.mean_stitch == pytest.approx(whole / facts.repeats)
    assert facts.main.spi == pytest.approx(25.4 / (facts.main.mean_stitch + facts.main.mean_gap))


def test_departure_is_the_worst_legs() -> None:
    facts = tally(laid(polyline((0, 0), (100, 0), (100, 9.2)))).facts
    assert abs(facts.main.departure) == max(abs(leg.departure) for leg in facts.legs)


def test_an_empty_run_has_no_stitches_to_the_inch() -> None:
    facts = tally(laid(line(1.0))).facts
    assert facts.repeats == 0
    assert facts.main.spi is None


def test_made_up_legs_tell_the_length_of_the_last_few() -> None:
    (leg,) = tally(laid(line(41.2), {"/courses/0/fit/kind": "shorten-last"})).facts.legs
    assert leg.stitch == 3
    assert leg.shortened is not None
    assert leg.shortened < 3


def test_backwards_legs_come_in_the_order_walked() -> None:
    path = polyline((0, 0), (40, 0), (40, 70))
    brush = read_brush(STITCH).to_core()
    there = tally(lay(path, brush, Scale())).facts
    back = tally(lay(path, brush, Scale(), RunRule(backwards=True))).facts
    assert [leg.length for leg in back.legs] == pytest.approx([leg.length for leg in there.legs][::-1])
    assert [corner.turn for corner in back.corners] == pytest.approx([-c.turn for c in there.corners])


@pytest.mark.parametrize(("ppi", "notes"), [(1200, 0), (150, 1), (60, 2)])
def test_what_is_too_fine_for_a_resolution(ppi: float, notes: int) -> None:
    row = Row(Running(Measure(0.15, MeasuredOn.PAPER)), Measure(3.0), Measure(0.4), FitRule("leave-over"))
    assert len(too_fine(lay(line(60), Brush(courses=(row,)), Scale()), ppi)) == notes


def test_what_is_too_fine_is_enough_at_the_resolution_that_its_mend_asks_for() -> None:
    row = Row(Running(Measure(0.15, MeasuredOn.PAPER)), Measure(3.0), Measure(0.4), FitRule("leave-over"))
    run = lay(line(60), Brush(courses=(row,)), Scale())
    thread, gap = too_fine(run, 60)
    assert thread.words == "the thread is 0.4 of a pixel at 60 ppi."
    # 25.4 / 0.15 is 169.3; the clear gap is 0.4 less the round ends, 0.25: 101.6.
    assert thread.mend.startswith("Ask for 170 ppi")
    assert gap.mend.startswith("Ask for 110 ppi")
    assert thread.place.at == gap.place.at == (0.0, 0.0)
    assert too_fine(run, 170) == ()
    assert len(too_fine(run, 160)) == 1


def test_a_thread_below_print_weight_is_thickened_and_no_gap_is_widened() -> None:
    row = Row(Running(Measure(0.05, MeasuredOn.PAPER)), Measure(3.0), Measure(0.0), FitRule("leave-over"))
    thread, gap = too_fine(lay(line(60), Brush(courses=(row,)), Scale()), 2400)
    assert thread.mend == "Thicken it to 0.25 pt."
    assert "wider" in gap.mend


def test_the_tightest_leg_is_the_one_that_is_named() -> None:
    # Two legs with gaps of 1.05 mm, about, and of 0.6.
    path = polyline((0, 0), (60, 0), (60, 10.2))
    row = Row(Running(Measure(0.2)), Measure(3.0), Measure(1.0), FitRule("even-gaps"))
    run = lay(path, Brush(courses=(row,)), Scale())
    gaps = [fit.gap for fit in run.rows[0].fits]
    assert abs(gaps[0] - gaps[1]) > 0.1
    (note,) = (note for note in too_fine(run, 20) if "gap" in note.words)
    assert note.place.leg == gaps.index(min(gaps))
    assert note.place.at == ((0.0, 0.0), (60.0, 0.0))[gaps.index(min(gaps))]


@pytest.mark.parametrize(("ppi", "muddy"), [(300, False), (12, True)])
def test_small_artwork_is_muddy_where_its_shapes_are_a_few_pixels(ppi: float, muddy: bool) -> None:
    """Nyquist: a shape that is told from its neighbour needs two pixels; here three across a repeat."""
    chain = read_brush(BRUSHES["curb"]).to_core()
    notes = too_fine(lay(line(60), chain, Scale()), ppi)
    assert any("run together" in note.words for note in notes) == muddy
    for note in notes:
        asked = float(note.mend.split()[2].replace(",", ""))
        assert too_fine(lay(line(60), chain, Scale()), asked) == ()
        assert asked < 200


def test_a_share_of_the_stitch_is_told_in_the_mend() -> None:
    row = Row(Running(Measure(0.5)), Measure(4.0), Share(5), FitRule("leave-over"))
    (warning,) = tally(lay(line(60), Brush(courses=(row,)), Scale())).warnings
    assert warning.mend is not None
    assert warning.mend.settings == (("/courses/0/gap", "25 %"),)


def test_links_too_tight_are_named_with_the_radius_they_need() -> None:
    chain = read_brush(BRUSHES["chain"]).to_core()
    warning = warned(lay(cubic((0, 0), (60, 0), (60, 14), (0, 14)), chain, Scale()))["pinch"]
    assert "12.8 mm" in warning.message


def test_links_need_the_radius_at_which_a_chord_spans_a_quarter_turn() -> None:
    """p/(2·sin 45°), for narrow links (model.md)."""
    chain = read_brush(BRUSHES["chain"], {"/courses/0/motif/width": 2.2}).to_core()
    (pinch,) = tally(lay(cubic((0, 0), (60, 0), (60, 10), (0, 10)), chain, Scale())).pinches
    assert pinch.needs == pytest.approx(16 / math.sqrt(2))


def test_no_pinch_on_a_gentle_path() -> None:
    assert tally(lay(circle(60), read_brush(BRUSHES["rope"]).to_core(), Scale())).pinches == ()


def test_corners_below_the_angle_are_none() -> None:
    run = lay(polyline((0, 0), (40, 0), (78, 12)), Brush(corners=CornerRule("pivot", 30)), Scale())
    assert tally(run).facts.corners == ()


@pytest.mark.parametrize(
    ("template", "lengths", "mm", "inches"),
    [
        ("Set it to {}", (3,), "Set it to 3 mm", "Set it to 0.118 in"),
        ("Radius {}, needs {}.", (25.4, 1270), "Radius 25.4 mm, needs 1270 mm.", "Radius 1 in, needs 50 in."),
        ("{} is left.", (0.004,), "0 mm is left.", "0 in is left."),
        ("A file of 3 mm, past 5 %.", (), "A file of 3 mm, past 5 %.", "A file of 3 mm, past 5 %."),
    ],
)
def test_a_sentence_has_its_lengths_in_inches(
    template: str, lengths: tuple[float, ...], mm: str, inches: str
) -> None:
    said = Sentence(template, *lengths)
    assert (said, said.told_in("mm"), said.told_in("in")) == (mm, mm, inches)


def test_no_warning_says_mm_where_the_sheet_is_in_inches() -> None:
    paths = (star(12, 5), square(7), circle(3), polyline((0, 0), (40, 0), (40, 2), (80, 2)))
    found = [
        warning
        for brush in BRUSHES.values()
        for path in paths
        for warning in tally(lay(path, read_brush(brush).to_core(), Scale())).warnings
    ]
    told = [warning.message for warning in found] + [w.mend.label for w in found if w.mend]
    assert len({warning.code for warning in found}) >= 8
    assert sum(" mm" in text for text in told) > 50
    assert not [text for text in told if "mm" in text.told_in("in")]


ZIGZAG = polyline((0, 0), (40, 0), (40, 2), (80, 2), (80, 4.5), (120, 4.5))


def test_alike_warnings_are_one_with_a_count_and_their_places() -> None:
    told = warned(laid(ZIGZAG))["leg-too-short"]
    assert told.message == "2 legs are 2 to 2.5 mm long: too short for a stitch of 3 mm, so they have none."
    assert told.message.told_in("in").startswith("2 legs are 0.079 to 0.098 in long")
    assert [place.leg for place in told.places] == [1, 3]
    assert [place.at for place in told.places] == [(40, 0), (80, 2)]


def test_no_kind_of_warning_comes_twice_in_the_same_words() -> None:
    for brush in BRUSHES.values():
        for path in (star(12, 5), square(7), ZIGZAG, circle(3)):
            told = [w.message for w in tally(lay(path, read_brush(brush).to_core(), Scale())).warnings]
            assert len(told) == len(set(told))
            assert len(told) <= 6


@pytest.mark.parametrize(
    ("brush", "length", "word"),
    [
        ("topstitch", 3, "stitch of 3 mm"),
        ("scallop-discs", 5, "A leg’s repeats are"),
        ("chain", 10, "too short for a link of 10 mm"),
    ],
)
def test_a_warning_has_the_brushs_own_word(brush: str, length: float, word: str) -> None:
    own = {} if brush == "topstitch" else {"/courses/0/length": {"mm": length}}
    path = polyline((0, 0), (43, 0), (43, 2), (83, 2))
    told = " ".join(
        w.message for w in tally(lay(path, read_brush(BRUSHES[brush], own).to_core(), Scale())).warnings
    )
    assert word in told


def test_an_unusual_length_names_the_family_that_it_is_unusual_for() -> None:
    told = warned(laid(line(200), {"/courses/0/length": {"mm": 40}}))["unusual"]
    assert "is usual for running stitch" in told.message
    assert told.mend is not None


def test_a_bend_on_the_spot_has_no_radius_of_nought() -> None:
    """A hook of a curve, 0.02 mm wide, which a brush as wide as rope cannot follow."""
    hook = cubic((0, 0), (30, 0), (30.01, 0.02), (0, 0.03))
    told = warned(lay(hook, read_brush(BRUSHES["rope"]).to_core(), Scale()))["pinch"]
    assert told.message.startswith("A bend turns almost on the spot, and needs a radius of ")
    assert " 0 mm" not in told.message


def test_a_handle_of_no_length_at_a_corner_is_no_fold() -> None:
    """A heart drafted with its point and its notch pressed, its lobes pulled round."""
    heart = cubic(
        (0, 120), (0, 120), (70, 70), (70, 20), (70, -25), (0, 30), (0, 30),
        (0, 30), (-70, -25), (-70, 20), (-70, 70), (0, 120), (0, 120),
    )  # fmt: skip
    for brush in ("topstitch", "twin", "rope", "rickrack"):
        assert "pinch" not in warned(lay(heart, read_brush(BRUSHES[brush]).to_core(), Scale()))


def test_a_leg_without_links_is_told_once() -> None:
    chain = read_brush(BRUSHES["chain"]).to_core()
    told = warned(lay(polyline((0, 0), (43, 0), (43, 2), (83, 2)), chain, Scale()))
    legs = {code: {place.leg for place in told[code].places} for code in ("leg-too-short", "links-left-over")}
    assert legs["leg-too-short"] == {1}
    assert not legs["leg-too-short"] & legs["links-left-over"]


def test_a_leg_at_the_tolerance_is_within_it() -> None:
    """Two stitches of 3 mm and a gap of 1 mm on 8.75 mm are a quarter longer than set."""
    run = laid(line(8.75), {"/courses/0/fit/tolerance": 25})
    (leg,) = tally(run).facts.rows[0].legs
    assert leg.repeats == 2
    assert "off-tolerance" not in warned(run)
    assert "off-tolerance" in warned(laid(line(8.76), {"/courses/0/fit/tolerance": 25}))


@pytest.mark.parametrize(
    ("radius", "what"), [(3.0, "folds over itself"), (7.0, "squeezed on the inner side")]
)
def test_a_bend_that_folds_the_artwork_is_told_apart_from_one_that_squeezes_it(
    radius: float, what: str
) -> None:
    rope = read_brush(BRUSHES["rope"]).to_core()
    told = [
        warning for warning in tally(lay(circle(radius), rope, Scale())).warnings if warning.code == "pinch"
    ]
    assert [what in warning.message for warning in told] == [True]
    assert told[0].message.startswith(f"A bend has a radius of {radius:g} mm, and needs ")


def test_half_a_millimetre_left_over_on_a_ring_is_told() -> None:
    ring = circle(40.5 / (2 * 3.141592653589793))
    own = {"/courses/0/fit/kind": "leave-over", "/corners/manner": "carry"}
    assert "0.5 mm is left over" in warned(laid(ring, own))["open-step"].message


def test_thick_thread_needs_a_wider_bend() -> None:
    """A stitch of 3 mm whose thread, 1 mm thick, stands 0.5 mm out at its ends, a gap of 1.1 mm: on the inner
    side of a bend of radius R two neighbours meet where (R - 0.5)·tan(4.1 / 2R) is 2 mm."""
    own: dict[str, object] = {
        "/courses/0/motif/thread": {"mm": 1.0},
        "/courses/0/gap": {"mm": 1.1},
        "/courses/0/hold": "rigid",
        "/corners/manner": "carry",
    }
    pinch = tally(laid(circle(10), own)).pinches[0]
    needs = max(r / 1000 for r in range(10_000, 40_000) if (r / 1000 - 0.5) * math.tan(2050 / r) < 2)
    assert pinch.needs == pytest.approx(needs, rel=0.02)


def shallow(rise: float) -> LaidRun:
    """A rope that crosses itself at an angle, the less the lower it rises."""
    bow = polyline((0, 0), (40, 2 * rise), (60, rise), (40, 0), (0, 2 * rise))
    rope = read_brush(BRUSHES["rope"]).to_core()
    return lay(bow, replace(rope, crossings=CrossingRule("over-under")), Scale())


def test_a_crossing_below_15_degrees_is_too_shallow() -> None:
    """Two legs that each rise by twice 20·tan 7.5° on 40 mm cross at 15°."""
    at = 20 * math.tan(math.radians(7.5))
    for rise, told in ((at - 0.02, True), (at + 0.02, False)):
        run = shallow(rise)
        assert len(run.passes) == 1
        assert ("shallow-crossing" in warned(run)) == told
