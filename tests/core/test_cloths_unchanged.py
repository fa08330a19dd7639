"""Cloth looks as it did: what people have chosen does not change under them."""

from __future__ import annotations

import json

import pytest

from curlet.core.dress.cloth import WEAVES
from tests.core import cloths

KEPT = json.loads(cloths.KEPT.read_text())


def test_no_cloth_came_or_went() -> None:
    assert set(WEAVES) == set(KEPT)


@pytest.mark.parametrize("weave", KEPT)
def test_every_cloth_looks_as_it_did(weave: str) -> None:
    # Each is looked at by its own test, so that it is known which test runs which line.
    said, looks = cloths.found(weave)
    assert said == KEPT[weave][0]
    assert looks == pytest.approx(KEPT[weave][1], abs=0.6)
