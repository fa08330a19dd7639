"""Hearts and stars, the commonest paths: pieces and wide artwork at their points and notches."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from shapely import LinearRing, LineString, Point, Polygon, transform, union_all

from curlet.core.brush import Brush, CornerRule, Row
from curlet.core.drawing import Solid
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_corner import axes_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path import Path
from curlet.core.tally import tally
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import block, drawn_area, filled_area, flattened, main_row, shapes_of
from tests.shapes import HEART, UPRIGHT_HEART, star, turn, two_legs


def test_pieces_on_a_leg_too_short_beside_a_sharp_tip_give_way() -> None:
    """A border's rails ran through one another inside a star: its valleys' pieces lay in its tips' mitres."""
    path = star(32.0, 12.8)
    run = lay(path, read_brush(BRUSHES["border"]).to_core(), Scale())
    assert all(w.code != "corner-no-room" or "mitred" in w.message for w in tally(run).warnings)
    parts = []
    for shape, outline, _ in shapes_of(draw_run(run, "r", "")):
        if shape.stroke:
            half = shape.stroke.weight / 2
            parts += [LineString(p).buffer(half, cap_style="flat") for p in flattened(outline)]
        elif shape.fill == Solid("#7c4a63"):
            # Rails that a corner cuts are areas; the eyes in the diamonds are small.
            parts += [Polygon(p).buffer(0) for p in flattened(outline) if np.ptp(p, axis=0).max() > 2.3]
    edges = [Polygon(path.points).buffer(side, join_style="mitre", mitre_limit=10).length for side in (6, -6)]
    assert union_all(parts).area == pytest.approx(0.9 * sum(edges), rel=0.02)


@pytest.mark.parametrize("width", [6.0, 14.0, 22.0])
@pytest.mark.parametrize("heart", [HEART, UPRIGHT_HEART], ids=["leaning", "upright"])
def test_wide_artwork_turns_a_hearts_notch(heart: Path, width: float) -> None:
    """Lobes bend away from the notch, so that their lines meet much nearer to it than straight ones would:
    artwork 22 mm wide left a whole lobe bare and threw its strands across the sheet."""
    run = lay(heart, block(3, width, corners=CornerRule("mitre")), Scale())
    outline = heart.arc.points(np.union1d(np.linspace(0, heart.length, 4000), heart.node_positions))
    mitred, bevelled = (
        LinearRing(outline[:-1]).buffer(width / 2, join_style=join, mitre_limit=2)
        for join in ("mitre", "bevel")
    )
    drawn = filled_area(run)
    assert drawn.difference(mitred.buffer(0.05)).area < 0.2
    assert bevelled.difference(drawn.buffer(0.02)).area < 0.2
    # Outside, where the notch is cut on its bisector and the tip is mitred, it is shapely's band.
    within = Polygon(outline)
    assert drawn.difference(within).symmetric_difference(mitred.difference(within)).area < 0.6


@pytest.mark.parametrize("key", ["lace", "ruffle"])
def test_gathers_give_way_where_a_turn_is_too_sharp_for_them(key: str) -> None:
    """Round a star's points both legs' inner sides lay over each other, and over the gathers."""
    brush = read_brush(BRUSHES[key]).to_core()
    for degrees, way in ((90, "gathered"), (144, "mitred")):
        run = lay(turn(degrees, 60), brush, Scale())
        gathers = [place for row in run.courses for place in getattr(row, "corner_places", ())]
        assert bool(gathers) == (way == "gathered")
        assert any("mitred" in w.message for w in tally(run).warnings) == (way == "mitred")


@pytest.mark.parametrize("size", [1.5, 3.0])
@pytest.mark.parametrize("heart", [HEART, UPRIGHT_HEART], ids=["leaning", "upright"])
@pytest.mark.parametrize("key", ["fringe", "lace"])
def test_what_hangs_from_a_heading_is_spread_round_a_notch(key: str, heart: Path, size: float) -> None:
    """Under a heart's notch a fringe left a wedge bare, and lace was cut off: both legs hang away from it."""
    heart = Path(heart.node_ids, *(size * part for part in (heart.points, heart.into, heart.out)), True)
    run = lay(heart, read_brush(BRUSHES[key]).to_core(), Scale())
    assert not [w for w in tally(run).warnings if w.code == "corner-no-room"]
    area, reach = drawn_area(run), run.main.reach if run.main else 0.0
    x, y = heart.points[heart.node_ids.index("notch")]
    # Where both headings' edges meet, between the lobes; from there down no ray stays bare, as in a wedge.
    top = LineString([(x, y - 60), (x, y + 60)]).intersection(area).bounds[1]
    for angle in np.radians(np.arange(60, 121, 10)):
        ray = LineString([(x, top), (x + 1.9 * reach * np.cos(angle), top + 1.9 * reach * np.sin(angle))])
        assert ray.buffer(0.08 * reach).intersection(area).area > 0.3 * ray.buffer(0.08 * reach).area


