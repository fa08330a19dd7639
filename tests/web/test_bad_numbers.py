"""Numbers that cannot be: every field that takes one answers in words, and everything stays as it was."""

from __future__ import annotations

import io
from typing import Any

import pytest
from flask.testing import FlaskClient

from tests.pixels import canvas, encoded
from tests.web.test_api import HEM, RUN, SHEET, read_frame, sheet
from tests.web.test_api import send as ask
from tests.web.test_sheets_api import lay_under, send

NONSENSE = ("wide", "1/0", "nan", "1e400", "3 spoons", "9" * 80)
RENAMED = "Rename to Foot"
CLOSED = "run-waistcoat-welt-pocket-r"


def on_run(pointer: str, text: str) -> dict[str, Any]:
    return {"kind": "set-on-runs", "runs": [RUN], "settings": [{"pointer": pointer, "entered": text}]}


# Each with its entered field last; {} stands for what is entered.
FIELDS: list[dict[str, Any]] = [
    {"kind": "place-node", "path": HEM, "node": "n1", "x": "{}"},
    {"kind": "cut-path", "path": HEM, "along": "{}"},
    {"kind": "parallel-copy", "paths": [HEM], "distance": "{}"},
    {"kind": "simplify-paths", "paths": [HEM], "within": "{}"},
    {"kind": "turn-paths", "paths": [HEM], "angle": "{}"},
    {"kind": "turn-paths", "paths": [HEM], "size": "{}"},
    {"kind": "draw-figure", "figure": "rectangle", "entered": {"width": "{}"}},
    {"kind": "draw-figure", "figure": "spiral", "entered": {"turns": "{}"}},
    {"kind": "write-lettering", "text": "A", "font": "graduate", "entered": {"caps": "{}"}},
    {"kind": "set-on-runs", "runs": [RUN], "settings": [{"pointer": "/courses/0/length", "entered": "{}"}]},
    {
        "kind": "set-on-runs",
        "runs": [RUN],
        "settings": [{"pointer": "/courses/0/motif/thread", "entered": "{}"}],
    },
    {"kind": "slide-start", "run": CLOSED, "entered": "{}"},
    {"kind": "scale-by-length", "drawn": 30, "length": "{}"},
    {"kind": "set-sheet", "width": "{}"},
    {"kind": "set-sheet", "scale": "{}"},
    {"kind": "place-single", "brush": "rope", "x": 1, "y": 1, "size": "{}"},
    {"kind": "place-single", "brush": "rope", "x": 1, "y": 1, "turn": "{}"},
    {"kind": "sketch-path", "points": [[0, 0, 0.5], [9, 1, 0.5], [20, 0, 0.5]], "steadiness": "{}"},
]


def entered(intent: Any, text: str) -> Any:
    if isinstance(intent, dict):
        return {key: entered(value, text) for key, value in intent.items()}
    if isinstance(intent, list):
        return [entered(value, text) for value in intent]
    return text if intent == "{}" else intent


def field_of(intent: dict[str, Any]) -> str:
    return f"{intent['kind']}-{list(intent)[-1]}"


@pytest.mark.parametrize("intent", FIELDS, ids=field_of)
def test_nonsense_is_answered_in_words_and_changes_nothing(
    client: FlaskClient, intent: dict[str, Any]
) -> None:
    before = sheet(client)
    for text in NONSENSE:
        for where in ("commands", "preview"):
            reply = ask(client, entered(intent, text), where)
            assert reply.status_code == 422, (text, reply.data[:200])
            assert len(reply.json["detail"]) > 15
            assert "Traceback" not in reply.json["detail"]
    assert sheet(client) == before


@pytest.mark.parametrize(
    ("intent", "says"),
    [
        ({"kind": "set-sheet", "width": "1 mm"}, "side"),
        ({"kind": "set-sheet", "width": "30 m"}, "side"),
        ({"kind": "place-single", "brush": "rope", "x": 1, "y": 1, "size": "0.5 %"}, "size"),
        ({"kind": "place-single", "brush": "rope", "x": 1, "y": 1, "size": "5 mm"}, "percentage"),
        ({"kind": "turn-paths", "paths": [HEM], "angle": "5 mm"}, "an angle"),
        ({"kind": "cut-path", "path": HEM, "along": "90 m"}, "long"),
        ({"kind": "scale-by-length", "drawn": 30, "length": "0 mm"}, "above 0"),
        (
            {
                "kind": "set-on-runs",
                "runs": [RUN],
                "settings": [{"pointer": "/courses/0/length", "entered": "-3 mm"}],
            },
            "0",
        ),
        (
            {"kind": "set-on-runs", "runs": [RUN], "settings": [{"pointer": "/nowhere", "entered": "3 mm"}]},
            "setting",
        ),
    ],
)
def test_numbers_out_of_bounds_say_which_bounds(
    client: FlaskClient, intent: dict[str, Any], says: str
) -> None:
    reply = ask(client, intent)
    assert reply.status_code == 422
    assert says in reply.json["detail"]


@pytest.mark.parametrize("key", ["turn", "fade", "width", "x"])
def test_a_guide_pictures_numbers_are_answered_too(client: FlaskClient, key: str) -> None:
    lay_under(client, encoded(canvas(30, 40)))
    (guide,) = sheet(client)["guides"]
    for text in ("wide", "1e400", "3 spoons"):
        reply = ask(client, {"kind": "set-guide", "guide": guide["id"], key: text})
        assert reply.status_code == 422
    assert sheet(client)["guides"] == [guide]


def test_coordinates_that_are_no_numbers_are_refused(client: FlaskClient) -> None:
    revision = sheet(client)["revision"]
    for x in ("NaN", "Infinity", "1e999", '"left"', "null", "[]"):
        body = f'{{"revision":{revision},"intent":{{"kind":"move-paths","paths":["{HEM}"],"x":{x},"y":0}}}}'
        reply = client.post(f"{SHEET}/commands", data=body, content_type="application/json")
        assert reply.status_code in (400, 422)
    assert sheet(client)["revision"] == revision


def test_far_too_much_of_anything_is_refused(client: FlaskClient) -> None:
    before = sheet(client)["revision"]
    many = [
        {"kind": "draw-path", "nodes": [{"x": i % 100, "y": i / 100} for i in range(20_001)]},
        {"kind": "sketch-path", "points": [[i, i % 9, 0.5] for i in range(200_000)]},
        {"kind": "write-lettering", "text": "A" * 2_001, "font": "graduate"},
        {"kind": "rename-path", "path": HEM, "name": "n" * 121},
        {"kind": "lay-brush", "paths": [HEM] * 50_000, "brush": "rope"},
    ]
    for intent in many:
        reply = ask(client, intent)
        assert reply.status_code in (413, 422), intent["kind"]
    assert sheet(client)["revision"] == before


def test_what_came_before_the_fault_is_still_there(client: FlaskClient) -> None:
    send(client, {"kind": "rename-path", "path": HEM, "name": "Foot"})
    ask(client, {"kind": "place-node", "path": HEM, "node": "n1", "x": "wide"})
    form = {"revision": sheet(client)["revision"], "file": (io.BytesIO(b"<svg"), "bad.svg")}
    assert client.post(f"{SHEET}/import", data=form, content_type="multipart/form-data").status_code == 422
    head = sheet(client)
    assert next(path for path in head["paths"] if path["id"] == HEM)["name"] == "Foot"
    assert head["undo"] == RENAMED
    back = read_frame(client.post(f"{SHEET}/undo", json={"revision": head["revision"]}))[0]
    assert next(path for path in back["paths"] if path["id"] == HEM)["name"] == "Hem R"
