"""A fade against its curve on the page, and in the SVG as the browser has it.

Sources: the curve itself; SVG 1.1 (masking), Canvas 2D (compositing).
"""

from __future__ import annotations

import base64
import io
from typing import Any

import numpy as np
import pytest
from numpy.typing import NDArray
from PIL import Image
from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.browser.test_demo_sheets import BY_BROWSER
from tests.faults.client import SHEET, command, sheet

CURVE = ((0.0, 0.0), (0.2, 90.0), (0.45, 30.0), (0.7, 100.0), (1.0, 10.0))
# The line that it lies along, sheet mm.
START, END = np.array([40.0, 190.0]), np.array([240.0, 200.0])
SHARES = (np.arange(20) + 0.5) / 20
ON_CANVAS = """
const canvas = document.querySelector("[data-testid=artwork]");
const scale = canvas.width / canvas.clientWidth;
return arguments[0].map(([x, y]) => canvas.getContext("2d").getImageData(x * scale, y * scale, 1, 1).data[0]);
"""
PAPER = 0xF7
Floats = NDArray[np.float64]


@pytest.fixture
def ribbon(table: Table) -> Table:
    """A band 24 mm wide that fades along a line at the sheet's foot."""
    before = {path["id"] for path in sheet(table.address)["paths"]}
    nodes = [{"x": float(x), "y": float(y)} for x, y in (START, END)]
    command(table.address, {"kind": "draw-path", "nodes": nodes, "closed": False})
    (path,) = {path["id"] for path in sheet(table.address)["paths"]} - before
    command(table.address, {"kind": "lay-brush", "paths": [path], "brush": "strip"})
    run = next(run["id"] for run in sheet(table.address)["runs"] if run["path"] == path)
    fade = [{"at": at, "opacity": opacity} for at, opacity in CURVE]
    settings: list[dict[str, Any]] = [
        {"pointer": "/courses/0/width", "entered": "24 mm"},
        {"pointer": "/threads/0", "entered": "#000000"},
        {"pointer": "/fade", "value": fade},
    ]
    command(table.address, {"kind": "set-on-runs", "runs": [run], "settings": settings})
    table.open()
    return table


def places() -> Floats:
    return np.asarray(START + SHARES[:, None] * (END - START))


def expected() -> Floats:
    at, opacity = np.array(CURVE).T
    return np.asarray(np.interp(SHARES, at, opacity / 100))


def test_the_page_fades_as_the_curve_has_it(ribbon: Table) -> None:
    marks = ribbon.browser.find_element(By.CSS_SELECTOR, "[data-testid=paper] svg g[transform^=matrix]")

    def found() -> Floats:
        zoom, *_, left, top = (float(part) for part in str(marks.get_attribute("transform"))[7:-1].split())
        spots = places() * zoom + (left, top)
        # Black on paper of this much red.
        return 1 - np.array(ribbon.browser.execute_script(ON_CANVAS, spots.tolist())) / PAPER

    # A cross of the paper's grid lies under one of them.
    ribbon.wait(lambda: bool(np.sort(np.abs(found() - expected()))[-2] < 0.03))


def test_the_browser_has_the_svg_as_the_curve(ribbon: Table) -> None:
    ribbon.browser.set_script_timeout(60)
    address = f"{ribbon.address}/api/sheets/{SHEET}/export.svg?what=runs"
    shown = str(ribbon.browser.execute_async_script(BY_BROWSER, address, 1485, 1050))
    picture = np.asarray(Image.open(io.BytesIO(base64.b64decode(shown.split(",")[1]))).convert("RGBA"))
    columns, rows = (places() * 5).astype(int).T
    assert picture[rows, columns, 3] / 255 == pytest.approx(expected(), abs=0.02)
