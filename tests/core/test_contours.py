"""Outlines as contours: where each begins, ends and closes."""

from __future__ import annotations

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.path.contours import contours


def test_an_outline_of_nothing_has_no_contours() -> None:
    assert contours(Outline("", np.zeros((0, 2)))) == ()
    assert contours(Outline("M", np.zeros((1, 2)))) == ()


def test_contours_begin_at_a_command_to_and_after_one_is_closed() -> None:
    at = [(0, 0), (4, 0), (4, 3), (1, 1), (2, 1), (3, 2), (5, 5), (6, 5), (8, 8), (9, 9)]
    found = contours(Outline("MLLZLMCML", np.array(at, dtype=float)))
    assert [(len(part.cubics), part.closed) for part in found] == [
        (3, True),
        (1, False),
        (1, False),
        (1, False),
    ]
    closed, onward, bent, last = (part.cubics for part in found)
    assert closed[2, [0, 3]].tolist() == [[4, 3], [0, 0]]
    # What follows a closed contour goes on from its beginning.
    assert onward[0, [0, 3]].tolist() == [[0, 0], [1, 1]]
    assert bent[0].tolist() == [list(map(float, point)) for point in at[4:8]]
    assert last[0, [0, 3]].tolist() == [[8, 8], [9, 9]]


def test_a_contour_that_ends_where_it_began_is_closed_with_nothing_more() -> None:
    there_and_back = Outline("MLLLZ", np.array([(0, 0), (4, 0), (4, 3), (0, 0)], dtype=float))
    (part,) = contours(there_and_back)
    assert len(part.cubics) == 3
    assert part.closed
