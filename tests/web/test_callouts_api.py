"""Call-outs on a sheet: added, written over, moved, kept with their seams, and in the files that leave."""

from __future__ import annotations

import io
import math
from typing import Any

import numpy as np
import pypdfium2 as pdfium
import pytest
from flask.testing import FlaskClient
from lxml import etree
from PIL import Image

from curlet.store import journal
from tests.web.test_api import HEM, SHEET, read_frame, send, sheet


def run_on(client: FlaskClient, path: str = HEM) -> str:
    return next(run["id"] for run in sheet(client)["runs"] if run["path"] == path)


def callouts(client: FlaskClient) -> list[dict[str, Any]]:
    return sheet(client)["callouts"]


def do(client: FlaskClient, kind: str, **values: Any) -> dict[str, Any]:
    reply = send(client, {"kind": kind, **values})
    assert reply.status_code == 200, reply.data
    return read_frame(reply)[0]


def added(client: FlaskClient) -> dict[str, Any]:
    do(client, "add-callouts", runs=[run_on(client)])
    (one,) = callouts(client)
    return one


def change(client: FlaskClient, callout: str, **values: Any) -> dict[str, Any]:
    do(client, "set-callout", callout=callout, **values)
    return next(one for one in callouts(client) if one["id"] == callout)


def test_every_run_gets_one_once_and_undo_takes_them_back(client: FlaskClient) -> None:
    runs = [run["id"] for run in sheet(client)["runs"]]
    do(client, "add-callouts", runs=runs[:2])
    do(client, "add-callouts", runs=runs)
    assert sorted(one["run"] for one in callouts(client)) == sorted(runs)
    more = len(runs) - 2
    said = "Add a call-out" if more == 1 else f"Add {more} call-outs"
    assert journal.undo_labels("waistcoat")[0] == said
    client.post(f"{SHEET}/undo", json={"revision": sheet(client)["revision"]})
    assert len(callouts(client)) == 2


def test_its_text_follows_the_run_until_somebody_writes_one(client: FlaskClient) -> None:
    one = added(client)
    assert one["text"].startswith("Show stitch 301, 6.1 + 2.8 mm, ")
    do(client, "set-on-runs", runs=[one["run"]], settings=[{"pointer": "/courses/0/gap", "entered": "2 mm"}])
    (now,) = callouts(client)
    assert (now["text"] != one["text"], now["written"]) == (True, False)
    written = change(client, one["id"], text="  Edge stitch,\nby hand ")
    assert (written["text"], written["written"]) == ("Edge stitch, by hand", True)
    assert change(client, one["id"], of_run=True)["text"] == now["text"]
    reply = send(client, {"kind": "set-callout", "callout": one["id"], "text": "x" * 301})
    assert reply.status_code == 422
    assert send(client, {"kind": "set-callout", "callout": one["id"]}).status_code == 422


def test_where_it_was_put_it_goes_along_with_its_seam(client: FlaskClient) -> None:
    one = added(client)
    moved = change(client, one["id"], x=20.0, y=190.0)
    assert (moved["moved"], moved["box"][:2]) == (True, [pytest.approx(20), pytest.approx(190)])
    end = moved["leader"][1]
    do(client, "move-paths", paths=[HEM], x=7.0, y=-3.0)
    (after,) = callouts(client)
    assert after["leader"][1] == pytest.approx([end[0] + 7, end[1] - 3])
    assert after["box"][:2] == pytest.approx([27, 187])
    assert change(client, one["id"], by_itself=True)["moved"] is False


def test_the_leaders_end_is_brought_along_the_path(client: FlaskClient) -> None:
    one = added(client)
    node = next(path for path in sheet(client)["paths"] if path["id"] == HEM)["nodes"][1]
    there = change(client, one["id"], end_x=node["x"] + 0.5, end_y=node["y"] + 0.5)
    assert math.dist(there["leader"][1], (node["x"], node["y"])) < 1


