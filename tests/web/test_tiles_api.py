"""Tiles and textures over the API: what they come to, the files, and what is refused."""

from __future__ import annotations

import io
import json
import zipfile

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image

from tests.web.test_api import HEM, SHEET, sheet


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


def test_of_a_run_that_is_gone_there_is_no_tile(client: FlaskClient) -> None:
    assert client.get(f"{SHEET}/runs/gone/tile.png").status_code == 404
