"""Runs and fills cropped to closed paths and areas: what is seen, in the PNG and as resvg has the SVG."""

from __future__ import annotations

import io
from pathlib import Path as FilePath

import numpy as np
import pytest
import resvg_py
from numpy.typing import NDArray
from PIL import Image

from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput
from curlet.core.measures import MM_PER_INCH
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from curlet.store import journal
from curlet.store.commands import AddGuide
from curlet.store.crops import clip_of
from curlet.store.pictures import keep_picture
from curlet.store.state import State
from curlet.studio.drawn_sheet import sheet_drawing, single_group
from tests.pixels import canvas, encoded
from tests.store.test_areas import drawn, made, of_paths
from tests.store.test_path_commands import HEM, SHEET, do

PER_MM = 4
Alpha = NDArray[np.float64]
CLOTH = {"weave": "colour", "warp": "#204060", "weft": "#204060"}


def pictures(state: State, path: str) -> list[Alpha]:
    """The opacity of a path's fill and its runs: by PNG and by resvg."""
    runs = state.runs_of(path)
    whole = sheet_drawing(state, with_lines=True, runs=runs, singles=False)
    named = {f"path-{path}", *(f"run-{run['id']}" for run in runs)}
    drawing = type(whole)(whole.width, whole.height, tuple(g for g in whole.groups if g.id in named))
    png = Image.open(io.BytesIO(write_png(drawing, PER_MM * MM_PER_INCH)))
    svg = write_svg(drawing).decode()
    drawn_anew = resvg_py.svg_to_bytes(svg_string=svg, dpi=96, width=png.width)
    other = Image.open(io.BytesIO(bytes(drawn_anew)))
    return [np.asarray(each.convert("RGBA"))[..., 3] / 255 for each in (png, other)]


def sizes(state: State, path: str) -> list[float]:
    """How much is seen, mm²."""
    return [float(alpha.sum()) / PER_MM**2 for alpha in pictures(state, path)]


def filled(x: float, y: float, width: float, height: float) -> str:
    path = drawn(x, y, width, height)
    do("set-fill", paths=[path], fill=CLOTH)
    return path


@pytest.mark.parametrize(("outside", "expected"), [(False, 10 * 5), (True, 20 * 10 - 10 * 5)])
def test_a_fill_is_seen_inside_or_outside_of_a_path(store: FilePath, outside: bool, expected: float) -> None:
    fill, crop = filled(20, 20, 20, 10), drawn(30, 25, 20, 10)
    state = do("crop-paths", paths=[fill], to={"kind": "path", "id": crop, "outside": outside})
    assert sizes(state, fill) == pytest.approx([expected] * 2, rel=0.01)
    # The crop follows what it is cropped to, and goes at one press.
    state = do("move-paths", paths=[crop], x=5, y=0)
    moved = 5 * 5 if not outside else 200 - 5 * 5
    assert sizes(state, fill) == pytest.approx([moved] * 2, rel=0.01)
    state = do("crop-paths", paths=[fill])
    assert sizes(state, fill) == pytest.approx([200] * 2, rel=0.01)


def test_a_crop_to_an_area_keeps_its_holes(store: FilePath) -> None:
    fill, whole, hole = filled(0, 0, 60, 60), drawn(20, 20, 20, 20), drawn(25, 25, 10, 10)
    _, area = made(of_paths(whole, hole), "cut")
    for outside, expected in ((False, 300), (True, 3600 - 300)):
        state = do("crop-paths", paths=[fill], to={"kind": "area", "id": area, "outside": outside})
        assert sizes(state, fill) == pytest.approx([expected] * 2, rel=0.01)
    state = do("move-paths", paths=[hole], x=40, y=0)
    assert sizes(state, fill) == pytest.approx([3600 - 400] * 2, rel=0.01)


def test_a_run_is_cropped_and_so_is_one_that_is_laid_later(store: FilePath) -> None:
    line, crop = drawn(20, 20, 60, 30), drawn(10, 10, 40, 60)
    state = do("lay-brush", paths=[line], brush="rope")
    whole = sizes(state, line)
    to = {"kind": "path", "id": crop}
    inside = sizes(do("crop-paths", paths=[line], to=to), line)
    outside = sizes(do("crop-paths", paths=[line], to={**to, "outside": True}), line)
    assert np.add(inside, outside) == pytest.approx(whole, rel=0.01)
    assert min(*inside, *outside) > 0.3 * whole[0]
    state = do("lay-brush", paths=[line], brush="topstitch")
    assert [run["crop"]["outside"] for run in state.runs_of(line)] == [True] * len(state.runs_of(line))


