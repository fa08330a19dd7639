"""What is told of a run is plain numbers, which every file can hold: none of numpy's."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from typing import Any

import numpy as np
import pytest

from curlet.core.measures import Scale
from curlet.core.proof.board import prove
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush

PATHS = ("round", "star", "tight S")


def leaves(value: Any, way: str) -> Iterator[tuple[str, Any]]:
    if is_dataclass(value):
        for field in fields(value):
            yield from leaves(getattr(value, field.name), f"{way}.{field.name}")
    elif isinstance(value, dict):
        for key, inner in value.items():
            yield from leaves(inner, f"{way}.{key}")
    elif isinstance(value, tuple | list):
        for inner in value:
            yield from leaves(inner, way)
    else:
        yield way, value


@pytest.mark.parametrize("name", BRUSHES)
def test_every_fact_and_warning_of_a_built_in_is_of_plain_numbers(name: str) -> None:
    for proof in prove(read_brush(BRUSHES[name]).to_core(), Scale(), PATHS):
        told = dict(leaves(proof.tally, proof.name))
        assert [way for way, value in told.items() if isinstance(value, np.generic)] == []
