"""The Bench and the Library over the API."""

from __future__ import annotations

import io
import json
import struct
from typing import Any

import pytest
from flask.testing import FlaskClient

from curlet.core.motif.edges import Mismatch
from curlet.core.motif.families import FAMILIES
from curlet.demo.artwork import artwork, filled
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_pack import write_brush
from curlet.store.edits.recipes import brush_of
from curlet.web.bench_frames import _is_seen

PROOFS = ["straight", "round", "square", "star", "tight S", "two corners", "loop", "letter"]


def trial(client: FlaskClient, doc: Any, **more: Any) -> tuple[int, dict[str, Any]]:
    reply = client.post("/api/bench/trial", json={"doc": doc, **more})
    if reply.status_code != 200:
        return reply.status_code, reply.get_json(force=True)
    (size,) = struct.unpack("<I", reply.data[:4])
    return 200, json.loads(reply.data[4 : 4 + size])


def entered(pointer: str, text: str) -> dict[str, Any]:
    return {"kind": "set", "settings": [{"pointer": pointer, "entered": text}]}


def brush(client: FlaskClient, brush_id: str) -> dict[str, Any]:
    return client.get(f"/api/brushes/{brush_id}").get_json()  # type: ignore[no-any-return]


def make(client: FlaskClient, of: dict[str, Any], done: dict[str, Any], **more: Any) -> Any:
    body = {"version": of["version"], "edit": done, **more}
    return client.post(f"/api/brushes/{of['id']}/edits", json=body)


def test_every_family_is_listed_with_its_settings(client: FlaskClient) -> None:
    families = client.get("/api/families").get_json()["families"]
    assert {family["id"] for family in families} == set(FAMILIES)
    laid = next(family for family in families if family["id"] == "laid")
    assert [setting["name"] for setting in laid["settings"]] == [
        "diameter",
        "lay",
        "strands",
        "twist",
        "groove",
    ]
    assert laid["settings"][1]["usual"] == "3 to 3.5 diameters is usual for three strands"
    for family in families:
        strip = client.get(f"/api/families/{family['id']}/strip.svg")
        assert strip.status_code == 200
        assert strip.data.startswith(b"<?xml") or strip.data.startswith(b"<svg")


@pytest.mark.parametrize("name", ["topstitch", "rope", "belcher", "lace", "key", "ribbon", "blade"])
def test_a_trial_draws_the_repeat_the_board_and_the_sample(client: FlaskClient, name: str) -> None:
    status, head = trial(client, BRUSHES[name])
    assert status == 200
    assert [proof["name"] for proof in head["proofs"]] == PROOFS
    assert all(proof["group"]["items"] for proof in head["proofs"] if not proof["wrong"])
    assert head["repeat"]["length"] > 0
    assert head["joints"]["step"] == 0
    rows = [course for course in BRUSHES[name]["courses"] if course["course"] == "row"]
    assert len(head["sample"]["places"]) == (6 if BRUSHES[name]["courses"][0]["course"] == "row" else 0)
    assert len(rows) <= len(BRUSHES[name]["courses"])


def test_a_proof_that_fails_says_what_it_needs(client: FlaskClient) -> None:
    # Square plates hard by one another: on a curve they run into their neighbours.
    doc = json.loads(json.dumps(BRUSHES["scallop-discs"]))
    plate = artwork(10, 10, filled("M0 -5L10 -5L10 5L0 5Z"))
    doc["courses"][0].update(motif=plate.model_dump(mode="json"), length={"mm": 10})
    doc["courses"][0]["gap"] = {"mm": 0.2}
    _, head = trial(client, doc)
    wrong = {proof["name"]: proof for proof in head["proofs"] if proof["wrong"]}
    assert "needs" in wrong["tight S"]["short"]
    assert wrong["tight S"]["wrong"][0].startswith("A bend has a radius of")
    assert "straight" not in wrong


def test_a_step_between_pieces_is_marked_with_its_size(client: FlaskClient) -> None:
    """A whipping of another diameter than the rope's."""
    doc = json.loads(json.dumps(BRUSHES["whipped"]))
    doc["courses"][0]["pieces"]["start"]["motif"]["diameter"]["mm"] = 7
    _, head = trial(client, doc)
    (joint,) = head["joints"]["found"]
    assert (joint["before"], joint["after"]) == ("start", "repeat")
    assert joint["step"] == pytest.approx(0.5)
    # And mended in one step.
    _, mended = trial(client, doc, edit={"kind": "match-piece", "course": 0, "place": "start"})
    assert mended["joints"]["step"] < 1e-5


