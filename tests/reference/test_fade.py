"""Fades against their curve, soft edges against a Gaussian: in PNG, and as other renderers have SVG and PDF.

Sources: SVG 1.1 (masking by luminance), Filter Effects 1 (feGaussianBlur); the normal distribution by
scipy, resvg and pdfium as other renderers; ISO 32000-1, 11.6.5 (soft masks).
"""

from __future__ import annotations

import io
import math
from collections.abc import Callable
from dataclasses import replace

import numpy as np
import pytest
import resvg_py
from numpy.typing import NDArray
from PIL import Image
from scipy.special import erf

from curlet.core.brush import Band, Brush
from curlet.core.brush.rules import Fade
from curlet.core.drawing import Drawing
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import MM_PER_INCH, Measure, Scale
from curlet.core.path import Path
from curlet.core.path.figures import FIGURES
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.reference.pictures import pdfium

PPI = 127.0
PER_MM = PPI / MM_PER_INCH
CURVE = Fade(((0.0, 0.0), (0.2, 90.0), (0.45, 30.0), (0.7, 100.0), (1.0, 10.0)))
Alpha = NDArray[np.float64]


def by_png(drawing: Drawing) -> Alpha:
    picture = Image.open(io.BytesIO(write_png(drawing, PPI)))
    return np.asarray(picture.convert("RGBA"), dtype=float)[..., 3] / 255


def by_resvg(drawing: Drawing) -> Alpha:
    width = round(drawing.width * PER_MM)
    png = resvg_py.svg_to_bytes(svg_string=write_svg(drawing).decode(), dpi=96, width=width)
    return np.asarray(Image.open(io.BytesIO(bytes(png))).convert("RGBA"), dtype=float)[..., 3] / 255


def by_pdf(drawing: Drawing) -> Alpha:
    width, height = round(drawing.width * PER_MM), round(drawing.height * PER_MM)
    alpha: Alpha = pdfium(write("pdf", [drawing], FileSettings(PPI)), width, height)[..., 3]
    return alpha


RENDERERS = pytest.mark.parametrize("render", [by_png, by_resvg, by_pdf])


def drawn(path: Path, brush: Brush, size: float = 100.0) -> Drawing:
    return Drawing(size, size, (draw_run(lay(path, brush, Scale()), "run", "Run"),))


def figure(name: str, at: tuple[float, float] = (50.0, 50.0), **values: float) -> Path:
    usual = {setting.name: setting.default for setting in FIGURES[name].settings}
    path = FIGURES[name].make({**usual, **values})
    shift = np.array(at) - (path.points.min(axis=0) + path.points.max(axis=0)) / 2
    return Path.make(path.node_ids, path.points + shift, path.into + shift, path.out + shift, path.closed)


def seen_at(alpha: Alpha, points: NDArray[np.float64]) -> NDArray[np.float64]:
    columns, rows = (points * PER_MM).astype(int).T
    return np.asarray(alpha[rows, columns])


BAND = Band(Measure(4.0), ColourRole(own="#ffffff"), ends="flat")


@RENDERERS
@pytest.mark.parametrize("name", ["line", "circle", "star", "heart", "rectangle"])
def test_a_fade_follows_its_curve_at_twenty_places(render: Callable[[Drawing], Alpha], name: str) -> None:
    path = figure(name)
    alpha = render(drawn(path, Brush(courses=(BAND,), fade=CURVE)))
    shares = (np.arange(20) + 0.5) / 20
    # At a corner both legs meet: it is looked at a little beside it.
    s = shares * path.length
    near = np.abs(s[:, None] - path.arc.node_positions).min(axis=1) < 1.5
    s = np.where(near, s + 3.0, s)
    found = seen_at(alpha, path.arc.points(s))
    assert found == pytest.approx(CURVE.at(s / path.length), abs=0.02)


