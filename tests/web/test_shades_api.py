"""The shade card over the API: files in and out, colours picked, what a preview and a step send of it."""

from __future__ import annotations

import io
import json
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.pixels import canvas, encoded
from tests.web.test_api import HEM, SHEET, read_frame, send, sheet

Head = dict[str, Any]


@pytest.fixture
def client(dressed: FlaskClient) -> FlaskClient:
    """The application with the demo's sheets."""
    return dressed


def shades(head: Head) -> dict[str, Head]:
    return {shade["name"]: shade for shade in head["shades"]}


def upload(client: FlaskClient, name: str, data: bytes) -> Any:
    form = {"revision": str(sheet(client)["revision"]), "file": (io.BytesIO(data), name)}
    return client.post(f"{SHEET}/shades", data=form)


def runs_of(head: Head, path: str) -> list[Head]:
    return [run for run in head["runs"] if run["path"] == path]


def test_a_changed_shade_sends_what_uses_it_and_no_more(client: FlaskClient) -> None:
    before = sheet(client)
    brass = shades(before)["Brass"]
    assert brass["used"] == 6
    assert brass["oklch"][0] == pytest.approx(0.78, abs=0.02)
    intent = {"kind": "set-shade", "shade": brass["id"], "colour": "silver"}
    preview = send(client, intent, "preview")
    head, _ = read_frame(preview)
    assert [run["path"] for run in head["runs"]] == ["waistcoat-watch-chain"]
    assert shades(head)["Brass"]["colour"] == "#c0c0c0"
    head, _ = read_frame(send(client, intent))
    assert [run["path"] for run in head["runs"]] == ["waistcoat-watch-chain"]
    assert all(single["threads"][0]["colour"] == "#c0c0c0" for single in head["singles"])
    # Cloths too, and with another colourway everything.
    indigo = shades(before)["Indigo"]["id"]
    head, _ = read_frame(send(client, {"kind": "set-shade", "shade": indigo, "colour": "#101010"}))
    assert not head["runs"]
    assert {group["id"] for group in head["as_drawn"]} >= {"path-waistcoat-front-r", "path-waistcoat-front-l"}
    other = next(way["id"] for way in before["colourways"] if not way["shown"])
    head, _ = read_frame(send(client, {"kind": "show-colourway", "colourway": other}))
    assert len(head["runs"]) == len(before["runs"])
    assert [way["shown"] for way in head["colourways"]] == [False, True]


def test_a_run_says_what_its_threads_are_filled_with(client: FlaskClient) -> None:
    (run,) = runs_of(sheet(client), HEM)
    topstitch = shades(sheet(client))["Topstitch"]
    assert run["threads"] == [{"colour": topstitch["colour"], "shade": topstitch["id"], "of_path": False}]
    setting = {"pointer": "/threads/0", "entered": "colour-of-path"}
    head, _ = read_frame(send(client, {"kind": "set-on-runs", "runs": [run["id"]], "settings": [setting]}))
    assert runs_of(head, HEM)[0]["threads"] == [{"colour": "#3c7d6d", "shade": None, "of_path": True}]
    # Another mark of its group, and it follows.
    head, _ = read_frame(send(client, {"kind": "set-group", "group": "waistcoat-hems", "mark": "#ff8800"}))
    assert runs_of(head, HEM)[0]["threads"][0]["colour"] == "#ff8800"
    setting = {"pointer": "/courses/*/shades", "entered": "brass, 1"}
    head, _ = read_frame(send(client, {"kind": "set-on-runs", "runs": [run["id"]], "settings": [setting]}))
    assert runs_of(head, HEM)[0]["sequences"] == ["Brass, 1"]


def test_files_of_shades_are_imported_as_one_step_with_notes(client: FlaskClient) -> None:
    tokens = {
        "Sea": {"$type": "color", "$value": {"colorSpace": "display-p3", "components": [0, 1, 0.9]}},
        "gap": {"$type": "dimension", "$value": "4px"},
    }
    head, _ = read_frame(upload(client, "brand.tokens.json", json.dumps(tokens).encode()))
    assert head["undo"] == "Import 1 shade"
    assert any("no colour" in note for note in head["notes"])
    assert any("outside sRGB" in note for note in head["notes"])
    assert "Sea" in shades(head)
    head, _ = read_frame(upload(client, "a.css", b":root { --sea: #000080; --moss: #5f7f52 }"))
    assert shades(head)["Sea"]["colour"] == "#000080"
    assert {"Sea", "Moss"} <= set(shades(head))


