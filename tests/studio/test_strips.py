"""A brush drawn straight for a list: seen against its background, at one scale, whole."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.brush import Band, Brush, Row
from curlet.core.dress.colour import ColourRole
from curlet.core.measures import Measure, Scale
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.studio.backgrounds import BACKGROUNDS, contrast, luminance
from curlet.studio.strips import brush_strip, drawn_width
from tests.reference.pictures import resvg

# In the list a line is about so many px long and high.
WIDE, HIGH = 207, 17


def line_of(brush: Brush) -> np.ndarray:
    """The line's pixels, sRGB 0…1."""
    svg = brush_strip(brush, Scale(), line=True, background=True).decode()
    return np.asarray(resvg(svg, WIDE * 4, HIGH * 4))[..., :3]


def test_every_built_in_brush_stands_out_from_its_background() -> None:
    """Ten of them stood at 1.1:1. WCAG 2.2, 1.4.11 asks 3:1 of what must be seen."""
    for name, file in BRUSHES.items():
        light = luminance(line_of(read_brush(file).to_core()))
        seen = contrast(light, light[0, 0])
        drawn = seen > 1.05
        assert drawn.mean() > 0.01, name
        assert np.percentile(seen[drawn], 90) >= 2.2, name


@pytest.mark.parametrize(
    ("thread", "background"),
    [("#fffdf6", BACKGROUNDS[0]), ("#66757d", BACKGROUNDS[1]), ("#1f2a44", BACKGROUNDS[0])],
)
def test_the_cloth_stays_while_the_thread_is_seen_on_it(thread: str, background: str) -> None:
    brush = Brush(courses=(Band(Measure(3), ColourRole(1)),), threads=(thread,))
    assert f'fill="{background}"' in brush_strip(brush, Scale(), background=True).decode()


def test_lines_are_at_one_scale_and_only_wide_brushes_are_drawn_smaller() -> None:
    def box(width: float) -> list[float]:
        brush = Brush(courses=(Band(Measure(width)),))
        return [
            float(n)
            for n in brush_strip(brush, Scale(), line=True).split(b'viewBox="')[1].split(b'"')[0].split()
        ]

    assert box(1) == box(6) == [0, 0, 96, 8]
    wide = box(30)
    assert wide[3] > 30
    assert wide[2] / wide[3] == pytest.approx(12)


def test_a_brush_is_as_wide_as_it_reaches_at_any_scale() -> None:
    twin = Brush(courses=(Row(offset=Measure(-3)), Row(offset=Measure(3))))
    assert drawn_width(twin, Scale()) == pytest.approx(drawn_width(twin, Scale(1, 4)))
    assert 6 < drawn_width(twin, Scale()) < 8


@pytest.mark.parametrize("scale", [Scale(), Scale(1, 4), Scale(2, 1)])
def test_a_strip_is_a_stretch_of_the_garment_at_any_scale(scale: Scale) -> None:
    """52 mm of it, the thread from one margin to the other, but for what may be left over."""
    brush = read_brush(BRUSHES["topstitch"]).to_core()
    svg = brush_strip(brush, scale).decode()
    wide, high = (float(n) for n in svg.split('viewBox="0 0 ')[1].split('"')[0].split())
    assert wide == pytest.approx(52 * scale.factor, abs=0.01)
    alpha = resvg(svg, 520, round(520 * high / wide))[..., 3]
    inked = np.flatnonzero((alpha > 0.4).any(axis=0))
    assert inked.min() == pytest.approx(10, abs=3)
    assert 440 < inked.max() <= 513
