"""What lies over what, at pixels: a seam goes under the cloth of a path in every file that is exported."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
import pytest

from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from curlet.store import journal
from curlet.store.state import State
from curlet.studio.drawn_sheet import sheet_drawing
from tests.reference.pictures import on_white, read_png, resvg
from tests.store.test_order import FRONT, RUN, SHEET, reorder

THREAD = np.array([0xE9, 0xC4, 0x6A]) / 255
PPI = 240.0


def thread_seen(state: State, renderer: str) -> int:
    """How many pixels have the hem's thread colour, only the hem being laid."""
    drawing = sheet_drawing(state, with_lines=True, runs=[state.get("run", RUN)])
    if renderer == "svg":
        across = [round(side / 25.4 * PPI) for side in (drawing.width, drawing.height)]
        picture = resvg(write_svg(drawing), *across)
    else:
        picture = read_png(write_png(drawing, PPI))
    return int((np.abs(on_white(picture)[..., :3] - THREAD).max(axis=-1) < 0.12).sum())


@pytest.mark.parametrize("renderer", ["svg", "png"])
def test_a_seam_goes_under_the_cloth_and_comes_back(store: FilePath, renderer: str) -> None:
    over = thread_seen(journal.find_sheet(SHEET), renderer)
    assert over > 500
    # The hem is the cloth's own edge: what is left of it lies outside.
    under = thread_seen(reorder("below", ("run", RUN), of=("path", FRONT)), renderer)
    assert under < 0.6 * over
    assert thread_seen(reorder("front", ("run", RUN)), renderer) == over


@pytest.mark.parametrize("renderer", ["svg", "png"])
def test_the_cloth_in_front_covers_the_seam(store: FilePath, renderer: str) -> None:
    over = thread_seen(journal.find_sheet(SHEET), renderer)
    assert thread_seen(reorder("front", ("path", FRONT)), renderer) < 0.6 * over