def test_a_edit_is_tried_and_nothing_is_kept(client: FlaskClient) -> None:
    before = brush(client, "rope")
    status, head = trial(client, before["doc"], edit=entered("/courses/0/length", "9 mm"))
    assert status == 200
    assert head["repeat"]["length"] == pytest.approx(9)
    assert brush(client, "rope") == before


def test_what_is_half_typed_is_refused_in_words(client: FlaskClient) -> None:
    status, problem = trial(client, BRUSHES["rope"], edit=entered("/courses/0/length", "nine"))
    assert status == 422
    assert "is not a measure" in problem["detail"]


@pytest.mark.parametrize(
    ("edit", "label"),
    [
        ({"kind": "add-course", "course": "band"}, "Add a band"),
        ({"kind": "add-course", "course": "span", "family": "scrap"}, "Add a span"),
        ({"kind": "take-family", "course": 0, "family": "zigzag"}, "Make it zigzag"),
        ({"kind": "set-piece", "course": 0, "place": "end", "family": "knot"}, "Add a piece at its end"),
        ({"kind": "stretch-or-repeat", "course": 0}, "Stretch the motif once"),
        ({"kind": "set-width", "course": 0, "entered": "1/2 in"}, "Set width"),
        (entered("/corners/manner", "mitre"), "Set corner manner"),
    ],
)
def test_everything_done_on_the_bench_is_kept_and_can_be_taken_back(
    client: FlaskClient, edit: dict[str, Any], label: str
) -> None:
    mine = client.post("/api/brushes", json={"copy_of": "saddle"}).get_json()
    reply = make(client, mine, edit)
    assert reply.status_code == 200, reply.data
    made = reply.get_json()
    assert made["undo"] == label
    assert made["doc"] != mine["doc"]
    assert trial(client, made["doc"])[0] == 200
    back = client.post(f"/api/brushes/{mine['id']}/undo", json={"version": made["version"]}).get_json()
    assert back["doc"] == mine["doc"]
    assert back["redo"] == label


def test_a_ropes_length_follows_its_lay_until_it_is_set_by_hand(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"family": "laid"}).get_json()

    def length(of: dict[str, Any]) -> float:
        return of["doc"]["courses"][0]["length"]["mm"]  # type: ignore[no-any-return]

    longer = make(client, mine, entered("/courses/0/motif/lay", "30 mm")).get_json()
    assert length(longer) == pytest.approx(10)
    by_hand = make(client, longer, entered("/courses/0/length", "11 mm")).get_json()
    again = make(client, by_hand, entered("/courses/0/motif/lay", "36 mm")).get_json()
    assert length(again) == 11


def test_thread_is_given_by_its_count(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"family": "lockstitch"}).get_json()
    made = make(client, mine, entered("/courses/0/motif/thread", "tkt 75")).get_json()
    assert made["doc"]["courses"][0]["motif"]["thread"]["mm"] == pytest.approx(0.2359, abs=1e-4)


def test_what_a_brush_has_not_is_refused(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"copy_of": "saddle"}).get_json()
    for edit in (
        {"kind": "remove-course", "course": 0},
        {"kind": "move-course", "course": 5, "up": True},
        {"kind": "take-family", "course": 0, "family": "woven"},
        {"kind": "set-width", "course": 0, "entered": "0 mm"},
        entered("/courses/0/motif/thread", "-1 mm"),
    ):
        reply = make(client, mine, edit)
        assert reply.status_code == 422
        assert reply.get_json(force=True)["detail"].endswith(".")
    assert client.post("/api/brushes", json={}).status_code == 422
    assert client.get("/api/brushes/none").status_code == 404
    assert brush(client, mine["id"])["doc"] == mine["doc"]


def test_brushes_are_given_out_and_imported_again(client: FlaskClient) -> None:
    one = client.get("/api/brush-files?ids=key")
    assert "key" in one.headers["Content-Disposition"].lower()
    many = client.get("/api/brush-files?ids=key,wave,curb")
    assert many.data[:2] == b"PK"
    files = [(io.BytesIO(many.data), "three.zip"), (io.BytesIO(one.data), "key.json")]
    taken = client.post("/api/brush-files", data={"files": files, "replace": "false"}).get_json()["taken"]
    assert [item["became"] for item in taken] == ["the same"] * 4


