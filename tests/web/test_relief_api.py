"""Relief and light over the API: set on runs and the sheet, shown, tried, exported, undone, refused."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from curlet.core.dress.relief import FLAT
from curlet.formats.brush_file import read_brush
from tests.web.test_api import HEM, RUN, SHEET, read_frame, send, sheet


def raise_run(client: FlaskClient, entered: str = "60 %", pointer: str = "/relief/height") -> Any:
    settings = [{"pointer": pointer, "entered": entered}]
    return send(client, {"kind": "set-on-runs", "runs": [RUN], "settings": settings})


def run_of(head: dict[str, Any], path: str) -> dict[str, Any]:
    return next(run for run in head["runs"] if run["path"] == path)


def shapes_of(run: dict[str, Any]) -> list[dict[str, Any]]:
    return [shape for item in run["group"]["items"] for shape in item["shapes"]]


def test_a_run_is_raised_and_the_page_is_told_which_steps_it_paints_when(client: FlaskClient) -> None:
    flat = shapes_of(run_of(sheet(client), HEM))
    assert all(not shape.get("move") and not shape.get("seen") for shape in flat)
    assert raise_run(client).status_code == 200
    run = run_of(sheet(client), HEM)
    assert run["settings"]["relief"]["height"] == 60
    assert "/relief/height" in run["own"]
    shapes = shapes_of(run)
    # A shadow in three layers, the thread as it is from afar, and its steps from near.
    cast = [shape for shape in shapes if (shape["stroke"]["paint"]["opacity"]) < 1]
    assert len(cast) == 3
    plain = [shape for shape in shapes if shape.get("seen") and shape["seen"][0] == 0]
    assert [shape["stroke"]["paint"]["colour"] for shape in plain] == ["#e9c46a"]
    steps = [shape for shape in shapes if shape not in cast and shape not in plain]
    assert len(steps) >= 2
    assert min(shape["seen"][0] for shape in steps) == plain[0]["seen"][1]
    assert all(shape["seen"][1] is None for shape in steps)


def test_the_light_is_turned_and_what_is_raised_is_drawn_again_and_nothing_else(client: FlaskClient) -> None:
    raise_run(client)
    before = shapes_of(run_of(sheet(client), HEM))
    head, _ = read_frame(send(client, {"kind": "set-sheet", "light_azimuth": "135°"}))
    assert [run["path"] for run in head["runs"]] == [HEM]
    assert head["paths"] == []
    assert head["sheet"]["light"] == {"azimuth": 135, "elevation": 45}
    moves = [shape["move"] for shape in before if shape.get("move")]
    turned = [shape["move"] for shape in shapes_of(head["runs"][0]) if shape.get("move")]
    # From the opposite side everything moves the other way.
    steps = slice(3, None)
    assert [tuple(-round(by, 6) + 0.0 for by in move) for move in moves[steps]] == [
        tuple(round(by, 6) + 0.0 for by in move) for move in turned[steps]
    ]
    head, _ = read_frame(client.post(f"{SHEET}/undo", json={"revision": head["revision"]}))
    assert head["sheet"]["light"]["azimuth"] == 315
    assert [run["path"] for run in head["runs"]] == [HEM]
    assert head["redo"] == "Change the sheet's light"


def test_a_light_is_tried_before_it_is_kept(client: FlaskClient) -> None:
    raise_run(client)
    head, _ = read_frame(send(client, {"kind": "set-sheet", "light_elevation": "20"}, "preview"))
    assert [run["path"] for run in head["runs"]] == [HEM]
    assert head["sheet"]["light"]["elevation"] == 20
    assert sheet(client)["sheet"]["light"]["elevation"] == 45


@pytest.mark.parametrize(
    ("intent", "said"),
    [
        ({"light_azimuth": "400"}, "The light's direction is 400°: it must be from -360 to 360°."),
        ({"light_elevation": "2"}, "The light's height is 2°: it must be from 5 to 90° (45° is usual)."),
        ({"light_azimuth": "up"}, "“up” is not a measure"),
        ({"light_azimuth": "3 mm"}, "“3 mm” is"),
    ],
)
def test_a_light_out_of_bounds_is_refused_and_stays_as_it_was(
    client: FlaskClient, intent: dict[str, str], said: str
) -> None:
    before = sheet(client)
    reply = send(client, {"kind": "set-sheet", **intent})
    assert reply.status_code == 422
    assert said in reply.json["detail"]
    assert sheet(client)["sheet"] == before["sheet"]


@pytest.mark.parametrize(
    ("pointer", "entered", "said"),
    [
        ("height", "130", "Height is 130%: it must be from 0 to 100% (60 % is usual)."),
        ("shadow", "-1", "Shadow reach is -1%"),
        ("softness", "1e9", "Shadow softness is"),
        ("strength", "101 %", "Shadow strength is 101%"),
        ("finish", "glitter", "finish"),
    ],
)
def test_relief_out_of_bounds_is_refused(client: FlaskClient, pointer: str, entered: str, said: str) -> None:
    reply = raise_run(client, entered, f"/relief/{pointer}")
    assert reply.status_code == 422
    assert said in reply.json["detail"]
    assert run_of(sheet(client), HEM)["settings"]["relief"]["height"] == 0


def test_a_run_and_a_course_of_it_show_through(client: FlaskClient) -> None:
    for pointer, entered in (("/opacity", "40 %"), ("/courses/0/opacity", "50")):
        assert raise_run(client, entered, pointer).status_code == 200
    run = run_of(sheet(client), HEM)
    assert run["group"]["opacity"] == 0.4
    (course,) = run["group"]["items"]
    assert (course["type"], course["opacity"]) == ("group", 0.5)
    svg = client.get(f"{SHEET}/export.svg?what=runs&run={RUN}").data.decode()
    assert 'opacity="0.4"' in svg
    assert f'id="{course["id"]}" opacity="0.5"' in svg
    for entered in ("101", "-1 %"):
        reply = raise_run(client, entered, "/opacity")
        assert reply.status_code == 422
        assert "Opacity is" in reply.json["detail"]


def test_a_brush_from_before_there_was_relief_is_flat() -> None:
    before = read_brush({"format": "curlet-brush", "version": 1, "name": "Old"})
    assert before.to_core().relief == FLAT


def test_what_is_exported_is_lit(client: FlaskClient) -> None:
    flat = client.get(f"{SHEET}/export.svg?what=runs&run={RUN}").data
    send(client, {"kind": "set-sheet", "scale": "1:1"})
    raised = client.get(f"{SHEET}/export.svg?what=runs&run={RUN}").data
    assert raised.count(b"<path") == flat.count(b"<path")
    raise_run(client)
    lit = client.get(f"{SHEET}/export.svg?what=runs&run={RUN}").data
    # Its shadow's three layers and at least two steps of its thread more, and not the thread as from afar.
    assert lit.count(b"<path") >= raised.count(b"<path") + 4
