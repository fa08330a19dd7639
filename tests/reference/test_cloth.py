"""Cloths: their thread counts, their weave's structure, and the same picture in a second renderer."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape, Solid, Stamps, Tiling
from curlet.core.dress.cloth import POINT_PAPERS, WEAVES, Cloth
from curlet.core.errors import BadInput
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.reference.pictures import on_white, read_png, resvg

# Half an inch, so that the second renderer has whole pixels.
SIDE, PX_PER_MM = 12.7, 40


def filled(cloth: Cloth, factor: float = 1.0, side: float = SIDE) -> Drawing:
    corners = np.array([[0, 0], [side, 0], [side, side], [0, side]], dtype=float)
    shape = Shape(Outline("MLLLZ", corners), cloth.paint(factor))
    return Drawing(side, side, (Group("area", "", (Laid((shape,)),)),))


def laid_out(cloth: Cloth, side: float) -> Drawing:
    """The same area with every tile drawn for itself, without a pattern."""
    paint = cloth.paint(1.0)
    assert isinstance(paint, Tiling)
    at = [
        (paint.width * i, paint.height * j)
        for i in range(int(-2 * side // paint.width), int(2 * side // paint.width) + 1)
        for j in range(int(-2 * side // paint.height), int(2 * side // paint.height) + 1)
    ]
    turn = np.array(paint.matrix[:4]).reshape(2, 2)
    rows = [[*turn.ravel(), *(np.array(place) @ turn)] for place in at]
    corners = np.array([[0, 0], [side, 0], [side, side], [0, side]], dtype=float)
    tiles = Stamps(paint.shapes, np.array(rows))
    return Drawing(side, side, (Group("area", "", (tiles,), clip=Outline("MLLLZ", corners)),))


@pytest.mark.parametrize("turn", [0.0, 30.0])
@pytest.mark.parametrize("weave", [w for w in WEAVES if w not in ("colour", "knit", "felt")])
def test_cloth_is_its_tiles_side_by_side_in_a_second_renderer(weave: str, turn: float) -> None:
    cloth = Cloth(weave, "#3b5068", "#d9d4c7", 10, 8, turn)
    pixels = round(SIDE * PX_PER_MM)
    ours = read_png(write_png(filled(cloth), PX_PER_MM * 25.4))
    theirs = resvg(write_svg(laid_out(cloth, SIDE)), pixels, pixels)
    # Both soften threads' edges, each in its way: seen through a 4 px mesh they are one.
    near, other = (block_reduce(on_white(picture)) for picture in (ours, theirs))
    assert (np.abs(near - other).max(axis=-1) > 0.15).mean() < 0.01


@pytest.mark.parametrize("weave", [w for w in WEAVES if w != "colour"])
def test_cloth_exported_as_a_pattern_has_the_same_colours(weave: str) -> None:
    drawing = filled(Cloth(weave, "#3b5068", "#d9d4c7", 10, 8))
    pixels = round(SIDE * PX_PER_MM)
    ours = on_white(read_png(write_png(drawing, PX_PER_MM * 25.4)))
    theirs = on_white(resvg(write_svg(drawing), pixels, pixels))
    assert ours.mean(axis=(0, 1)) == pytest.approx(theirs.mean(axis=(0, 1)), abs=0.02)


def block_reduce(picture: np.ndarray, size: int = 4) -> np.ndarray:
    """Means of square blocks."""
    rows, columns, _ = picture.shape
    return picture.reshape(rows // size, size, columns // size, size, -1).mean(axis=(1, 3))


@pytest.mark.parametrize(("ends", "picks"), [(10, 8), (24, 22)])
@pytest.mark.parametrize("factor", [1.0, 0.25])
def test_threads_are_counted_to_the_used_cm(ends: float, picks: float, factor: float) -> None:
    """Counted in the picture as a counting glass does: changes of thread along a pick and along an end."""
    cloth = Cloth("plain", "#000000", "#ffffff", ends, picks)
    side = 10 * factor
    picture = read_png(write_png(filled(cloth, factor, side), min(1_200 / side * 25.4, 4_800)))
    light = on_white(picture)[..., 0] > 0.5
    across, down = light.shape[1], light.shape[0]
    row, column = light[round(down / picks / 2)], light[:, round(across / ends / 2)]
    # In plain weave every other end lies on top along a pick: a change in and out of each.
    assert np.diff(row.astype(int)).clip(0).sum() == pytest.approx(ends / 2, abs=1)
    assert np.diff(column.astype(int)).clip(0).sum() == pytest.approx(picks / 2, abs=1)


@pytest.mark.parametrize("weave", [w for w in WEAVES if w != "colour"])
def test_cloth_has_one_colour_at_any_resolution(weave: str) -> None:
    """From afar threads mix by their areas (Grassmann's laws): a print of few pixels to the thread is as
    light as one of many. 1:4, so that a thread is 0.09 mm and, at 60 ppi, a fifth of a pixel."""
    drawing = filled(Cloth(weave, "#204060", "#e0d0b0", 28, 26), 0.25)
    fine = on_white(read_png(write_png(drawing, 2_400))).mean(axis=(0, 1))
    for ppi in (60, 150, 300, 600):
        coarse = on_white(read_png(write_png(drawing, ppi)))[1:-1, 1:-1].mean(axis=(0, 1))
        assert coarse == pytest.approx(fine, abs=0.015)


def test_point_papers_are_those_of_the_handbooks() -> None:
    """Weave structures: common practice (plain 1/1, twill 2/2, denim 3/1 warp-faced right-hand twill, basket
    2/2)."""
    shares = {name: paper.mean() for name, paper in POINT_PAPERS.items()}
    assert shares == {"plain": 0.5, "twill": 0.5, "denim": 0.75, "canvas": 0.5}
    for name in ("twill", "denim"):
        paper = POINT_PAPERS[name]
        # Each end's floats start a pick higher than those of the end to its left: lines rise to the right.
        for column in range(1, paper.shape[1]):
            assert (np.roll(paper[:, column - 1], -1) == paper[:, column]).all()
    assert (POINT_PAPERS["canvas"][:2, :2]).all()
    assert not POINT_PAPERS["canvas"][:2, 2:].any()


def test_cloth_is_its_mean_colour_from_afar() -> None:
    cloth = Cloth("denim", "#203a5a", "#e8e4da", 26, 18)
    paint = cloth.paint(1.0)
    assert isinstance(paint, Tiling)
    near = on_white(read_png(write_png(filled(cloth, side=4.0), 60 * 25.4)))
    mean = [int(paint.mean[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    assert near.mean(axis=(0, 1)) == pytest.approx(mean, abs=0.09)


def test_a_plain_colour_is_one_and_what_is_none_is_refused() -> None:
    assert Cloth("colour", "#aabbcc").paint(1.0) == Solid("#aabbcc")
    with pytest.raises(BadInput, match="no weave"):
        Cloth("tartan").paint(1.0)
    with pytest.raises(BadInput, match="thread count"):
        Cloth("plain", ends=0).paint(1.0)


def test_denim_comes_indigo_over_undyed() -> None:
    """Common practice; one grey-green for warp and weft showed no twill."""
    denim = WEAVES["denim"]
    assert denim.threads == ("Warp", "Weft")
    light = [sum(int(colour[i : i + 2], 16) for i in (1, 3, 5)) for colour in (denim.warp, denim.weft)]
    assert light[1] > 2 * light[0]


def test_cords_are_counted_to_the_used_cm() -> None:
    """Eleven-wale corduroy has 11 cords to the inch, 4.33 to the cm (definition of the inch)."""
    cloth = Cloth("corduroy", "#a08060", "#a08060", 11 / 2.54, 9)
    picture = read_png(write_png(filled(cloth, side=25.4), 1_200))
    light = on_white(picture)[600, :, 0]
    dark = light < (light.min() + light.max()) / 2
    assert np.diff(dark.astype(int)).clip(0).sum() == pytest.approx(11, abs=1)


def test_net_is_open_between_its_threads() -> None:
    picture = read_png(write_png(filled(Cloth("net", "#000000", "#000000", 6, 6 * 2 / 3**0.5)), 1_200))
    bare = float((picture[..., 3] < 0.5).mean())
    # A thread of 0.14 round regular meshes leaves (1 − 0.14)² of them bare (geometry).
    assert bare == pytest.approx(0.86**2, abs=0.03)


def test_grains_are_counted_to_the_used_cm() -> None:
    """As many pebbles in a square cm as the count says, each nearest to its own middle (Voronoi)."""
    paint = Cloth("leather", "#7a4b2e", "#7a4b2e", 5, 5).paint(1.0)
    assert isinstance(paint, Tiling)
    middles = np.array([shape.outline.points[:-1].mean(axis=0) for shape in paint.shapes[1:]])
    within = ((middles >= 0) & (middles < paint.width)).all(axis=1).sum()
    assert within / (paint.width / 10) ** 2 == pytest.approx(25, rel=0.15)
