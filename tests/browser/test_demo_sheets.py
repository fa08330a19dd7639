"""The demo's sheets in four renderers: as PNG, the SVG as resvg and as the browser have it, and the PDF as
pdfium has it."""

from __future__ import annotations

import base64
import io
import re
import urllib.request

import numpy as np
import pytest
import resvg_py
from numpy.typing import NDArray
from PIL import Image

from tests.browser.table import Table
from tests.effort import LONG
from tests.reference.pictures import pdfium

# Five pixels to the mm, so that a sheet is as large in each renderer to the pixel.
PPI = 127
# About as large as the coarsest weave, pixels.
WEAVE = 8
# The largest take minutes.
SHEETS = ("waistcoat", "programme", "satchel", *(("coat", "curtain") if LONG else ()))
BY_BROWSER = """
const [address, width, height, done] = arguments;
fetch(address).then((reply) => reply.text()).then(async (text) => {
  const image = new Image();
  image.src = URL.createObjectURL(new Blob([text], { type: "image/svg+xml" }));
  await image.decode();
  const canvas = Object.assign(document.createElement("canvas"), { width, height });
  canvas.getContext("2d").drawImage(image, 0, 0, width, height);
  done(canvas.toDataURL());
}).catch((error) => done(String(error)));
"""
SWITCH = """
const [sheet, done] = arguments;
const address = `/api/sheets/${sheet}/shades.json`;
fetch(address).then((reply) => reply.json()).then((card) => done(Object.keys(card)));
"""
Picture = NDArray[np.float64]


@pytest.fixture
def table(dressed: Table) -> Table:
    """The Table with the demo's sheets."""
    return dressed


def on_white(data: bytes) -> Picture:
    picture = np.asarray(Image.open(io.BytesIO(data)).convert("RGBA"), dtype=float) / 255
    return np.asarray(picture[..., :3] * picture[..., 3:] + 1 - picture[..., 3:])


def fetched(table: Table, address: str) -> bytes:
    with urllib.request.urlopen(f"{table.address}/api/sheets/{address}") as reply:
        return bytes(reply.read())


def compared(table: Table, sheet: str) -> None:
    query = f"?what=sheet&ppi={PPI}&background=sheet"
    png = on_white(fetched(table, f"{sheet}/export.png{query}"))
    height, width = png.shape[:2]
    address = f"{table.address}/api/sheets/{sheet}/export.svg{query}"
    shown = str(table.browser.execute_async_script(BY_BROWSER, address, width, height))
    assert shown.startswith("data:image/png"), shown
    by_browser = on_white(base64.b64decode(shown.split(",")[1]))
    svg = fetched(table, f"{sheet}/export.svg{query}").decode()
    svg = in_pixels(svg, width, height)
    by_resvg = on_white(bytes(resvg_py.svg_to_bytes(svg_string=svg, dpi=96)))
    assert np.abs(png - by_browser).mean() < 0.01
    assert np.abs(seen(png) - seen(by_resvg)).mean() < 0.01
    page = pdfium(fetched(table, f"{sheet}/export.pdf{query}"), width, height)
    # It draws a tile of fine cloth without mixing its threads' colours.
    assert np.abs(seen(png) - seen(page[..., :3] * page[..., 3:] + 1 - page[..., 3:])).mean() < 0.03


def in_pixels(svg: str, width: int, height: int) -> str:
    """An SVG whose size is stated in whole pixels."""
    return re.sub(r'width="[\d.]+mm" height="[\d.]+mm"', f'width="{width}" height="{height}"', svg, count=1)


def seen(picture: Picture) -> Picture:
    """As it is seen from afar: resvg and pdfium round a pattern's tile to whole pixels, so a weave drifts in
    them."""
    high, wide = (side - side % WEAVE for side in picture.shape[:2])
    squares = picture[:high, :wide].reshape(high // WEAVE, WEAVE, wide // WEAVE, WEAVE, 3)
    return np.asarray(squares.mean(axis=(1, 3)))


@pytest.mark.parametrize(("sheet", "way"), [(sheet, place % 2) for place, sheet in enumerate(SHEETS)])
def test_a_sheet_looks_the_same_in_four_renderers(table: Table, sheet: str, way: int) -> None:
    """Each in one of its two colourways."""
    table.browser.get(f"{table.address}/sheets/{sheet}")
    table.browser.set_script_timeout(60)
    ways = table.browser.execute_async_script(SWITCH, sheet)
    assert len(ways) == 2
    table.by_id("artwork")
    if way:
        table.option("Colourway", ways[way]).click()
        table.wait(lambda: table.button("Undo").get_attribute("title") == f"Undo: Show {ways[way]}")
    compared(table, sheet)