@RENDERERS
def test_a_fade_has_no_seams(render: Callable[[Drawing], Alpha]) -> None:
    """Along a straight band, also at a slant, each pixel changes by no more than the curve does."""
    line = Path.make(("a", "b"), *3 * [np.array([[10.0, 20.0], [90.0, 73.0]])], closed=False)
    alpha = render(drawn(line, Brush(courses=(BAND,), fade=Fade(((0, 100), (1, 20))))))
    points = line.arc.points(np.linspace(5, line.length - 5, 400))
    steps = np.diff(seen_at(alpha, points))
    assert steps.max() < 0.012
    assert steps.min() > -0.02


@RENDERERS
def test_a_fade_of_one_course_leaves_the_others(render: Callable[[Drawing], Alpha]) -> None:
    path = figure("line")
    faded = replace(BAND, offset=Measure(10.0), fade=Fade(((0, 0), (1, 100))))
    alpha = render(drawn(path, Brush(courses=(BAND, faded))))
    points = path.arc.points(np.linspace(0.1, 0.9, 9) * path.length)
    normal = path.arc.normals([1.0])[0]
    assert seen_at(alpha, points) == pytest.approx(1.0, abs=0.01)
    assert seen_at(alpha, points + 10 * normal) == pytest.approx(np.linspace(0.1, 0.9, 9), abs=0.02)


@RENDERERS
@pytest.mark.parametrize("soft", [1.0, 3.0, 6.0])
def test_a_soft_edge_is_as_wide_as_stated(render: Callable[[Drawing], Alpha], soft: float) -> None:
    wide = replace(BAND, width=Measure(30.0))
    line = Path.make(("a", "b"), *3 * [np.array([[5.0, 50.0], [95.0, 50.0]])], closed=False)
    alpha = render(drawn(line, Brush(courses=(wide,), soft=Measure(soft))))
    across = (np.arange(0, 30, 0.2) + 50.0) * PER_MM
    found = alpha[across.astype(int), round(50 * PER_MM)]
    beyond = (across.astype(int) + 0.5) / PER_MM - 65.0
    expected = 0.5 - 0.5 * erf(beyond * 4.1 / soft / math.sqrt(2))
    assert found == pytest.approx(expected, abs=0.05)
    # Its edge goes from all to nothing over as many mm as stated.
    fading = np.flatnonzero((found > 0.02) & (found < 0.98)) * 0.2
    assert np.ptp(fading) == pytest.approx(soft, abs=0.6)


def test_a_ribbon_of_seven_bands_fades_and_softens_as_one() -> None:
    colours = ("#c8553d", "#e9a03b", "#e9c46a", "#5f7f52", "#5fa8a0", "#3f4f78", "#7c4a63")
    bands = tuple(
        Band(Measure(2.0), ColourRole(own=colour), offset=Measure(2.0 * (i - 3)))
        for i, colour in enumerate(colours)
    )
    path = figure("arc")
    brush = Brush(courses=bands, fade=Fade(((0, 0), (0.3, 100), (0.7, 100), (1, 0))), soft=Measure(1.0))
    drawing = drawn(path, brush)
    middle = path.arc.points([0.5 * path.length])
    normal = path.arc.normals([0.5 * path.length])[0]
    ends = path.arc.points([0.01 * path.length, 0.99 * path.length])
    for render in (by_png, by_resvg):
        alpha = render(drawing)
        # Where bands meet nothing shows through between them.
        for across in np.arange(-6.0, 6.1, 0.5):
            assert seen_at(alpha, middle + across * normal)[0] > 0.97
        assert seen_at(alpha, ends).max() < 0.1


def test_two_renderers_agree_on_fades_and_soft_edges() -> None:
    for name in ("star", "heart", "spiral"):
        brush = Brush(courses=(BAND,), fade=CURVE, soft=Measure(1.5))
        drawing = drawn(figure(name), brush)
        assert np.abs(by_png(drawing) - by_resvg(drawing)).mean() < 0.01


def test_what_does_not_fade_is_drawn_as_ever() -> None:
    plain = drawn(figure("heart"), Brush()).groups[0]
    assert not plain.mask
    assert not plain.blur
    everything = Fade(((0, 100), (1, 100)))
    same = by_png(drawn(figure("star"), Brush(courses=(BAND,), fade=everything)))
    assert np.abs(same - by_png(drawn(figure("star"), Brush(courses=(BAND,))))).max() < 0.02
