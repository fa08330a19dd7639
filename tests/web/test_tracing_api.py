"""Pictures over the API: imported, traced aside, stopped, and put on the Bench."""

from __future__ import annotations

import base64
import io
import re
import time
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image

from tests import pixels as px
from tests.web.test_bench_api import brush, trial


def star() -> np.ndarray:
    return px.paint(px.canvas(200, 300), px.disc(150, 100, 60), (30, 30, 30))


def take(client: FlaskClient, data: bytes, name: str = "star.png") -> Any:
    return client.post("/api/pictures", data={"file": (io.BytesIO(data), name)})


def traced(client: FlaskClient, picture: str, **asked: Any) -> tuple[str, dict[str, Any]]:
    started = client.post("/api/tracings", json={"picture": picture, "asked": {"length": "30 mm", **asked}})
    assert started.status_code == 200, started.get_json(force=True)
    key = started.get_json()["id"]
    until = time.monotonic() + 20
    while time.monotonic() < until:
        shown = client.get(f"/api/tracings/{key}")
        if shown.status_code != 200 or shown.get_json()["done"]:
            return key, shown.get_json(force=True)
        time.sleep(0.02)
    raise AssertionError("the tracing did not end")


def test_a_picture_becomes_the_repeat(client: FlaskClient) -> None:
    picture = take(client, px.encoded(star(), dpi=(254, 254))).get_json()
    assert (picture["columns"], picture["rows"]) == (300, 200)
    assert picture["length"] == pytest.approx(30, abs=0.01)
    key, shown = traced(client, picture["id"])
    assert shown["traced"]["kept"] == shown["traced"]["found"] == 1
    assert shown["traced"]["length"] == 30
    assert shown["traced"]["shapes"][0]["outline"].startswith("M")
    now = brush(client, "lace")
    body = {"version": now["version"], "tracing": key, "course": 0}
    made = client.post("/api/brushes/lace/traced", json=body).get_json()
    row = made["doc"]["courses"][0]
    assert row["motif"]["family"] == "artwork"
    assert row["length"]["mm"] == pytest.approx(12, abs=0.1)
    assert made["undo"] == "Trace a picture"
    _, frame = trial(client, made["doc"], drawing="repeat")
    (shape,) = frame["artwork"]["shapes"]
    assert (shape["length"], shape["width"]) == pytest.approx((12, 12), abs=0.1)


def test_a_picture_is_used_as_it_is_at_any_place(client: FlaskClient) -> None:
    picture = take(client, px.encoded(star())).get_json()
    now = brush(client, "whipped")
    body = {
        "version": now["version"],
        "picture": picture["id"],
        "asked": {"length": "1/2 in"},
        "course": 0,
        "place": "start",
    }
    index = next(i for i, c in enumerate(now["doc"]["courses"]) if c["course"] == "row")
    made = client.post("/api/brushes/whipped/picture", json=body | {"course": index}).get_json()
    piece = made["doc"]["courses"][index]["pieces"]["start"]
    assert piece["motif"]["family"] == "picture"
    assert piece["length"]["mm"] == pytest.approx(12.7)
    status, frame = trial(client, made["doc"], course=index)
    assert status == 200
    (src,) = set(re.findall(r"/api/pictures/\w+\.png", str(frame["sample"]["groups"])))
    assert client.get(src).data == base64.b64decode(piece["motif"]["png"])


def test_a_picture_is_used_cropped_and_lightened_as_it_is_seen(client: FlaskClient) -> None:
    picture = take(client, px.encoded(star())).get_json()
    now = brush(client, "lace")
    asked = {"length": "10 mm", "crop": [0.25, 0, 0.25, 0], "lighten": "40 %"}
    body = {"version": now["version"], "picture": picture["id"], "asked": asked}
    made = client.post("/api/brushes/lace/picture", json=body).get_json()
    motif = made["doc"]["courses"][0]["motif"]
    assert (motif["length"], motif["width"]) == pytest.approx((10, 10 * 200 / 150), abs=0.01)
    pixels = np.asarray(Image.open(io.BytesIO(base64.b64decode(motif["png"]))).convert("RGBA"))
    assert pixels.shape[:2] == (200, 150)
    dark = np.asarray(star())[100, 150, :3]
    assert (pixels[100, 75, :3] > dark).all()


def test_an_outline_truer_than_the_pixels_is_said(client: FlaskClient) -> None:
    picture = take(client, px.encoded(star())).get_json()
    _, coarse = traced(client, picture["id"], within="0.2 mm")
    _, fine = traced(client, picture["id"], within="0.01 mm")
    assert (coarse["traced"]["limited"], fine["traced"]["limited"]) == (False, True)


