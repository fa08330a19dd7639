"""A drawing is read aside, sorted as asked, and imported as the person says."""

from __future__ import annotations

import io
import time
from typing import Any

import pytest
from flask.testing import FlaskClient

from curlet.store import journal
from curlet.web.drawings import title_of

SHEET = "programme"
SVG = b"""<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="40mm" viewBox="0 0 80 40">
<g id="Body"><path d="M2 2h30v30h-30z" fill="#335577"/>
<path id="Hem" d="M2 30h30" stroke="#c03030" fill="none"/></g>
<g><title>Pockets</title><path d="M40 5h20v9h-20z" stroke="#c03030" stroke-dasharray="2 1" fill="none"/></g>
<path d="M70 5v30" stroke="#208040" fill="none"/></svg>"""


def begin(client: FlaskClient, data: bytes = SVG, name: str = "flat.svg") -> str:
    reply = client.post("/api/drawings", data={"file": (io.BytesIO(data), name)})
    assert reply.status_code == 200
    return str(reply.get_json()["id"])


def looked(client: FlaskClient, drawing: str, by: str = "layers") -> Any:
    for _ in range(3_000):
        reply = client.get(f"/api/drawings/{drawing}?by={by}")
        if reply.status_code != 200 or reply.get_json()["done"]:
            return reply.get_json()
        time.sleep(0.02)
    raise AssertionError("the drawing was not read")


@pytest.mark.parametrize(
    ("by", "names"),
    [
        ("layers", ["Body", "Pockets", "The drawing"]),
        ("colours", ["Areas in #335577", "Lines in #c03030", "Lines in #208040"]),
        ("one", ["The drawing"]),
    ],
)
def test_lines_are_sorted_as_asked(client: FlaskClient, by: str, names: list[str]) -> None:
    found = looked(client, begin(client), by)
    assert [group["name"] for group in found["groups"]] == names
    assert sum(group["paths"] for group in found["groups"]) == 4
    assert found["width"] == pytest.approx(80)


def test_styles_tell_dashes_apart(client: FlaskClient) -> None:
    groups = looked(client, begin(client), "styles")["groups"]
    assert len(groups) == 4
    assert any("dashed 2, 1 mm" in group["name"] for group in groups)


def test_what_is_chosen_becomes_seam_groups_with_their_marks(client: FlaskClient) -> None:
    drawing = begin(client)
    groups = {group["name"]: group for group in looked(client, drawing)["groups"]}
    body = {
        "revision": journal.current_revision(SHEET),
        "title": "Flat",
        "by": "layers",
        "taken": {groups["Body"]["key"]: "Front", groups["Pockets"]["key"]: ""},
        "fills": False,
    }
    assert client.post(f"/api/sheets/{SHEET}/drawings/{drawing}", json=body).status_code == 200
    state = journal.find_sheet(SHEET)
    (front, pockets) = state.all("group")[-2:]
    assert (front["name"], pockets["name"]) == ("Front", "Pockets")
    assert pockets["mark"] == "#c03030"
    paths = state.all("path")[-3:]
    assert [path["group"] for path in paths] == [front["id"], front["id"], pockets["id"]]
    assert all(path["facts"]["fill"] is None for path in paths)
    assert journal.undo_labels(SHEET)[0] == "Import Flat"
    nothing = {**body, "revision": journal.current_revision(SHEET), "taken": {}}
    reply = client.post(f"/api/sheets/{SHEET}/drawings/{drawing}", json=nothing)
    assert (reply.status_code, "Tick at least one" in reply.get_json()["detail"]) == (422, True)


def test_a_bad_drawing_says_why_and_one_that_is_gone_too(client: FlaskClient) -> None:
    assert "broken XML" in looked(client, begin(client, b"<svg"))["detail"]
    assert "no lines" in looked(client, begin(client, b'<svg xmlns="http://www.w3.org/2000/svg"/>'))["detail"]
    reply = client.get("/api/drawings/none?by=one")
    assert (reply.status_code, "Choose its file again" in reply.get_json()["detail"]) == (404, True)


def test_a_title_is_the_files_own_name() -> None:
    assert title_of("flats/Coat.svg") == "Coat"
    assert title_of(None) == "Drawing"
