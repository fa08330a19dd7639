"""Artwork with colours of its own takes the thread: on the Bench, on a run, and told which can."""

from __future__ import annotations

import io
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.web.test_api import HEM, RUN, read_frame, send, sheet

SVG = b"""<svg xmlns="http://www.w3.org/2000/svg" width="6mm" height="4mm" viewBox="0 0 6 4">
<path fill="#5a6a8a" d="M0 0H6V4H0Z"/><path fill="#e8e4da" d="M2 1H4V3H2Z"/></svg>"""


@pytest.fixture
def tiles(client: FlaskClient) -> str:
    """The id of a brush of a drawing's own artwork, laid on the hem."""
    reply = client.post("/api/brushes", json={"copy_of": "topstitch"}).json
    data = {
        "version": str(reply["version"]), "course": "0", "place": "repeat", "keep_runs": "false",
        "turn": "0", "file": (io.BytesIO(SVG), "tile.svg"),
    }  # fmt: skip
    made = client.post(f"/api/brushes/{reply['id']}/artwork", data=data)
    assert made.status_code == 200, made.json
    assert made.json["coloured"]
    assert send(client, {"kind": "lay-brush", "paths": [HEM], "brush": reply["id"]}).status_code == 200
    return str(reply["id"])


def hem(head: dict[str, Any]) -> dict[str, Any]:
    return next(run for run in head["runs"] if run["path"] == HEM)


def fills(head: dict[str, Any]) -> set[str]:
    shapes = [shape for item in hem(head)["group"]["items"] for shape in item["shapes"]]
    return {shape["fill"]["colour"] for shape in shapes if shape["fill"]}


def take(client: FlaskClient, pointer: str, entered: str) -> Any:
    setting = {"pointer": f"/take/{pointer}", "entered": entered}
    run = hem(sheet(client))["id"]
    return send(client, {"kind": "set-on-runs", "runs": [run], "settings": [setting]})


def test_a_run_takes_the_thread_and_follows_its_colour(client: FlaskClient, tiles: str) -> None:
    assert hem(sheet(client))["coloured"]
    assert fills(sheet(client)) == {"#5a6a8a", "#e8e4da"}
    head, _ = read_frame(take(client, "way", "lightness"))
    tinted = fills(head)
    assert not tinted & {"#5a6a8a", "#e8e4da"}
    assert head["undo"] == "Set how artwork takes the thread"
    run = hem(head)["id"]
    colour = {"pointer": "/threads/0", "entered": "rebeccapurple"}
    head, _ = read_frame(send(client, {"kind": "set-on-runs", "runs": [run], "settings": [colour]}))
    assert not fills(head) & tinted
    take(client, "way", "turned")
    take(client, "turn", "90°")
    assert hem(sheet(client))["settings"]["take"] == {"way": "turned", "turn": 90}
    assert not fills(sheet(client)) & {"#5a6a8a"}
    take(client, "way", "own")
    assert fills(sheet(client)) == {"#5a6a8a", "#e8e4da"}


def test_a_stitch_has_no_colours_of_its_own_to_take_it(client: FlaskClient) -> None:
    assert not hem(sheet(client))["coloured"]
    assert client.get("/api/brushes/topstitch").json["coloured"] is False
    assert RUN == hem(sheet(client))["id"]


@pytest.mark.parametrize(
    ("pointer", "entered", "said"), [("way", "glow", "take"), ("turn", "720", "Turned by is 720°")]
)
def test_what_cannot_be_taken_is_refused(
    client: FlaskClient, tiles: str, pointer: str, entered: str, said: str
) -> None:
    reply = take(client, pointer, entered)
    assert reply.status_code == 422
    assert said in reply.json["detail"]
    assert fills(sheet(client)) == {"#5a6a8a", "#e8e4da"}