def test_a_run_may_be_cropped_to_its_own_path(store: FilePath) -> None:
    line = drawn(20, 20, 60, 30)
    whole = sizes(do("lay-brush", paths=[line], brush="rope"), line)
    inside = sizes(do("crop-paths", paths=[line], to={"kind": "path", "id": line}), line)
    assert 0.3 * whole[0] < inside[0] < 0.6 * whole[0]
    assert inside[0] == pytest.approx(inside[1], rel=0.01)


def test_what_loses_its_crop_is_whole_again(store: FilePath) -> None:
    fill, crop = filled(20, 20, 20, 10), drawn(30, 25, 20, 10)
    do("crop-paths", paths=[fill], to={"kind": "path", "id": crop})
    state = do("delete-paths", paths=[crop])
    assert state.get("path", fill)["crop"] == {}
    state = journal.undo(SHEET, journal.current_revision(SHEET))
    assert sizes(state, fill) == pytest.approx([50] * 2, rel=0.01)
    # An area that becomes plain paths goes on cropping.
    _, area = made(of_paths(drawn(18, 18, 10, 10), drawn(20, 20, 10, 10)))
    do("crop-paths", paths=[fill], to={"kind": "area", "id": area})
    before = sizes(journal.find_sheet(SHEET), fill)
    state = do("free-area", area=area)
    assert state.get("path", fill)["crop"]["kind"] == "path"
    assert sizes(state, fill) == pytest.approx(before, rel=0.01)


def test_an_open_path_crops_nothing_and_says_so(store: FilePath) -> None:
    fill = filled(20, 20, 20, 10)
    with pytest.raises(BadInput, match="Hem R is open, so it has no inside"):
        do("crop-paths", paths=[fill], to={"kind": "path", "id": HEM})
    assert journal.find_sheet(SHEET).get("path", fill)["crop"] == {}


def test_a_single_repeat_is_cropped_and_whole_again_when_its_shape_goes(store: FilePath) -> None:
    """Of a button of 12 mm, half is seen."""
    state = do("place-single", brush="button", x=100, y=100, size="400 %")
    one = state.all("single")[-1]["id"]
    whole = single_size(state, one)
    crop = drawn(100, 60, 80, 80)
    state = do("crop-paths", singles=[one], to={"kind": "path", "id": crop, "outside": True})
    assert single_size(state, one) == pytest.approx(whole / 2, rel=0.02)
    assert single_size(do("delete-paths", paths=[crop]), one) == pytest.approx(whole)


def test_a_guide_picture_is_cropped(store: FilePath) -> None:
    picture = keep_picture(encoded(canvas(30, 40)))
    intent = AddGuide(name="Scan", picture=picture, width=40, height=30)
    journal.do(SHEET, journal.current_revision(SHEET), intent)
    guide = journal.find_sheet(SHEET).all("guide")[-1]["id"]
    crop = drawn(20, 20, 40, 30)
    state = do("crop-paths", guides=[guide], to={"kind": "path", "id": crop})
    clip = clip_of(state, state.get("guide", guide))
    assert clip is not None
    assert (clip.points.min(axis=0).tolist(), clip.points.max(axis=0).tolist()) == ([20, 20], [60, 50])
    with pytest.raises(BadInput, match="Choose what"):
        do("crop-paths", to={"kind": "path", "id": crop})
    assert clip_of(do("crop-paths", guides=[guide]), state.get("guide", guide)) is not None
    assert journal.find_sheet(SHEET).get("guide", guide)["crop"] == {}


def single_size(state: State, one: str) -> float:
    """How much of a single repeat is seen, mm²."""
    group = single_group(state, state.get("single", one))
    drawing = Drawing(state.sheet["width"], state.sheet["height"], (group,))
    png = Image.open(io.BytesIO(write_png(drawing, PER_MM * MM_PER_INCH)))
    return float((np.asarray(png.convert("RGBA"))[..., 3] / 255).sum()) / PER_MM**2
