"""Edits that draw, as they are sent: entered sizes, any place of the brush, clear refusals."""

from __future__ import annotations

from typing import Any

import pytest
from pydantic import TypeAdapter

from curlet.core.errors import BadInput
from curlet.core.motif.art import box_of
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import ArtworkDoc
from curlet.store.edits import AnyEdit
from curlet.store.edits.artwork_places import artwork_at
from curlet.store.edits.recipes import brush_of

READ: TypeAdapter[Any] = TypeAdapter(AnyEdit)


def done(doc: BrushDoc, kind: str, **values: Any) -> BrushDoc:
    return READ.validate_python({"kind": kind, "course": 0, **values}).apply(doc)[0]  # type: ignore[no-any-return]


def figure(doc: BrushDoc, shape: str, *entered: str, **more: Any) -> BrushDoc:
    return done(doc, "add-figure", figure=shape, entered=entered, **more)


@pytest.fixture
def doc() -> BrushDoc:
    """A brush whose repeat is one rectangle of 10 × 4 mm."""
    doc = figure(brush_of("running"), "rectangle", "5 mm", "0 mm", "10 mm", "4 mm")
    doc = done(doc, "shapes", which=[0], do="remove")
    return done(doc, "set-cell", start="0 mm", end="10 mm", baseline="0 mm")


def boxes(doc: BrushDoc, place: Any = "repeat") -> list[tuple[float, float, float, float]]:
    return [
        (round(b.middle[0], 3), round(b.middle[1], 3), round(b.length, 3), round(b.width, 3))
        for b in (box_of(shape, line=False) for shape in artwork_at(doc, 0, place).shapes)
    ]


def test_figures_are_drawn_to_typed_sizes_in_any_unit(doc: BrushDoc) -> None:
    drawn = figure(doc, "disc", "1/4 in", "-1", "3*2 mm", "2.5 mm")
    assert boxes(drawn)[-1] == (6.35, -1, 6, 2.5)
    line = figure(doc, "line", "5 mm", "0", "8 mm", "0")
    assert boxes(line)[-1] == (5, 0, 8, 0)
    motif = line.courses[0].motif  # type: ignore[union-attr]
    assert isinstance(motif, ArtworkDoc)
    assert motif.shapes[-1].fill is None
    curve = done(doc, "add-figure", figure="curve", points=[(0, 0), (3, 2), (6, 0)], closed=True)
    assert artwork_at(curve, 0).shapes[-1].d.endswith("Z")


def test_a_family_becomes_artwork_when_it_is_drawn_on() -> None:
    before = brush_of("running")
    assert before.courses[0].motif.family == "running"  # type: ignore[union-attr]
    after = figure(before, "disc", "1 mm", "0", "1 mm", "1 mm")
    assert after.courses[0].motif.family == "artwork"  # type: ignore[union-attr]
    assert after.courses[0].length.mm == before.courses[0].length.mm  # type: ignore[union-attr]


def test_a_shape_is_set_by_number(doc: BrushDoc) -> None:
    set_ = done(doc, "set-shape", shape=0, x="4 mm", y="1 mm", length="6 mm", width="1/8 in")
    assert boxes(set_) == [(4, 1, 6, 3.175)]
    assert boxes(done(set_, "set-shape", shape=0, turn="90°")) == [(4, 1, 3.175, 6)]
    painted = done(doc, "set-shape", shape=0, fill="none", stroke={"thread": 2}, weight="0.8 mm", ends="flat")
    shape = artwork_at(painted, 0).shapes[0]
    assert (shape.fill, shape.stroke and shape.stroke.thread) == (None, 2)
    assert (shape.weight, shape.ends) == (0.8, "flat")
    assert artwork_at(done(doc, "set-shape", shape=0, opacity="40 %"), 0).shapes[0].opacity == 0.4
    with pytest.raises(BadInput, match="nothing of it is seen"):
        done(doc, "set-shape", shape=0, fill="none")


def test_shapes_are_moved_doubled_mirrored_and_copied(doc: BrushDoc) -> None:
    moved = done(doc, "move-shapes", which=[0], x=1.5, y=-0.5)
    assert boxes(moved) == [(6.5, -0.5, 10, 4)]
    assert len(boxes(done(doc, "shapes", which=[0], do="double"))) == 2
    small = done(doc, "set-shape", shape=0, x="2 mm", length="2 mm", width="1 mm", y="1 mm")
    mirrored = done(small, "mirror-shapes", which=[0], along=True, keep=True)
    assert boxes(mirrored)[1][:2] == (8, 1)
    assert len(boxes(done(small, "copy-round", which=[0], count="8", x="5 mm", y="0"))) == 8
    on = done(small, "copy-on", which=[0], count="3", turn="0", size="50 %", x="2 mm", shades="gold, #123456")
    assert [b[0] for b in boxes(on)] == [2, 4, 6, 8]
    graded = done(mirrored, "grade-shapes", first=0, last=1, between="2")
    assert [b[0] for b in boxes(graded)] == [2, 4, 6, 8]
    scaled = done(mirrored, "scale-shapes", which=[0, 1], size="50 %")
    assert [b[0] for b in boxes(scaled)] == [3.5, 6.5]


