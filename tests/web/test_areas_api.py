"""Areas over the API: what shapes would make, what a preview sends, what is exported."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.web.test_api import SHEET, read_frame, send, sheet
from tests.web.test_outline_api import box

FRONT, POCKET = "waistcoat-front-r", "waistcoat-welt-pocket-r"
SHAPES = [{"kind": "path", "id": FRONT}, {"kind": "path", "id": POCKET}]


def ways(client: FlaskClient, members: list[dict[str, str]]) -> Any:
    return client.post(f"{SHEET}/areas/ways", json={"members": members})


def made(client: FlaskClient, way: str = "cut") -> dict[str, Any]:
    send(client, {"kind": "make-area", "members": SHAPES, "way": way, "hide": True})
    (area,) = sheet(client)["areas"]
    return dict(area)


def test_the_four_ways_are_shown_before_one_is_chosen(client: FlaskClient) -> None:
    shown = ways(client, SHAPES).get_json()
    contours = {way["way"]: way["d"].count("M") for way in shown["ways"]}
    assert contours == {"join": 1, "cut": 2, "common": 1, "either": 2}
    assert [way["empty"] for way in shown["ways"]] == [None] * 4
    assert shown["width"] > 80
    assert shown["height"] > 150
    assert sheet(client)["areas"] == []
    apart = ways(client, [SHAPES[1], {"kind": "path", "id": "waistcoat-welt-pocket-l"}]).get_json()
    (empty,) = [way for way in apart["ways"] if way["empty"]]
    assert empty["way"] == "common"
    assert "nothing in common" in empty["empty"]
    refused = ways(client, [{"kind": "path", "id": "waistcoat-hem-r"}])
    assert refused.status_code == 422
    assert "Close it first" in refused.get_json()["detail"]
    assert ways(client, [{"kind": "path", "id": "gone"}]).status_code == 404


def test_an_area_says_what_it_is_made_of(client: FlaskClient) -> None:
    area = made(client)
    assert area["way"] == "cut"
    assert [member["name"] for member in area["members"]] == ["Front R", "Welt pocket R"]
    assert len(area["paths"]) == 2
    paths = {path["id"]: path for path in sheet(client)["paths"]}
    assert {paths[edge]["area"] for edge in area["paths"]} == {area["id"]}


def test_a_preview_of_a_shape_sends_the_area_as_it_would_be(client: FlaskClient) -> None:
    """Its edges, its fill as one shape with its hole, and the runs on it; nothing else."""
    area = made(client)
    send(client, {"kind": "lay-brush", "paths": area["paths"][1:], "brush": "topstitch"})
    preview = {"kind": "move-paths", "paths": [POCKET], "x": 4, "y": 0}
    head, _ = read_frame(send(client, preview, "preview"))
    assert {path["id"] for path in head["paths"]} == {POCKET, area["paths"][1]}
    assert {run["path"] for run in head["runs"]} == {POCKET, area["paths"][1]}
    (fill,) = head["as_drawn"]
    assert fill["items"][0]["shapes"][0]["outline"]["steps"].count("M") == 2
    kept, _ = read_frame(send(client, preview))
    moved = {path["id"]: path["d"] for path in kept["paths"]}
    assert moved == {path["id"]: path["d"] for path in head["paths"]}


def test_an_area_is_exported_with_its_hole(client: FlaskClient) -> None:
    made(client)
    svg = client.get(f"{SHEET}/export.svg?what=sheet").get_data(as_text=True)
    (group,) = [part for part in svg.split("<g ") if "title>Area<" in part]
    assert group.count("Z") + group.count("z") >= 2


def test_what_an_edge_loses_is_told_and_comes_back(client: FlaskClient) -> None:
    """Two rectangles joined, with a manner where they cross; one is moved into the other and out again."""
    one, other = box(client, 20, 20, 40, 30), box(client, 50, 30, 20, 10)
    members = [{"kind": "path", "id": path} for path in (one, other)]
    send(client, {"kind": "make-area", "members": members, "way": "join"})
    (edge,) = [path for path in sheet(client)["paths"] if path["area"]]
    crossing = next(node["id"] for node in edge["nodes"] if (node["x"], node["y"]) == pytest.approx((60, 30)))
    send(client, {"kind": "lay-brush", "paths": [edge["id"]], "brush": "topstitch"})
    (run,) = [run for run in sheet(client)["runs"] if run["path"] == edge["id"]]
    send(client, {"kind": "set-corner", "run": run["id"], "node": crossing, "manner": "stop"})
    within = {"kind": "move-paths", "paths": [other], "x": -15, "y": 0}
    head, _ = read_frame(send(client, within))
    (note,) = head["notes"]
    assert note.startswith("Area: what was set by hand at a corner or leg is put aside")
    head, _ = read_frame(send(client, {**within, "x": 15}))
    assert head["notes"] == []
    (run,) = [run for run in sheet(client)["runs"] if run["path"] == edge["id"]]
    assert [corner["own"] for corner in run["corners"] if corner["node"] == crossing] == [True]
