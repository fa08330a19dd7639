"""Fills of closed paths: gradients and pictures as they look, and pictures that go with their shapes."""

from __future__ import annotations

import io
import math
from pathlib import Path as FilePath
from typing import Any

import numpy as np
import pytest
import resvg_py
from numpy.typing import NDArray
from PIL import Image

from curlet.core.errors import BadInput
from curlet.core.measures import MM_PER_INCH
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from curlet.store import journal
from curlet.store.commands import FillWithPicture
from curlet.store.pictures import keep_picture
from curlet.store.state import State
from curlet.studio.drawn_sheet import sheet_drawing
from tests.store.test_areas import drawn, made, of_paths
from tests.store.test_path_commands import HEM, SHEET, do

PER_MM = 10
RED, GREEN, BLUE, YELLOW = (255, 0, 0), (0, 255, 0), (0, 0, 255), (255, 255, 0)
Pixels = NDArray[np.uint8]


def quarters() -> bytes:
    """A PNG of 80 × 40 pixels: red and green above, blue and yellow below."""
    pixels = np.array([[RED, GREEN], [BLUE, YELLOW]], dtype=np.uint8).repeat(20, axis=0).repeat(40, axis=1)
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    return out.getvalue()


def with_picture(path: str) -> State:
    intent = FillWithPicture(
        paths=[path], picture=keep_picture(quarters()), name="Quarters", width=80, height=40
    )
    return journal.do(SHEET, journal.current_revision(SHEET), intent)


def looks(state: State, path: str) -> list[Pixels]:
    """A path's fill as PNG, and as resvg draws its SVG."""
    whole = sheet_drawing(state, with_lines=True, runs=[], singles=False)
    group = next(group for group in whole.groups if group.id == f"path-{path}")
    drawing = type(whole)(whole.width, whole.height, (group,))
    png = Image.open(io.BytesIO(write_png(drawing, PER_MM * MM_PER_INCH)))
    svg = resvg_py.svg_to_bytes(svg_string=write_svg(drawing).decode(), dpi=96, width=png.width)
    return [np.asarray(each.convert("RGBA")) for each in (png, Image.open(io.BytesIO(bytes(svg))))]


def colours_at(state: State, path: str, *places: tuple[float, float]) -> list[tuple[int, ...] | None]:
    """The colours at places (mm), the same by both; None where nothing is seen."""
    found = []
    for x, y in places:
        pixels = [look[round(y * PER_MM), round(x * PER_MM)] for look in looks(state, path)]
        assert np.abs(np.subtract(*pixels, dtype=int)).max() <= 3
        found.append(tuple(int(v) for v in pixels[0][:3]) if pixels[0][3] > 127 else None)
    return found


def fill(state: State, path: str) -> dict[str, Any]:
    return dict(state.get("path", path)["fill"])


def test_a_picture_covers_its_shape_and_is_seen_only_in_it(store: FilePath) -> None:
    path = drawn(20, 20, 40, 40)
    state = with_picture(path)
    # 80 × 40 pixels over 40 × 40 mm: 80 mm wide, its middle in the shape's.
    assert (fill(state, path)["width"], fill(state, path)["x"], fill(state, path)["y"]) == (80, 40, 40)
    seen = colours_at(state, path, (30, 30), (50, 30), (30, 50), (50, 50), (19, 30), (61, 30))
    assert seen == [RED, GREEN, BLUE, YELLOW, None, None]


def test_a_picture_goes_with_its_shape_and_stays_when_the_shape_itself_changes(store: FilePath) -> None:
    path = drawn(20, 20, 40, 40)
    with_picture(path)
    state = do("move-paths", paths=[path], x=10, y=5)
    assert colours_at(state, path, (40, 35), (60, 55)) == [RED, YELLOW]
    # A quarter turn clockwise: what was at the left is above.
    state = do("turn-paths", paths=[path], angle="90")
    assert colours_at(state, path, (40, 35), (60, 35), (40, 55)) == [BLUE, RED, YELLOW]
    state = do("turn-paths", paths=[path], size="50 %")
    assert fill(state, path)["width"] == pytest.approx(40)
    corner = state.get("path", path)["nodes"][0]["id"]
    before = fill(state, path)
    state = do("move-nodes", path=path, moves=[{"id": corner, "x": 30, "y": 10}])
    assert fill(state, path) == before
    assert fill(journal.undo(SHEET, journal.current_revision(SHEET)), path) == before