def test_one_bad_file_among_good_ones_takes_none_in(client: FlaskClient) -> None:
    before = client.get("/api/brushes").get_json()
    good = write_brush(brush_of("dots", "Fading edge"))
    files = [(io.BytesIO(good), "good.json"), (io.BytesIO(b"{}"), "bad.json")]
    reply = client.post("/api/brush-files", data={"files": files, "replace": "false"})
    assert reply.status_code == 422
    assert "bad.json" in reply.get_json(force=True)["detail"]
    assert client.get("/api/brushes").get_json() == before


def test_a_removed_brush_is_gone_and_a_built_in_stays(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"family": "dots"}).get_json()
    assert client.delete(f"/api/brushes/{mine['id']}").status_code == 200
    assert client.delete("/api/brushes/rope").status_code == 422
    listed = {item["id"] for item in client.get("/api/brushes").get_json()["brushes"]}
    assert mine["id"] not in listed
    assert "rope" in listed
    assert client.get(f"/api/brushes/{mine['id']}").status_code == 404
    assert mine["id"] not in brushes_of_sheet(client)


def brushes_of_sheet(client: FlaskClient) -> set[str]:
    reply = client.get("/api/sheets/waistcoat")
    (size,) = struct.unpack("<I", reply.data[:4])
    return {brush["id"] for brush in json.loads(reply.data[4 : 4 + size])["brushes"]}


def test_a_removed_brush_is_put_back_with_its_versions(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"family": "dots"}).get_json()
    client.delete(f"/api/brushes/{mine['id']}")
    # Its name is taken meanwhile.
    other = client.post("/api/brushes", json={"family": "dots"}).get_json()
    assert other["doc"]["name"] == mine["doc"]["name"]
    assert client.post(f"/api/brushes/{mine['id']}/restore").status_code == 200
    back = client.get(f"/api/brushes/{mine['id']}").get_json()
    assert back["doc"]["name"] != mine["doc"]["name"]
    assert {**back["doc"], "name": ""} == {**mine["doc"], "name": ""}
    assert mine["id"] in brushes_of_sheet(client)
    assert client.post("/api/brushes/gone/restore").status_code == 404


def test_undo_on_a_sheet_brings_a_removed_brush_back_with_its_run(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"family": "dots"}).get_json()
    sheet = "/api/sheets/waistcoat"

    def revision() -> int:
        reply = client.get(sheet)
        (size,) = struct.unpack("<I", reply.data[:4])
        return int(json.loads(reply.data[4 : 4 + size])["revision"])

    lay = {"kind": "lay-brush", "paths": ["waistcoat-hem-r"], "brush": mine["id"]}
    laid = client.post(f"{sheet}/commands", json={"revision": revision(), "intent": lay})
    assert laid.status_code == 200
    client.post(f"{sheet}/undo", json={"revision": revision()})
    assert client.delete(f"/api/brushes/{mine['id']}").status_code == 200
    assert client.post(f"{sheet}/redo", json={"revision": revision()}).status_code == 200
    assert mine["id"] in brushes_of_sheet(client)
    assert client.get(f"/api/brushes/{mine['id']}").status_code == 200


SVG = (
    b'<svg xmlns="http://www.w3.org/2000/svg" width="40mm" height="12mm" viewBox="0 0 40 12">'
    b'<path d="M0 5H40V7H0Z" fill="#5f7f52"/><path d="M6 6C12 0 28 0 34 6C28 10 12 10 6 6Z"/></svg>'
)


def test_a_drawing_becomes_a_repeat_and_is_cut_into_pieces(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"copy_of": "saddle"}).get_json()
    data = {"file": (io.BytesIO(SVG), "../vine leaf.svg"), "version": str(mine["version"])}
    taken = client.post(f"/api/brushes/{mine['id']}/artwork", data=data).get_json()
    assert taken["undo"] == "Import vine leaf.svg"
    assert taken["doc"]["courses"][0]["length"]["mm"] == pytest.approx(40)
    cut = {"kind": "cut-in-three", "course": 0, "first": "6 mm", "second": "34 mm"}
    made = make(client, taken, cut).get_json()
    row = made["doc"]["courses"][0]
    pieces = [row["pieces"]["start"], row, row["pieces"]["end"]]
    assert [piece["length"]["mm"] for piece in pieces] == pytest.approx([6, 28, 6])
    assert len({piece["motif"]["width"] for piece in pieces}) == 1
    _, head = trial(client, made["doc"])
    assert head["joints"]["step"] < 1e-4
    assert [place["length"] for place in head["sample"]["places"] if place["name"] in ("start", "end")] == [
        6,
        6,
    ]


