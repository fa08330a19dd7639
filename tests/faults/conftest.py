"""Faults: a server of its own for each test, and how much is tried.

`make faults` tries everything at its full size (CURLET_TESTS=long) and writes docs/faults.md; the suite
tries the same in short, without bounds on time that a busy machine would break.
"""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path as FilePath

import pytest

from tests.effort import LONG
from tests.faults.report import Report
from tests.server import Server


@pytest.fixture(scope="session")
def report() -> Iterator[Report]:
    kept = Report()
    yield kept
    if LONG:
        kept.write(FilePath(__file__).parents[2] / "docs" / "faults.md")


@pytest.fixture
def server(tmp_path: FilePath) -> Iterator[Server]:
    running = Server(tmp_path / "data", plain=True)
    yield running
    running.stop()
