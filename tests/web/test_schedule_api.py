"""The schedule over the API: tables for the page, and files to keep."""

from __future__ import annotations

import csv
import io
from typing import Any

import pypdfium2 as pdfium
import pytest
from flask.testing import FlaskClient

from tests.web.test_api import HEM, SHEET, read_frame, send, sheet


def shown(client: FlaskClient, **query: str) -> dict[str, Any]:
    reply = client.get(f"{SHEET}/schedule.json", query_string=query)
    assert reply.status_code == 200, reply.data
    return reply.json


def table(client: FlaskClient, by: str, **query: str) -> dict[str, Any]:
    return next(each for each in shown(client, **query)["tables"] if each["by"] == by)


def column(found: dict[str, Any], key: str) -> list[Any]:
    at = [column["key"] for column in found["columns"]].index(key)
    return [line["values"][at] for line in found["lines"]]


def test_every_run_that_is_seen_has_a_line_that_leads_to_its_path(client: FlaskClient) -> None:
    found, head = table(client, "run"), sheet(client)
    assert sorted(path for line in found["lines"] for path in line["paths"]) == sorted(
        run["path"] for run in head["runs"]
    )
    names = {path["id"]: path["name"] for path in head["paths"]}
    assert all(line["texts"][0] == names[line["paths"][0]] for line in found["lines"])
    send(client, {"kind": "show-paths", "paths": [HEM], "shown": False})
    assert HEM not in [path for line in table(client, "run")["lines"] for path in line["paths"]]


def test_groups_brushes_and_shades_have_the_same_sums(client: FlaskClient) -> None:
    tables = {by: table(client, by) for by in ("run", "group", "brush", "shade")}
    for key in ("length", "thread"):
        per_run = sum(value or 0 for value in column(tables["run"], key))
        for by in ("group", "brush"):
            assert sum(value or 0 for value in column(tables[by], key)) == pytest.approx(per_run)
    thread = sum(value or 0 for value in column(tables["run"], "thread"))
    assert sum(value or 0 for value in column(tables["shade"], "thread")) == pytest.approx(thread)


def test_allowances_are_read_as_entered_and_told_back(client: FlaskClient) -> None:
    plain, more = table(client, "run", waste="0"), table(client, "run", waste="30 %")
    for before, after in zip(column(plain, "thread"), column(more, "thread"), strict=True):
        assert after == pytest.approx(1.3 * before) if before else after is None
    assert shown(client, waste="12.5", ends="1/2 in")["entered"] == {"waste": "12.5 %", "ends": "12.7 mm"}
    reply = client.get(f"{SHEET}/schedule.json", query_string={"waste": "much"})
    assert (reply.status_code, "much" in reply.json["detail"]) == (422, True)
    assert client.get(f"{SHEET}/schedule.json", query_string={"ends": "-3 mm"}).status_code == 422


def test_a_sheet_in_inches_is_told_in_inches(client: FlaskClient) -> None:
    send(client, {"kind": "set-sheet", "unit": "in"})
    found = shown(client)
    headings = [column["heading"] for column in found["tables"][0]["columns"]]
    assert "Length, in" in headings
    assert "Thread, yd" in headings
    assert "0.591 in at each end" in found["notes"][2]


