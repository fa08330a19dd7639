"""Cloth looks as it did: what people have chosen does not change under them."""

from __future__ import annotations

import json
from functools import cache

import pytest

from tests.core import cloths

KEPT = json.loads(cloths.KEPT.read_text())

# Looked at by a test, not when this file is read: then it is known which test runs which line.
found = cache(cloths.found)


def test_no_cloth_came_or_went() -> None:
    assert set(found()) == set(KEPT)


@pytest.mark.parametrize("weave", KEPT)
def test_every_cloth_looks_as_it_did(weave: str) -> None:
    said, looks = KEPT[weave]
    assert found()[weave][0] == said
    assert found()[weave][1] == pytest.approx(looks, abs=0.6)
