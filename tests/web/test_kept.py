"""What the page is told stays what it was, number for number and word for word."""

from __future__ import annotations

import shutil
from pathlib import Path as FilePath

import pytest

from curlet.store.models import database
from curlet.web.app import create_app
from tests.web.kept import ADDRESSES, TRIED, Figures, found, kept

Replies = dict[str, dict[str, Figures]]
BEFORE = kept()


@pytest.fixture(scope="module")
def now(demo: FilePath, tmp_path_factory: pytest.TempPathFactory) -> Replies:
    app = create_app(FilePath(shutil.copy(demo, tmp_path_factory.mktemp("kept"))))
    replies = dict(found(app.test_client()))
    database.close()
    return replies


@pytest.mark.parametrize("address", [*ADDRESSES, *(f"trial of {brush}" for brush in TRIED)])
def test_a_reply_comes_to_what_it_came_to(now: Replies, address: str) -> None:
    before, told = BEFORE[address], now[address]
    assert told.keys() == before.keys()
    for part, figures in before.items():
        # Other processors round otherwise.
        assert told[part] == pytest.approx(figures, rel=1e-5, abs=1e-5), (
            f"{address}: {part} (count, numbers, words). If meant: python -m tests.web.kept"
        )


def test_every_reply_is_one_that_is_asked_for() -> None:
    """None of them is a refusal, or has gone."""
    assert BEFORE.keys() == {*ADDRESSES, *(f"trial of {brush}" for brush in TRIED)}
    assert not any("/detail" in parts and "/status" in parts for parts in BEFORE.values())
