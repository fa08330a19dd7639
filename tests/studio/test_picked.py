"""The colour that is picked at a place of the sheet, of a guide picture that is turned or see-through too."""

from __future__ import annotations

import math
from pathlib import Path as FilePath

import numpy as np
import pytest

from curlet.store import journal
from curlet.store.commands import AddGuide
from curlet.store.pictures import keep_picture
from curlet.store.state import State
from curlet.studio.picked import picked
from tests.pixels import encoded
from tests.store.test_path_commands import SHEET, do

# Wider than it is high: top left, top right, foot left, foot right.
QUARTERS = ("#aa0000", "#00bb00", "#0000cc", "#dddd00")
# In a corner of the sheet that nothing else lies in, sheet mm.
WIDE, HIGH, X, Y = 24.0, 12.0, 22.0, 22.0


def with_scan(turn: float, opacity: int = 255) -> State:
    pixels = np.full((12, 24, 4), opacity, dtype=np.uint8)
    for quarter, colour in enumerate(QUARTERS):
        rows, columns = 6 * (quarter // 2), 12 * (quarter % 2)
        rgb = [int(colour[at : at + 2], 16) for at in (1, 3, 5)]
        pixels[rows : rows + 6, columns : columns + 12, :3] = rgb
    scan = AddGuide(name="Scan", picture=keep_picture(encoded(pixels)), width=WIDE, height=HIGH)
    state = journal.do(SHEET, journal.current_revision(SHEET), scan)
    row = state.all("guide")[-1]
    do("drag-guide", guide=row["id"], grip="middle", x=X, y=Y)
    do("set-guide", guide=row["id"], width=f"{WIDE / state.scale.factor} mm")
    return do("set-guide", guide=row["id"], turn=f"{turn}")


def there(turn: float, along: float, down: float) -> tuple[float, float]:
    """A place so far from the picture's middle along its own sides, mm, on the sheet."""
    angle = math.radians(turn)
    cos, sin = math.cos(angle), math.sin(angle)
    return X + along * cos - down * sin, Y + along * sin + down * cos


@pytest.mark.parametrize("turn", [0.0, 35.0, 90.0, -120.0])
def test_each_quarter_of_a_turned_picture_has_its_colour(store: FilePath, turn: float) -> None:
    state = with_scan(turn)
    for quarter, colour in enumerate(QUARTERS):
        for along, down in ((0.5, 0.5), (11.5, 5.5), (11.5, 0.5), (0.5, 5.5)):
            place = there(turn, along * (1 if quarter % 2 else -1), down * (1 if quarter // 2 else -1))
            assert picked(state, place) == colour
    beside = [picked(state, there(turn, *off)) for off in ((12.5, 0), (-12.5, 0), (0, 6.5), (0, -6.5))]
    assert not set(beside) & set(QUARTERS)


@pytest.mark.parametrize(("opacity", "seen"), [(127, False), (128, True)])
def test_what_is_more_than_half_see_through_has_no_colour(store: FilePath, opacity: int, seen: bool) -> None:
    assert (picked(with_scan(0.0, opacity), (X - 5, Y - 3)) == QUARTERS[0]) is seen
