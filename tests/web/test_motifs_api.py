"""Motifs in the Library over the API: kept, named, used in brushes, exported and imported."""

from __future__ import annotations

import io
from typing import Any

import pytest
from flask.testing import FlaskClient

from curlet.demo.motifs import MOTIFS
from tests import pixels as px
from tests.web.test_bench_api import brush, make, trial
from tests.web.test_tracing_api import star, take

LEAF = b'<svg xmlns="http://www.w3.org/2000/svg" width="12mm" height="4mm" viewBox="0 0 12 4">%s</svg>'
SHAPE = b'<path d="M0 2C4 -1 8 -1 12 2C8 5 4 5 0 2Z" fill="#2e7d4f"/>'


def names(client: FlaskClient) -> list[str]:
    """Of the motifs that are not the demo's."""
    every = [motif["name"] for motif in client.get("/api/motifs").get_json()["motifs"]]
    return every[len(MOTIFS) :]


def taken(client: FlaskClient, name: str = "leaf.svg", data: bytes = LEAF % SHAPE) -> Any:
    return client.post("/api/motif-files", data={"file": (io.BytesIO(data), name)})


def used(client: FlaskClient, brush_id: str, motif: str, **more: Any) -> Any:
    body = {"version": brush(client, brush_id)["version"], "motif": motif, **more}
    return client.post(f"/api/brushes/{brush_id}/motif", json=body)


def test_a_drawing_is_kept_and_begins_a_brush(client: FlaskClient) -> None:
    kept = taken(client).get_json()
    assert (kept["name"], kept["what"], kept["notes"]) == ("leaf", "drawn", [])
    assert (kept["length"], kept["width"]) == pytest.approx((12, 4), abs=0.6)
    made = client.post("/api/brushes", json={"motif": kept["id"]}).get_json()
    (row,) = made["doc"]["courses"]
    assert made["doc"]["name"] == "leaf"
    assert row["motif"]["shapes"][0]["fill"]["own"] == "#2e7d4f"
    assert row["length"]["mm"] == row["motif"]["length"]
    status, frame = trial(client, made["doc"])
    assert status == 200
    assert frame["joints"]["step"] == 0


def test_a_motif_of_one_brush_is_used_in_another_at_any_place(client: FlaskClient) -> None:
    body = {"brush": "lace", "name": "Lace point"}
    kept = client.post("/api/motifs", json=body).get_json()
    repeat = used(client, "belcher", kept["id"]).get_json()
    assert repeat["doc"]["courses"][0]["motif"]["family"] == "artwork"
    assert repeat["undo"] == "Use Lace point"
    end = used(client, repeat["id"], kept["id"], place="end").get_json()
    assert end["doc"]["courses"][0]["pieces"]["end"]["length"]["mm"] == kept["length"]
    # A brush has a copy: the motif may go.
    assert client.delete(f"/api/motifs/{kept['id']}").status_code == 200
    assert trial(client, end["doc"])[0] == 200
    assert client.post(f"/api/motifs/{kept['id']}/restore").status_code == 200
    assert kept in [
        {**motif, "notes": kept["notes"]} for motif in client.get("/api/motifs").get_json()["motifs"]
    ]
    assert client.post(f"/api/motifs/{kept['id']}/restore").status_code == 404


def test_what_is_given_out_comes_in_again_just_so(client: FlaskClient) -> None:
    first = taken(client).get_json()
    svg = client.get(f"/api/motifs/{first['id']}/motif.svg").data
    again = taken(client, "again.svg", svg).get_json()
    assert (again["length"], again["width"]) == pytest.approx((first["length"], first["width"]), abs=1e-3)


def test_a_picture_is_kept_with_its_pixels(client: FlaskClient) -> None:
    picture = take(client, px.encoded(star())).get_json()
    body = {
        "version": brush(client, "lace")["version"],
        "picture": picture["id"],
        "asked": {"length": "9 mm"},
    }
    made = client.post("/api/brushes/lace/picture", json=body).get_json()
    kept = client.post("/api/motifs", json={"brush": made["id"]}).get_json()
    assert (kept["what"], kept["length"], kept["width"]) == ("picture", 9, 6)
    svg = client.get(f"/api/motifs/{kept['id']}/motif.svg").data
    assert b"data:image/png;base64," in svg
    row = used(client, "topstitch", kept["id"]).get_json()["doc"]["courses"][0]
    assert row["hold"] in ("rigid", "pinned")
    assert (
        client.post("/api/brushes", json={"motif": kept["id"]}).get_json()["doc"]["courses"][0]["hold"]
        == "rigid"
    )


def test_no_two_motifs_have_one_name(client: FlaskClient) -> None:
    one, two = taken(client).get_json(), taken(client).get_json()
    assert names(client) == ["leaf", "leaf 2"]
    named = client.post(f"/api/motifs/{two['id']}/name", json={"name": "  Ivy leaf "})
    assert named.get_json()["name"] == "Ivy leaf"
    assert (
        client.post(f"/api/motifs/{one['id']}/name", json={"name": "Ivy leaf"}).get_json()["name"]
        == "Ivy leaf 2"
    )
    assert client.post(f"/api/motifs/{one['id']}/name", json={"name": "   "}).status_code == 422
    assert names(client) == ["Ivy leaf 2", "Ivy leaf"]


def test_what_cannot_be_is_said_and_nothing_is_lost(client: FlaskClient) -> None:
    assert taken(client, data=b"<svg").status_code == 422
    assert taken(client, data=LEAF % b"").status_code == 422
    assert names(client) == []
    for reply in (
        client.get("/api/motifs/gone/motif.svg"),
        client.delete("/api/motifs/gone"),
        client.post("/api/motifs/gone/name", json={"name": "x"}),
        used(client, "lace", "gone"),
        client.post("/api/brushes", json={"motif": "gone"}),
    ):
        assert reply.status_code == 404
        assert "no such motif" in reply.get_json(force=True)["detail"]
    no_piece = client.post("/api/motifs", json={"brush": "topstitch", "place": "end"})
    assert "no piece at this place" in no_piece.get_json(force=True)["detail"]
    old = brush(client, "lace")["version"]
    kept = taken(client).get_json()
    mine = used(client, "lace", kept["id"]).get_json()
    assert mine["id"] != "lace"
    make(client, mine, {"kind": "rename", "name": "Mine"})
    stale = client.post(f"/api/brushes/{mine['id']}/motif", json={"version": old, "motif": kept["id"]})
    assert stale.status_code == 409


@pytest.mark.parametrize("motif", list(MOTIFS))
def test_the_workshops_own_motifs_can_be_worn(client: FlaskClient, motif: str) -> None:
    made = client.post("/api/brushes", json={"motif": motif}).get_json()
    status, frame = trial(client, made["doc"])
    assert status == 200
    assert all(not proof["wrong"] for proof in frame["proofs"] if proof["name"] in ("straight", "round"))
    assert client.get(f"/api/motifs/{motif}/motif.svg").data.startswith(b"<?xml")