def corner_fan(run: LaidRun) -> list[np.ndarray]:
    """Where the four corners of each copy of the cell come to lie at a run's only corner."""
    row = main_row(run)
    (place,) = row.corner_places
    cell = np.array([(0.0, -row.reach), (1.0, -row.reach), (0.0, row.reach), (1.0, row.reach)])
    return [warp(cell, axes_of(row, place.leg)) for warp in place.art.warps]


@pytest.mark.parametrize("first", [(0.0, 0.0), (60.0, 80.0)], ids=["straight", "curved"])
def test_a_heading_is_spread_about_its_own_corner(first: tuple[float, float]) -> None:
    """All copies turn about the place where both legs' inner edges meet, from square to one leg to square to
    the other, with half of their width as full as is set."""
    brush = read_brush(BRUSHES["lace"]).to_core()
    path = two_legs(*first, -150, 90)
    run = lay(path, brush, Scale())
    copies, row = corner_fan(run), main_row(run)
    pivots = np.concatenate([copy[:2] for copy in copies])
    assert np.ptp(pivots, axis=0).max() < (0.3 if any(first) else 1e-6)
    sewn = LineString(path.arc.points(np.linspace(0, path.length, 4000)))
    assert sewn.distance(Point(pivots[0])) == pytest.approx(row.reach, rel=1e-3)
    arms = np.array([copy[2:] - copy[:2] for copy in copies])
    assert np.hypot(arms[..., 0], arms[..., 1]) == pytest.approx(np.full((len(copies), 2), 2 * row.reach))
    # The outermost edges go on from the repeats beside them.
    beside = [row.line.frames(row.repeats.end, row.repeats.leg).beside(row.reach),
              row.line.frames(row.repeats.start, row.repeats.leg).beside(row.reach)]  # fmt: skip
    for edge, places in zip((copies[0][2], copies[-1][3]), beside, strict=True):
        assert np.hypot(*(places - edge).T).min() < 0.01
    turned = np.abs(np.diff(np.unwrap(np.arctan2(arms[:, 0, 1], arms[:, 0, 0])))).mean() * len(copies)
    wanted = brush.corners.fullness * row.reach * turned / (row.length + row.gap)
    assert abs(len(copies) - wanted) <= 1.01


def test_what_has_no_heading_on_its_inner_side_is_mitred_at_a_sharp_turn() -> None:
    """A cord with loops on both sides has nothing to be spread about."""
    shapes = tuple(ArtShape(d, fill=ColourRole()) for d in ("M0 -1L6 -1L6 1L0 1Z", "M1 -6L5 -6L5 6L1 6Z"))
    row = Row(Artwork(shapes, 6, 12), Measure(6.0), Measure(0.0), hold="bend")
    brush = Brush(courses=(row,), corners=CornerRule("piece", made="gathered"))
    assert not main_row(lay(turn(-150, 90), brush, Scale())).corner_places


@pytest.mark.parametrize("degrees", [90, -90, 150, -150])
@pytest.mark.parametrize("key", ["fringe", "lace"])
def test_a_flipped_row_turns_as_its_mirror_image_does(key: str, degrees: int) -> None:
    """What was gathered at a corner stood as drawn beside repeats that were flipped across."""
    brush = read_brush(BRUSHES[key]).to_core()
    (row,) = brush.courses
    assert isinstance(row, Row)
    flipped = replace(brush, courses=(replace(row, facing=replace(row.facing, side_to_side=True)),))
    mine, other = (
        drawn_area(lay(turn(way * degrees, 90), each, Scale())) for way, each in ((1, flipped), (-1, brush))
    )
    assert (
        mine.symmetric_difference(transform(other, lambda points: points * (1, -1))).area < 0.01 * other.area
    )
