"""Units against their definitions."""

from __future__ import annotations

import pytest

from curlet.core.measures import MM_PER_INCH, MM_PER_PT, MM_PER_PX, pitch_to_spi, read_measure, spi_to_pitch
from curlet.formats.png_out import pixels


@pytest.mark.parametrize(("spi", "pitch"), [(8, 3.175), (10, 2.54), (12, 25.4 / 12)])
def test_stitches_to_the_inch_set_the_pitch(spi: float, pitch: float) -> None:
    # Definition of the inch: 25.4 mm.
    assert spi_to_pitch(spi) == pytest.approx(pitch, abs=1e-12)


def test_three_and_one_is_six_point_three_five_to_the_inch() -> None:
    # Definition of the inch: pitch is hole to hole, l + g.
    assert pitch_to_spi(3 + 1) == pytest.approx(6.35)


def test_print_units() -> None:
    # CSS Values and Units 4, absolute lengths: 1 in = 25.4 mm = 72 pt = 96 px.
    assert 72 * MM_PER_PT == pytest.approx(MM_PER_INCH)
    assert 96 * MM_PER_PX == pytest.approx(MM_PER_INCH)
    assert read_measure("72 pt").value == pytest.approx(25.4)
    assert read_measure("96px").value == pytest.approx(25.4)


def test_six_inches_at_three_hundred() -> None:
    # Definition: pixels per inch.
    assert pixels(6 * 25.4, 300) == 1800


@pytest.mark.parametrize(("text", "mm"), [("1/4 in", 6.35), ("1/16 in", 1.5875), ("1/8 in", 3.175)])
def test_needle_gauges(text: str, mm: float) -> None:
    # Common practice: twin needle gauge 1/4 in, edge stitch 1/16 in.
    assert read_measure(text).value == pytest.approx(mm)
