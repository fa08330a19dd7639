"""Paths made from paths: what is mirrored, split, joined or simplified is the line that it was."""

from __future__ import annotations

import numpy as np
import pytest
from shapely import LineString, Point

from curlet.core.errors import BadInput
from curlet.core.path import Path
from curlet.core.path.rework import closed_up, joined, mirrored, moved, simplified, split_at
from curlet.core.proof.board import PROOFS, circle


def sampled(path: Path, count: int = 800) -> np.ndarray:
    return path.arc.points(np.linspace(0, path.length, count))


def apart(one: Path, other: Path) -> float:
    line = LineString(sampled(other, 4000))
    return max(line.distance(Point(point)) for point in sampled(one, 400))


@pytest.fixture
def letter() -> Path:
    return PROOFS["letter"](1.0)


def test_a_half_mirrored_twice_is_itself(letter: Path) -> None:
    once = mirrored(letter, (30.0, 0.0), upright=True)
    assert (once.length, once.node_ids) == (pytest.approx(letter.length), letter.node_ids)
    assert np.allclose(sampled(once)[:, 0], 60 - sampled(letter)[:, 0])
    assert np.allclose(mirrored(once, (30.0, 5.0), upright=True).points, letter.points)
    level = mirrored(letter, (0.0, 7.0), upright=False)
    assert np.allclose(sampled(level)[:, 1], 14 - sampled(letter)[:, 1])
    assert np.allclose(moved(letter, 3, -2).points, letter.points + (3, -2))


def test_a_path_is_split_at_its_nodes_and_joined_again(letter: Path) -> None:
    parts = split_at(letter, [letter.node_ids[2], letter.node_ids[4]])
    assert [len(part.points) for part in parts] == [3, 3, 3]
    assert sum(part.length for part in parts) == pytest.approx(letter.length, abs=1e-6)
    whole = joined(joined(parts[0], parts[1].reversed()), parts[2])
    assert len(whole.points) == len(letter.points)
    assert whole.length == pytest.approx(letter.length, abs=1e-6)
    assert apart(whole, letter) < 1e-3


def test_a_ring_split_once_is_open_and_closes_again() -> None:
    ring = circle(13.0, 1.0)
    (opened,) = split_at(ring, [ring.node_ids[1]])
    assert not opened.closed
    assert opened.length == pytest.approx(ring.length, abs=1e-6)
    again = closed_up(opened)
    assert (again.closed, len(again.points)) == (True, 4)
    assert apart(again, ring) < 1e-3
    two = split_at(ring, [ring.node_ids[0], ring.node_ids[2]])
    assert [round(part.length / ring.length, 6) for part in two] == [0.5, 0.5]


def test_a_gap_is_bridged_with_a_line() -> None:
    a = np.array([[0.0, 0], [10, 0]])
    b = np.array([[30.0, 0], [14, 0]])
    one, other = (Path.make(["p", "q"], at, at, at, closed=False) for at in (a, b))
    whole = joined(one, other)
    assert whole.length == pytest.approx(30)
    assert len(set(whole.node_ids)) == 4


@pytest.mark.parametrize("within", [0.02, 0.1, 0.5])
@pytest.mark.parametrize("name", ["tight S", "loop", "letter", "round", "star"])
def test_fewer_nodes_within_the_stated_distance(name: str, within: float) -> None:
    path = PROOFS[name](1.0)
    # The same line as a hand may have drawn it, node upon node.
    s = np.linspace(0, path.length, 600, endpoint=not path.closed)
    at = path.arc.points(np.union1d(s, path.arc.node_positions[: len(path.points)]))
    drawn = Path.make([f"d{i}" for i in range(len(at))], at, at, at, path.closed)
    few = simplified(drawn, within)
    assert few.closed == path.closed
    assert len(few.points) < len(drawn.points) / 8
    assert max(apart(few, drawn), apart(drawn, few)) < within + 0.005


def test_what_cannot_be_is_refused(letter: Path) -> None:
    ring = circle(5.0, 1.0)
    with pytest.raises(BadInput, match="between its ends"):
        split_at(letter, [letter.node_ids[0]])
    with pytest.raises(BadInput, match="open paths"):
        joined(letter, ring)
    with pytest.raises(BadInput, match="How far"):
        simplified(letter, 0)
