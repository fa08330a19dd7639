"""Tiles and texture sets against what defines them: edges equal to the pixel, normals against gradients.

Sources: a tile is seamless where what is drawn from one period on is what is drawn from the next; normals are
(−∂h/∂x, −∂h/∂y, 1) made 1 long and stored as n/2 + 1/2 (common practice; OpenGL's y points up the picture and
DirectX's down, from memory); a thread of radius r is √(r² − x²) high.
"""

from __future__ import annotations

import io
import json
import math
from dataclasses import replace

import numpy as np
import pytest
from PIL import Image

from curlet.core.brush import Brush
from curlet.core.brush.courses import Band, Letter, Row
from curlet.core.brush.rules import SwayRule
from curlet.core.drawing import Group, Laid, LinearGradient, Outline, Shape, Stop, Tiling
from curlet.core.dress.cloth import WEAVES, Cloth
from curlet.core.dress.relief import Relief
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import Measure
from curlet.core.motif.families import Running
from curlet.core.texture import Tile, tile_of
from curlet.core.texture.moved import moved_down
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.textures import height_map, normal_map, texture_set, tile_png, tile_size

TEXEL = 0.1
# Every kind of repeat: with gaps, edge to edge, overlapping, linked, in several motifs, rows and shades.
KEYS = [
    *("topstitch", "twin", "zigzag", "cover", "cord", "rope", "whipped", "chain", "long-short", "ball"),
    *("lace", "pearls", "sequins", "guilloche", "checker", "ribbon"),
]


def brush(key: str) -> Brush:
    return read_brush(BRUSHES[key]).to_core()


def pixels(png: bytes) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(png)))


def halved(picture: np.ndarray) -> np.ndarray:
    return np.asarray(Image.fromarray(picture).convert("RGBa").reduce(2))


def alike(one: np.ndarray, other: np.ndarray) -> bool:
    """Whether two pictures are the same but for how a renderer rounds edges that lie on a pixel's corner."""
    seen, again = (np.asarray(Image.fromarray(each).convert("RGBa")).astype(int) for each in (one, other))
    apart = np.abs(seen - again).max(axis=2)
    return bool(apart.mean() < 2 and (apart > 64).mean() < 0.004)


def shifted(tile: Tile, across: float, down: float = 0.0) -> Tile:
    """The same brush through a window a little further on."""
    return replace(tile, left=tile.left + across, top=tile.top + down)


@pytest.mark.parametrize("key", KEYS)
def test_a_tile_drawn_one_period_further_on_is_the_same_to_the_pixel(key: str) -> None:
    tile = tile_of(brush(key))
    here, there = (pixels(tile_png(each, TEXEL)) for each in (tile, shifted(tile, tile.width)))
    assert here[..., 3].any()
    assert alike(here, there)
    size = tile_size(tile, TEXEL)
    heights = [height_map(each, size, 60)[0] for each in (tile, shifted(tile, tile.width))]
    apart = np.abs(heights[0] - heights[1])
    assert (apart > 0.05 * max(heights[0].max(), 0.1)).mean() < 0.005


@pytest.mark.parametrize("key", KEYS)
def test_two_tiles_side_by_side_are_what_is_drawn_twice_as_long(key: str) -> None:
    """And so are the smaller pictures that are made of them by halving, as mip-mapping does."""
    tile = tile_of(brush(key))
    size = tile_size(tile, TEXEL)
    one = pixels(tile_png(tile, TEXEL))
    # Half a tile on, its edges lie where the middle was.
    half = size.across // 2
    moved = pixels(tile_png(shifted(tile, half * size.along_mm), TEXEL))
    assert alike(np.roll(one, -half, axis=1), moved)
    if size.across % 2 == 0 and size.down % 2 == 0:
        moved_by_two = np.roll(one, -2, axis=1)
        small, again = (halved(each) for each in (one, moved_by_two))
        assert np.array_equal(np.roll(small, -1, axis=1), again)


