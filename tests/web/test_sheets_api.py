"""Sheets, pictures, fonts and measures over the API: what a page is told, and how a fault is answered."""

from __future__ import annotations

import io
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image
from werkzeug.test import TestResponse

from curlet.formats.fonts import FOLDER
from tests.pixels import canvas, encoded
from tests.web.test_api import HEM, SHEET, read_frame, sheet
from tests.web.test_api import send as ask

NEW = {"name": "Lantern banner", "width": "11", "height": "17", "scale": "1:2", "unit": "in"}


def send(client: FlaskClient, intent: dict[str, Any]) -> dict[str, Any]:
    """Do one thing; the sheet after it."""
    return read_frame(ask(client, intent))[0]


def listed(client: FlaskClient, archived: bool = False) -> list[dict[str, Any]]:
    return client.get("/api/sheets", query_string={"archived": archived}).json["sheets"]


def begun(client: FlaskClient, **values: str) -> str:
    reply = client.post("/api/sheets", json={**NEW, **values})
    assert reply.status_code == 200, reply.data
    return str(reply.json["id"])


def lay_under(client: FlaskClient, data: bytes, name: str = "scan.png") -> TestResponse:
    form = {"revision": sheet(client)["revision"], "file": (io.BytesIO(data), name)}
    return client.post(f"{SHEET}/guides", data=form, content_type="multipart/form-data")


def test_every_sheet_of_the_demo_is_listed_with_what_lies_on_it(client: FlaskClient) -> None:
    sheets = {row["id"]: row for row in listed(client)}
    assert {"waistcoat", "satchel", "curtain", "coat", "programme"} <= set(sheets)
    assert all(row["paths"] > 0 and row["runs"] > 0 for row in sheets.values())
    assert sheets["waistcoat"]["paths"] == len(sheet(client)["paths"])


def test_a_new_sheet_in_inches_has_its_sides_in_mm(client: FlaskClient) -> None:
    head, _ = read_frame(client.get(f"/api/sheets/{begun(client)}"))
    assert head["sheet"]["width"] == pytest.approx(11 * 25.4)
    assert (head["sheet"]["scale"], head["sheet"]["unit"], head["sheet"]["factor"]) == ("1:2", "in", 0.5)
    assert head["paths"] == []


@pytest.mark.parametrize(
    ("values", "says"),
    [
        ({"width": "wide"}, "not a measure"),
        ({"height": "0"}, "side"),
        ({"scale": "big"}, "1:4"),
        ({"width": "4 km"}, "measure"),
    ],
)
def test_a_sheet_that_cannot_be_begun_says_why(
    client: FlaskClient, values: dict[str, str], says: str
) -> None:
    before = len(listed(client))
    reply = client.post("/api/sheets", json={**NEW, **values})
    assert reply.status_code == 422
    assert says in reply.json["detail"]
    assert len(listed(client)) == before


def test_a_duplicate_has_everything_under_ids_of_its_own(client: FlaskClient) -> None:
    copy = client.post(f"{SHEET}/duplicate").json["id"]
    one, other = sheet(client), read_frame(client.get(f"/api/sheets/{copy}"))[0]
    assert other["sheet"]["name"] != one["sheet"]["name"]
    for kind in ("paths", "runs", "groups"):
        assert len(other[kind]) == len(one[kind])
        assert not {row["id"] for row in other[kind]} & {row["id"] for row in one[kind]}
    counts = [[row["result"]["repeats"] for row in run["rows"]] for run in one["runs"]]
    assert [[row["result"]["repeats"] for row in run["rows"]] for run in other["runs"]] == counts
    # A change to one leaves the other as it was.
    send(client, {"kind": "delete-paths", "paths": [HEM]})
    assert len(read_frame(client.get(f"/api/sheets/{copy}"))[0]["paths"]) == len(one["paths"])


def test_the_last_sheet_cannot_be_archived_and_what_is_archived_is_restored(client: FlaskClient) -> None:
    ids = [row["id"] for row in listed(client)]
    for sheet_id in ids[:-1]:
        assert client.post(f"/api/sheets/{sheet_id}/archive", json={"archived": True}).status_code == 200
    refused = client.post(f"/api/sheets/{ids[-1]}/archive", json={"archived": True})
    assert refused.status_code == 422
    assert "Create another" in refused.json["detail"]
    assert {row["id"] for row in listed(client, archived=True)} == set(ids[:-1])
    client.post(f"/api/sheets/{ids[0]}/archive", json={"archived": False})
    assert {row["id"] for row in listed(client)} == {ids[0], ids[-1]}
    assert client.post("/api/sheets/nowhere/archive", json={"archived": True}).status_code == 404


