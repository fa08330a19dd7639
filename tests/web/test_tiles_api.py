"""Tiles and textures over the API: what they come to, the files, and what is refused."""

from __future__ import annotations

import io
import json
import zipfile

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image

from tests.web.test_api import HEM, SHEET, send, sheet


def address(client: FlaskClient, file: str) -> str:
    run = next(run["id"] for run in sheet(client)["runs"] if run["path"] == HEM)
    return f"{SHEET}/runs/{run}/{file}"


def test_a_tile_says_its_size_on_the_garment(client: FlaskClient) -> None:
    found = client.get(address(client, "tile.json"), query_string={"texel": "0.05"}).json
    # Show stitch, 6 + 2.8 mm; the sheet's scale does not count.
    assert (found["width"], found["across"]) == (pytest.approx(8.8), 176)
    assert found["texel"] == pytest.approx([0.05, found["height"] / found["down"]])
    assert found["entered"] == {"texel": "0.05 mm"}
    down = client.get(address(client, "tile.json"), query_string={"spacing": "1 cm"}).json
    assert (down["height"], down["entered"]["spacing"]) == (10, "10 mm")


def test_a_tile_has_the_runs_own_colours(client: FlaskClient) -> None:
    reply = client.get(address(client, "tile.png"), query_string={"texel": "0.1", "lit": False})
    assert "Show stitch, 6 + 2.8 mm, tile.png" in reply.headers["Content-Disposition"]
    picture = np.asarray(Image.open(io.BytesIO(reply.data)))
    assert picture.shape[1] == 88
    solid = picture[picture[..., 3] == 255][:, :3]
    assert {tuple(pixel) for pixel in np.unique(solid, axis=0)} == {(0xE9, 0xC4, 0x6A)}


def test_textures_come_in_one_zip(client: FlaskClient) -> None:
    reply = client.get(address(client, "textures.zip"), query_string={"texel": "0.1", "spacing": "12"})
    with zipfile.ZipFile(io.BytesIO(reply.data)) as pack:
        names = pack.namelist()
        facts = json.loads(pack.read("textures.json"))
    maps = ("colour", "height", "normal OpenGL", "normal DirectX", "roughness")
    assert set(names) == {*(f"{name}.png" for name in maps), "textures.json"}
    assert (facts["height"], facts["tiles"]["down"]) == (12, True)


@pytest.mark.parametrize(
    ("query", "status", "says"),
    [
        ({"texel": "fine"}, 422, "fine"),
        ({"texel": "0"}, 422, "texel"),
        ({"spacing": "-2 mm"}, 422, "spacing"),
        ({"spacing": "900", "texel": "0.005"}, 413, "larger texels"),
    ],
)
def test_what_cannot_be_made_is_said_before_it_is_tried(
    client: FlaskClient, query: dict[str, str], status: int, says: str
) -> None:
    for file in ("tile.json", "tile.png", "textures.zip"):
        reply = client.get(address(client, file), query_string=query)
        assert reply.status_code == status
        assert says in reply.json["detail"]


def test_a_tile_lies_on_a_cloth_of_the_sheet(dressed: FlaskClient) -> None:
    where = address(dressed, "tile.json")
    names = {cloth["name"]: cloth["id"] for cloth in dressed.get(where).json["cloths"]}
    # Each cloth once, by the first that it fills.
    assert set(names) == {
        "Denim, 3 over 1, Front R",
        "Denim, 3 over 1, Welt pocket R",
        "Twill, 2 over 2, Back lining",
    }
    query = {"spacing": "12 mm", "cloth": names["Denim, 3 over 1, Front R"]}
    bare, laid = (dressed.get(where, query_string=each).json for each in ({"spacing": "12 mm"}, query))
    assert laid["height"] % 12 == pytest.approx(0)
    assert laid["width"] / bare["width"] == pytest.approx(round(laid["width"] / bare["width"]))
    png = dressed.get(address(dressed, "tile.png"), query_string=query).data
    picture = np.asarray(Image.open(io.BytesIO(png)))
    assert picture.shape[:2] == (laid["down"], laid["across"])
    assert picture[..., 3].min() == 255
    # Indigo over ecru.
    red, _, blue = picture[..., :3].reshape(-1, 3).mean(axis=0)
    assert blue > red
    turned = dressed.get(where, query_string={**query, "cloth": names["Denim, 3 over 1, Welt pocket R"]}).json
    assert "laid straight" in "".join(turned["notes"])


def test_a_tile_lies_on_the_background_where_it_is_a_cloth(client: FlaskClient) -> None:
    where = address(client, "tile.json")
    assert client.get(where).json["cloths"] == []
    cloth = {"weave": "rib", "ends": 6, "picks": 8}
    assert send(client, {"kind": "set-sheet", "background_cloth": cloth}).status_code == 200
    (found,) = client.get(where).json["cloths"]
    assert found["name"] == "Rib knit, 1 and 1, the background"
    query = {"spacing": "9", "cloth": found["id"]}
    assert client.get(where, query_string=query).json["width"] > 8.8


def test_a_cloth_needs_rows_and_is_there(dressed: FlaskClient) -> None:
    where = address(dressed, "tile.png")
    (first, *_) = dressed.get(address(dressed, "tile.json")).json["cloths"]
    reply = dressed.get(where, query_string={"cloth": first["id"]})
    assert (reply.status_code, "from row to row" in reply.json["detail"]) == (422, True)
    reply = dressed.get(where, query_string={"cloth": "gone", "spacing": "9"})
    assert (reply.status_code, "Choose another" in reply.json["detail"]) == (404, True)


def test_of_a_run_that_is_gone_there_is_no_tile(client: FlaskClient) -> None:
    assert client.get(f"{SHEET}/runs/gone/tile.png").status_code == 404