def test_what_cannot_be_laid_is_named_and_the_others_are_told(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    from curlet.core.errors import BadInput
    from curlet.studio import schedule

    lay_row, runs = schedule.lay_row, len(sheet(client)["runs"])

    def lays(state: Any, run: Any) -> Any:
        if run["path"] == HEM:
            raise BadInput("It folds over itself.")
        return lay_row(state, run)

    monkeypatch.setattr(schedule, "lay_row", lays)
    found = shown(client)
    assert found["notes"][-1] == "Hem R is not in it: It folds over itself."
    assert len(found["tables"][0]["lines"]) == runs - 1


@pytest.mark.parametrize("by", ["run", "group", "brush", "shade"])
def test_csv_has_what_the_page_shows(client: FlaskClient, by: str) -> None:
    reply = client.get(f"{SHEET}/schedule.csv", query_string={"by": by})
    assert reply.headers["Content-Type"].startswith("text/csv; charset=utf-8")
    assert "schedule by" in reply.headers["Content-Disposition"]
    lines = list(csv.reader(io.StringIO(reply.data.decode(), newline="")))
    found = table(client, by)
    assert lines[0] == [column["heading"] for column in found["columns"]]
    told = [[text.replace(",", "") for text in line["texts"]] for line in (*found["lines"], found["sums"])]
    assert [[cell.replace(",", "") for cell in line] for line in lines[1:]] == told


def test_the_pdf_has_every_path_as_text_and_numbers_its_pages(client: FlaskClient) -> None:
    reply = client.get("/api/sheets/curtain/schedule.pdf", query_string={"paper": "letter"})
    document = pdfium.PdfDocument(reply.data)
    texts = [page.get_textpage().get_text_range() for page in document]
    whole = "\n".join(texts)
    head = read_frame(client.get("/api/sheets/curtain"))[0]
    laid = {run["path"] for run in head["runs"]}
    assert all(path["name"] in whole for path in head["paths"] if path["id"] in laid)
    assert all(f"page {at} of {len(texts)}" in text for at, text in enumerate(texts, 1))
    for page in document:
        assert page.get_size() == pytest.approx((792, 612))
    for heading in ("By path", "By seam group", "By brush", "By shade"):
        assert heading in whole
    document.close()


def work_page(client: FlaskClient, sheet_id: str = "waistcoat", **query: str) -> list[str]:
    reply = client.get(f"/api/sheets/{sheet_id}/work-page.pdf", query_string=query)
    assert reply.status_code == 200, reply.data
    document = pdfium.PdfDocument(reply.data)
    texts = [page.get_textpage().get_text_range() for page in document]
    assert {tuple(map(round, page.get_size())) for page in document} == (
        {(1191, 842)} if query.get("paper") == "a3" else {(842, 595)}
    )
    document.close()
    return texts


def test_a_work_page_says_how_every_kind_of_seam_is_made(client: FlaskClient) -> None:
    flat, brushes, *tables = work_page(client)
    assert "Usher’s waistcoat" in flat
    assert "200 mm on the garment; drawn at 1:4" in flat
    # Nobody gave it call-outs: it has one for all seams of which the same is said.
    head = sheet(client)
    assert flat.count("Show stitch 301, 6 + 2.8 mm") == 1
    names = {brush["name"] for brush in head["brushes"] if brush["used_by"]}
    assert all(name.partition(",")[0] in flat for name in names)
    assert all(name in brushes for name in names)
    # In the order of the sheet, whichever was laid first.
    assert "On Front edge R, Hem R" in brushes
    assert "By shade" in "".join(tables)


def test_a_work_page_has_the_sheets_own_call_outs(client: FlaskClient) -> None:
    run = sheet(client)["runs"][0]["id"]
    send(client, {"kind": "add-callouts", "runs": [run]})
    (one,) = sheet(client)["callouts"]
    send(client, {"kind": "set-callout", "callout": one["id"], "text": "As on the last one"})
    flat = work_page(client, paper="a3")[0]
    assert "As on the last one" in flat
    assert "Show stitch 301" not in flat
    assert len(sheet(client)["callouts"]) == 1


def test_a_work_page_shows_the_shade_card_in_every_colourway(client: FlaskClient) -> None:
    send(client, {"kind": "add-shade", "name": "Moss", "colour": "#556b2f"})
    text = "".join(work_page(client))
    assert "Shade card" in text
    assert "Moss #556b2f" in text.replace("  ", " ")


def test_of_a_sheet_with_nothing_on_it_there_is_no_work_page(client: FlaskClient) -> None:
    new = client.post("/api/sheets", json={"width": "100", "height": "100"}).json["id"]
    reply = client.get(f"/api/sheets/{new}/work-page.pdf")
    assert (reply.status_code, "Lay a brush first" in reply.json["detail"]) == (422, True)
    assert client.get(f"/api/sheets/{new}/schedule.pdf").status_code == 200
