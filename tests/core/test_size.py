"""What a run draws is bounded before it is drawn."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.errors import TooMuch
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.size import MAX_OF_RUN, MAX_OF_SHEET, check_sheet, points_of
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush


def straight(length: float) -> Path:
    ends = np.array([[0.0, 0.0], [length, 0.0]])
    return Path.make(["a", "b"], ends, ends, ends, closed=False)


@pytest.mark.parametrize("name", ["topstitch", "whipped", "guilloche", "rope"])
def test_what_is_foretold_is_about_what_is_drawn(name: str) -> None:
    run = lay(straight(400), read_brush(BRUSHES[name]).to_core(), Scale())
    drawn = sum(_points(item) for item in draw_run(run, "a", "").items)
    assert drawn / 12 <= points_of(run) <= 4 * drawn


def _points(item: object) -> int:
    if hasattr(item, "items"):
        return sum(_points(inner) for inner in item.items)
    placements = getattr(item, "placements", None)
    if placements is not None:
        return 3 * len(placements)
    return sum(len(shape.outline.points) for shape in getattr(item, "shapes", ()))


def test_a_run_that_would_outgrow_the_sheet_says_what_to_do() -> None:
    run = lay(straight(400_000), read_brush(BRUSHES["vine"]).to_core(), Scale())
    with pytest.raises(TooMuch, match=rf"{MAX_OF_RUN:,} is the most. Use longer repeats"):
        points_of(run)


def test_a_sheet_is_bounded_as_its_runs_are() -> None:
    check_sheet(MAX_OF_SHEET)
    with pytest.raises(TooMuch, match="another sheet"):
        check_sheet(MAX_OF_SHEET + 1)
