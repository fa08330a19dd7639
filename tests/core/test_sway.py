"""Sway: exactly nothing at zero, seeded, and steady where one leg grows."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.brush import SwayRule
from curlet.core.lay import RunRule
from curlet.core.lay.draw import draw_run
from tests.core.test_any_brush import dots, stitched
from tests.outlines import main_row, shapes_of
from tests.shapes import line, polyline

SWAYS = ["size", "turn", "along", "across", "mirror", "shade", "hue"]


@pytest.mark.parametrize("channel", SWAYS)
@pytest.mark.parametrize("driver", ["chance", "rhythm", "travel"])
def test_zero_sway_is_exactly_zero(channel: str, driver: str) -> None:
    still = draw_run(stitched(line(60), dots()), "r", "")
    none = draw_run(stitched(line(60), dots(sway=(SwayRule(channel, driver, 0.0),))), "r", "")
    for (_, a, _), (_, b, _) in zip(shapes_of(still), shapes_of(none), strict=True):
        assert a.points.tobytes() == b.points.tobytes()


@pytest.mark.parametrize("channel", SWAYS)
@pytest.mark.parametrize("driver", ["chance", "rhythm", "travel"])
def test_sway_moves_its_channel(channel: str, driver: str) -> None:
    rule = SwayRule(channel, driver, 40.0, wave=(-1.0, 0.5, 1.0))
    still, moved = (
        [(s.fill, o.points.round(9).tobytes()) for s, o, _ in shapes_of(draw_run(run, "r", ""))]
        for run in (stitched(line(60), dots()), stitched(line(60), dots(sway=(rule,)), RunRule(seed=3)))
    )
    assert sorted(map(str, still)) != sorted(map(str, moved))


def test_lengthening_one_leg_leaves_the_others_chance_alone() -> None:
    rule = (SwayRule("turn", "chance", 30.0),)
    short, long = (polyline((0, 0), (x, 0), (x, 60)) for x in (40, 75))
    angles = []
    for path in (short, long):
        run = stitched(path, dots(sway=rule), RunRule(seed=5))
        local = [o.points[0] - o.points[6] for _, o, _ in shapes_of(draw_run(run, "r", ""))]
        second = np.array(local)[main_row(run).repeats.leg == 1]
        angles.append(np.arctan2(second[:, 1], second[:, 0]))
    assert angles[0] == pytest.approx(angles[1])


def test_a_new_seed_draws_chance_anew() -> None:
    rule = (SwayRule("across", "chance", 30.0),)
    a, b = (
        np.array(
            [
                o.points[0]
                for _, o, _ in shapes_of(
                    draw_run(stitched(line(60), dots(sway=rule), RunRule(seed=k)), "r", "")
                )
            ]
        )
        for k in (1, 2)
    )
    assert np.abs(a - b).max() > 0.1