def test_a_leader_whose_node_is_gone_ends_halfway_along_its_path(client: FlaskClient) -> None:
    one = added(client)
    nodes = [node["id"] for node in next(p for p in sheet(client)["paths"] if p["id"] == HEM)["nodes"]]
    change(client, one["id"], end_x=-1e3, end_y=0)
    do(client, "delete-nodes", path=HEM, nodes=nodes[:1])
    assert len(callouts(client)[0]["leader"]) == 2


def test_it_goes_with_its_run_and_comes_back_with_it(client: FlaskClient) -> None:
    one = added(client)
    do(client, "show-paths", paths=[HEM], shown=False)
    assert callouts(client) == []
    do(client, "show-paths", paths=[HEM], shown=True)
    do(client, "delete-paths", paths=[HEM])
    assert callouts(client) == []
    client.post(f"{SHEET}/undo", json={"revision": sheet(client)["revision"]})
    assert [each["id"] for each in callouts(client)] == [one["id"]]
    do(client, "remove-callouts", callouts=[one["id"]])
    assert callouts(client) == []


def test_a_duplicated_sheet_has_them_on_its_own_runs(client: FlaskClient) -> None:
    added(client)
    copy = client.post(f"{SHEET}/duplicate").json["id"]
    head, _ = read_frame(client.get(f"/api/sheets/{copy}"))
    (one,) = head["callouts"]
    assert one["run"] in {run["id"] for run in head["runs"]}
    assert one["run"] != run_on(client)


def exported(client: FlaskClient, form: str, **query: Any) -> bytes:
    reply = client.get(f"{SHEET}/export.{form}", query_string={"callouts": True, **query})
    assert reply.status_code == 200, reply.data
    return reply.data


def test_in_a_pdf_its_text_is_text(client: FlaskClient) -> None:
    one = added(client)
    change(client, one["id"], text="Säume, 3 × ½ Straw Ωμέγα")
    document = pdfium.PdfDocument(exported(client, "pdf"))
    assert "Säume, 3 × ½ Straw Ωμέγα" in document[0].get_textpage().get_text_range()
    document.close()
    plain = pdfium.PdfDocument(exported(client, "pdf", callouts=False))
    assert "Säume" not in plain[0].get_textpage().get_text_range()
    plain.close()


def test_in_svg_it_is_a_group_with_its_text_as_title(client: FlaskClient) -> None:
    one = added(client)
    tree = etree.fromstring(exported(client, "svg"))
    group = tree.find(f".//*[@id='callout-{one['id']}']")
    assert group is not None
    assert group.findtext("{*}title") == one["text"]
    assert f"callout-{one['id']}" not in exported(client, "svg", callouts=False).decode()


@pytest.mark.parametrize("background", ["#ffffff", "#000000"])
def test_in_pixels_it_stands_out_from_the_background(client: FlaskClient, background: str) -> None:
    one = added(client)
    left, top, right, foot = (side * 200 / 25.4 for side in one["box"])
    data = io.BytesIO(exported(client, "png", ppi="200", background=background))
    picture = np.asarray(Image.open(data).convert("RGB"))
    text = picture[int(top) : math.ceil(foot), int(left) : math.ceil(right)].astype(int)
    away = abs(text - (255 if background == "#ffffff" else 0)).max(axis=2)
    assert (away > 150).mean() > 0.05


@pytest.mark.parametrize("colours", ["white", "greys"])
def test_to_be_tinted_it_has_nothing_around_its_letters(client: FlaskClient, colours: str) -> None:
    """What parts them from the cloth would be tinted as well."""
    added(client)

    def covered(**query: str) -> int:
        picture = Image.open(io.BytesIO(exported(client, "png", callouts=True, ppi="150", **query)))
        return int((np.asarray(picture)[..., 3] > 128).sum())

    assert covered(colours=colours) < covered()


def test_only_the_call_outs_of_what_is_exported_are_in_it(client: FlaskClient) -> None:
    do(client, "add-callouts", runs=[run["id"] for run in sheet(client)["runs"]])
    alone = exported(client, "svg", run=run_on(client), what="runs").decode()
    assert alone.count('id="callout-') == 1