def test_a_tracing_is_stopped(client: FlaskClient) -> None:
    noise = np.random.default_rng(2).integers(0, 255, (1200, 1600, 4), dtype=np.uint8)
    noise[..., 3] = 255
    picture = take(client, px.encoded(noise)).get_json()
    asked = {"length": "30 mm", "by": "colours", "colours": "20", "specks": "0"}
    key = client.post("/api/tracings", json={"picture": picture["id"], "asked": asked}).get_json()["id"]
    client.delete(f"/api/tracings/{key}")
    until = time.monotonic() + 30
    while not (shown := client.get(f"/api/tracings/{key}").get_json())["done"]:
        assert time.monotonic() < until
        time.sleep(0.05)
    assert (shown["doing"], shown["traced"]) == ("Stopped", None)
    body = {"version": 1, "tracing": key, "course": 0}
    assert client.post("/api/brushes/lace/traced", json=body).status_code == 422


def test_nothing_to_trace_is_said(client: FlaskClient) -> None:
    picture = take(client, px.encoded(px.canvas(50, 50))).get_json()
    _, answer = traced(client, picture["id"])
    assert "Nothing was found" in answer["detail"]


@pytest.mark.parametrize(
    ("asked", "words"),
    [
        ({"length": "soon"}, "not a measure"),
        ({"length": "0 mm"}, "length"),
        ({"colours": "900"}, "Colours"),
        ({"crop": [0.6, 0, 0.6, 0]}, "Nothing of the picture"),
        ({"corners": "3 mm"}, "takes an angle"),
    ],
)
def test_impossible_askings_are_refused(client: FlaskClient, asked: dict[str, Any], words: str) -> None:
    picture = take(client, px.encoded(star())).get_json()
    body = {"picture": picture["id"], "asked": {"length": "30 mm", **asked}}
    answer = client.post("/api/tracings", json=body)
    assert answer.status_code == 422
    assert words in answer.get_json(force=True)["detail"]


def test_what_is_no_picture_or_no_longer_kept_is_said(client: FlaskClient) -> None:
    assert take(client, b"hello", "photo.png").status_code == 422
    assert take(client, px.encoded(star())[:100]).status_code == 422
    body = {"picture": "gone", "asked": {"length": "30 mm"}}
    assert client.post("/api/tracings", json=body).status_code == 404
    assert client.get("/api/tracings/gone").status_code == 404


def test_artwork_is_given_out_and_imported_again(client: FlaskClient) -> None:
    given = client.get("/api/brushes/lace/artwork.svg?course=0&place=repeat")
    assert given.status_code == 200
    assert given.headers["Content-Type"].startswith("image/svg+xml")
    assert b'width="12' in given.data
    now = brush(client, "lace")
    files = {"file": (io.BytesIO(given.data), "lace.svg"), "version": str(now["version"]), "course": "0"}
    again = client.post("/api/brushes/lace/artwork", data=files).get_json()
    assert again["doc"]["courses"][0]["motif"]["family"] == "artwork"
    assert client.get("/api/brushes/lace/artwork.svg?course=0&place=start").status_code == 422


def test_drawing_on_a_brush_shows_its_shapes_and_what_they_snap_to(client: FlaskClient) -> None:
    doc = brush(client, "scallop")["doc"]
    edit = {"kind": "add-figure", "course": 0, "figure": "disc", "entered": ["2 mm", "1 mm", "1 mm", "1 mm"]}
    status, frame = trial(client, doc, edit=edit, drawing="repeat")
    assert status == 200
    shape = frame["artwork"]["shapes"][-1]
    assert (shape["x"], shape["y"], shape["length"]) == pytest.approx((2, 1, 1), abs=1e-3)
    assert {1.5, 2.0, 2.5} <= {round(value, 3) for value in frame["artwork"]["along"]}
    assert trial(client, doc)[1]["artwork"] is None
    assert trial(client, doc, drawing="join")[1]["artwork"] is None


def test_the_newest_six_pictures_are_kept(client: FlaskClient) -> None:
    pictures = [
        take(client, px.encoded(px.canvas(8, 8 + number, (9 * number, 90, 200)))).get_json()["id"]
        for number in range(7)
    ]
    asked = {"asked": {"length": "30 mm"}}
    replies = [client.post("/api/tracings", json={"picture": picture, **asked}) for picture in pictures]
    assert [reply.status_code for reply in replies[:2]] == [404, 200]
    assert "no longer kept" in replies[0].get_json(force=True)["detail"]
