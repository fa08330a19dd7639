"""The brush file: every brush goes out and comes back, bad ones say where, the schema is published."""

from __future__ import annotations

import copy
import json
from typing import Any

import pytest
from flask.testing import FlaskClient

from curlet.core.brush import (
    Band,
    Brush,
    CornerRule,
    CrossingRule,
    EndRule,
    Facing,
    FitRule,
    Row,
    SwayRule,
)  # fmt: skip
from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay import RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.motif.families import ArtShape
from curlet.core.motif.families.artwork import read_outline
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_courses import BandDoc, EndDoc, FacingDoc, FitDoc, RowDoc, SwayDoc
from curlet.formats.brush_file import BrushDoc, CornerDoc, CrossingDoc, read_brush
from curlet.formats.brush_motifs import ArtShapeDoc
from curlet.formats.run_places import PlacesDoc
from curlet.formats.svg_out import write_svg
from curlet.store.edits.settings import read_setting
from tests.marked import marked_rope
from tests.shapes import line, square

ROPE = marked_rope().model_dump(mode="json")
CHAIN, STEM, LONG_SHORT = (BRUSHES[name] for name in ("chain", "stem", "long-short"))


@pytest.mark.parametrize("name", BRUSHES)
def test_every_brush_comes_back_as_it_went_out(name: str) -> None:
    doc = read_brush(BRUSHES[name])
    again = read_brush(json.loads(doc.model_dump_json()))
    assert again == doc
    assert again.to_core() == doc.to_core()


@pytest.mark.parametrize(
    ("document", "rule"),
    [
        (BrushDoc(), Brush()),
        (RowDoc(), Row()),
        (BandDoc(course="band"), Band()),
        (FitDoc(), FitRule()),
        (FacingDoc(), Facing()),
        (EndDoc(), EndRule()),
        (CornerDoc(), CornerRule()),
        (CrossingDoc(), CrossingRule()),
        (SwayDoc(channel="hue"), SwayRule("hue")),
        (ArtShapeDoc(d="M0 0L1 1"), ArtShape("M0 0L1 1")),
        (PlacesDoc(), RunRule()),
    ],
    ids=lambda each: type(each).__name__,
)
def test_what_a_file_leaves_out_is_what_the_core_begins_with(document: Any, rule: Any) -> None:
    made = document.to_core(**({"backwards": False} if isinstance(rule, RunRule) else {}))
    assert made == rule


@pytest.mark.parametrize("name", BRUSHES)
def test_every_brush_draws_the_same_svg_twice(name: str) -> None:
    pictures = []
    for _ in range(2):
        run = lay(square(90), read_brush(copy.deepcopy(BRUSHES[name])).to_core(), Scale())
        pictures.append(write_svg(Drawing(120, 120, (draw_run(run, "run", name),))))
    assert pictures[0] == pictures[1]
    assert b"nan" not in pictures[0].lower()


@pytest.mark.parametrize("name", BRUSHES)
def test_every_brush_is_of_a_known_kind_and_fits_its_checks(name: str) -> None:
    brush = read_brush(BRUSHES[name]).to_core()
    for scale in ("1:1", "1:4", "2:1"):
        brush.check(Scale.read(scale))


def changed(document: Any, path: str, value: Any) -> Any:
    document = copy.deepcopy(document)
    here, (*parts, last) = document, path.split("/")
    for part in parts:
        here = here[int(part)] if isinstance(here, list) else here[part]
    here[int(last) if isinstance(here, list) else last] = value
    return document


@pytest.mark.parametrize(
    ("document", "path", "value"),
    [
        (ROPE, "version", 0),
        (ROPE, "format", "something-else"),
        (ROPE, "kind", "cable"),
        (ROPE, "courses/0/course", "ribbon"),
        (ROPE, "courses/0/width", {"mm": "wide"}),
        (ROPE, "courses/0/width", {"mm": 4, "on": "sewn"}),
        (ROPE, "courses/1/hold", "glue"),
        (ROPE, "courses/1/fit", {"kind": "ease", "shortened": 9}),
        (ROPE, "courses/1/motif", {"family": "unknown"}),
        (ROPE, "corners", {"manner": "twirl"}),
        (ROPE, "crossings", {"manner": "through"}),
        (ROPE, "threads", []),
        (CHAIN, "courses/0/order", ""),
        (CHAIN, "courses/0/order", "A-B"),
        (CHAIN, "courses/0/surprise", 1),
        (STEM, "courses/0/sway", [{"channel": "smell"}]),
        (STEM, "courses/0/swell", [{"at": 2, "width": 100}]),
        (STEM, "courses/0/ends", {"backtack": 999}),
    ],
)
def test_a_file_that_cannot_be_read_says_where(document: Any, path: str, value: Any) -> None:
    with pytest.raises(BadInput, match="This brush cannot be read: "):
        read_brush(changed(document, path, value))


