"""Limits and defaults are what they were: whoever changes one says so in limits.json."""

from __future__ import annotations

import json
import math

import pytest

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from tests.core import limits

KEPT = json.loads(limits.FILE.read_text())


@pytest.mark.parametrize("kind", KEPT)
def test_nothing_can_be_entered_that_could_not_be(kind: str) -> None:
    assert limits.found()[kind] == KEPT[kind]


@pytest.mark.parametrize("name", sorted(KEPT["bounds"]))
def test_a_bound_takes_its_edges_and_refuses_what_is_past_them(name: str) -> None:
    bound: Bounds = limits.bounds()[name]
    assert bound.check(bound.low) == bound.low
    assert bound.check(bound.high) == bound.high
    for past in (math.nextafter(bound.low, -math.inf), math.nextafter(bound.high, math.inf), math.nan):
        with pytest.raises(BadInput, match=bound.name):
            bound.check(past)
