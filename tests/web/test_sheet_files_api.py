"""Sheet files and back-ups over the API: out, in, and put back while the application serves."""

from __future__ import annotations

import io
import sqlite3
from typing import Any

import pytest
from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from curlet.store import journal
from tests.web.test_api import HEM, SHEET, send, sheet
from tests.web.test_sheets_api import listed


def sent(client: FlaskClient, address: str, data: bytes, name: str = "a.zip", **fields: Any) -> TestResponse:
    key = "files" if address.endswith("/sheet-files") else "file"
    form = {key: (io.BytesIO(data), name), **fields}
    return client.post(address, data=form, content_type="multipart/form-data")


def test_a_sheet_leaves_as_a_file_and_comes_in_as_a_new_one(client: FlaskClient) -> None:
    reply = client.get(f"{SHEET}/sheet-file")
    assert reply.status_code == 200
    assert reply.content_type == "application/zip"
    assert "waistcoat.curlet-sheet.zip" in reply.headers["Content-Disposition"]
    taken = sent(client, "/api/sheet-files", reply.data).json["taken"]
    assert [item["name"] for item in taken] == [f"{sheet(client)['sheet']['name']} 2"]
    copy = client.get(f"/api/sheets/{taken[0]['id']}")
    assert copy.status_code == 200
    assert len(listed(client)) == len({row["id"] for row in listed(client)})


def test_all_sheets_leave_in_one_file_and_come_in_together(client: FlaskClient) -> None:
    before = listed(client)
    pack = client.get("/api/sheet-files?history=true").data
    taken = sent(client, "/api/sheet-files", pack).json["taken"]
    assert [item["name"] for item in taken] == [f"{row['name']} 2" for row in before]
    assert len(listed(client)) == 2 * len(before)
    assert client.get("/api/sheet-files?archived=true").status_code == 422


def test_of_several_files_all_are_taken_or_none(client: FlaskClient) -> None:
    good = client.get(f"{SHEET}/sheet-file").data
    form = {"files": [(io.BytesIO(good), "a.zip"), (io.BytesIO(b"bad"), "b.zip")]}
    reply = client.post("/api/sheet-files", data=form, content_type="multipart/form-data")
    assert reply.status_code == 422
    assert "“b.zip” is not a sheet file" in reply.json["detail"]
    assert not [row for row in listed(client) if row["name"].endswith(" 2")]


def test_a_file_takes_a_sheets_place_and_undo_brings_it_back(client: FlaskClient) -> None:
    file = client.get("/api/sheets/programme/sheet-file").data
    name = sheet(client)["sheet"]["name"]
    reply = sent(client, f"{SHEET}/sheet-file", file, revision=str(sheet(client)["revision"]))
    assert reply.json == {"id": "waistcoat", "name": "Season programme"}
    assert sheet(client)["undo"] == "Replace with Season programme"
    client.post(f"{SHEET}/undo", json={"revision": sheet(client)["revision"]})
    assert sheet(client)["sheet"]["name"] == name
    assert sent(client, f"{SHEET}/sheet-file", file, revision="1").status_code == 409
    pack = client.get("/api/sheet-files").data
    reply = sent(client, f"{SHEET}/sheet-file", pack, revision=str(sheet(client)["revision"]))
    assert "holds 5 sheets" in reply.json["detail"]


def rename(client: FlaskClient, name: str) -> None:
    assert send(client, {"kind": "rename-path", "path": HEM, "name": name}).status_code == 200


def hem(client: FlaskClient) -> str:
    return next(path["name"] for path in sheet(client)["paths"] if path["id"] == HEM)


def test_a_back_up_is_everything_and_is_put_back_while_it_serves(client: FlaskClient, tmp_path: Any) -> None:
    reply = client.get("/api/back-up")
    assert reply.headers["Content-Disposition"].startswith("attachment; filename=curlet-20")
    copy = tmp_path / "saved.sqlite"
    copy.write_bytes(reply.data)
    with sqlite3.connect(copy) as db:
        assert db.execute("PRAGMA integrity_check").fetchone() == ("ok",)
    before, revision = hem(client), sheet(client)["revision"]
    rename(client, "Changed since")
    kept = sent(client, "/api/back-up-files", reply.data, "saved.sqlite").json["before"]
    assert hem(client) == before
    # A page that is open is told that the sheet has moved on.
    assert sheet(client)["revision"] > revision + 1
    names = [row["name"] for row in client.get("/api/back-ups").json["kept"]]
    assert kept in names
    assert client.post("/api/back-ups/restore", json={"name": kept}).status_code == 200
    assert hem(client) == "Changed since"
    assert journal.undo_labels("waistcoat")[0] == "Rename to Changed since"


def test_back_ups_say_when_and_why_they_were_made(client: FlaskClient, tmp_path: Any) -> None:
    from curlet.store.backups import back_up, copy_beside

    database = tmp_path / "curlet.sqlite"
    assert client.get("/api/back-ups").json == {"kept": []}
    back_up(database)
    copy_beside(database, "before-version-21")
    (tmp_path / "backups" / "notes.sqlite").write_bytes(b"")
    kept = client.get("/api/back-ups").json["kept"]
    assert sorted(row["before"] for row in kept) == ["", "an update"]
    assert all(row["size"] > 50_000 and row["made"].startswith("20") for row in kept)


def test_what_is_restored_and_undone_in_one_second_is_all_kept(
    client: FlaskClient, tmp_path: Any, monkeypatch: pytest.MonkeyPatch
) -> None:
    from curlet.store import backups

    monkeypatch.setattr(backups, "_now", lambda: "2026-05-04-090807")
    made = [backups.copy_beside(tmp_path / "curlet.sqlite", "before-restore") for _ in range(12)]
    assert len({*made}) == 12
    kept = client.get("/api/back-ups").json["kept"]
    # Newest first.
    assert [row["name"] for row in kept] == [file.name for file in reversed(made)]
    assert {(row["made"], row["before"]) for row in kept} == {("2026-05-04T09:08:07", "a restore")}
    for row in kept:
        assert backups.find_kept(tmp_path / "curlet.sqlite", row["name"]).is_file()


@pytest.mark.parametrize("name", ["../curlet.sqlite", "notes.sqlite", "curlet-2020-01-01-000000.sqlite", ""])
def test_only_what_is_listed_can_be_put_back(client: FlaskClient, name: str) -> None:
    assert client.post("/api/back-ups/restore", json={"name": name}).status_code == 404


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"not a database", "saved.sqlite is not a database"),
        (b"SQLite format 3\0" + b"\xff" * 200, "saved.sqlite is a damaged database"),
    ],
)
def test_what_is_no_back_up_is_refused_and_changes_nothing(
    client: FlaskClient, data: bytes, says: str
) -> None:
    before = sheet(client)["revision"]
    reply = sent(client, "/api/back-up-files", data, "saved.sqlite")
    assert reply.status_code == 422
    assert reply.json["detail"].startswith(says)
    assert sheet(client)["revision"] == before
