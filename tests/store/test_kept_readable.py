"""Kept means readable: what could not be opened again is never kept, and one bad row is one bad row."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path as FilePath
from typing import Any

import orjson
import pytest
from flask.testing import FlaskClient

from curlet.core.errors import BadInput
from curlet.formats.brush_file import BrushDoc
from curlet.formats.names import MAX_LETTERS
from curlet.store import bench, journal, motifs, repair
from curlet.store.errors import Missing
from curlet.store.models import Brush, Motif, Run, SheetPath
from curlet.web.app import create_app
from tests.web.test_api import SHEET, read_frame, send, sheet

HEM, RUN = "waistcoat-hem-r", "run-waistcoat-hem-r"
LONG = "n" * MAX_LETTERS


def damage(store: FilePath, table: str, row: str, column: str, text: str) -> None:
    """Change a kept text as a fault of the disk or another program would."""
    with closing(sqlite3.connect(store)) as other:
        other.execute(f'UPDATE "{table}" SET "{column}" = ? WHERE id = ?', (text, row))
        other.commit()


@pytest.fixture
def hardy(store: FilePath) -> FlaskClient:
    return create_app(store, busy_seconds=0.2).test_client()


@pytest.mark.parametrize(
    ("column", "value"),
    [
        ("facts", {"weight": float("inf")}),
        ("facts", {"weight": -1.0}),
        ("facts", {"dashes": [1e9]}),
        ("facts", {"stroke_opacity": float("nan")}),
        ("nodes", []),
        ("nodes", [{"id": "a", "x": 1e300, "y": 0}]),
        ("fill", {"weave": "no such weave"}),
        ("swell", [{"at": 3, "width": 1}]),
    ],
)
def test_what_could_not_be_opened_again_is_not_kept(store: FilePath, column: str, value: Any) -> None:
    before = SheetPath.get_by_id(HEM).__data__
    with pytest.raises(BadInput, match="could not be opened again"):
        SheetPath.update(**{column: value}).where(SheetPath.id == HEM).execute()
    assert SheetPath.get_by_id(HEM).__data__ == before


def test_a_sheet_that_cannot_be_shown_is_not_acknowledged(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    before = sheet(client)

    def fail(*_: object) -> bytes:
        raise ZeroDivisionError

    with monkeypatch.context() as broken:
        for frame in ("whole_frame", "changed_frame"):
            broken.setattr(f"curlet.web.shown.{frame}", fail)
        reply = client.post(
            f"{SHEET}/commands",
            json={"revision": 1, "intent": {"kind": "rename-path", "path": HEM, "name": "Other"}},
        )
        assert reply.status_code == 500
        shown = client.get(SHEET).get_json()
        assert (shown["status"], shown["revision"], shown["undo"]) == (500, 1, None)
    assert sheet(client) == before


def test_a_sheet_that_cannot_be_shown_is_undone_all_the_same(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    before = sheet(client)
    assert send(client, {"kind": "rename-path", "path": HEM, "name": "Other"}).status_code == 200

    def fail(*_: object) -> bytes:
        raise ZeroDivisionError

    with monkeypatch.context() as broken:
        for frame in ("whole_frame", "changed_frame"):
            broken.setattr(f"curlet.web.shown.{frame}", fail)
        told = client.get(SHEET).get_json()
        assert told["undo"] == "Rename to Other"
        client.post(f"{SHEET}/undo", json={"revision": told["revision"]})
    after = sheet(client)
    assert after["paths"] == before["paths"]


@pytest.mark.parametrize(
    ("table", "row", "column", "kind", "also"),
    [
        ("sheet_path", HEM, "nodes", "path", set()),
        ("run", RUN, "places", "run", set()),
        ("run", RUN, "own", "run", set()),
        ("brush", "topstitch", "doc", "brush", None),
    ],
)
@pytest.mark.parametrize("text", ['{"torn": ', '{"weight": null, "x": 1}', ""])
def test_one_bad_row_is_one_bad_row(
    store: FilePath, hardy: FlaskClient, table: str, row: str, column: str, kind: str, also: Any, text: str
) -> None:
    whole = sheet(hardy)
    damage(store, table, row, column, text)
    head = sheet(hardy)
    named = {(one["kind"], one["id"]) for one in head["unreadable"]}
    assert (kind, row) in named
    if also is not None:
        assert named == {(kind, row), *also}
    assert all(one["name"] and one["fault"] for one in head["unreadable"])
    gone = {one for of, one in named if of == "path"}
    assert {path["id"] for path in head["paths"]} == {path["id"] for path in whole["paths"]} - gone
    # Everything else is drawn, exported and changed as before.
    assert hardy.get(f"{SHEET}/export.svg").status_code == 200
    assert hardy.get(f"{SHEET}/thumbnail.png").status_code == 200
    other = {"kind": "rename-path", "path": "waistcoat-hem-l", "name": "Left"}
    assert send(hardy, other).status_code == 200
    # It is exported as it is.
    kept = hardy.get(f"/api/unreadable/{kind}/{row}.json").get_json()
    assert kept[column] == text


def test_what_cannot_be_read_is_removed_from_the_sheet(store: FilePath, hardy: FlaskClient) -> None:
    damage(store, "sheet_path", HEM, "nodes", "[]")
    head, _ = read_frame(hardy.delete(f"{SHEET}/unreadable/path/{HEM}"))
    assert head["unreadable"] == []
    assert Run.get_or_none(Run.id == RUN) is None
    assert hardy.delete(f"{SHEET}/unreadable/path/{HEM}").status_code == 404
    # What can be read is not removed like this.
    assert hardy.delete(f"{SHEET}/unreadable/path/waistcoat-hem-l").status_code == 404


def test_what_uses_an_unreadable_brush_is_told_once_and_comes_back_with_it(
    store: FilePath, hardy: FlaskClient
) -> None:
    whole, brush = sheet(hardy), Run.get_by_id(RUN).brush_id
    text = str(repair.as_kept("brush", brush)["doc"])
    damage(store, "brush", brush, "doc", "torn")
    (told,) = sheet(hardy)["unreadable"]
    runs = [run["id"] for run in whole["runs"] if run["brush"] == brush]
    assert (told["kind"], told["id"]) == ("brush", brush)
    assert f"is not shown: {len(runs)} run" in told["fault"]
    damage(store, "brush", brush, "doc", text)
    assert sheet(hardy)["runs"] == whole["runs"]
    damage(store, "brush", brush, "doc", "torn")
    elsewhere = Run.select().where(Run.brush == brush, Run.sheet != "waistcoat").count()
    head, _ = read_frame(hardy.delete(f"{SHEET}/unreadable/brush/{brush}"))
    assert head["unreadable"] == []
    assert Run.get_or_none(Run.id == RUN) is None
    assert Run.select().where(Run.brush == brush).count() == elsewhere


def test_a_brush_that_cannot_be_read_goes_back_to_a_version_that_can(
    store: FilePath, hardy: FlaskClient
) -> None:
    own = bench.add(BrushDoc(name="Mine"))
    bench.change(own.id, own.version, lambda doc: (doc.model_copy(update={"name": "Mine, better"}), "Rename"))
    damage(store, "brush", own.id, "doc", '{"name":"Mine, better", torn')
    (listed,) = hardy.get("/api/unreadable").get_json()["rows"]
    assert (listed["kind"], listed["id"], listed["name"]) == ("brush", own.id, "Mine, better")
    assert own.id not in {brush["id"] for brush in hardy.get("/api/brushes").get_json()["brushes"]}
    assert hardy.post(f"/api/unreadable/brush/{own.id}/restore").get_json()["doc"]["name"] == "Mine, better"
    assert hardy.get("/api/unreadable").get_json()["rows"] == []
    with pytest.raises(Missing):
        repair.restore_brush(own.id)


def test_library_rows_that_cannot_be_read_are_removed(store: FilePath, hardy: FlaskClient) -> None:
    own = bench.add(BrushDoc(name="Mine"))
    motif = Motif.select().first().id
    damage(store, "brush", own.id, "doc", "torn")
    damage(store, "motif", motif, "doc", "torn")
    assert hardy.get("/api/motifs").status_code == 200
    assert len(hardy.get("/api/unreadable").get_json()["rows"]) == 2
    for kind, row in (("brush", own.id), ("motif", motif)):
        assert hardy.delete(f"/api/unreadable/{kind}/{row}").status_code == 200
    assert hardy.get("/api/unreadable").get_json()["rows"] == []


def test_a_missing_picture_is_told_of_its_motif_alone(store: FilePath, hardy: FlaskClient) -> None:
    doc = BrushDoc(name="Mine").model_dump(mode="json")
    doc["courses"][0]["motif"] = {"family": "picture", "png": "0" * 64, "length": 5, "width": 5}
    damage(store, "brush", bench.add(BrushDoc(name="Mine")).id, "doc", orjson.dumps(doc).decode())
    (row,) = hardy.get("/api/unreadable").get_json()["rows"]
    assert row["fault"] == "A picture of it is missing."


def test_names_that_are_made_are_no_longer_than_names_may_be(store: FilePath) -> None:
    brush = bench.add(BrushDoc(name=LONG))
    assert bench.add(BrushDoc(name=LONG)).doc.name == f"{LONG[:-2]} 2"
    assert bench.add(BrushDoc(name=LONG)).doc.name == f"{LONG[:-2]} 3"
    run = Run.get_by_id(RUN)
    run.brush = brush.id
    run.save()
    bench.change(
        brush.id, brush.version, lambda doc: (doc.model_copy(update={"kind": "rope"}), "Kind"), keep_runs=True
    )
    names = [row.doc["name"] for row in Brush.select()]
    assert f"{LONG[: -len(', as it was')]}, as it was" in names
    assert max(map(len, names)) <= MAX_LETTERS
    (_, kept), *_ = motifs.everything()
    for _ in range(11):
        motifs.keep(kept.model_copy(update={"name": LONG}))
    every = [one.name for _, one in motifs.everything()]
    assert len(set(every)) == len(every)
    assert max(map(len, every)) <= MAX_LETTERS
    assert journal.find_sheet("waistcoat").set_aside == ()