def test_a_file_of_a_newer_version_says_so() -> None:
    with pytest.raises(BadInput, match="made by a newer Curlet"):
        read_brush(changed(ROPE, "version", 2))


@pytest.mark.parametrize(
    ("document", "path", "value", "says"),
    [
        (ROPE, "courses/0/width/mm", 0, "Band width is 0 mm"),
        (ROPE, "courses/0/offset/mm", 1e9, "Offset"),
        (ROPE, "courses/1/size", 0, "Size is 0%"),
        (ROPE, "courses/1/weight", -1, "Line weight"),
        (ROPE, "corners/mitre_limit", 0.5, "Mitre limit"),
        (ROPE, "crossings/clearance/mm", -1, "Clearance"),
        (LONG_SHORT, "courses/0/order", "A C", "letters from A to B"),
        (CHAIN, "courses/0/gap/mm", -15.99, "would not move on"),
        (STEM, "courses/0/motif/length", 0, "The cell's length"),
        (STEM, "courses/0/motif/shapes/0/d", "M0 0Q1 1 2 2", "absolute M, L, C and Z"),
        (STEM, "courses/0/motif/shapes/0/d", "M0 0L1", "absolute M, L, C and Z"),
        (STEM, "courses/0/motif/shapes/0/d", "L0 0L1 1", "starts with M"),
        (STEM, "courses/0/motif/shapes/0/d", "M0 0L1e9 1", "100 m"),
        (STEM, "courses/0/motif/shapes/0/weight", 0, "A line's weight"),
        (STEM, "courses/0/pieces/start/length/mm", 0, "A piece's length"),
        (STEM, "courses/0/sway", [{"channel": "size", "amount": 1e6}], "Sway's amount"),
        (STEM, "courses/0/swell", [{"at": 1, "width": 50}, {"at": 0, "width": 50}], "come in order"),
        (STEM, "courses/0/facing/angle", 999, "Facing"),
    ],
)
def test_a_brush_that_cannot_be_laid_says_what_to_do(document: Any, path: str, value: Any, says: str) -> None:
    brush = read_brush(changed(document, path, value)).to_core()
    with pytest.raises(BadInput, match=says):
        lay(line(100), brush, Scale())


def test_artwork_of_too_many_points_is_refused() -> None:
    with pytest.raises(TooMuch, match="50,000"):
        read_outline("M0 0" + "L1 1" * 50_001)


def test_artwork_data_may_leave_commands_out() -> None:
    outline = read_outline("M0,0 L1-1.5 2 2C3 3 4 4 5 5Z")
    assert outline.commands == "MLLCZ"
    assert outline.points[1].tolist() == [1, -1.5]


@pytest.mark.parametrize(
    ("pointer", "entered", "kept"),
    [
        ("/courses/1/offset", "-1/4 in", {"mm": -6.35, "on": "garment"}),
        ("/courses/0/width", "6 mm", {"mm": 6.0, "on": "garment"}),
        ("/courses/1/size", "120", 120.0),
        ("/courses/1/size", "80 %", 80.0),
        ("/corners/mitre_limit", "6", 6.0),
        ("/corners/stop", "3 mm", {"mm": 3.0, "on": "garment"}),
        ("/courses/1/ends/backtack", "3", 3.0),
        ("/courses/1/order", "A", "A"),
        ("/courses/1/facing/mirror_alternate", True, True),
        ("/courses/1/overlap", "interlaced", "interlaced"),
    ],
)
def test_the_hearts_settings_are_typed_too(pointer: str, entered: str | bool, kept: object) -> None:
    doc = read_brush(ROPE)
    assert read_setting(doc, pointer, entered, Scale()) == kept
    read_brush(ROPE, {pointer: kept})


def test_a_bands_width_is_no_stitch_length() -> None:
    with pytest.raises(BadInput):
        read_setting(read_brush(ROPE), "/courses/0/width", "8 spi", Scale())


def test_what_a_run_says_of_places_comes_back() -> None:
    doc = PlacesDoc(start=3.5, opening=2.0, corners={"n2": "mitre"}, counts={"n1": 4}, flips=("a×b",), seed=9)
    rule = PlacesDoc.model_validate_json(doc.model_dump_json()).to_core(backwards=True)
    assert rule == RunRule(True, 3.5, 2.0, {"n2": "mitre"}, {"n1": 4}, frozenset({"a×b"}), 9)


def test_the_schema_is_published(client: FlaskClient) -> None:
    schemas = client.get("/openapi/openapi.json").json["components"]["schemas"]
    assert {"BrushDoc", "RowDoc", "BandDoc", "SpanDoc", "ArtworkDoc"} <= set(schemas)
    assert schemas["BrushDoc"]["properties"]["version"]["const"] == 1
    assert BrushDoc.model_json_schema()["title"] == "BrushDoc"
