"""Figures by number: lengths on the garment, reshaped while figures, paths once nodes change."""

from __future__ import annotations

import math
import sqlite3
from pathlib import Path as FilePath

import numpy as np
import pytest
from flask.testing import FlaskClient

from curlet.core.errors import BadInput
from curlet.core.path.figures import FIGURES
from curlet.demo.load import load_demo
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.store.paths import core_path
from curlet.store.records import Json
from curlet.store.state import State
from tests.store.test_path_commands import do


def last(state: State) -> Json:
    return state.all("path")[-1]


def test_a_figure_is_as_large_as_typed_on_the_garment(store: FilePath) -> None:
    state = do("draw-figure", figure="circle", entered={"diameter": "4 in"})
    path, sheet = core_path(last(state)), state.sheet
    assert path.length == pytest.approx(math.pi * 101.6 * state.scale.factor, rel=3e-6)
    assert path.points.mean(axis=0) == pytest.approx((sheet["width"] / 2, sheet["height"] / 2))
    assert last(state)["name"] == "Circle 13"
    there = do("draw-figure", figure="star", entered={"points": "7", "inner": "40 %"}, x=30, y=40)
    assert len(last(there)["nodes"]) == 14
    assert core_path(last(there)).points.mean(axis=0) == pytest.approx((30, 40), abs=1e-6)


def test_it_is_reshaped_until_a_node_is_moved(store: FilePath) -> None:
    drawn = do("draw-figure", figure="rectangle", entered={"width": "80 mm", "height": "40 mm"}, x=50, y=50)
    path_id = last(drawn)["id"]
    do("lay-brush", paths=[path_id], brush="topstitch")
    state = do("reshape-figure", path=path_id, entered={"width": "60 mm"})
    corners = np.array(core_path(state.get("path", path_id)).points)
    assert np.ptp(corners, axis=0) == pytest.approx((60 * state.scale.factor, 40 * state.scale.factor))
    assert corners.mean(axis=0) == pytest.approx((50, 50))
    assert state.runs_of(path_id)
    node = state.get("path", path_id)["nodes"][0]
    edited = do("move-nodes", path=path_id, moves=[{"id": node["id"], "x": 0, "y": 0}])
    assert edited.get("path", path_id)["figure"] == {}
    with pytest.raises(BadInput, match="no longer a figure"):
        do("reshape-figure", path=path_id, entered={"width": "70 mm"})


@pytest.mark.parametrize(
    ("values", "words"),
    [
        ({"figure": "blob"}, "no figure"),
        ({"figure": "circle", "entered": {"diameter": "big"}}, "not a measure"),
        ({"figure": "circle", "entered": {"diameter": "-3 mm"}}, "Diameter"),
        ({"figure": "circle", "entered": {"sides": "3"}}, "has no “sides”"),
        ({"figure": "polygon", "entered": {"sides": "3 mm"}}, "takes"),
        ({"figure": "polygon", "entered": {"sides": "4.5"}}, "whole number"),
    ],
)
def test_impossible_figures_say_why(store: FilePath, values: dict[str, object], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        do("draw-figure", **values)


def test_the_page_is_told_the_figures_and_their_numbers(client: FlaskClient) -> None:
    figures = client.get("/api/figures").get_json()["figures"]
    assert {f["id"] for f in figures} == set(FIGURES)
    heart = next(f for f in figures if f["id"] == "heart")
    assert [s["text"] for s in heart["settings"]] == ["50 mm", "46 mm"]


def test_an_older_database_gets_its_figures(tmp_path: FilePath) -> None:
    file = tmp_path / "curlet.sqlite"
    open_database(file)
    load_demo()
    database.close()
    with sqlite3.connect(file) as db:
        db.execute("ALTER TABLE sheet_path DROP COLUMN figure")
        db.execute("PRAGMA user_version = 5")
    db.close()
    open_database(file)
    assert last(do("draw-figure", figure="heart"))["figure"]["figure"] == "heart"
    database.close()


@pytest.mark.parametrize("name", sorted(FIGURES))
@pytest.mark.parametrize(("across", "down"), [(40.0, 30.0), (-60.0, 20.0), (25.0, -50.0)])
def test_a_figure_is_dragged_to_size(store: FilePath, name: str, across: float, down: float) -> None:
    """It lies within the box that the hand drew and reaches two of its sides at least."""
    state = do("draw-figure", figure=name, x=100, y=100, to=[100 + across, 100 + down])
    path = core_path(last(state))
    points = path.arc.points(np.linspace(0, path.length, 4_001))
    low, high = points.min(axis=0), points.max(axis=0)
    sides = np.abs((high - low) / (across, down))
    assert sides.max() == pytest.approx(1, abs=2e-3)
    assert sides.min() <= 1 + 2e-3
    if name in ("rectangle", "ellipse", "heart", "line"):
        corners = np.sort([(100, 100), (100 + across, 100 + down)], axis=0)
        assert np.stack([low, high]) == pytest.approx(corners, abs=0.1)


def test_a_drag_of_no_width_says_so(store: FilePath) -> None:
    with pytest.raises(BadInput, match="Width"):
        do("draw-figure", figure="rectangle", x=100, y=100, to=[100, 140])
