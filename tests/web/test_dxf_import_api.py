"""Pattern pieces imported over the API: looked at, named by piece, drawn at the sheet's scale."""

from __future__ import annotations

import io
import time
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.reference.test_dxf_in import dxf, pieces
from tests.web.test_api import SHEET, sheet


def looked(
    client: FlaskClient, data: bytes, name: str = "Jacket, size 40.dxf", **more: object
) -> dict[str, Any]:
    form = {"file": (io.BytesIO(data), name), **more}
    begun = client.post("/api/drawings", data=form, content_type="multipart/form-data").json
    assert begun["title"] == name.rpartition(".")[0]
    for _ in range(600):
        found = client.get(f"/api/drawings/{begun['id']}")
        if found.status_code != 200 or found.json["done"]:
            return {**found.json, "id": begun["id"], "status": found.status_code}
        time.sleep(0.05)
    raise AssertionError("not read in time")


def test_pieces_become_seam_groups_as_large_as_on_the_garment(client: FlaskClient) -> None:
    found = looked(client, dxf(pieces, units=None))
    counts = {group["name"]: group["paths"] for group in found["groups"]}
    assert counts == {"Front left": 8, "Pocket": 8}
    # Notches reach a little over the pieces' edges.
    assert (found["width"], found["height"]) == (pytest.approx(543), pytest.approx(320))
    taken = {group["key"]: group["name"] for group in found["groups"]}
    body = {
        "revision": sheet(client)["revision"],
        "title": "Jacket",
        "by": "layers",
        "taken": taken,
    }
    reply = client.post(f"{SHEET}/drawings/{found['id']}", json=body)
    assert reply.status_code == 200, reply.data
    head = sheet(client)
    pocket = next(group["id"] for group in head["groups"] if group["name"] == "Pocket")
    cut = next(path for path in head["paths"] if path["group"] == pocket and path["name"] == "Cut line")
    # The sheet is at 1:4: 480 mm around on the garment, a quarter of that on paper.
    assert cut["length"] == {"garment": pytest.approx(480), "paper": pytest.approx(120)}
    assert head["undo"] == "Import Jacket"


def test_a_damaged_file_is_said_and_nothing_is_imported(client: FlaskClient) -> None:
    found = looked(client, b"0\nSECTION\n")
    assert found["status"] == 422
    assert len(found["detail"]) > 20