@pytest.mark.parametrize(
    ("name", "data", "status"),
    [
        ("a.json", b'{"a": {"$type": "color", "$value": "{a}"}}', 422),
        ("a.json", b"not json", 422),
        ("a.css", b"p { color: red }", 422),
        ("a.png", b"not a picture", 422),
        ("a.txt", b"red", 422),
        ("a.json", b" " * 1_100_000, 413),
        (
            "many.json",
            json.dumps({f"s{i}": {"$type": "color", "$value": "#123456"} for i in range(500)}),
            422,
        ),
    ],
)
def test_files_that_are_no_card_change_nothing(
    client: FlaskClient, name: str, data: bytes | str, status: int
) -> None:
    before = sheet(client)
    reply = upload(client, name, data if isinstance(data, bytes) else data.encode())
    assert reply.status_code == status
    assert len(reply.json["detail"]) > 20
    assert sheet(client) == before


def test_shades_of_a_picture_and_of_a_guide_picture(client: FlaskClient) -> None:
    picture = canvas(40, 60)
    picture[:, :30] = (200, 30, 40, 255)
    picture[:, 30:] = (20, 40, 90, 255)
    picture[30:] = picture[30:, ::-1]
    head, _ = read_frame(upload(client, "flag.png", encoded(picture)))
    found = {shade["colour"] for shade in head["shades"]}
    assert {"#c81e28", "#14285a"} <= found
    # The same again adds nothing.
    upload(client, "flag.png", encoded(picture))
    assert len(sheet(client)["shades"]) == 9
    form = {"revision": str(sheet(client)["revision"]), "file": (io.BytesIO(encoded(picture)), "g.png")}
    head, _ = read_frame(client.post(f"{SHEET}/guides", data=form))
    guide = head["guides"][0]
    for shade in [shade for shade in sheet(client)["shades"] if shade["colour"] in ("#c81e28", "#14285a")]:
        assert send(client, {"kind": "remove-shade", "shade": shade["id"]}).status_code == 200
    body = {"revision": sheet(client)["revision"]}
    head, _ = read_frame(client.post(f"{SHEET}/guides/{guide['id']}/shades", json=body))
    assert {"#c81e28", "#14285a"} <= {shade["colour"] for shade in head["shades"]}
    # Picked from it beside everything that is drawn, it is the picture's own colour, not faded.
    places = {"x": guide["x"] - 0.45 * guide["width"], "y": guide["y"] - 0.45 * guide["height"]}
    assert client.get(f"{SHEET}/colour", query_string=places).json["colour"] == "#c81e28"
    places["y"] = guide["y"] + 0.45 * guide["height"]
    assert client.get(f"{SHEET}/colour", query_string=places).json["colour"] == "#14285a"
    assert client.get(f"{SHEET}/colour?x=2&y=2").json["colour"] == "#f7f4eb"
    assert client.get(f"{SHEET}/colour?x=nan&y=2").status_code == 422


def test_the_card_is_exported_in_every_colourway(client: FlaskClient) -> None:
    tokens = client.get(f"{SHEET}/shades.json")
    assert "shades.json" in tokens.headers["Content-Disposition"]
    found = json.loads(tokens.data)
    assert set(found) == {"Evening", "Matinée"}
    assert found["Matinée"]["Brass"]["$value"]["hex"] == "#c3cbd3"
    css = client.get(f"{SHEET}/shades.css").data.decode()
    assert '[data-colourway="Matinée"]' in css
    assert client.get(f"{SHEET}/shades.docx").status_code in (404, 422)


def test_paths_are_found_by_their_shades_and_threads(client: FlaskClient) -> None:
    def alike(by: str) -> list[str]:
        found = client.get(f"{SHEET}/similar", query_string={"path": HEM, "by": by})
        return sorted(found.json["paths"]) if found.status_code == 200 else [found.json["detail"]]

    by_shade = alike("shade")
    assert "waistcoat-armhole-r" in by_shade
    assert "waistcoat-piping-r" not in by_shade
    assert alike("thread") == by_shade
    found = client.get(f"{SHEET}/similar", query_string={"path": "waistcoat-dart-r", "by": "shade"})
    assert "takes no shade" in found.json["detail"]


def test_a_look_is_taken_up_over_the_api(client: FlaskClient) -> None:
    taken = client.get(f"{SHEET}/runs/run-{HEM}/look").json
    assert taken["brush"] == "show-stitch"
    assert [shade["name"] for shade in taken["shades"].values()] == ["Topstitch"]
    head, _ = read_frame(send(client, {"kind": "give-look", "paths": ["waistcoat-dart-r"], "taken": taken}))
    (run,) = runs_of(head, "waistcoat-dart-r")
    assert run["settings"]["relief"]["height"] == 70
    assert client.get(f"{SHEET}/runs/gone/look").status_code == 404
