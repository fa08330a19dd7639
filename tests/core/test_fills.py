"""Pictures inside shapes: where they lie once the shape is moved, turned, sized or mirrored."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.drawing import Affine, compose
from curlet.core.dress.fill import Placed


def likeness(turn: float, size: float, over: bool, x: float, y: float) -> Affine:
    c, s = size * math.cos(math.radians(turn)), size * math.sin(math.radians(turn))
    return (c, s, s, -c, x, y) if over else (c, s, -s, c, x, y)


@given(
    turn=st.floats(-180, 180),
    own=st.floats(-180, 180),
    size=st.floats(0.1, 10),
    over=st.booleans(),
    mirrored=st.booleans(),
)
def test_a_picture_goes_where_its_shape_is_taken(
    turn: float, own: float, size: float, over: bool, mirrored: bool
) -> None:
    """Its corners are where the same affine takes them (geometry)."""
    lies = Placed(12.0, -7.0, 30.0, 20.0, own, mirrored)
    taken = likeness(turn, size, over, 5.0, 9.0)
    assert lies.moved(taken).placement == pytest.approx(compose(taken, lies.placement), abs=1e-6)
