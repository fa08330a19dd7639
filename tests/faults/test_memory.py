"""Refusals leave nothing behind: the application's memory is as before, however many there were."""

from __future__ import annotations

import time

import pytest

from tests.effort import LONG
from tests.faults.hostile import HOSTILE, Hostile
from tests.faults.report import Report
from tests.faults.test_hostile_files import ADDRESSES, field_of, posted
from tests.faults.watch import family, private_mb
from tests.server import Server

TIMES = 200 if LONG else 15
# One of each way to be refused: by its length, its numbers, its elements, its memory, its time.
_SOME = (
    "a number of 1,000 digits",
    "copies that double",
    "a million unclosed groups",
    "4 million Z",
    "a font without characters",
    "a WOFF2 cut short",
    "a picture cut short",
    "a picture of 4,000 million pixels",
    "JSON nested 100,000 deep",
    "a zip of 10,000 files",
)
# What is given away to the allocator and caches before anything is measured.
_WARM, MAX_MB = 10, 30.0
_COLUMNS = ("file", "refusals", "MB before", "MB after")
_CHOSEN = [one for one in HOSTILE if one.name in (_SOME if LONG else _SOME[2:3] + _SOME[4:5])]


@pytest.mark.parametrize("hostile", _CHOSEN, ids=str)
def test_memory_is_flat_after_many_refusals(server: Server, report: Report, hostile: Hostile) -> None:
    address, data = server.address, hostile.make()
    where = ADDRESSES[hostile.kind][0]

    def refuse(times: int) -> float:
        for _ in range(times):
            status, _ = posted(address + where, field_of(where), data)
            assert status in (413, 422)
        time.sleep(0.3)
        return private_mb(family(server.process.pid))

    before = refuse(_WARM)
    after = refuse(TIMES)
    report.add("Memory after refusals", _COLUMNS, hostile.name, TIMES, f"{before:.0f}", f"{after:.0f}")
    assert after - before < MAX_MB


def test_jobs_that_are_refused_keep_nothing(server: Server, report: Report) -> None:
    """Drawings that are read aside, as from the page: their refusal is kept until it is asked for."""
    address = server.address
    data = next(one for one in HOSTILE if one.name == "a million unclosed groups").make()

    def refuse(times: int) -> float:
        for _ in range(times):
            assert posted(f"{address}/api/drawings", "file", data)[0] == 200
            time.sleep(0.05)
        time.sleep(3)
        return private_mb(family(server.process.pid))

    before = refuse(_WARM)
    after = refuse(TIMES)
    cells = ("a million unclosed groups, read aside", TIMES, f"{before:.0f}", f"{after:.0f}")
    report.add("Memory after refusals", _COLUMNS, *cells)
    assert after - before < MAX_MB
