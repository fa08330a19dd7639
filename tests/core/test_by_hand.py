"""Single repeats set by hand: left out, moved, turned, sized, with another motif, on whatever brush."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from curlet.core.brush import Brush, Row
from curlet.core.brush.courses import Letter
from curlet.core.brush.rules import Piece
from curlet.core.drawing import Laid, Stamps
from curlet.core.errors import BadInput
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.lay.by_hand import repeat_at
from curlet.core.lay.draw import draw_run
from curlet.core.lay.one_repeat import OneRepeat, RepeatKey
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import FAMILIES, Running
from curlet.core.path.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush

CORNER = np.array([(0.0, 0.0), (40.0, 0.0), (40.0, 24.0)])
ROW = Row(length=Measure(3.0), gap=Measure(1.0))


def turned(points: np.ndarray = CORNER) -> Path:
    return Path.make([f"n{i}" for i in range(len(points))], points, points, points, False)


def laid(said: dict[RepeatKey, OneRepeat], row: Row = ROW, path: Path | None = None) -> LaidRun:
    return lay(path or turned(), Brush(courses=(row,)), Scale(), RunRule(repeats=said))


def middles(run: LaidRun) -> np.ndarray:
    """(n, 2) where the middle of each stamped repeat lies."""
    stamps = [item for item in draw_run(run, "run", "").items if isinstance(item, Stamps)]
    at = np.concatenate([item.placements for item in stamps])
    return at[:, :2] * 0.5 + at[:, 4:]


def test_a_repeat_that_is_left_out_leaves_all_others_where_they_are() -> None:
    before, after = middles(laid({})), middles(laid({(0, "n1", 2): OneRepeat(left_out=True)}))
    assert len(after) == len(before) - 1
    run = laid({})
    third = np.flatnonzero((run.rows[0].repeats.leg == 1) & (run.rows[0].repeats.number == 2))[0]
    assert np.allclose(after, np.delete(before, third, axis=0))


def test_it_is_moved_in_its_own_paths_directions_turned_and_sized() -> None:
    """On the second leg, which runs down: along is down, across to its right is left."""
    key = (0, "n1", 1)
    run = laid({key: OneRepeat(along=2.0, across=1.5, turn=90.0, size=200.0)})
    plain = laid({})
    at = int(np.flatnonzero((plain.rows[0].repeats.leg == 1) & (plain.rows[0].repeats.number == 1))[0])
    moved = middles(run) - middles(plain)
    assert moved[at] == pytest.approx((-1.5, 2.0))
    assert np.allclose(np.delete(moved, at, axis=0), 0)
    (stamps,) = (item for item in draw_run(run, "run", "").items if isinstance(item, Stamps))
    long = run.rows[0].repeats.end[at] - run.rows[0].repeats.start[at]
    # It ran down; a quarter turn clockwise on, to the left, twice as long.
    assert stamps.placements[at, :2] == pytest.approx((-2 * long, 0.0), abs=1e-9)


def test_it_keeps_to_its_leg_and_number_when_the_run_is_laid_anew() -> None:
    said = {(0, "n1", 3): OneRepeat(left_out=True)}
    longer = CORNER + [(0, 0), (17, 0), (17, 9)]
    for path in (turned(), turned(longer)):
        ((key, s),) = laid(said, path=path).rows[0].set_by_hand
        repeats = laid({}, path=path).rows[0].repeats
        which = (repeats.leg == 1) & (repeats.number == 3)
        assert key == (0, "n1", 3)
        assert s == pytest.approx(float(repeats.middle[which][0]))
    # A leg too short for it lays what it has; longer again, it is left out again.
    short = turned(np.array([(0.0, 0.0), (40.0, 0.0), (40.0, 10.0)]))
    assert laid(said, path=short).rows[0].set_by_hand == ()
    assert len(laid(said, path=short).rows[0].repeats) == len(laid({}, path=short).rows[0].repeats)


def test_it_has_the_motif_of_another_letter() -> None:
    row = replace(ROW, more=(Letter(FAMILIES["sequin"](), Measure(2.0)),), order="A A B")
    run = laid({(0, "n0", 0): OneRepeat(motif=1)}, row)
    plain = laid({}, row)
    changed = np.flatnonzero(run.rows[0].repeats.motif != plain.rows[0].repeats.motif)
    assert changed.tolist() == [0]
    assert run.rows[0].repeats.motif[0] == 1
    # A letter that the row does not have changes nothing.
    assert laid({(0, "n0", 0): OneRepeat(motif=7)}, row).rows[0].repeats.motif[0] == 0


STAR = Piece(FAMILIES["sequin"](), Measure(7.0))


@pytest.mark.parametrize(("scale", "size"), [(Scale(), 100.0), (Scale(0.5), 100.0), (Scale(), 150.0)])
def test_artwork_from_elsewhere_lies_at_its_own_length_where_the_repeat_did(
    scale: Scale, size: float
) -> None:
    row, key = replace(ROW, size=size), (0, "n1", 2)
    plain = lay(turned(), Brush(courses=(row,)), scale).rows[0]
    said = RunRule(repeats={key: OneRepeat(brought=STAR), (0, "n0", 1): OneRepeat(brought=STAR)})
    run = lay(turned(), Brush(courses=(row,)), scale, said).rows[0]
    at = np.flatnonzero(run.repeats.by_hand >= 0)
    assert len(at) == 2
    assert run.repeats.counted.all()
    assert np.allclose(run.repeats.middle, plain.repeats.middle)
    long = run.repeats.end - run.repeats.start
    assert long[at] == pytest.approx(7.0 * scale.factor * size / 100)
    assert np.delete(long, at) == pytest.approx(np.delete(plain.repeats.end - plain.repeats.start, at))
    # Both have the one motif that came, as wide as it is made and sized with the row.
    assert len(run.motifs) == len(plain.motifs) + 1
    assert {run.motifs[i].width for i in run.repeats.motif[at]} == {
        STAR.motif.make(scale).sized(size / 100, row.weight / 100).width
    }


def test_the_repeat_at_a_place_is_found_left_out_or_not() -> None:
    run = laid({(0, "n1", 2): OneRepeat(left_out=True)})
    row = run.rows[0]
    (_, there) = row.set_by_hand[0]
    assert repeat_at(row, there + 0.1) == ((0, "n1", 2), there)
    assert repeat_at(row, there - 3.9)[0] == (0, "n1", 1)  # type: ignore[index]
    assert repeat_at(row, -50)[0] == (0, "n0", 0)  # type: ignore[index]
    every = {(0, leg.node_id, n): OneRepeat(left_out=True) for leg in row.legs for n in range(20)}
    none = laid(every)
    assert len(none.rows[0].repeats) == 0
    assert repeat_at(none.rows[0], 0.0)[0] == (0, "n0", 0)  # type: ignore[index]
    assert draw_run(none, "run", "").items is not None


@pytest.mark.parametrize("name", ["topstitch", "rope", "chain", "scallop", "satin", "border", "ribbon"])
@pytest.mark.parametrize("closed", [False, True])
def test_on_every_kind_of_brush_something_is_left_out_moved_or_replaced(name: str, closed: bool) -> None:
    """Whatever it is made of, it is drawn, and otherwise than without."""
    points = np.array([(0.0, 0.0), (60.0, 0.0), (60.0, 50.0), (0.0, 50.0)])
    path = Path.make(["a", "b", "c", "d"], points, points, points, closed)
    core = read_brush(BRUSHES[name]).to_core()
    plain = lay(path, core, Scale())
    keys = [(row.index, row.legs[int(row.repeats.leg[i])].node_id, int(row.repeats.number[i]))
            for row in plain.rows for i in np.flatnonzero(row.repeats.counted)[1:4].tolist()]  # fmt: skip
    hand = OneRepeat(left_out=True), OneRepeat(across=3.0, turn=30.0), OneRepeat(brought=STAR)
    said = dict(zip(keys, hand, strict=False))
    run = lay(path, core, Scale(), RunRule(repeats=said))
    assert sum(len(row.repeats) for row in run.rows) == sum(len(row.repeats) for row in plain.rows) - bool(
        keys
    )
    assert bool(keys) == (_points(run) != _points(plain))


def _points(run: LaidRun) -> list[list[float]]:
    found = []
    for item in draw_run(run, "run", "").items:
        if isinstance(item, Stamps):
            found.append(item.placements.ravel().round(6).tolist())
        elif isinstance(item, Laid):
            found += [shape.outline.points.ravel().round(6).tolist() for shape in item.shapes]
    return found


def test_a_number_out_of_bounds_is_refused() -> None:
    none = OneRepeat(brought=replace(STAR, length=Measure(0.0)))
    for wrong in (OneRepeat(size=0.0), OneRepeat(along=1e9), OneRepeat(across=float("nan")), none):
        with pytest.raises(BadInput):
            wrong.check()


def test_running_stitches_are_drawn_straight_again_once_nothing_is_said() -> None:
    assert _points(laid({(0, "n0", 1): OneRepeat()}, Row(motif=Running(Measure(0.4))))) == _points(
        laid({}, Row(motif=Running(Measure(0.4))))
    )