@pytest.mark.parametrize("spacing", [7.0, 2.0])
@pytest.mark.parametrize("key", ["topstitch", "cord", "pearls", "lace"])
def test_rows_below_one_another_meet_too(key: str, spacing: float) -> None:
    tile = tile_of(brush(key), spacing)
    here, there = (pixels(tile_png(each, TEXEL)) for each in (tile, shifted(tile, 0.0, spacing)))
    assert (here.shape[0], tile.height) == (round(10 * spacing), spacing)
    assert alike(here, there)
    # Rows further away than can be seen here change nothing.
    rows = tile.rows
    assert min(rows) < tile.top - 0.5 * tile_of(brush(key)).height + spacing
    assert max(rows) > tile.top + spacing + 0.5 * tile_of(brush(key)).height - spacing


# A turn that does not come out is laid straight; a quarter turn does.
CLOTHS = [Cloth(weave, ends=kind.ends, picks=kind.picks) for weave, kind in WEAVES.items()]
CLOTHS += [Cloth("denim", ends=7, picks=5, turn=90), Cloth("rib", ends=6, picks=8, turn=33)]


@pytest.mark.parametrize("cloth", CLOTHS, ids=lambda cloth: f"{cloth.weave}-{cloth.turn:g}")
def test_a_swatch_repeats_with_its_cloth(cloth: Cloth) -> None:
    tile = tile_of(brush("rope"), 12.0, cloth)
    for by in ((tile.width, 0.0), (0.0, tile.height)):
        here, there = (pixels(tile_png(each, TEXEL)) for each in (tile, shifted(tile, *by)))
        assert (here[..., 3].min() == 255) == (cloth.weave != "net")
        assert alike(here, there)
    # What lies on the cloth is as it is without one, as often as the cloth needs it.
    bare = tile_of(brush("rope"), 12.0)
    assert tile.width / bare.width == pytest.approx(round(tile.width / bare.width))
    assert tile.height / 12.0 == pytest.approx(round(tile.height / 12.0))
    assert len(tile.notes) == (cloth.turn == 33)
    assert all("laid straight" in note for note in tile.notes)
    if isinstance(tile.ground, Tiling):
        a, b, c, d, *_ = tile.ground.matrix
        sides = np.abs([(a, b), (c, d)]) * ((tile.ground.width,), (tile.ground.height,))
        times = (tile.width, tile.height) / sides.sum(axis=0)
        assert times == pytest.approx(np.round(times))
        assert np.hypot(a, b) == pytest.approx(1, abs=0.01)
        assert np.hypot(c, d) == pytest.approx(1, abs=0.01)


def test_what_a_cloth_makes_endless_is_refused() -> None:
    coarse = Cloth("felt", ends=0.5, picks=0.5)
    assert tile_of(Brush(), 2.0, coarse).width == pytest.approx(200)
    with pytest.raises(TooMuch, match="further apart"):
        tile_of(Brush(), 0.1, coarse)


def test_the_rows_of_a_tile_take_their_paint_along() -> None:
    fill = LinearGradient((0.0, 0.0), (4.0, 0.0), (Stop(0.0, "#000000"), Stop(1.0, "#ffffff")))
    outline = Outline("ML", np.array([[0.0, 0.0], [4.0, 1.0]]))
    group = Group("row", "", (Laid((Shape(outline, fill),)),), clip=outline, mask=(Shape(outline, fill),))
    moved = moved_down(group, 3.0)
    (laid,) = moved.items
    assert isinstance(laid, Laid)
    for shape in (*laid.shapes, *moved.mask):
        assert isinstance(shape.fill, LinearGradient)
        assert shape.fill.matrix == (1, 0, 0, 1, 0, 3)
        assert shape.outline.points.tolist() == [[0, 3], [4, 4]]
    assert moved.clip is not None
    assert moved.clip.points.tolist() == [[0, 3], [4, 4]]


def test_a_plain_colour_needs_no_more_than_one_repeat() -> None:
    bare, laid = (tile_of(brush("cord"), 9.0, each) for each in (None, Cloth("colour")))
    assert (laid.width, laid.height) == (bare.width, bare.height)


def test_an_order_of_two_is_one_period() -> None:
    row = Row(order="A B", length=Measure(3.0), gap=Measure(1.0), more=(Letter(Running(), Measure(1.5)),))
    assert tile_of(Brush(courses=(row,))).width == pytest.approx(3 + 1 + 1.5 + 1)