def test_shapes_are_lined_up_combined_and_painted(doc: BrushDoc) -> None:
    two = figure(doc, "disc", "9 mm", "3 mm", "6 mm", "6 mm")
    lined = done(two, "align-shapes", which=[1], side="baseline", to_cell=True)
    assert boxes(lined)[1][1] == 0
    assert len(boxes(done(two, "combine-shapes", which=[0, 1], how="unite"))) == 1
    painted = done(
        two,
        "set-gradient",
        which=[0],
        form="radial",
        colours=[{"thread": 1}, {"own": "#ffffff"}],
        angle="30°",
    )
    gradient = artwork_at(painted, 0).shapes[0].gradient
    assert gradient is not None
    assert [stop.role.own for stop in gradient.stops] == [None, "#ffffff"]
    dots = done(
        two,
        "dotted-edge",
        size="1 mm",
        pitch="2.1 mm",
        across="-2 mm",
        colours="1, 2",
    )
    assert len(boxes(dots)) == 2 + 4
    line = figure(doc, "line", "5 mm", "0", "8 mm", "0")
    areas = done(line, "shapes", which=[1], do="line-to-area")
    assert boxes(areas)[1][3] == 0.5


def test_what_reaches_beyond_the_cell_is_trimmed_off(doc: BrushDoc) -> None:
    beyond = figure(doc, "disc", "10 mm", "0", "6 mm", "6 mm")
    assert boxes(beyond)[1] == (10, 0, 6, 6)
    trimmed = done(beyond, "trim-to-cell")
    assert boxes(trimmed)[1] == (8.5, 0, 3, 6)
    assert trimmed.courses[0].length.mm == 10  # type: ignore[union-attr]


def test_a_piece_is_drawn_on_like_the_repeat(doc: BrushDoc) -> None:
    assert doc.courses[0].pieces.end is None  # type: ignore[union-attr]
    with pytest.raises(BadInput, match="no piece at this place"):
        figure(doc, "disc", "1 mm", "0", "1 mm", "1 mm", place="end")
    whipped = done(doc, "cut-in-three", first="3 mm", second="7 mm")
    drawn = figure(whipped, "disc", "1 mm", "0", "1 mm", "1 mm", place="end")
    assert len(boxes(drawn, "end")) == len(boxes(whipped, "end")) + 1
    assert boxes(drawn) == boxes(whipped)
    cell = done(drawn, "set-cell", place="end", start="-1 mm", end="4 mm", baseline="0", width="9 mm")
    piece = cell.courses[0].pieces.end  # type: ignore[union-attr]
    assert (piece.length.mm, piece.motif.length, piece.motif.width) == (5, 5, 9)


@pytest.mark.parametrize(
    ("kind", "values", "words"),
    [
        ("add-figure", {"figure": "disc", "points": [(1, 1), (1, 4)]}, "so that it has a size"),
        ("add-figure", {"figure": "line", "points": [(1, 1)]}, "two points"),
        ("add-figure", {"figure": "disc", "entered": ["1", "2", "soon", "4"]}, "not a measure"),
        ("shapes", {"which": [0], "do": "remove"}, "at least one shape"),
        ("shapes", {"which": [7], "do": "up"}, "no such shape"),
        ("copy-round", {"which": [0], "count": "0", "x": "0", "y": "0"}, "Copies"),
        ("copy-on", {"which": [0], "count": "3", "shades": "octarine"}, "not a colour"),
        ("dotted-edge", {"size": "1", "pitch": "2", "across": "0", "colours": "1, octarine"}, "not a colour"),
        ("dotted-edge", {"size": "1", "pitch": "2", "across": "0", "colours": "0"}, "numbered from 1"),
        (
            "dotted-edge",
            {"size": "1", "pitch": "2", "across": "0", "colours": ", ,"},
            "thread numbers or col",
        ),
        ("copy-on", {"which": [0], "count": "3", "size": "0 %"}, "1 to 400"),
        ("grade-shapes", {"first": 0, "last": 0, "between": "2"}, "two shapes"),
        ("combine-shapes", {"which": [0], "how": "unite"}, "two shapes"),
        ("set-cell", {"start": "5 mm", "end": "5 mm", "baseline": "0"}, "at least 0.01 mm"),
        ("set-cell", {"start": "0", "end": "5 mm", "baseline": "0", "width": "0"}, "cell's width"),
    ],
)
def test_what_cannot_be_drawn_is_refused_in_words(
    doc: BrushDoc, kind: str, values: dict[str, Any], words: str
) -> None:
    with pytest.raises(BadInput, match=words):
        done(doc, kind, **values)


def test_colours_in_sequence_are_threads_or_any_written_colour(doc: BrushDoc) -> None:
    entered = {"size": "1 mm", "pitch": "2.5 mm", "across": "-2 mm", "colours": "2, peru, rgb(10, 20, 30)"}
    dots = artwork_at(done(doc, "dotted-edge", **entered), 0).shapes[1:]
    roles = [shape.fill for shape in dots]
    said = [(role.thread, role.own) for role in roles]  # type: ignore[union-attr]
    assert said == [(2, None), (1, "#cd853f"), (1, "#0a141e")]
