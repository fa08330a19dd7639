"""The heart over the API: what a frame says of corners, crossings, pieces and tight places."""

from __future__ import annotations

import io
import json
import re
import struct
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient

from tests.reference.pictures import resvg

PROGRAMME = "/api/sheets/programme"
WAISTCOAT = "/api/sheets/waistcoat"


def frame(client: FlaskClient, address: str = PROGRAMME) -> tuple[dict[str, Any], np.ndarray]:
    reply = client.get(address)
    (size,) = struct.unpack("<I", reply.data[:4])
    return json.loads(reply.data[4 : 4 + size]), np.frombuffer(reply.data[4 + size :], dtype="<f4")


def run_on(head: dict[str, Any], path: str) -> dict[str, Any]:
    return next(run for run in head["runs"] if run["path"] == path)


def send(client: FlaskClient, address: str, intent: dict[str, Any], where: str = "commands") -> Any:
    revision = frame(client, address)[0]["revision"]
    return client.post(f"{address}/{where}", json={"revision": revision, "intent": intent})


def test_the_programme_has_no_faults_and_every_kind_of_brush(client: FlaskClient) -> None:
    head, _ = frame(client)
    assert all(run["fault"] is None if "fault" in run else True for run in head["runs"])
    kinds = {run["settings"]["kind"] for run in head["runs"]}
    assert kinds == {"stitch", "rope", "chain", "trim", "border"}


def test_a_crossing_is_told_with_both_its_passes(client: FlaskClient) -> None:
    run = run_on(frame(client)[0], "programme-knotted-cord")
    (crossing,) = run["crossings"]
    assert crossing["at"][0] < crossing["at"][1] < run["tape"]["length"]
    assert crossing["over"] in crossing["at"]
    reply = send(client, PROGRAMME, {"kind": "flip-crossing", "run": run["id"], "key": crossing["key"]})
    assert reply.status_code == 200
    (flipped,) = run_on(frame(client)[0], "programme-knotted-cord")["crossings"]
    assert flipped["over"] != crossing["over"]
    assert flipped["flipped"]


def test_tight_places_are_told_with_their_radius(client: FlaskClient) -> None:
    run = run_on(frame(client)[0], "programme-knotted-cord")
    assert run["pinches"]
    for pinch in run["pinches"]:
        assert 0 <= pinch["start"] <= pinch["end"] <= run["tape"]["length"]
        assert pinch["radius"] < pinch["needs"]
    assert any(warning["code"] == "pinch" for warning in run["warnings"])


def test_end_pieces_are_on_the_tape_and_are_not_counted(client: FlaskClient) -> None:
    run = run_on(frame(client)[0], "programme-letter-s")
    assert len(run["tape"]["pieces"]) == 2
    assert run["tape"]["pieces"][0] == pytest.approx([0, 8], abs=1e-6)
    assert run["tape"]["slots"]["count"] == 2 * run["rows"][0]["result"]["repeats"]


def test_corner_pieces_take_their_reach_from_each_leg(client: FlaskClient) -> None:
    run = run_on(frame(client)[0], "programme-frame")
    assert [corner["manner"] for corner in run["corners"]] == ["piece"] * 4
    for leg in run["rows"][0]["legs"]:
        assert leg["repeats"] * leg["stitch"]["garment"] == pytest.approx(
            leg["length"]["garment"] - 24, abs=1e-6
        )


def test_a_brush_of_bands_has_no_legs_but_is_drawn(client: FlaskClient) -> None:
    run = run_on(frame(client)[0], "programme-ribbon")
    assert run["main"] is None
    assert run["rows"] == []
    assert len(run["group"]["items"]) == 7


def test_links_stand_at_equal_chords(client: FlaskClient) -> None:
    head, numbers = frame(client)
    run = run_on(head, "programme-lantern-ring")
    place = run["tape"]["slots"]
    slots = numbers[place["at"] : place["at"] + place["count"]].reshape(-1, 2)
    assert len(slots) % 2 == 0
    assert slots[1:, 0] == pytest.approx(slots[:-1, 1], abs=1e-3)


