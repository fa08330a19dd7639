"""The work page: how large the flat is on it, and its scale bar."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest

from curlet.formats.work_page import WorkPage, room_for_flat
from curlet.store import journal
from curlet.studio.work_page import work_page
from tests.store.test_path_commands import SHEET, do


def page(paper: str = "a4") -> WorkPage:
    return work_page(journal.find_sheet(SHEET), paper)


@pytest.mark.parametrize("paper", ["a4", "a3"])
def test_the_flat_with_its_call_outs_is_as_large_as_there_is_room(store: FilePath, paper: str) -> None:
    """By one side most of the paper's room, and by neither more than all of it."""
    shown = page(paper)
    shares = [
        side * shown.larger / room
        for side, room in zip((shown.flat.width, shown.flat.height), room_for_flat(paper), strict=True)
    ]
    assert 0.85 < max(shares) <= 1.0 + 1e-9


def test_it_is_no_larger_than_the_garment(store: FilePath) -> None:
    do("set-sheet", scale="1:1")
    assert page("a2").larger <= 1.0


@pytest.mark.parametrize("unit", ["mm", "in"])
def test_the_scale_bar_is_a_round_length_of_the_garment_of_25_to_60_mm(store: FilePath, unit: str) -> None:
    do("set-sheet", unit=unit)
    shown = page()
    words, long = shown.bar
    assert 25 <= long * shown.larger <= 60
    length = float(words.split()[0])
    assert length / 10 ** len(str(int(length))) * 10 in (1, 2, 5)
    assert long == pytest.approx(length * (25.4 if unit == "in" else 1.0) / 4)
