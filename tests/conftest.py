"""What all tests share: a store in a folder of its own, and the application on it."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path as FilePath

import pytest
from flask.testing import FlaskClient
from hypothesis import HealthCheck, settings

from curlet.demo.load import load_demo
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.web.app import create_app

settings.register_profile(
    "curlet",
    deadline=None,
    max_examples=60,
    derandomize=True,
    suppress_health_check=[HealthCheck.too_slow, HealthCheck.filter_too_much],
)
settings.load_profile("curlet")


@pytest.fixture
def store(tmp_path: FilePath) -> Iterator[FilePath]:
    """An open database with the demo in it; the file."""
    file = tmp_path / "curlet.sqlite"
    open_database(file, busy_seconds=0.2)
    load_demo()
    yield file
    if not database.is_closed():
        database.close()


@pytest.fixture
def client(tmp_path: FilePath) -> FlaskClient:
    """A client of the application with the demo loaded."""
    app = create_app(tmp_path / "curlet.sqlite", busy_seconds=0.2)
    load_demo()
    return app.test_client()