def test_a_thumbnail_shows_the_sheet_on_its_background_and_what_is_hidden_is_not_on_it(
    client: FlaskClient,
) -> None:
    def pixels() -> np.ndarray:
        revision = sheet(client)["revision"]
        reply = client.get(f"{SHEET}/thumbnail.png", query_string={"revision": revision})
        return np.asarray(Image.open(io.BytesIO(reply.data)).convert("RGB")).astype(int)

    first = pixels()
    height, width, _ = first.shape
    assert max(width, height) == pytest.approx(480, abs=2)
    assert first[2, 2].tolist() == [0xF7, 0xF4, 0xEB]
    every = [path["id"] for path in sheet(client)["paths"]]
    send(client, {"kind": "show-paths", "paths": every, "shown": False})
    bare = pixels()
    assert (bare == bare[2, 2]).all()
    send(client, {"kind": "set-sheet", "background": "dark"})
    assert pixels()[2, 2].tolist() == [0x2A, 0x2F, 0x3A]


def test_a_thumbnail_is_kept_by_its_revision_and_asked_for_anew_without_one(client: FlaskClient) -> None:
    by_revision = client.get(f"{SHEET}/thumbnail.png", query_string={"revision": 1})
    assert "immutable" in by_revision.headers["Cache-Control"]
    assert client.get(f"{SHEET}/thumbnail.png").headers["Cache-Control"] == "no-store"


@pytest.mark.parametrize("form", ["PNG", "JPEG", "WEBP"])
def test_pictures_of_every_kind_are_laid_under_and_come_back_as_png(client: FlaskClient, form: str) -> None:
    reply = lay_under(client, encoded(canvas(30, 60, (9, 90, 200)), form), f"a/b/flat.{form.lower()}")
    (guide,) = read_frame(reply)[0]["guides"]
    assert guide["name"] == "flat"
    assert guide["width"] == pytest.approx(2 * guide["height"])
    picture = Image.open(io.BytesIO(client.get(guide["src"]).data)).convert("RGB")
    assert picture.size == (60, 30)
    assert picture.getpixel((30, 15)) == pytest.approx((9, 90, 200), abs=4)


@pytest.mark.parametrize(
    "data", [b"", b"GIF89a" + bytes(40), encoded(canvas(8, 8))[:45], b"<svg><script>1</script>"]
)
def test_a_picture_that_cannot_be_read_is_refused_and_nothing_changes(
    client: FlaskClient, data: bytes
) -> None:
    before = sheet(client)
    reply = lay_under(client, data)
    assert reply.status_code == 422
    assert len(reply.json["detail"]) > 20
    after = sheet(client)
    assert (after["revision"], after["guides"]) == (before["revision"], [])


def test_a_picture_that_is_not_kept_is_not_found(client: FlaskClient) -> None:
    assert client.get("/api/pictures/none.png").status_code == 404


def test_fonts_are_listed_brought_and_let_go(client: FlaskClient) -> None:
    own = client.get("/api/fonts").json["fonts"]
    assert len([font for font in own if not font["single_line"]]) >= 5
    assert len([font for font in own if font["single_line"]]) >= 3
    form = {"file": (io.BytesIO((FOLDER / "pacifico.woff2").read_bytes()), "hand.woff2")}
    brought = client.post("/api/fonts", data=form, content_type="multipart/form-data").json
    send(client, {"kind": "write-lettering", "text": "Moon", "font": brought["id"]})
    refused = client.delete(f"/api/fonts/{brought['id']}")
    assert refused.status_code == 409
    text = sheet(client)["letterings"][0]["id"]
    send(client, {"kind": "free-lettering", "lettering": text})
    left = client.delete(f"/api/fonts/{brought['id']}").json["fonts"]
    assert [font["id"] for font in left] == [font["id"] for font in own]


def measured(client: FlaskClient, **doc: object) -> dict[str, Any]:
    reply = client.post(f"{SHEET}/measure", json=doc)
    assert reply.status_code == 200, reply.data
    return dict(reply.json)


def test_measures_are_told_as_used_and_as_printed_in_the_sheets_unit(client: FlaskClient) -> None:
    straight = measured(client, what="straight", places=[[10, 10], [40, 50]])
    assert (straight["text"], straight["paper"]) == ("200.0 mm", "50.0 mm on paper")
    angle = measured(client, what="angle", places=[[10, 0], [0, 0], [0, 10]])
    assert (angle["text"], angle["paper"], angle["angle"]) == ("90.0°", "", True)
    circle = measured(client, what="radius", places=[[10, 0], [0, 10], [-10, 0]])
    assert circle["text"] == "radius 40.0 mm"
    send(client, {"kind": "set-sheet", "unit": "in"})
    assert measured(client, what="straight", places=[[10, 10], [40, 50]])["text"] == "7.874 in"


def test_a_measure_without_its_places_says_what_to_press(client: FlaskClient) -> None:
    reply = client.post(f"{SHEET}/measure", json={"what": "angle", "places": [[0, 0], [1, 1]]})
    assert reply.status_code == 422
    assert "Press the places" in reply.json["detail"]


