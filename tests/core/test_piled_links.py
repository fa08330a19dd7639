"""Interlinked rings at sharp turns: every ring's outline ends only where another ring covers it."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.ndimage import label

from curlet.core.brush import Facing
from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.core.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import main_row, with_main
from tests.reference.pictures import differing, picture
from tests.shapes import HEART, circle, moved, star, turn, two_legs

PPI = 700.0


@pytest.mark.parametrize("flipped", [False, True], ids=["as drawn", "flipped"])
@pytest.mark.parametrize(
    "path",
    [
        star(28.0, 12.0),
        HEART,
        circle(12.0),
        *(turn(side * angle) for angle in (60, 110, 150) for side in (1, -1)),
    ],
    ids=["star", "heart", "ring", "60", "-60", "110", "-110", "150", "-150"],
)
def test_no_outline_of_a_curb_chain_breaks_off(path: Path, flipped: bool) -> None:
    """Where links pile up, over and under quarters ended in the open: up to nine ends at a star's point."""
    brush = read_brush(BRUSHES["curb"]).to_core()
    if flipped:
        brush = with_main(brush, facing=Facing(side_to_side=True))
    low = path.points.min(axis=0) - 8
    high = path.points.max(axis=0) + 8
    run = lay(moved(path, *-low), brush, Scale())
    drawn = picture(run, *(high - low).tolist(), PPI)
    dark = (drawn[..., 3] > 0.5) & (drawn[..., 0] < 0.66)
    assert dark.mean() > 0.01
    assert loose_ends(dark, 0.18 / 25.4 * PPI) == 0


def loose_ends(dark: np.ndarray, weight: float) -> int:
    """How many lines of that weight, px, end in the open: a circle about such an end meets one line only."""
    angles = np.linspace(0, 2 * np.pi, 48, endpoint=False)
    around = np.round(2.2 * weight * np.stack([np.sin(angles), np.cos(angles)], axis=1)).astype(int)
    met = np.stack([np.roll(dark, tuple(-step), (0, 1)) for step in around])
    arcs = (met & ~np.roll(met, 1, axis=0)).sum(axis=0)
    wide = met.sum(axis=0) * (2.2 * weight * 2 * np.pi / len(angles))
    ends = dark & (arcs == 1) & (wide < 1.6 * weight)
    return int(label(ends, np.ones((3, 3)))[1])


@pytest.mark.parametrize("flipped", [False, True], ids=["as drawn", "flipped"])
def test_links_near_a_sharp_turn_pass_over_one_another_as_on_a_straight_line(flipped: bool) -> None:
    """Each over the next on one side and under it on the other, however it is painted."""
    brush = read_brush(BRUSHES["curb"]).to_core()
    if flipped:
        brush = with_main(brush, facing=Facing(side_to_side=True))
    run = lay(moved(turn(60, 90), 10, 10), brush, Scale())
    repeats = main_row(run).repeats
    # So many pixels to a link; two links on, from far of the turn and from beside it.
    link, pixels = float(repeats.end[0] - repeats.start[0]), 120
    drawn = picture(run, 110, 20, pixels / link * 25.4)
    begin = round(10 / link * pixels)
    far, near = (drawn[:, begin + pixels * at :][:, : 2 * pixels] for at in (4, 12))
    assert near[..., 3].mean() > 0.1
    assert differing(far, near) < 0.004


@pytest.mark.parametrize("side", [1, -1])
@pytest.mark.parametrize("bend", [90.0, -90.0])
def test_a_chain_turns_a_square_corner_alike_on_either_side(bend: float, side: int) -> None:
    """A turn of 90° between arcs is 89.9999… or 90.0000…: whether links began anew there hung on rounding."""
    run = lay(two_legs(90.0, bend, side * 90, 60), read_brush(BRUSHES["chain"]).to_core(), Scale())
    assert len(main_row(run).legs) == 2