@pytest.mark.parametrize(
    ("value", "status"),
    [
        ([{"channel": "turn", "driver": "chance", "amount": 20}], 200),
        ([{"channel": "turn", "driver": "rhythm", "amount": 20, "wave": [0, 1, -1]}], 200),
        ([], 200),
        ([{"channel": "nothing"}], 422),
        ([{"channel": "turn", "amount": 1e9}], 422),
        ({"channel": "turn"}, 422),
    ],
)
def test_whole_parts_of_a_brush_are_set_at_once(client: FlaskClient, value: Any, status: int) -> None:
    run = run_on(frame(client, WAISTCOAT)[0], "waistcoat-hem-r")
    setting = {"pointer": f"/courses/{run['main']}/sway", "value": value}
    intent = {"kind": "set-on-runs", "runs": [run["id"]], "settings": [setting]}
    before = frame(client, WAISTCOAT)[0]
    reply = send(client, WAISTCOAT, intent)
    assert reply.status_code == status, reply.data[:300]
    if status != 200:
        assert frame(client, WAISTCOAT)[0] == before


def test_a_preview_of_the_start_point_keeps_nothing(client: FlaskClient) -> None:
    before, _ = frame(client)
    run = run_on(before, "programme-lantern-ring")
    reply = send(client, PROGRAMME, {"kind": "slide-start", "run": run["id"], "to": 30.0}, "preview")
    (size,) = struct.unpack("<I", reply.data[:4])
    (moved,) = json.loads(reply.data[4 : 4 + size])["runs"]
    assert moved["start"] != run["start"]
    assert frame(client)[0] == before


@pytest.mark.parametrize(
    "brush", ["rope", "chain", "scallop", "border", "stem", "ribbon", "blade", "twin", "triple"]
)
def test_every_brush_can_be_laid_on_the_waistcoat_and_exported(client: FlaskClient, brush: str) -> None:
    paths = [path["id"] for path in frame(client, WAISTCOAT)[0]["paths"]]
    reply = send(client, WAISTCOAT, {"kind": "lay-brush", "paths": paths, "brush": brush})
    assert reply.status_code == 200
    head, _ = frame(client, WAISTCOAT)
    assert all(run.get("fault") is None for run in head["runs"])
    svg = client.get(f"{WAISTCOAT}/export.svg?what=runs")
    assert svg.status_code == 200
    assert svg.data.count(b'data-brush="') == 12
    png = client.get(f"{WAISTCOAT}/export.png?what=runs&ppi=60")
    assert png.status_code == 200


def test_strips_keep_one_scale_whatever_their_width(client: FlaskClient) -> None:
    widths = set()
    for brush in ("topstitch", "rope", "chain", "ribbon"):
        box = client.get(f"/api/brushes/{brush}/strip.svg").data.split(b'viewBox="')[1].split(b'"')[0]
        widths.add(box.split()[2])
    assert widths == {b"52"}


def test_both_halves_of_a_seam_share_one_stitch_length_and_follow_each_other(client: FlaskClient) -> None:
    head, _ = frame(client, WAISTCOAT)
    right, left = (next(p for p in head["paths"] if p["name"] == f"Hem {side}") for side in "RL")
    brush = run_on(head, right["id"])["brush"]
    send(client, WAISTCOAT, {"kind": "lay-brush", "paths": [right["id"], left["id"]], "brush": brush})
    head, _ = frame(client, WAISTCOAT)
    ids = [run_on(head, path["id"])["id"] for path in (right, left)]
    setting = [{"pointer": "/courses/0/fit/shared", "entered": True}]
    send(client, WAISTCOAT, {"kind": "set-on-runs", "runs": ids, "settings": setting})
    node = right["nodes"][0]
    moved = {"id": node["id"], "x": node["x"] + 3, "y": node["y"] + 5}
    move = {"kind": "move-nodes", "path": right["id"], "moves": [moved]}
    reply = send(client, WAISTCOAT, move, "preview")
    (size,) = struct.unpack("<I", reply.data[:4])
    touched = {run["id"]: run for run in json.loads(reply.data[4 : 4 + size])["runs"]}
    assert set(ids) <= set(touched)
    lengths = {
        round(leg["stitch"]["garment"], 6) for run in touched.values() for leg in run["rows"][0]["legs"]
    }
    assert len(lengths) == 1


