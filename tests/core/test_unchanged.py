"""What was laid keeps its look: sheets that people made are drawn by a newer version as they were."""

from __future__ import annotations

import pytest

from curlet.core.brush import Brush
from tests.core.unchanged import brushes, figures_of, written

BEFORE = written()


def test_every_brush_is_written_down() -> None:
    assert BEFORE.keys() == brushes().keys()


@pytest.mark.parametrize(("name", "brush"), brushes().items(), ids=brushes())
def test_a_brush_comes_to_what_it_came_to(name: str, brush: Brush) -> None:
    now = figures_of(brush)
    assert now.keys() == BEFORE[name].keys()
    for path, before in BEFORE[name].items():
        # Other processors round otherwise.
        assert now[path] == pytest.approx(before, rel=1e-6, abs=1e-6), (
            f"{name} on {path} (facts, words, lines, colours). If meant: python -m tests.core.unchanged"
        )
