"""A cloth looks on screen as it does in a picture that is exported, at several zooms."""

from __future__ import annotations

import base64
import io
import json
from typing import Any

import numpy as np
import pytest
from PIL import Image
from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.faults.client import SHEET, ask, command, sheet

# What is looked at: its corner on the paper and its side, px.
X, Y, SIDE = 300, 250, 160

_PIXELS = """
const canvas = document.querySelector("[data-testid=artwork]");
const [x, y, side] = arguments;
const part = new OffscreenCanvas(side, side);
part.getContext("2d").drawImage(canvas, x, y, side, side, 0, 0, side, side);
return btoa(String.fromCharCode(...part.getContext("2d").getImageData(0, 0, side, side).data));
"""


def cover(table: Table, weave: dict[str, Any]) -> None:
    """A path as large as the sheet, filled with a weave as it comes."""
    before = sheet(table.address)
    known = {each["id"] for each in before["paths"]}
    width, height = (before["sheet"][side] for side in ("width", "height"))
    corners = [(0, 0), (width, 0), (width, height), (0, height)]
    nodes = [{"x": x, "y": y, "into": [x, y], "out": [x, y]} for x, y in corners]
    command(table.address, {"kind": "draw-path", "nodes": nodes, "closed": True})
    (path,) = {each["id"] for each in sheet(table.address)["paths"]} - known
    cloth = {key: weave[key] for key in ("warp", "weft", "ends", "picks")} | {"weave": weave["id"]}
    command(table.address, {"kind": "set-fill", "paths": [path], "fill": cloth})


def on_screen(table: Table) -> np.ndarray:
    pixels = base64.b64decode(table.browser.execute_script(_PIXELS, X, Y, SIDE))
    return np.frombuffer(pixels, dtype=np.uint8).reshape(SIDE, SIDE, 4)[..., :3].astype(float)


def exported(table: Table) -> np.ndarray:
    """The same part of the sheet in a picture of the same size."""
    marks = table.browser.find_element(By.CSS_SELECTOR, "[data-testid=paper] svg g[transform^=matrix]")
    zoom, *_, left, top = (float(part) for part in str(marks.get_attribute("transform"))[7:-1].split())
    address = f"/api/sheets/{SHEET}/export.png?ppi={zoom * 25.4:.4f}"
    picture = Image.open(io.BytesIO(ask(table.address, address, timeout=300)))
    x, y = round(X - left), round(Y - top)
    part = picture.convert("RGB").crop((x, y, x + SIDE, y + SIDE))
    return np.asarray(part, dtype=float)


def alike(ours: np.ndarray, theirs: np.ndarray) -> bool:
    """As light and of the same colour to 4 levels, and as rich in contrast to a fifth."""
    colour = np.abs(ours.mean(axis=(0, 1)) - theirs.mean(axis=(0, 1))).max()
    return bool(colour < 4 and ours.std() == pytest.approx(theirs.std(), rel=0.2, abs=2))


@pytest.mark.parametrize("weave", ["denim", "leather", "rib"])
def test_it_looks_as_it_is_exported(table: Table, weave: str) -> None:
    weaves = json.loads(ask(table.address, "/api/weaves"))["weaves"]
    cover(table, next(each for each in weaves if each["id"] == weave))
    table.open()
    for presses in (0, 5):
        for _ in range(presses):
            table.named("Zoom in").click()
        theirs = exported(table)
        # While the view moves, the last painting is moved along; it is painted anew once that rests.
        table.wait(lambda theirs=theirs: alike(on_screen(table), theirs))
