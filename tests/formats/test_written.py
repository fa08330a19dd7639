"""What is written: SVG with names and no surprises, PNG within limits, settings read back."""

from __future__ import annotations

import xml.etree.ElementTree as ET

import numpy as np
import pytest

from curlet.core.brush import Brush
from curlet.core.drawing import (
    Drawing,
    Group,
    Laid,
    LinearGradient,
    Outline,
    Picture,
    RadialGradient,
    Shape,
    Solid,
    Stamps,
    Stop,
    Stroke,
)
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.png_out import write_png
from curlet.formats.svg_in import read_svg
from curlet.formats.svg_out import write_svg
from curlet.store.edits.settings import measured_on, read_setting
from tests.reference.pictures import differing, inked, read_png, resvg
from tests.shapes import line, square

SVG = "{http://www.w3.org/2000/svg}"


def _disc(radius: float) -> Outline:
    k = radius * 4 / 3 * np.tan(np.pi / 8)
    r = radius
    points = [(r, 0), (r, k), (k, r), (0, r), (-k, r), (-r, k), (-r, 0), (-r, -k), (-k, -r), (0, -r),
              (k, -r), (r, -k), (r, 0)]  # fmt: skip
    return Outline("MCCCCZ", np.array(points, dtype=float))


def test_runs_are_groups_with_ids_and_titles() -> None:
    group = draw_run(lay(square(30), Brush(), Scale()), "run-hem", "Hem, <b>Topstitch</b> & more")
    root = ET.fromstring(write_svg(Drawing(50, 50, (group,), "Sheet")))
    (run,) = root.findall(f"{SVG}g")
    assert run.get("id") == "run-hem"
    title = run.find(f"{SVG}title")
    assert title is not None
    assert title.text == "Hem, <b>Topstitch</b> & more"


def test_what_is_exported_can_be_imported_again() -> None:
    group = draw_run(lay(line(40), Brush(), Scale()), "run-1", "Run")
    taken = read_svg(write_svg(Drawing(50, 10, (group,))))
    assert sum(t.path.length for t in taken.paths) == pytest.approx(40 - 9 * 40 / 39, rel=0.05)
    assert (taken.width, taken.height) == pytest.approx((50, 10))


def test_gradients_clips_pictures_and_opacity_are_drawn_alike() -> None:
    stops = (Stop(0, "#c8553d"), Stop(1, "#f3ead7", 0.5))
    shapes = (
        Shape(_disc(6), LinearGradient((-6, 0), (6, 0), stops)),
        Shape(_disc(3), RadialGradient((0, 0), 3, stops), Stroke(Solid("#1f2a44"), 0.5)),
        Shape(_box(-5, -2), LinearGradient((0, 0), (3, 3), stops, (1, 0.2, -0.3, 0.5, -5, -5))),
    )
    at = np.array([[1, 0, 0, 1, 10, 10], [0.7, 0.7, -0.7, 0.7, 28, 12], [1.2, 0, 0, 1, 12, 28]], dtype=float)
    tile = Group("tile", "", (Laid((Shape(_box(0, 4), Solid("#3c6e71")),)),))
    png = write_png(Drawing(4, 4, (tile,)), 100)
    inner = Group(
        "half",
        "",
        (Picture(png, np.array([[8, 0, 0, 8, 26, 26], [4, 2, -2, 4, 20, 20]], dtype=float)),),
        opacity=0.5,
    )
    group = Group("all", "", (Stamps(shapes, at), inner), clip=_box(5.08, 34.544))
    # Whole pixels at 96 to the inch as well, since the second renderer rounds the sheet to them.
    drawing = Drawing(50.8, 50.8, (group,))
    ours = read_png(write_png(drawing, 200))
    theirs = resvg(write_svg(drawing), 400, 400)
    assert inked(ours) > 0.1
    assert differing(ours, theirs, 0.15) < 2e-3


def _box(low: float, high: float) -> Outline:
    corners = [[low, low], [high, low], [high, high], [low, high]]
    return Outline("MLLLZ", np.array(corners, dtype=float))


@pytest.mark.parametrize("ppi", [0, -1, 5000, float("nan")])
def test_impossible_resolutions_are_refused(ppi: float) -> None:
    with pytest.raises(BadInput, match="Resolution"):
        write_png(Drawing(10, 10), ppi)


def test_a_picture_too_large_is_refused() -> None:
    with pytest.raises(TooMuch, match="Ask for fewer ppi"):
        write_png(Drawing(3000, 3000), 300)


DOC = BrushDoc()


@pytest.mark.parametrize(
    ("pointer", "entered", "kept"),
    [
        ("/courses/0/length", "1/8 in", {"mm": 3.175, "on": "garment"}),
        ("/courses/0/length", "8 spi", {"mm": pytest.approx(2.175), "on": "garment"}),
        ("/courses/0/gap", "30 %", {"percent": 30.0}),
        ("/courses/0/motif/thread", "0.5", {"mm": 0.5, "on": "garment"}),
        ("/corners/angle", "45°", 45.0),
        ("/courses/0/fit/kind", "even-gaps", "even-gaps"),
        ("/courses/0/fit/short_legs", True, True),
        ("/threads/0", "rebeccapurple", "#663399"),
    ],
)
def test_what_is_typed_becomes_a_setting(pointer: str, entered: str | bool, kept: object) -> None:
    assert read_setting(DOC, pointer, entered, Scale()) == kept


@pytest.mark.parametrize(
    ("pointer", "entered"),
    [
        ("/courses/0/gap", "8 spi"),
        ("/courses/0/length", "soon"),
        ("/courses/0/length", "40 spi"),
        ("/courses/9/length", "3"),
        ("/no/such", "3"),
        ("courses", "3"),
        ("/threads/0", "not a colour"),
        ("/courses/0/fit/short_legs", "yes"),
        ("/courses", "3"),
    ],
)
def test_what_does_not_suit_a_setting_is_refused(pointer: str, entered: str) -> None:
    with pytest.raises(BadInput):
        read_setting(DOC, pointer, entered, Scale())


def test_the_same_drawn_length_in_the_other_frame() -> None:
    assert measured_on(DOC, "/courses/0/length", "paper", Scale.read("1:4")) == {
        "mm": 0.75,
        "on": "paper",
    }


@pytest.mark.parametrize(
    "change",
    [
        {"surprise": 1},
        {"courses": []},
        {"threads": ["red"]},
        {"courses": [{"length": {"mm": "NaN"}}]},
    ],
)
def test_brush_files_that_cannot_be_read_say_where(change: dict[str, object]) -> None:
    with pytest.raises(BadInput, match="This brush cannot be read"):
        read_brush(DOC.model_dump(mode="json") | change)