def test_a_mirrored_copy_has_its_picture_mirrored(store: FilePath) -> None:
    path = drawn(20, 20, 40, 40)
    before = set(with_picture(path).rows["path"])
    state = do("mirror-paths", paths=[path], about="right")
    (copy,) = set(state.rows["path"]) - before
    nodes = state.get("path", copy)["nodes"]
    left, top = min(node["x"] for node in nodes), min(node["y"] for node in nodes)
    spots = [(left + 10, top + 10), (left + 30, top + 10), (left + 10, top + 30)]
    assert colours_at(state, copy, *spots) == [GREEN, RED, YELLOW]
    assert colours_at(state, path, (30, 30)) == [RED]


def test_a_mirrored_circle_has_its_picture_mirrored_too(store: FilePath) -> None:
    """It is walked the other way, so that its handles have changed places."""
    state = do("draw-figure", figure="circle", entered={})
    path = state.all("path")[-1]["id"]
    before = set(with_picture(path).rows["path"])
    state = do("mirror-paths", paths=[path], about="right")
    (copy,) = set(state.rows["path"]) - before
    assert (fill(state, path)["mirrored"], fill(state, copy)["mirrored"]) == (False, True)
    assert fill(state, copy)["x"] > fill(state, path)["x"]


def test_an_areas_picture_follows_and_its_holes_stay_open(store: FilePath) -> None:
    whole, hole = drawn(20, 20, 40, 40), drawn(25, 25, 10, 10)
    state, area = made(of_paths(whole, hole), "cut")
    first, inner = (path["id"] for path in state.all("path") if path["area"] == area)
    state = with_picture(inner)
    assert colours_at(state, first, (30, 30), (22, 22), (50, 50)) == [None, RED, YELLOW]
    state = do("move-paths", paths=[first], x=40, y=0)
    assert colours_at(state, first, (70, 30), (62, 22), (90, 50)) == [None, RED, YELLOW]
    # Its hole alone is moved: the picture stays.
    state = do("move-paths", paths=[hole], x=20, y=20)
    assert colours_at(state, first, (70, 30), (90, 50)) == [RED, None]


def test_a_picture_is_placed_by_number_by_hand_and_to_fit(store: FilePath) -> None:
    path = drawn(20, 20, 40, 40)
    with_picture(path)
    factor = journal.find_sheet(SHEET).scale.factor
    state = do("set-picture-fill", paths=[path], width=f"{20 / factor} mm", x=f"{30 / factor} mm", turn="90")
    lies = fill(state, path)
    assert [lies[key] for key in ("x", "y", "width", "height", "turn")] == pytest.approx([30, 40, 20, 10, 90])
    state = do("set-picture-fill", paths=[path], fit="inside")
    lies = fill(state, path)
    assert [lies[key] for key in ("x", "y", "width", "height")] == pytest.approx([40, 40, 40, 20])
    state = do("set-picture-fill", paths=[path], fit="cover", mirrored=True, fade="25 %")
    lies = fill(state, path)
    assert [lies[key] for key in ("width", "height", "turn")] == pytest.approx([80, 40, 90])
    alphas = {int(look[400, 400, 3]) for look in looks(state, path)}
    assert max(abs(alpha - 0.75 * 255) for alpha in alphas) <= 1
    # Turned over left to right and then a quarter turn: its right edge lies below.
    state = do("drag-picture-fill", path=path, grip="middle", x=45, y=60, steady=True)
    assert (fill(state, path)["x"], fill(state, path)["y"]) == pytest.approx((40, 60))
    state = do("drag-picture-fill", path=path, grip="right", x=40, y=80)
    assert fill(state, path)["width"] == pytest.approx(40)
    state = do("drag-picture-fill", path=path, grip="arc", x=40 - 30, y=60)
    assert fill(state, path)["turn"] == pytest.approx(180)
    # Held steady it is turned by steps of 15°: 100° is nearest to 105°.
    there = {"x": 40 + 30 * math.cos(math.radians(100)), "y": 60 + 30 * math.sin(math.radians(100))}
    state = do("drag-picture-fill", path=path, grip="arc", **there, steady=True)
    assert fill(state, path)["turn"] == pytest.approx(105)