def test_a_kept_measure_follows_its_path_and_says_when_it_cannot(client: FlaskClient) -> None:
    nodes = next(path for path in sheet(client)["paths"] if path["id"] == HEM)["nodes"]
    places = [[nodes[0]["x"], nodes[0]["y"]], [nodes[-1]["x"], nodes[-1]["y"]]]
    mark = {"what": "along", "path": HEM, "places": places}
    send(client, {"kind": "keep-mark", "mark": mark})
    (kept,) = sheet(client)["marks"]
    # Carried far off it is as long, and lies where the path does.
    send(client, {"kind": "move-paths", "paths": [HEM], "x": 90, "y": -120})
    (moved,) = sheet(client)["marks"]
    assert moved["text"] == kept["text"]
    assert np.array(moved["line"]) == pytest.approx(np.array(kept["line"]) + (90, -120), abs=1e-3)
    # Without the node that it was measured from it says so.
    send(client, {"kind": "delete-nodes", "path": HEM, "nodes": [nodes[0]["id"]]})
    (lost,) = sheet(client)["marks"]
    assert "Measure it again" in lost["fault"]
    send(client, {"kind": "delete-paths", "paths": [HEM]})
    assert sheet(client)["marks"] == []


def test_warnings_of_a_sheet_in_inches_are_in_inches(client: FlaskClient) -> None:
    gap = {"pointer": "/courses/0/gap", "entered": "0"}
    send(client, {"kind": "set-on-runs", "runs": [f"run-{HEM}"], "settings": [gap]})

    def solid() -> dict[str, Any]:
        run = next(run for run in sheet(client)["runs"] if run["id"] == f"run-{HEM}")
        return next(w for w in run["warnings"] if w["code"] == "solid-line")

    metric = solid()
    send(client, {"kind": "set-sheet", "unit": "in"})
    inches = solid()
    assert " mm" in metric["message"]
    assert " mm" not in inches["message"] + inches["mend"]["label"]
    # What the mend types is the same length.
    assert inches["mend"]["settings"] == metric["mend"]["settings"]


def test_a_cloth_as_background_travels_as_a_paint_and_sets_the_tone_of_the_marks(client: FlaskClient) -> None:
    dark = {"weave": "felt", "warp": "#101820"}
    send(client, {"kind": "set-sheet", "background_cloth": dark})
    background = sheet(client)["sheet"]
    assert (background["background"], background["background_tone"]) == ("cloth", "dark")
    assert background["background_paint"]["type"] in ("solid", "tiling")
    send(
        client,
        {"kind": "set-sheet", "background_cloth": {"weave": "plain", "warp": "#f4ead8", "weft": "#ffffff"}},
    )
    woven = sheet(client)["sheet"]
    assert woven["background_tone"] == "light"
    assert woven["background_paint"]["type"] == "tiling"
    assert woven["background_paint"]["width"] > 0


def test_typed_places_and_weaves_are_answered(client: FlaskClient) -> None:
    query = {"x": "10 cm", "y": "1 in"}
    spot = client.get(f"{SHEET}/place", query_string=query).json
    # 1:4, so a quarter of what is on the garment.
    assert (spot["x"], spot["y"]) == (pytest.approx(25), pytest.approx(25.4 / 4))
    assert {weave["id"] for weave in client.get("/api/weaves").json["weaves"]} >= {"plain", "twill", "knit"}


def test_single_repeats_are_placed_by_hand_and_by_number(client: FlaskClient) -> None:
    send(client, {"kind": "place-single", "brush": "topstitch", "x": 50, "y": 60})
    (one,) = sheet(client)["singles"]
    send(client, {"kind": "set-single", "single": one["id"], "left": "20 cm", "toward": [50, 80]})
    (moved,) = sheet(client)["singles"]
    assert (moved["x"], moved["y"]) == (pytest.approx(50), 60)
    assert moved["turn"] == pytest.approx(90)
    refused = ask(client, {"kind": "set-single", "single": one["id"], "size": "0 %"})
    assert refused.status_code == 422
    assert ask(client, {"kind": "set-single", "single": "gone", "turn": "9"}).status_code == 404


def test_a_refusal_is_in_the_sheets_unit(client: FlaskClient) -> None:
    longer = [{"pointer": "/courses/0/length", "entered": "1e6 mm"}]
    intent = {"kind": "set-on-runs", "runs": [f"run-{HEM}"], "settings": longer}
    metric = str(ask(client, intent).json["detail"])
    send(client, {"kind": "set-sheet", "unit": "in"})
    inches = str(ask(client, intent).json["detail"])
    assert "1,000,000 mm" in metric
    assert "39,370.0787 in" in inches
    assert " mm" not in inches
    assert "0.1181 in to 0.1575 in is usual" in inches
