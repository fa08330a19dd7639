"""Lengths and points against Chromium's own (SVG 2, SVGGeometryElement)."""

from __future__ import annotations

import numpy as np
import pytest
from selenium.webdriver import Chrome

from curlet.core.path import Path
from curlet.core.path.outline import outline_of
from curlet.formats.numbers import outline_data
from tests.shapes import circle, cubic, square, wave

_MEASURE = """
const path = document.createElementNS("http://www.w3.org/2000/svg", "path");
path.setAttribute("d", arguments[0]);
const length = path.getTotalLength();
const points = arguments[1].map((share) => path.getPointAtLength(share * length));
return [length, points.map((point) => [point.x, point.y])];
"""
# Renderers measure coarsely, on large paths to about 1e-3 of the length.
COARSE = 1e-3


@pytest.mark.parametrize(
    "path",
    [
        circle(800),
        square(500),
        cubic((0, 0), (900, 0), (0, 700), (800, 900)),
        cubic((0, 0), (900, 900), (0, 900), (900, 0)),
        wave(20, 4000),
    ],
    ids=["circle", "square", "s", "cusp", "wave"],
)
def test_length_and_points_are_the_browsers(browser: Chrome, path: Path) -> None:
    shares = [0.0, 0.1, 0.25, 0.5, 0.77, 0.95]
    length, points = browser.execute_script(_MEASURE, outline_data(outline_of(path)), shares)
    assert path.length == pytest.approx(length, rel=COARSE)
    ours = path.arc.points(np.array(shares) * path.length)
    assert np.hypot(*(ours - np.array(points)).T).max() <= COARSE * path.length
