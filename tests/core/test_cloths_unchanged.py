"""Cloth looks as it did: what people have chosen does not change under them."""

from __future__ import annotations

import json

import pytest

from tests.core import cloths

KEPT = json.loads(cloths.KEPT.read_text())


FOUND = cloths.found()


def test_no_cloth_came_or_went() -> None:
    assert set(FOUND) == set(KEPT)


@pytest.mark.parametrize("weave", KEPT)
def test_every_cloth_looks_as_it_did(weave: str) -> None:
    said, looks = KEPT[weave]
    assert FOUND[weave][0] == said
    assert FOUND[weave][1] == pytest.approx(looks, abs=0.6)
