"""PDF drawings over the API: one page of them is looked at and taken."""

from __future__ import annotations

import io

from flask.testing import FlaskClient

from tests.reference.test_pdf_in import data, page
from tests.web.test_api import SHEET, sheet
from tests.web.test_dxf_import_api import looked

LINES = "1 0 0 RG 0 0 m 72 0 l S 0 0 1 RG 0 9 m 72 9 l 72 80 l S"


def two_pages() -> bytes:
    """A cover without a line, and a drawing."""
    pdf = page("")
    pdf.add_blank_page(page_size=(144, 144)).Contents = pdf.make_stream(LINES.encode())
    return data(pdf)


def test_a_page_is_chosen_looked_at_and_taken(client: FlaskClient) -> None:
    cover = looked(client, two_pages(), "Tech pack.v2.pdf")
    assert (cover["pages"], cover["groups"]) == (2, [])
    assert cover["notes"] == ["Page 1 has no lines, only text or pictures. Choose another page."]
    found = looked(client, two_pages(), "Tech pack.v2.pdf", page="2")
    assert (found["width"], found["height"], found["pages"]) == (50.8, 50.8, 2)
    colours = client.get(f"/api/drawings/{found['id']}?by=colours").json["groups"]
    assert [(group["mark"], group["paths"]) for group in colours] == [("#ff0000", 1), ("#0000ff", 1)]
    body = {
        "revision": sheet(client)["revision"],
        "title": "Tech pack",
        "by": "colours",
        "taken": {colours[1]["key"]: "Blue seams"},
    }
    reply = client.post(f"{SHEET}/drawings/{found['id']}", json=body)
    assert reply.status_code == 200, reply.data
    head = sheet(client)
    group = next(group["id"] for group in head["groups"] if group["name"] == "Blue seams")
    (path,) = (path for path in head["paths"] if path["group"] == group)
    # 72 pt and 71 pt: 143 / 72 in on paper, four times as long at the sheet's 1:4.
    assert abs(path["length"]["garment"] - 143 / 72 * 25.4 * 4) < 0.01


def test_a_page_that_is_not_there_and_a_cover_taken_whole_are_refused(client: FlaskClient) -> None:
    assert "no page 3" in looked(client, two_pages(), "x.pdf", page="3")["detail"]
    before = sheet(client)["revision"]
    form = {"file": (io.BytesIO(two_pages()), "x.pdf"), "revision": str(before)}
    reply = client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data")
    assert reply.status_code == 422
    assert "Choose another page" in reply.json["detail"]
    assert sheet(client)["revision"] == before
