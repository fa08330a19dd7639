"""What all tests share: a store in a folder of its own, and the application on it."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path as FilePath

import pytest
from flask.testing import FlaskClient
from hypothesis import HealthCheck, settings

from curlet.demo.load import load_demo
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.web.app import create_app
from tests.effort import LONG
from tests.plain.load import make_plain
from tests.replies import with_checked_replies

settings.register_profile(
    "curlet",
    deadline=None,
    max_examples=200 if LONG else 30,
    derandomize=True,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much],
)
settings.load_profile("curlet")


@pytest.fixture(scope="session")
def demo(tmp_path_factory: pytest.TempPathFactory) -> FilePath:
    """A closed database with the demo in it, to make copies of."""
    file = tmp_path_factory.mktemp("demo") / "curlet.sqlite"
    open_database(file)
    load_demo()
    database.close()
    return file


@pytest.fixture(scope="session")
def plain(tmp_path_factory: pytest.TempPathFactory) -> FilePath:
    """A closed database with the plain sheets in it, to make copies of."""
    file = tmp_path_factory.mktemp("plain") / "curlet.sqlite"
    make_plain(file)
    database.close()
    return file


@pytest.fixture
def store(plain: FilePath, tmp_path: FilePath) -> Iterator[FilePath]:
    """An open database with the plain sheets in it; the file."""
    file = FilePath(shutil.copy(plain, tmp_path))
    open_database(file, busy_seconds=0.2)
    yield file
    if not database.is_closed():
        database.close()


@pytest.fixture
def client(plain: FilePath, tmp_path: FilePath) -> FlaskClient:
    """A client of the application with the plain sheets."""
    return _client(plain, tmp_path)


@pytest.fixture
def dressed(demo: FilePath, tmp_path: FilePath) -> FlaskClient:
    """A client of the application with the demo."""
    return _client(demo, tmp_path)


def _client(made: FilePath, folder: FilePath) -> FlaskClient:
    app = create_app(FilePath(shutil.copy(made, folder)), busy_seconds=0.2)
    return with_checked_replies(app).test_client()
