"""The API: statuses, frames, and exporting."""

from __future__ import annotations

import io
import json
import struct
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from curlet.store.models import database

SHEET = "/api/sheets/waistcoat"
HEM = "waistcoat-hem-r"
RUN = f"run-{HEM}"


def read_frame(reply: TestResponse) -> tuple[dict[str, Any], np.ndarray]:
    assert reply.status_code == 200, reply.data[:300]
    (size,) = struct.unpack("<I", reply.data[:4])
    return json.loads(reply.data[4 : 4 + size]), np.frombuffer(reply.data[4 + size :], dtype="<f4")


def sheet(client: FlaskClient) -> dict[str, Any]:
    return read_frame(client.get(SHEET))[0]


def send(client: FlaskClient, intent: dict[str, Any], where: str = "commands") -> TestResponse:
    revision = sheet(client)["revision"]
    return client.post(f"{SHEET}/{where}", json={"revision": revision, "intent": intent})


def setting(*entered: tuple[str, str]) -> dict[str, Any]:
    settings = [{"pointer": pointer, "entered": text} for pointer, text in entered]
    return {"kind": "set-on-runs", "runs": [RUN], "settings": settings}


def test_the_demo_has_a_dozen_paths_three_of_them_stitched(client: FlaskClient) -> None:
    head = sheet(client)
    assert len(head["paths"]) == 12
    assert len(head["runs"]) == 3
    assert [run["rows"][0]["result"]["repeats"] > 0 for run in head["runs"]] == [True] * 3


def test_placements_travel_as_float32(client: FlaskClient) -> None:
    head, numbers = read_frame(client.get(SHEET))
    run = next(run for run in head["runs"] if run["id"] == RUN)
    stamps = run["group"]["items"][0]
    place = stamps["placements"]
    assert place["count"] == 6 * run["rows"][0]["result"]["repeats"]
    at = numbers[place["at"] : place["at"] + place["count"]].reshape(-1, 6)
    stitch = run["rows"][0]["result"]["stitch"]["paper"]
    assert np.hypot(at[:, 0], at[:, 1]) == pytest.approx(stitch, rel=0.05)


def test_asked_stands_against_laid_leg_by_leg(client: FlaskClient) -> None:
    run = next(run for run in sheet(client)["runs"] if run["id"] == RUN)
    assert run["rows"][0]["set"]["stitch"] == {"garment": 6, "paper": 1.5, "on": "garment"}
    assert len(run["rows"][0]["legs"]) == len(run["corners"]) + 1
    for leg in run["rows"][0]["legs"]:
        used = leg["repeats"] * leg["stitch"]["garment"] + (leg["repeats"] - 1) * leg["gap"]["garment"]
        assert used == pytest.approx(leg["length"]["garment"], abs=1e-6)


def test_a_preview_keeps_nothing_and_says_only_what_it_touches(client: FlaskClient) -> None:
    before = sheet(client)
    move = {"kind": "move-nodes", "path": HEM, "moves": [{"id": "n1", "x": 150, "y": 180}]}
    head, _ = read_frame(send(client, move, "preview"))
    assert [path["id"] for path in head["paths"]] == [HEM]
    assert [run["id"] for run in head["runs"]] == [RUN]
    for untouched in ("sheet", "letterings", "guides", "singles"):
        assert head[untouched] is None
    # Measurements hang on paths, everything on the sheet's scale.
    assert head["marks"] == before["marks"]
    scaled, _ = read_frame(send(client, {"kind": "set-sheet", "scale": "1:2"}, "preview"))
    assert scaled["sheet"]["factor"] == 0.5
    assert len(scaled["singles"]) == len(before["singles"])
    assert len(scaled["runs"]) == len(before["runs"])
    assert sheet(client) == before


def test_two_pages_on_one_sheet(client: FlaskClient) -> None:
    old = sheet(client)["revision"]
    send(client, {"kind": "rename-path", "path": HEM, "name": "A"})
    intent = {"kind": "rename-path", "path": HEM, "name": "B"}
    for where in ("commands", "preview"):
        reply = client.post(f"{SHEET}/{where}", json={"revision": old, "intent": intent})
        assert reply.status_code == 409
        assert reply.content_type == "application/problem+json"
        assert reply.json["revision"] == old + 1
        assert "changed in another page" in reply.json["detail"]
    assert any(path["name"] == "A" for path in sheet(client)["paths"])


@pytest.mark.parametrize(
    ("intent", "status"),
    [
        ({"kind": "no-such"}, 422),
        ({"kind": "rename-path", "path": HEM}, 422),
        ({"kind": "rename-path", "path": "gone", "name": "A"}, 404),
        ({"kind": "delete-nodes", "path": HEM, "nodes": ["n1", "n2"]}, 422),
        ({"kind": "move-nodes", "path": HEM, "moves": [{"id": "n1", "x": 1e9, "y": 0}]}, 422),
        ({"kind": "draw-path", "nodes": [{"x": 1, "y": 1}, {"x": 1, "y": 1}]}, 422),
        (setting(("/courses/0/length", "0")), 422),
        (setting(("/courses/0/length", "0.01"), ("/courses/0/gap", "-0.0098")), 413),
        ({"kind": "set-sheet", "scale": "none"}, 422),
        ({"kind": "set-sheet", "width": "0 mm"}, 422),
    ],
)
def test_bad_intents_change_nothing(client: FlaskClient, intent: dict[str, Any], status: int) -> None:
    before = sheet(client)
    reply = send(client, intent)
    assert reply.status_code == status, reply.data
    assert reply.json["detail"]
    assert sheet(client) == before


