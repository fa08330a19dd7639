"""Drawings as Chromium draws their SVG."""

from __future__ import annotations

import atexit
import base64
import tempfile
from functools import cache
from pathlib import Path as FilePath

import numpy as np
from selenium.webdriver import Chrome

from curlet.core.drawing import Drawing
from curlet.formats.svg_out import write_svg
from tests.browser.conftest import make_browser
from tests.reference.pictures import read_png


@cache
def _browser() -> Chrome:
    browser = make_browser()
    atexit.register(browser.quit)
    clear = {"color": {"r": 0, "g": 0, "b": 0, "a": 0}}
    browser.execute_cdp_cmd("Emulation.setDefaultBackgroundColorOverride", clear)
    return browser


def in_chromium(drawing: Drawing, width: int, height: int) -> np.ndarray:
    """(height, width) how much of each pixel is covered, 0…1."""
    browser = _browser()
    with tempfile.NamedTemporaryFile(suffix=".svg") as file:
        file.write(write_svg(drawing))
        file.flush()
        size = {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False}
        browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
        browser.get(FilePath(file.name).as_uri())
        # The drawing's own size is mm; the picture's is asked for in pixels.
        browser.execute_script(
            "const svg = document.documentElement;"
            f"svg.setAttribute('width', '{width}'); svg.setAttribute('height', '{height}')"
        )
        clip = {"x": 0, "y": 0, "width": width, "height": height, "scale": 1}
        shot = browser.execute_cdp_cmd("Page.captureScreenshot", {"format": "png", "clip": clip})
    return read_png(base64.b64decode(shot["data"]))[..., 3]
