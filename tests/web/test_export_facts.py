"""What an export comes to before it is made, and looking at it pixel for pixel."""

from __future__ import annotations

import io
import re
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient
from PIL import Image

from curlet.studio import exports
from tests.web.test_api import HEM, RUN, SHEET, sheet
from tests.web.test_sheets_api import send


def facts(client: FlaskClient, **query: str) -> Any:
    reply = client.get(f"{SHEET}/export.json", query_string=query)
    assert reply.status_code == 200, reply.data
    return reply.json


def test_numbers_are_said_as_they_can_be_entered_again(client: FlaskClient) -> None:
    entered = {"ppi": "1200 ppi", "quality": "87.5", "overlap": "1/2 in", "margin": "2 cm"}
    once = facts(client, form="jpg", trimmed="true", **entered)
    assert once["entered"] == {"ppi": "1200", "quality": "87.5 %", "overlap": "12.7 mm", "margin": "20 mm"}
    assert facts(client, form="jpg", trimmed="true", **once["entered"]) == once


def test_sheets_of_paper_are_counted_as_large_as_the_file_is(client: FlaskClient) -> None:
    assert facts(client, form="pdf")["papers"] == []
    assert len(facts(client, form="pdf", paper="a4")["papers"]) == 2
    large = facts(client, form="pdf", paper="a4", size="garment")
    assert (large["width_mm"], len(large["papers"])) == (1188.0, 25)
    assert facts(client, form="png", paper="a4", size="garment")["width_mm"] == 297.0


def test_each_sheet_of_paper_says_what_it_shows(client: FlaskClient) -> None:
    """Of A4 upright, 12 mm are bare all round: 186 × 273 mm (ISO 216); each has 10 mm of the next."""
    one, other = facts(client, form="pdf", paper="a4", overlap="10 mm")["papers"]
    assert one == {"left": 0, "top": 0, "width": 186, "height": 273}
    assert other == {**one, "left": 176}
    large = facts(client, form="pdf", paper="a4", size="garment")
    papers = large["papers"]
    assert max(paper["left"] + paper["width"] for paper in papers) >= large["width_mm"]
    assert max(paper["top"] + paper["height"] for paper in papers) >= large["height_mm"]
    assert [(paper["left"] == 0, paper["top"] == 0) for paper in papers[:6]] == [
        *((True, True), (False, True), (False, True), (False, True), (False, True), (True, False))
    ]


def test_what_is_too_fine_says_where_and_what_to_do(client: FlaskClient) -> None:
    fine = facts(client, form="png", ppi="40", run=RUN)["fine"]
    seam = next(note for note in fine if note["words"].startswith("Hem R"))
    path = next(path for path in sheet(client)["paths"] if path["id"] == HEM)
    assert (seam["x"], seam["y"]) == pytest.approx((path["nodes"][0]["x"], path["nodes"][0]["y"]), abs=1e-6)
    # What it asks for is enough.
    ppi = re.search(r"Ask for ([\d,]+) ppi", seam["mend"])
    assert ppi is not None
    enough = facts(client, form="png", ppi=ppi[1].replace(",", ""), run=RUN)["fine"]
    assert seam["words"].split(" is ")[0] not in " ".join(note["words"] for note in enough)


@pytest.mark.parametrize("form", ["png", "jpg", "ora"])
def test_a_part_is_shown_pixel_for_pixel(client: FlaskClient, form: str) -> None:
    query = {"form": form, "ppi": "200", "quality": "40", "background": "#e0d0b0" if form == "jpg" else ""}
    whole = client.get(f"{SHEET}/export.{'png' if form == 'ora' else form}", query_string=query)
    every = np.asarray(Image.open(io.BytesIO(whole.data)).convert("RGBA")).astype(int)
    height, width = every.shape[:2]
    for left, top in ((700, 503), (width - 150, height - 90), (0, 0)):
        part = {"left": str(left), "top": str(top), "across": "200", "down": "130"}
        reply = client.get(f"{SHEET}/pixels.png", query_string={**query, **part})
        assert reply.status_code == 200
        seen = np.asarray(Image.open(io.BytesIO(reply.data)).convert("RGBA")).astype(int)
        there = every[top : top + 130, left : left + 200]
        assert seen.shape == there.shape
        assert np.array_equal(seen, there)
    reply = client.get(f"{SHEET}/pixels.png", query_string={**query, "left": str(width)})
    assert reply.status_code == 422
    # A change of the sheet is seen.
    before = client.get(f"{SHEET}/pixels.png", query_string={**query, "across": "2400", "down": "2400"}).data
    send(client, {"kind": "show-run", "run": RUN, "shown": False})
    after = client.get(f"{SHEET}/pixels.png", query_string={**query, "across": "2400", "down": "2400"}).data
    assert before != after


def test_another_part_is_looked_at_without_drawing_it_all_again(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    made: list[str] = []
    export = exports.export

    def counted(title: str, *given: Any) -> Any:
        made.append(title)
        return export(title, *given)

    monkeypatch.setattr(exports, "export", counted)
    times = []
    for left, ppi in (("0", "61"), ("100", "61"), ("100", "61.5")):
        query = {"form": "png", "ppi": ppi, "left": left}
        assert client.get(f"{SHEET}/pixels.png", query_string=query).status_code == 200
        times.append(len(made))
    assert times == [1, 1, 2]


def test_more_pixels_than_there_can_be_are_refused_where_they_are_entered(client: FlaskClient) -> None:
    reply = client.get(f"{SHEET}/export.json", query_string={"form": "png", "ppi": "4800"})
    assert reply.status_code == 413
    assert "Ask for fewer ppi" in reply.get_json(force=True)["detail"]
    assert facts(client, form="svg", ppi="4800")["runs"] == 3
