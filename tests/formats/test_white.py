"""A drawing all in white: no colour is left, and it is as opaque everywhere as it was."""

from __future__ import annotations

import io
import shutil
from pathlib import Path as FilePath

import numpy as np
import pytest
from PIL import Image

from curlet.core.drawing import Drawing
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from curlet.formats.white import whitened
from curlet.store import journal
from curlet.store.database import open_database
from curlet.studio.drawn_sheet import sheet_drawing


def pixels(drawing: Drawing) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(write_png(drawing, 100.0))).convert("RGBA")).astype(int)


@pytest.mark.parametrize("sheet", ["programme", "waistcoat"])
def test_a_sheet_is_white_and_as_opaque_as_it_was(demo: FilePath, tmp_path: FilePath, sheet: str) -> None:
    """With its cloths, gradients, pictures, shadows and fades."""
    open_database(FilePath(shutil.copy(demo, tmp_path)))
    state = journal.find_sheet(sheet)
    drawing = sheet_drawing(state, with_lines=True, runs=state.all("run"))
    before, after = pixels(drawing), pixels(whitened(drawing))
    assert np.abs(before[..., 3] - after[..., 3]).max() <= 1
    assert after[after[..., 3] > 40][:, :3].min() >= 250
    svg = write_svg(whitened(drawing)).decode()
    assert "#ffffff" in svg
    assert not {f'"{colour}"' for colour in ("#c03a2b", "#e9c46a")} & set(svg.split("="))
