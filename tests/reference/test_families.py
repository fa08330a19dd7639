"""Families against figures from outside: helix, twist, links, thread, densities, spacings."""

from __future__ import annotations

import math
from dataclasses import replace

import numpy as np
import pytest

from curlet.core.measures import Measure, Scale, pitch_to_spi
from curlet.core.motif.families import FAMILIES, Family
from curlet.core.outlines import helix
from curlet.core.thread import read_thread, thickness, to_tex
from curlet.store.edits.recipes import brush_of


def made(name: str, **values: object) -> Family:
    lengths = {k: Measure(v) if isinstance(v, float) else v for k, v in values.items()}
    return replace(FAMILIES[name](), **lengths)


@pytest.mark.parametrize(("lay", "angle"), [(3.0, 46.3), (3.5, 41.9)])
def test_helix_angle(lay: float, angle: float) -> None:
    """tan(helix angle) = π·D/lay; lays of 3 to 3.5 diameters: geometry, common practice."""
    rope = made("laid", diameter=8.0, lay=8.0 * lay)
    assert rope.helix_angle == pytest.approx(angle, abs=0.05)  # type: ignore[attr-defined]


@pytest.mark.parametrize("strands", ["3", "4"])
def test_strand_marks_stand_a_strand_of_the_lay_apart(strands: str) -> None:
    """Marks lay/strands apart: geometry."""
    assert made("laid", lay=24.0, strands=strands).natural(Scale()) == pytest.approx(24 / int(strands))


@pytest.mark.parametrize(("twist", "slope"), [("S", -1), ("Z", 1)])
def test_laid_level_s_reads_as_a_slash_and_z_as_a_backslash(twist: str, slope: int) -> None:
    """ISO 2: held upright the strands slope as the letter's middle stroke. y grows downward, so that a
    slash falls in y along the way."""
    points = helix(24, 4, twist)
    assert np.sign(points[-1, 1] - points[0, 1]) == slope
    # At the middle of the near side the strand lies at its helix angle to the axis.
    rise = np.gradient(points[:, 1], points[:, 0])[len(points) // 2]
    assert abs(rise) == pytest.approx(math.pi * 8 / 24, rel=0.03)


@pytest.mark.parametrize(
    ("wire", "pitch"), [(4, 16), (5, 18.5), (6, 18.5), (8, 24), (10, 28), (4, 32), (8, 52), (6, 18)]
)
def test_a_link_is_its_pitch_inside_and_two_wires_more_outside(wire: float, pitch: float) -> None:
    """DIN 766, DIN 763 and EN 818-2 sizes (memory); overall = n·p + 2·wire (geometry)."""
    link = made("cable", wire=float(wire), pitch=float(pitch))
    link.check()
    motif = link.make(Scale())
    x = np.concatenate([s.shape.outline.points[:, 0] for s in motif.shapes]) * pitch
    assert x.max() - x.min() == pytest.approx(pitch + 2 * wire)
    assert link.natural(Scale()) == pitch


def test_thread_counts() -> None:
    """1 tex = 9 denier, Nm = 1000/tex, Ne = 590.5/tex (ISO 1144); 0.0373·√tex mm (Peirce 1937); ticket
    ≈ 3000/tex (memory)."""
    assert to_tex(360, "denier") == 40
    assert to_tex(25, "nm") == 40
    assert to_tex(14.7625, "ne") == pytest.approx(40)
    assert thickness(40) == pytest.approx(0.236, abs=5e-4)
    assert [to_tex(t, "ticket") for t in (120, 75, 30)] == [25, 40, 100]
    assert read_thread("tkt 75") == read_thread("40 tex") == read_thread("360 denier")
    assert read_thread("0.4 mm") is None


@pytest.mark.parametrize(("name", "stitch_class"), [
    ("lockstitch", "301"), ("zigzag", "304"), ("chainstitch", "101"), ("chainstitch", "401"),
    ("cover", "406"), ("cover", "602"), ("overedge", "504"), ("overedge", "516"),
])  # fmt: skip
def test_stitch_classes_are_named(name: str, stitch_class: str) -> None:
    """ISO 4915; 516 in ASTM D6193."""
    assert stitch_class in FAMILIES[name].about.trade


def test_a_new_lockstitch_is_sewn_at_a_usual_density() -> None:
    """8 to 12 stitches to the inch: common practice; pitch = 25.4/spi (definition of the inch)."""
    row = brush_of("lockstitch").to_core().courses[0]
    pitch = row.length.mm + row.gap.mm  # type: ignore[union-attr]
    assert 8 <= pitch_to_spi(pitch) <= 12


def test_twin_needle_gauge() -> None:
    """A quarter of an inch: common practice."""
    needles = FAMILIES["needles"]().make(Scale())
    rows = sorted({round(float(s.shape.outline.points[0, 1]), 6) for s in needles.shapes})
    assert rows[1] - rows[0] == pytest.approx(6.35)


def test_scallops_and_strand_marks_stand_as_the_trade_spaces_them() -> None:
    """Discs about 98 % of their width apart; C marks 70 to 80 % of theirs: common practice."""
    assert FAMILIES["scallop"](form="discs").natural(Scale()) / 10 == pytest.approx(0.98)
    assert 0.7 <= FAMILIES["c-mark"]().natural(Scale()) / 5 <= 0.8


def test_a_cross_stitch_of_fourteen_count() -> None:
    """14 to the inch: 1.814 mm a side (definition of the inch)."""
    cross = made("cross", width=25.4 / 14, thread=0.4)
    cross.check()
    assert cross.natural(Scale()) == pytest.approx(1.814, abs=1e-3)