def test_a_drawing_becomes_a_piece(client: FlaskClient) -> None:
    mine = client.post("/api/brushes", json={"copy_of": "saddle"}).get_json()
    data = {"file": (io.BytesIO(SVG), "tip.svg"), "version": str(mine["version"]), "place": "end"}
    made = client.post(f"/api/brushes/{mine['id']}/artwork", data=data).get_json()
    assert made["doc"]["courses"][0]["pieces"]["end"]["motif"]["family"] == "artwork"


@pytest.mark.parametrize(
    ("edit", "label"),
    [
        ({"kind": "to-artwork", "course": 0}, "Make it artwork of its own"),
        ({"kind": "turn-artwork", "course": 0, "entered": "30+60"}, "Turn the artwork"),
        (
            {"kind": "set-cell", "course": 0, "start": "1 mm", "end": "9 mm", "baseline": "-0.5 mm"},
            "Set the cell",
        ),
        ({"kind": "cut-centre", "course": 0}, "Cut it from centre to centre"),
    ],
)
def test_own_artwork_is_worked_on(client: FlaskClient, edit: dict[str, Any], label: str) -> None:
    mine = client.post("/api/brushes", json={"family": "scallop"}).get_json()
    made = make(client, mine, edit).get_json()
    assert made["undo"] == label
    assert made["doc"]["courses"][0]["motif"]["family"] == "artwork"
    assert trial(client, made["doc"])[0] == 200


@pytest.mark.parametrize("data", [b"", b"not a drawing", SVG[:60], b"\x89PNG\r\n\x1a\n"])
def test_a_bad_drawing_changes_nothing(client: FlaskClient, data: bytes) -> None:
    mine = client.post("/api/brushes", json={"copy_of": "saddle"}).get_json()
    form = {"file": (io.BytesIO(data), "bad.svg"), "version": str(mine["version"])}
    reply = client.post(f"/api/brushes/{mine['id']}/artwork", data=form)
    assert reply.status_code == 422
    assert brush(client, mine["id"]) == mine


@pytest.mark.parametrize("kind", ["stitch", "rope", "chain", "trim", "border"])
def test_an_empty_brush_of_each_kind_is_drawn_on(client: FlaskClient, kind: str) -> None:
    made = client.post("/api/brushes", json={"empty": kind}).json
    assert made["doc"]["kind"] == kind
    assert made["doc"]["courses"][0]["motif"]["shapes"] == []
    status, _ = trial(client, made["doc"])
    assert status == 200
    assert client.get(f"/api/brushes/{made['id']}/strip.svg").status_code == 200
    figure = {"kind": "add-figure", "course": 0, "figure": "disc", "points": [[0, -1], [3, 1]]}
    drawn = make(client, made, figure).json
    assert len(drawn["doc"]["courses"][0]["motif"]["shapes"]) == 1


def test_there_is_no_empty_brush_of_no_kind(client: FlaskClient) -> None:
    reply = client.post("/api/brushes", json={"empty": "sail"})
    assert reply.status_code == 422
    assert "no kind" in reply.json["detail"]


def test_a_corner_that_its_family_drew_goes_with_the_repeat(client: FlaskClient) -> None:
    """A key border's corner stood between repeats of another drawing."""
    made = client.post("/api/brushes", json={"family": "key"}).json
    assert made["doc"]["courses"][0]["pieces"]["corner_outside"]
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="10mm" height="8mm" viewBox="0 0 10 8">'
        b'<path d="M0 1H10V7H0Z"/></svg>'
    )
    form = {
        "version": str(made["version"]),
        "course": "0",
        "place": "repeat",
        "file": (io.BytesIO(svg), "plate.svg"),
    }
    taken = client.post(f"/api/brushes/{made['id']}/artwork", data=form).json
    assert taken["doc"]["courses"][0]["motif"]["family"] == "artwork"
    assert taken["doc"]["courses"][0]["pieces"]["corner_outside"] is None


@pytest.mark.parametrize(("size", "seen"), [(4e-4, False), (6e-4, True), (0.02, True)])
def test_a_step_that_would_be_written_as_none_is_not_told(size: float, seen: bool) -> None:
    """“A step of 0.000 mm” stood there in red."""
    assert _is_seen(Mismatch("step", 1.0, 1.0 + size, size)) is seen
    assert _is_seen(Mismatch("open", 1.0, None, 0.0))