def test_a_drawn_line_is_matched_and_dressed(client: FlaskClient) -> None:
    svg = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="20mm" viewBox="0 0 100 20">'
        b'<path id="seam" d="M5 10H95" fill="none" stroke="#c8553d" stroke-width="0.5" '
        b'stroke-dasharray="3 1.5"/></svg>'
    )
    revision = frame(client, WAISTCOAT)[0]["revision"]
    client.post(
        f"{WAISTCOAT}/import", data={"revision": str(revision), "file": (io.BytesIO(svg), "seam.svg")}
    )
    path = next(path for path in frame(client, WAISTCOAT)[0]["paths"] if path["name"] == "seam")
    assert path["lined"]
    assert send(client, WAISTCOAT, {"kind": "match-line", "path": path["id"]}).status_code == 200
    run = run_on(frame(client, WAISTCOAT)[0], path["id"])
    asked = run["rows"][0]["set"]
    assert (asked["stitch"]["paper"], asked["gap"]["paper"]) == (3, 1.5)
    assert run["settings"]["threads"] == ["#c8553d"]
    assert run["rows"][0]["result"]["repeats"] == 20


@pytest.mark.parametrize("brush", ["chain", "belcher", "curb", "topstitch", "blanket"])
def test_a_strip_shows_the_whole_brush(client: FlaskClient, brush: str) -> None:
    """Chains and clasps were cut off at both ends: nothing is drawn on the strip's first and last columns."""
    svg = client.get(f"/api/brushes/{brush}/strip.svg").get_data(as_text=True)
    width, height = (float(re.search(rf'{side}="([\d.]+)mm"', svg)[1]) for side in ("width", "height"))
    picture = resvg(svg, round(width * 12), round(height * 12))[..., 3]
    assert picture.max() > 0.9
    for edge in (picture[:, 0], picture[:, -1], picture[0], picture[-1]):
        assert edge.max() < 0.05


def tape(client: FlaskClient, **asked: Any) -> Any:
    body = {"revision": 0, "run": "", "low": 0, "high": 50, **asked}
    return client.post(f"{PROGRAMME}/tape", json=body)


def test_a_part_of_the_tape_has_the_runs_own_artwork(client: FlaskClient) -> None:
    head, _ = frame(client)
    run = run_on(head, "programme-lantern-ring")
    reply = tape(client, run=run["id"], low=20, high=60)
    (size,) = struct.unpack("<I", reply.data[:4])
    told = json.loads(reply.data[4 : 4 + size])
    assert (told["run"], told["low"], told["high"]) == (run["id"], 20, 60)
    assert told["group"]["items"]
    assert run["tape"]["edges"][0] == pytest.approx(-run["tape"]["edges"][1])


def test_the_tapes_edges_are_on_the_garment_at_any_scale(client: FlaskClient) -> None:
    """At 1:4 too, a thread of 0.8 mm is 0.8 mm wide there."""
    head, _ = frame(client, "/api/sheets/waistcoat")
    (run,) = [run for run in head["runs"] if run["path"] == "waistcoat-hem-r"]
    low, high = run["tape"]["edges"]
    assert high - low == pytest.approx(0.8, abs=0.15)


def test_the_tape_shows_what_is_being_tried(client: FlaskClient) -> None:
    head, _ = frame(client)
    run = run_on(head, "programme-tether")
    before = tape(client, run=run["id"], high=20).data
    threads = [{"pointer": "/threads", "value": ["#123456"]}]
    intent = {"kind": "set-on-runs", "runs": [run["id"]], "settings": threads}
    after = tape(client, run=run["id"], high=20, revision=head["revision"], intent=intent)
    assert b"#123456" in after.data
    assert b"#123456" not in before
    assert tape(client, run=run["id"], revision=head["revision"] + 7, intent=intent).status_code == 409
    assert tape(client, run="gone").status_code in (404, 422)
