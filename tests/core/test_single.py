"""One repeat placed by hand: where it lies, how large it is, and what it leaves out of its brush."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.drawing import Group, Laid, Stamps, placed
from curlet.core.errors import BadInput
from curlet.core.lay.single import draw_single
from curlet.core.measures import Scale
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush

AT = (40.0, 25.0)
WHOLE, QUARTER = Scale(), Scale(1, 4)


def drawn(brush: str, turn: float = 0.0, size: float = 100.0, scale: Scale = WHOLE) -> np.ndarray:
    """(n, 2) every point that is drawn, mm."""
    group = draw_single(read_brush(BRUSHES[brush]).to_core(), scale, AT, turn, size, "one")
    return points_of(group)


def points_of(group: Group) -> np.ndarray:
    found: list[np.ndarray] = []
    for item in group.items:
        if isinstance(item, Group):
            found.append(points_of(item))
        elif isinstance(item, Laid):
            found += [shape.outline.points for shape in item.shapes]
        elif isinstance(item, Stamps):
            found += [placed(s.outline.points, item.placements).reshape(-1, 2) for s in item.shapes]
    return np.concatenate(found)


def middle(points: np.ndarray) -> np.ndarray:
    return (points.min(axis=0) + points.max(axis=0)) / 2


def extent(points: np.ndarray) -> np.ndarray:
    return np.ptp(points, axis=0)


@pytest.mark.parametrize("brush", ["topstitch", "show-stitch", "rope", "scallop", "border"])
@pytest.mark.parametrize("turn", [0.0, 37.0, -120.0, 180.0])
def test_its_middle_lies_where_it_was_placed_however_it_is_turned(brush: str, turn: float) -> None:
    along = np.array([np.cos(np.radians(turn)), np.sin(np.radians(turn))])
    reach = (drawn(brush, turn) - AT) @ along
    assert reach.min() + reach.max() == pytest.approx(0, abs=0.35 * np.ptp(reach))


def test_a_stitch_is_as_long_as_its_brush_says() -> None:
    assert extent(drawn("topstitch"))[0] == pytest.approx(3.0, abs=1e-6)
    assert extent(drawn("topstitch", 90))[1] == pytest.approx(3.0, abs=1e-6)


def test_it_is_used_length_at_the_sheets_scale() -> None:
    assert extent(drawn("topstitch", scale=QUARTER))[0] == pytest.approx(0.75, abs=1e-6)


@pytest.mark.parametrize("size", [10.0, 50.0, 250.0, 1_000.0])
def test_its_size_is_a_share_of_its_own(size: float) -> None:
    own, sized = extent(drawn("scallop")), extent(drawn("scallop", size=size))
    assert sized == pytest.approx(own * size / 100, rel=0.02)


def test_a_turn_turns_every_point_about_the_place() -> None:
    angle = np.radians(50)
    turn = np.array([[np.cos(angle), np.sin(angle)], [-np.sin(angle), np.cos(angle)]])
    level, turned = drawn("topstitch"), drawn("topstitch", 50)
    assert turned == pytest.approx((level - AT) @ turn + AT, abs=1e-6)


@pytest.mark.parametrize("size", [0.0, 0.5, -5.0, 20_000.0, float("nan")])
def test_a_size_that_cannot_be_is_refused(size: float) -> None:
    with pytest.raises(BadInput, match="size"):
        drawn("topstitch", size=size)


def test_it_is_one_repeat_and_no_more() -> None:
    """Backtacks, ends and sway belong to a run."""
    stitch = read_brush(BRUSHES["topstitch"]).to_core()
    group = draw_single(stitch, WHOLE, AT, 0.0, 100.0, "one")
    (stamps,) = [item for item in group.items if isinstance(item, Stamps)]
    assert len(stamps.placements) == 1
    assert group.id == "one"


@pytest.mark.parametrize("brush", sorted(BRUSHES))
def test_one_of_every_brush_can_be_placed(brush: str) -> None:
    points = drawn(brush, 20, 150)
    assert np.isfinite(points).all()
    assert np.hypot(*(middle(points) - AT)) < 60