def test_nan_is_not_a_number_here(client: FlaskClient) -> None:
    body = (
        '{"revision":1,"intent":{"kind":"move-nodes","path":"%s","moves":[{"id":"n1","x":NaN,"y":0}]}}' % HEM
    )
    reply = client.post(f"{SHEET}/commands", data=body, content_type="application/json")
    assert reply.status_code in (400, 422)


def test_undo_and_redo_by_their_labels(client: FlaskClient) -> None:
    send(client, {"kind": "rename-path", "path": HEM, "name": "Foot"})
    head, _ = read_frame(client.post(f"{SHEET}/undo", json={"revision": sheet(client)["revision"]}))
    assert (head["undo"], head["redo"]) == (None, "Rename to Foot")
    head, _ = read_frame(client.post(f"{SHEET}/redo", json={"revision": head["revision"]}))
    assert (head["undo"], head["redo"]) == ("Rename to Foot", None)


def _take(client: FlaskClient, data: bytes, name: str = "flat.svg") -> TestResponse:
    form = {"revision": str(sheet(client)["revision"]), "file": (io.BytesIO(data), name)}
    return client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data")


def test_a_drawing_is_imported_and_taken_back(client: FlaskClient) -> None:
    before = sheet(client)
    data = b'<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm" viewBox="0 0 50 50">' + (
        b'<path id="yoke" d="M0 0h40" stroke="#000"/><script>1</script></svg>'
    )
    head, _ = read_frame(_take(client, data, "../../etc/flat.svg"))
    yoke = next(path for path in head["paths"] if path["name"] == "yoke")
    assert yoke["length"] == pytest.approx({"garment": 160, "paper": 40})
    assert next(g for g in head["groups"] if g["id"] == yoke["group"])["name"] == "flat"
    assert head["notes"] == ["1 script left out."]
    client.post(f"{SHEET}/undo", json={"revision": head["revision"]})
    assert sheet(client)["paths"] == before["paths"]


@pytest.mark.parametrize(
    ("data", "status"),
    [
        (b"<svg", 422),
        (b"<svg xmlns='http://www.w3.org/2000/svg'/>", 422),
        (b"<a>" * 100, 422),
        (b" " * 50_000_000, 413),
    ],
)
def test_bad_files_are_refused_and_change_nothing(client: FlaskClient, data: bytes, status: int) -> None:
    before = sheet(client)
    reply = _take(client, data)
    assert reply.status_code == status
    assert reply.json["detail"]
    assert sheet(client) == before


def test_sending_out(client: FlaskClient) -> None:
    svg = client.get(f"{SHEET}/export.svg")
    assert svg.content_type.startswith("image/svg+xml")
    assert f'id="run-{RUN}"'.encode() in svg.data
    assert b'width="297mm" height="210mm"' in svg.data
    png = client.get(f"{SHEET}/export.png?what=runs&ppi=254")
    assert struct.unpack(">II", png.data[16:24]) == (2970, 2100)
    facts = client.get(f"{SHEET}/export.json?ppi=72").json
    assert (facts["width_px"], facts["runs"]) == (842, 3)
    assert any("pixel" in note["words"] for note in facts["fine"])
    said = [note["words"].partition(": ")[2] for note in facts["fine"]]
    assert len(set(said)) == len(said)
    # A file without pixels has none that are too small for it.
    assert client.get(f"{SHEET}/export.json?ppi=72&form=svg").json["fine"] == []
    only = client.get(f"{SHEET}/export.svg?run={RUN}&what=runs")
    assert only.data.count(b"<g id=") == 1


@pytest.mark.parametrize(
    ("address", "status"),
    [
        (f"{SHEET}/export.png?ppi=0", 422),
        (f"{SHEET}/export.png?ppi=4800", 413),
        (f"{SHEET}/export.svg?run=gone", 404),
        ("/api/sheets/gone", 404),
        ("/api/brushes/gone/strip.svg", 404),
        ("/api/nothing", 404),
    ],
)
def test_bad_addresses_say_so(client: FlaskClient, address: str, status: int) -> None:
    reply = client.get(address)
    assert reply.status_code == status
    assert reply.json["detail"]


def test_strips_are_drawn_at_one_scale(client: FlaskClient) -> None:
    sizes = {
        client.get(f"/api/brushes/{b}/strip.svg").data.split(b"viewBox=")[1][:20]
        for b in ("topstitch", "basting")
    }
    assert len(sizes) == 1


def test_other_sites_are_refused(client: FlaskClient) -> None:
    body = {"revision": 1, "intent": {"kind": "rename-path", "path": HEM, "name": "A"}}
    assert (
        client.post(f"{SHEET}/commands", json=body, headers={"Origin": "http://elsewhere.test"}).status_code
        == 403
    )
    assert client.get(SHEET, headers={"Host": "elsewhere.test"}).status_code == 403


def test_a_read_only_database_is_a_503_that_can_be_tried_again(client: FlaskClient) -> None:
    database.obj.pragma("query_only", 1, permanent=True)
    reply = send(client, {"kind": "rename-path", "path": HEM, "name": "A"})
    assert reply.status_code == 503
    assert reply.headers["Retry-After"]
    assert "read-only" in reply.json["detail"]


def test_a_fault_of_ours_has_an_id_and_no_traceback(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("curlet.web.shown.whole_frame", lambda *_: 1 / 0)
    reply = client.get(SHEET)
    assert reply.status_code == 500
    assert reply.json["fault_id"] in reply.json["detail"]
    assert b"ZeroDivision" not in reply.data
