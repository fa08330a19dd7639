"""What is shown while something is tried: as little as may be, and just what would be kept."""

from __future__ import annotations

import io

from flask.testing import FlaskClient

from curlet.store.models import SheetPath
from tests.web.test_api import SHEET, read_frame, send, sheet


def test_a_line_dragged_on_a_flat_is_drawn_anew_alone(client: FlaskClient) -> None:
    """Of thousands of lines a preview sends the one that moves, with what it makes a shape with."""
    body = (
        '<path id="ring" fill="#123" fill-rule="evenodd" d="M10 10h30v30h-30zM20 20h10v10h-10z"/>'
        + "".join(f'<path id="line-{i}" stroke="#123" d="M{i} 60h9"/>' for i in range(40))
    )
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="90mm" viewBox="0 0 90 90">{body}</svg>'
    form = {"revision": sheet(client)["revision"], "file": (io.BytesIO(svg.encode()), "flat.svg")}
    head, _ = read_frame(client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data"))
    before = len(sheet(client)["as_drawn"])
    hole = next(path for path in head["paths"] if path["name"] == "ring 2")
    moved = {"kind": "move-paths", "paths": [hole["id"]], "x": 3, "y": 0}
    shown, _ = read_frame(send(client, moved, "preview"))
    (group,) = shown["as_drawn"]
    there = next(kept for kept in sheet(client)["as_drawn"] if kept["id"] == group["id"])
    # Both contours of the shape: the hole has moved, the rim has not.
    assert group["items"][0]["shapes"][0]["outline"]["steps"].count("M") == 2
    assert group != there
    # What takes a line away or hides one draws its shape anew, and says which are left.
    for intent, left in (
        ({"kind": "delete-paths", "paths": [hole["id"]]}, 41),
        ({"kind": "show-paths", "paths": [hole["id"]], "shown": False}, 41),
        ({"kind": "duplicate-paths", "paths": [hole["id"]]}, 42),
    ):
        shown, _ = read_frame(send(client, intent, "preview"))
        assert len(shown["as_drawn"]) == 1, intent["kind"]
        assert len(shown["order"]["as_drawn"]) == before + left - 41, intent["kind"]


def test_a_shape_stays_one_whatever_lies_between_its_contours(client: FlaskClient) -> None:
    """A ring with another line between its outline and its hole, of which one moves, keeps the hole."""
    ring = '<path id="ring" fill="#123" d="M10 10h30v30h-30zM20 20h10v10h-10z"/>'
    body = ring + '<path id="bar" stroke="#123" fill="none" d="M0 60h9"/>'
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" width="90mm" viewBox="0 0 90 90">{body}</svg>'
    form = {"revision": sheet(client)["revision"], "file": (io.BytesIO(svg.encode()), "flat.svg")}
    head, _ = read_frame(client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data"))
    ids = {path["name"]: path["id"] for path in head["paths"]}
    hole = SheetPath.get_by_id(ids["ring 2"])
    hole.position += 10
    hole.save()
    moved = {"kind": "move-paths", "paths": [ids["ring 2"]], "x": 3, "y": 0}
    shown, _ = read_frame(send(client, moved, "preview"))
    (ring_drawn,) = shown["as_drawn"]
    assert ring_drawn["id"] == f"path-{ids['ring 1']}"
    assert ring_drawn["items"][0]["shapes"][0]["outline"]["steps"].count("M") == 2


def test_what_is_shown_while_a_line_is_dragged_is_what_is_kept(client: FlaskClient) -> None:
    front = "waistcoat-front-r"
    moved = {"kind": "move-paths", "paths": [front], "x": 3, "y": 2}
    shown, _ = read_frame(send(client, moved, "preview"))
    assert shown["as_drawn"]
    kept, _ = read_frame(send(client, moved))
    assert kept["as_drawn"] == shown["as_drawn"]