@pytest.mark.parametrize(
    ("values", "places"),
    [
        ({}, ((20.2, 30), (40, 21), (59.8, 30))),
        ({"turn": 90}, ((21, 20.2), (59, 30), (30, 39.8))),
        ({"form": "radial"}, ((40, 30), (50, 30), (59.7, 30))),
        ({"form": "radial", "x": 0, "y": "50 %"}, ((20.2, 30), (40, 30), (59.7, 30))),
    ],
)
def test_a_gradient_runs_over_the_shape(store: FilePath, values: Any, places: Any) -> None:
    """From black by a mid grey to white: as light as the place lies along it."""
    path = drawn(20, 20, 40, 20)
    stops = [{"at": 0, "colour": "black"}, {"at": 100, "colour": "white"}]
    state = do("set-fill", paths=[path], fill={"kind": "gradient", "stops": stops, **values})
    start, middle, end = (colour for colour in colours_at(state, path, *places) if colour)
    assert start[0] < 6
    assert middle[0] == pytest.approx(127, abs=3)
    assert end[0] > 247


def test_what_cannot_be_a_fill_is_refused_in_words_and_changes_nothing(store: FilePath) -> None:
    path = drawn(20, 20, 40, 20)
    one, two = {"at": 0, "colour": "black"}, {"at": 100, "colour": "white"}
    gone = {"kind": "picture", "picture": "none", "name": "A", "x": 0, "y": 0, "width": 1, "height": 1}
    for paths, wrong, words in (
        ([HEM], {"kind": "gradient", "stops": [one, two]}, "is open"),
        ([path], {"kind": "gradient", "stops": [one, {**two, "at": 120}]}, "from 0 to 100%"),
        ([path], {"kind": "gradient", "stops": [one, {**two, "colour": "blackish"}]}, "not a colour"),
        ([path], {"kind": "gradient", "stops": [one, two], "x": "300 %"}, "from -100 to 200%"),
        ([path], gone, "not kept here"),
    ):
        with pytest.raises(BadInput, match=words):
            do("set-fill", paths=paths, fill=wrong)
    with pytest.raises(BadInput, match="no picture in"):
        do("set-picture-fill", paths=[path], turn="9")
    with_picture(path)
    with pytest.raises(BadInput, match="width"):
        do("set-picture-fill", paths=[path], width="0 mm")
    with pytest.raises(BadInput, match="faded"):
        do("set-picture-fill", paths=[path], fade="101 %")
    assert fill(journal.find_sheet(SHEET), path)["width"] == 40


def test_a_gradient_takes_shades_and_gives_its_colours_to_the_card(store: FilePath) -> None:
    path = drawn(20, 20, 40, 20)
    stops = [{"at": 0, "colour": "#102030"}, {"at": 100, "colour": "#a0b0c0"}]
    do("set-fill", paths=[path], fill={"kind": "gradient", "stops": stops})
    state = do("shades-from-use")
    refs = [stop["colour"] for stop in fill(state, path)["stops"]]
    assert all(ref.startswith("shade:") for ref in refs)
    state = do("set-shade", shade=refs[0].removeprefix("shade:"), colour="#ff0000")
    assert colours_at(state, path, (20.05, 30))[0][:2] == pytest.approx((255, 0), abs=3)  # type: ignore[index]