def test_a_cloth_needs_rows_and_is_flat_and_rough() -> None:
    cloth = Cloth("rib", ends=6, picks=7)
    with pytest.raises(BadInput, match="from row to row"):
        tile_of(brush("pearls"), None, cloth)
    bare, laid = (texture_set(tile_of(brush("pearls"), 8.0, each), TEXEL) for each in (None, cloth))
    for name in ("roughness.png", "height.png"):
        once, often = pixels(bare[name]).astype(int), pixels(laid[name])
        down, across = (many // one for many, one in zip(often.shape, once.shape, strict=True))
        assert min(down, across) > 1
        assert (np.abs(often - np.tile(once, (down, across))) > 0.02 * once.max()).mean() < 0.01
    assert "flat in height" in json.loads(laid["textures.json"])["notes"][-1]


def test_a_tile_is_whole_sequences_and_all_rows_come_out() -> None:
    assert tile_of(brush("topstitch")).width == pytest.approx(4)
    three = Row(length=Measure(3.0), gap=Measure(1.0))
    five = Row(length=Measure(5.0), gap=Measure(1.0))
    tile = tile_of(Brush(courses=(three, five)))
    assert (tile.width, tile.notes) == (pytest.approx(12), ())
    odd = Row(length=Measure(math.pi), gap=Measure(1.0))
    tile = tile_of(Brush(courses=(three, odd)))
    assert "so that all come out together" in tile.notes[0]
    pitch = (tile.run.rows[1].length + tile.run.rows[1].gap) / (math.pi + 1)
    assert tile.width / (tile.run.rows[1].length + tile.run.rows[1].gap) == pytest.approx(
        round(tile.width / (tile.run.rows[1].length + tile.run.rows[1].gap))
    )
    assert abs(pitch - 1) < 0.02


def test_what_cannot_repeat_is_left_out_and_said() -> None:
    with pytest.raises(BadInput, match="Nothing of this brush repeats"):
        tile_of(brush("blade"))
    with pytest.raises(BadInput, match="spacing"):
        tile_of(Brush(), spacing=0)
    swaying = Row(sway=(SwayRule("turn", "chance", 20.0), SwayRule("size", "rhythm", 10.0, period=6)))
    tile = tile_of(Brush(courses=(swaying,)))
    assert "Sway at random" in tile.notes[0]
    # A rhythm comes out too.
    assert tile.width == pytest.approx(6 * 4)


def test_a_texel_is_as_large_as_it_says() -> None:
    tile = tile_of(brush("cover"))
    size = tile_size(tile, 0.11)
    assert (size.across, size.down) == (23, 56)
    assert size.along_mm * size.across == pytest.approx(tile.width)
    assert size.down_mm * size.down == pytest.approx(tile.height)
    png = Image.open(io.BytesIO(tile_png(tile, 0.11)))
    assert png.info["dpi"][0] == pytest.approx(25.4 / size.along_mm, abs=0.02)
    with pytest.raises(TooMuch, match="Ask for larger texels"):
        tile_size(tile_of(Brush(), spacing=1000), 0.01)
    with pytest.raises(BadInput, match="texel"):
        tile_size(tile, 0)


def band(width: float, relief: float) -> Tile:
    made = Brush(courses=(Band(width=Measure(width)),), kind="rope", relief=Relief(height=relief))
    return tile_of(made)


def test_a_round_cord_is_as_high_as_a_circle() -> None:
    tile = band(4.0, 100)
    size = tile_size(tile, 0.05)
    heights, highest = height_map(tile, size, 100)
    y = tile.top + (np.arange(size.down) + 0.5) * size.down_mm
    circle = np.sqrt(np.maximum(4 - y**2, 0))
    assert highest == pytest.approx(2.0, abs=0.01)
    inside = np.abs(y) < 1.9
    assert np.abs(heights[inside, 0] - circle[inside]).max() < 0.12
    assert np.abs(heights[inside, 0] - circle[inside]).mean() < 0.04
    assert heights[np.abs(y) > 2.05].max() == 0
    # All along it is the same.
    assert np.ptp(heights, axis=1).max() < 1e-6


@pytest.mark.parametrize("flip", [False, True])
def test_normals_are_the_heights_gradients(flip: bool) -> None:
    tile = tile_of(brush("rope"))
    size = tile_size(tile, TEXEL)
    heights, _ = height_map(tile, size, 60)
    stored = normal_map(heights, size, False, flip=flip).astype(float) / 255 * 2 - 1
    # numpy's own gradient, the tile once more on either side.
    wide = np.tile(heights, (1, 3))
    down, along = np.gradient(wide, size.down_mm, size.along_mm)
    middle = slice(size.across, 2 * size.across)
    slope = np.stack([-along[1:-1, middle], (-down if flip else down)[1:-1, middle]], axis=2)
    expected = np.concatenate([slope, np.ones((*slope.shape[:2], 1))], axis=2)
    expected /= np.linalg.norm(expected, axis=2, keepdims=True)
    assert np.abs(stored[1:-1] - expected).max() < 2.5 / 255
    assert np.abs(np.linalg.norm(stored, axis=2) - 1).max() < 0.02


def test_green_is_light_on_the_upper_flank_for_opengl_and_dark_for_directx() -> None:
    files = texture_set(band(4.0, 100), TEXEL)
    up, down = (pixels(files[f"normal {name}.png"])[..., 1] for name in ("OpenGL", "DirectX"))
    rows = len(up)
    upper, lower = rows // 4, 3 * rows // 4
    assert up[upper].min() > 150
    assert up[lower].max() < 105
    assert np.abs(up.astype(int) + down - 255).max() <= 1


def test_a_texture_set_says_what_it_is() -> None:
    tile = tile_of(brush("pearls"), spacing=8.0)
    files = texture_set(tile, TEXEL)
    facts = json.loads(files["textures.json"])
    assert (facts["width"], facts["height"], facts["pixels"]) == (5.6, 8.0, [56, 80])
    assert facts["tiles"] == {"across": True, "down": True}
    height = pixels(files["height.png"])
    assert height.dtype in (np.uint16, np.int32)
    assert height.max() == pytest.approx(65_535, abs=700)
    colour = pixels(files["colour.png"])
    assert (colour.shape, colour[0, 0, 3]) == ((80, 56, 4), 0)
    rough = pixels(files["roughness.png"])
    assert rough[colour[..., 3] == 0].min() > rough[colour[..., 3] == 255].max()
    assert {Image.open(io.BytesIO(data)).size for name, data in files.items() if name.endswith("png")} == {
        (56, 80)
    }


def test_what_lies_over_another_is_higher_and_a_core_is_low() -> None:
    """A laid rope's grooves are lower than its strands, and darker."""
    tile = tile_of(brush("rope"))
    size = tile_size(tile, 0.05)
    heights, highest = height_map(tile, size, 60)
    colours = pixels(tile_png(tile, 0.05, relief=False))[size.down // 2, :, :3].astype(int).sum(axis=1)
    middle = heights[size.down // 2]
    assert middle.min() < 0.1 * highest
    assert middle.max() > 0.9 * highest
    assert colours[middle.argmin()] < colours[middle.argmax()]


def test_a_pearl_is_one_dome() -> None:
    """It is as high as the whole pearl is round: its face, a smaller circle over it, takes nothing away."""
    tile = tile_of(brush("pearls"))
    heights, highest = height_map(tile, tile_size(tile, 0.05), 60)
    assert highest == pytest.approx(0.60 * 5.0 / 2, abs=0.03)
    top = np.unravel_index(heights.argmax(), heights.shape)
    down = heights[:, top[1]]
    solid = np.flatnonzero(down > 0)
    assert len(solid) == np.ptp(solid) + 1
    rising, falling = np.diff(down[solid[0] : top[0] + 1]), np.diff(down[top[0] : solid[-1] + 1])
    assert rising.min() > -0.02 * highest
    assert falling.max() < 0.02 * highest


def test_light_is_not_in_the_colours_of_a_set() -> None:
    lit = replace(brush("rope"), relief=Relief(height=80))
    flat = replace(lit, relief=Relief())
    sets = [pixels(texture_set(tile_of(each), TEXEL)["colour.png"]) for each in (lit, flat)]
    assert np.array_equal(*sets)
    assert not np.array_equal(pixels(tile_png(tile_of(lit), TEXEL)), sets[1])
