"""What a step sends: only what it touched, and put over the sheet as it was, the sheet as it is."""

from __future__ import annotations

import io
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from curlet.store.journal import find_sheet
from tests.store.test_every_intent import TRIED, Tried, named, prepare
from tests.web.test_api import HEM, SHEET, read_frame, send, sheet

Json = Any


def resolved(part: Json, numbers: np.ndarray) -> Json:
    """A part of a frame with its numbers in place of what refers to them."""
    if isinstance(part, list):
        return [resolved(item, numbers) for item in part]
    if not isinstance(part, dict):
        return part
    if part.keys() >= {"at", "count"}:
        own = numbers[part["at"] : part["at"] + part["count"]].tolist()
        return {**part, "at": None, "numbers": own}
    return {key: resolved(item, numbers) for key, item in part.items()}


def shown(reply: TestResponse) -> dict[str, Any]:
    whole: dict[str, Any] = resolved(*read_frame(reply))
    return whole


def put_over(base: dict[str, Any], changed: dict[str, Any]) -> dict[str, Any]:
    """A sheet with a step's changes, as the page does it."""
    after = {**base, **{key: part for key, part in changed.items() if key in base and part is not None}}
    for name, order in changed["order"].items():
        rows = {row["id"]: row for row in base[name]} | {row["id"]: row for row in changed[name]}
        after[name] = [rows[row] for row in order or [row["id"] for row in base[name]]]
    return {**after, "undo": changed["undo"], "redo": changed["redo"]}


@pytest.mark.parametrize("tried", TRIED, ids=named)
def test_every_step_sends_all_that_it_touched(client: FlaskClient, tried: Tried) -> None:
    prepare(tried)
    address = f"/api/sheets/{tried.sheet}"
    before = shown(client.get(address))
    intent = tried.intent(find_sheet(tried.sheet)).model_dump(mode="json", exclude_unset=True)
    for way, more in (("commands", {"intent": intent}), ("undo", {}), ("redo", {})):
        changed = shown(client.post(f"{address}/{way}", json={"revision": before["revision"], **more}))
        assert changed["base"] == before["revision"]
        after = shown(client.get(address))
        assert put_over(before, changed) == after, way
        before = after


def test_what_a_step_did_not_touch_is_not_sent(client: FlaskClient) -> None:
    changed = shown(send(client, {"kind": "move-paths", "paths": [HEM], "x": 3, "y": 0}))
    assert [path["id"] for path in changed["paths"]] == [HEM]
    assert {run["path"] for run in changed["runs"]} <= {HEM, HEM.replace("-r", "-l")}
    assert changed["order"] == {"paths": None, "runs": None, "as_drawn": None}
    assert [changed[part] for part in ("sheet", "groups", "brushes", "guides")] == [None] * 4


def test_a_brush_laid_on_one_line_of_a_flat_of_hundreds_sends_that_line(client: FlaskClient) -> None:
    lines = "".join(f'<path id="line-{i}" stroke="#123" fill="none" d="M{i} 60h9"/>' for i in range(300))
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="90mm" viewBox="0 0 90 90">{lines}</svg>'
    form = {"revision": sheet(client)["revision"], "file": (io.BytesIO(svg.encode()), "flat.svg")}
    reply = client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data")
    line = shown(reply)["paths"][-1]["id"]
    whole = len(client.get(SHEET).data)
    laid = send(client, {"kind": "lay-brush", "paths": [line], "brush": "basting"})
    # What is drawn of the line itself is shown no longer.
    (drawn,) = shown(laid)["as_drawn"]
    assert drawn["items"] == []
    assert len(laid.data) < whole / 20


def test_halves_of_a_garment_that_share_their_stitch_length_are_sent_together(client: FlaskClient) -> None:
    """When one loses the other, by its name or altogether, the other is laid anew on its own."""
    left, right = "waistcoat-hem-l", HEM
    send(client, {"kind": "lay-brush", "paths": [left, right], "brush": "topstitch"})
    runs = [run["id"] for run in sheet(client)["runs"] if run["path"] in (left, right)]
    settings = [{"pointer": "/courses/0/fit/shared", "entered": True}]
    send(client, {"kind": "set-on-runs", "runs": runs, "settings": settings})
    longer = {"kind": "move-nodes", "path": right, "moves": [{"id": "n1", "x": 90, "y": 160}]}
    send(client, longer)
    for intent in (
        {"kind": "rename-path", "path": right, "name": "Foot"},
        {"kind": "delete-paths", "paths": [right]},
        {"kind": "remove-runs", "runs": [run for run in runs if run.endswith(right)]},
    ):
        before = shown(client.get(SHEET))
        changed = shown(send(client, intent))
        assert left in {run["path"] for run in changed["runs"]}, intent
        assert put_over(before, changed) == shown(client.get(SHEET))
        client.post(f"{SHEET}/undo", json={"revision": changed["revision"]})
