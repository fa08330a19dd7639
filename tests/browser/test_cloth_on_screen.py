"""A cloth looks on screen as it does in a picture that is sent out, at every zoom."""

from __future__ import annotations

import base64
import io
import json
import struct
import urllib.request
from typing import Any

import numpy as np
import pytest
from PIL import Image
from selenium.webdriver.common.by import By

from tests.browser.table import Table

SHEET = "waistcoat"
# The side of what is looked at, px.
SIDE = 160

_PIXELS = """
const canvas = document.querySelector("[data-testid=artwork]");
const [x, y, side] = arguments;
const part = new OffscreenCanvas(side, side);
part.getContext("2d").drawImage(canvas, x, y, side, side, 0, 0, side, side);
return btoa(String.fromCharCode(...part.getContext("2d").getImageData(0, 0, side, side).data));
"""


def ask(table: Table, address: str, body: dict[str, Any] | None = None) -> bytes:
    data = json.dumps(body).encode() if body else None
    request = urllib.request.Request(
        f"{table.address}/api/{address}", data=data, headers={"Content-Type": "application/json"}
    )
    with urllib.request.urlopen(request, timeout=300) as reply:
        found: bytes = reply.read()
    return found


def head(table: Table) -> dict[str, Any]:
    frame = ask(table, f"sheets/{SHEET}")
    (size,) = struct.unpack("<I", frame[:4])
    found: dict[str, Any] = json.loads(frame[4 : 4 + size])
    return found


def do(table: Table, intent: dict[str, Any]) -> None:
    ask(table, f"sheets/{SHEET}/commands", {"revision": head(table)["revision"], "intent": intent})


def covered_with(table: Table, weave: dict[str, Any]) -> None:
    """A path as large as the sheet, filled with a weave as it comes."""
    before = {path["id"] for path in head(table)["paths"]}
    sheet = head(table)["sheet"]
    corners = [(0, 0), (sheet["width"], 0), (sheet["width"], sheet["height"]), (0, sheet["height"])]
    nodes = [{"x": x, "y": y, "into": [x, y], "out": [x, y]} for x, y in corners]
    do(table, {"kind": "draw-path", "nodes": nodes, "closed": True})
    (path,) = {path["id"] for path in head(table)["paths"]} - before
    cloth = {key: weave[key] for key in ("warp", "weft", "ends", "picks")} | {"weave": weave["id"]}
    do(table, {"kind": "set-cloth", "paths": [path], "cloth": cloth})


def on_screen(table: Table, x: int, y: int) -> np.ndarray:
    pixels = base64.b64decode(table.browser.execute_script(_PIXELS, x, y, SIDE))
    return np.frombuffer(pixels, dtype=np.uint8).reshape(SIDE, SIDE, 4)[..., :3].astype(float)


def view_of(table: Table) -> tuple[float, float, float]:
    """Zoom in px to the mm, and where the sheet's corner lies on the paper, px."""
    marks = table.browser.find_element(By.CSS_SELECTOR, "[data-testid=paper] svg g[transform^=matrix]")
    numbers = [float(part) for part in marks.get_attribute("transform")[7:-1].split()]
    return numbers[0], numbers[4], numbers[5]


@pytest.mark.parametrize("weave", ["denim", "leather", "rib"])
def test_it_looks_as_it_is_sent_out(table: Table, weave: str) -> None:
    weaves = {each["id"]: each for each in json.loads(ask(table, "weaves"))["weaves"]}
    covered_with(table, weaves[weave])
    table.open()
    for presses in (0, 5):
        for _ in range(presses):
            table.named("Larger").click()
        table.wait(lambda: on_screen(table, 300, 250).std() > 0)
        zoom, left, top = view_of(table)
        sheet = head(table)["sheet"]
        sent = Image.open(io.BytesIO(ask(table, f"sheets/{SHEET}/send-out.png?ppi={zoom * 25.4:.4f}")))
        scale = sent.width / sheet["width"]
        at = round((300 - left) / zoom * scale), round((250 - top) / zoom * scale)
        theirs = np.asarray(sent.convert("RGB").crop((*at, at[0] + SIDE, at[1] + SIDE)), dtype=float)
        ours = on_screen(table, 300, 250)
        assert np.abs(ours.mean(axis=(0, 1)) - theirs.mean(axis=(0, 1))).max() < 4
        assert ours.std() == pytest.approx(theirs.std(), rel=0.2, abs=2)
