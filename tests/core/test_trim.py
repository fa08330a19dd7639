"""A drawing trimmed to what it paints: no pixel is lost, and hardly one too many is kept."""

from __future__ import annotations

import io
import json

import numpy as np
import pytest
from PIL import Image

from curlet.core.drawing import Drawing, Group, Laid, Outline, Picture, Shape, Solid, Stamps, Stroke
from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import MM_PER_INCH, Scale
from curlet.core.path.path import Path
from curlet.core.trim import trimmed
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.pixels import canvas, encoded
from tests.reference.pictures import read_png, resvg

# Ten pixels to the mm.
PER_MM = 10.0
PPI = PER_MM * MM_PER_INCH
WIDE, HIGH = 100.0, 80.0
RED = Solid("#c03a2b")
LINE = Outline("ML", np.array([[20.0, 30], [50, 30]]))
WEDGE = Outline("MLL", np.array([[20.0, 60], [40, 30], [60, 60]]))


def on_sheet(*items: object, **values: object) -> Drawing:
    return Drawing(WIDE, HIGH, (Group("art", "", items, **values),))  # type: ignore[arg-type]


def pixels(drawing: Drawing) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(write_png(drawing, PPI))).convert("RGBA"))


def seen(drawing: Drawing) -> list[float]:
    """Left, top, right and foot of all pixels that are painted, mm."""
    rows, columns = np.nonzero(pixels(drawing)[..., 3])
    low, high = (columns.min(), rows.min()), (columns.max() + 1, rows.max() + 1)
    return [side / PER_MM for side in (*low, *high)]


def sides(drawing: Drawing) -> list[float]:
    left, top = drawing.corner or (0.0, 0.0)
    return [left, top, left + drawing.width, top + drawing.height]


def shape(outline: Outline = LINE, **line: object) -> Shape:
    return Shape(outline, stroke=Stroke(RED, **line))  # type: ignore[arg-type]


TURNED = np.array([[0.8, 0.6, -0.6, 0.8, 30.0, -5.0], [1.0, 0, 0, 1, 3, 2]])
SQUEEZED = np.array([[1.2, 0.3, 0.1, 0.5, 5.0, 10.0]])
CLIP = Outline("MLLLZ", np.array([[30.0, 20], [45, 20], [45, 70], [30, 70]]))


@pytest.mark.parametrize(
    ("drawing", "off"),
    [
        (on_sheet(Laid((shape(weight=6.0),))), 0.11),
        (on_sheet(Laid((shape(weight=6.0, ends="flat"),))), 0.11),
        (on_sheet(Laid((shape(WEDGE, weight=5.0, ends="flat", joins="mitre"),))), 0.11),
        (on_sheet(Laid((Shape(WEDGE, RED, move=(-9.0, 7.0)),))), 0.11),
        (on_sheet(Stamps((shape(WEDGE, weight=4.0, joins="mitre", ends="flat"),), TURNED)), 0.11),
        (on_sheet(Stamps((shape(WEDGE, weight=4.0),), SQUEEZED)), 0.11),
        (on_sheet(Laid((Shape(WEDGE, RED),)), clip=CLIP), 0.11),
        (on_sheet(Laid((Shape(WEDGE, RED),)), clip=CLIP, opacity=0.4), 0.11),
        (on_sheet(Picture(encoded(canvas(20, 30)), np.array([[30.0, 9, -4, 22, 30, 20]]))), 0.11),
        # What is spread by a blur ends nowhere; here it is fainter than 1 in 100.
        (on_sheet(Laid((Shape(CLIP, RED),)), blur=1.5), 2.0),
    ],
)
def test_the_box_is_around_what_is_painted(drawing: Drawing, off: float) -> None:
    assert sides(trimmed(drawing, 0.0)) == pytest.approx(seen(drawing), abs=off)


@pytest.mark.parametrize("name", ["topstitch", "rope", "chain", "scallop", "ribbon", "border", "tassels"])
def test_it_is_around_whole_runs(name: str) -> None:
    points = np.array([(20.0, 22.0), (74.0, 20.0), (70.0, 56.0), (30.0, 52.0)])
    path = Path.make(list("abcd"), points, points + (2, -5), points - (2, -5), False)
    run = lay(path, read_brush(BRUSHES[name]).to_core(), Scale())
    drawing = Drawing(WIDE, HIGH, (draw_run(run, "run", ""),))
    assert sides(trimmed(drawing, 0.0)) == pytest.approx(seen(drawing), abs=0.25)


def test_its_pixels_are_those_of_the_whole_sheet_and_it_says_where_they_lie() -> None:
    whole = on_sheet(Laid((Shape(WEDGE, RED), shape(weight=3.3))))
    small = trimmed(whole, 1.23, PER_MM)
    (left, top), part = (round(side * PER_MM) for side in small.corner or (0, 0)), pixels(small)
    there = pixels(whole)[top : top + part.shape[0], left : left + part.shape[1]]
    # But for how skia rounds places within a pixel.
    assert np.abs(part.astype(int) - there).max() <= 10
    width, height = part.shape[1] / PER_MM, part.shape[0] / PER_MM
    place = {"left": left / PER_MM, "top": top / PER_MM, "width": width, "height": height, "unit": "mm"}
    with Image.open(io.BytesIO(write_png(small, PPI))) as picture:
        assert json.loads(picture.info["Place"]) == place
    with Image.open(io.BytesIO(write_png(whole, PPI))) as picture:
        assert "Place" not in picture.info
    # SVG shows the same.
    svg = resvg(write_svg(small), part.shape[1], part.shape[0])
    assert np.abs(svg - read_png(write_png(small, PPI))).mean() < 0.01


def test_the_margin_is_left_all_round_beyond_the_sheet_too() -> None:
    whole = on_sheet(Laid((shape(Outline("ML", np.array([[-4.0, 2], [104, 2]])), weight=2.0),)))
    assert sides(trimmed(whole, 5.0)) == pytest.approx([-10, -4, 110, 8], abs=0.01)


def test_nothing_to_trim_to_is_said() -> None:
    beside = Outline("MLLLZ", np.array([[90.0, 0], [99, 0], [99, 9], [90, 9]]))
    for empty in (
        Drawing(WIDE, HIGH),
        on_sheet(),
        on_sheet(Laid((Shape(WEDGE, RED),)), opacity=0.0),
        on_sheet(Laid((Shape(WEDGE, RED),)), clip=beside),
    ):
        with pytest.raises(BadInput, match="nothing to trim"):
            trimmed(empty, 1.0)
    with pytest.raises(BadInput, match="Margin"):
        trimmed(on_sheet(Laid((Shape(WEDGE, RED),))), -1.0)
