"""Offset rows, mitres, slopes and bends against geometry, SVG's rules and other libraries."""

from __future__ import annotations

import math

import numpy as np
import pytest
from scipy.special import ellipe
from shapely import LineString, Point, Polygon

from curlet.core.brush import Band, Brush, CornerRule, FitRule, Row
from curlet.core.drawing import Drawing
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import LaidRun, RunRule, lay
from curlet.core.lay.corners.limit import mitre_ratio, within_limit
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.motif.families.rope.laid import Laid
from curlet.core.path.outline import outline_of
from curlet.demo.brushes import laid_rope
from curlet.formats.numbers import outline_data
from curlet.formats.svg_out import write_svg
from tests.outlines import block, filled_area, flattened, main_row, shapes_of
from tests.reference.pictures import differing, inked, resvg
from tests.shapes import circle, cubic, ellipse, line, polyline, square


def offset_row(offset: float, corners: str = "carry") -> Brush:
    return Brush(courses=(Row(offset=Measure(offset)),), corners=CornerRule(corners))


def own_length(run: LaidRun) -> float:
    return sum(room.line.length for room in main_row(run).rooms)


@pytest.mark.parametrize("offset", [-7.0, -1.0, 3.0])
def test_a_row_round_a_smooth_convex_path(offset: float) -> None:
    # Steiner's formula: L + 2πd for a parallel row at d outside; the path runs clockwise, so − is outside.
    path = ellipse(40, 25)
    expected = 4 * 40 * ellipe(1 - (25 / 40) ** 2) - 2 * math.pi * offset
    assert own_length(lay(path, offset_row(offset), Scale())) == pytest.approx(expected, rel=1e-5)


@pytest.mark.parametrize("offset", [-5.0, 4.0])
def test_a_mitred_row_round_a_polygon(offset: float) -> None:
    # Geometry: L + 2d·Σtan(τ/2).
    path = polyline((0, 0), (60, 0), (80, 50), (20, 70), closed=True)
    run = lay(path, offset_row(offset, "pivot"), Scale())
    turns = sum(math.tan(math.radians(corner.turn) / 2) for corner in run.corners)
    assert own_length(run) == pytest.approx(path.length - 2 * offset * turns, rel=1e-9)


def test_a_border_round_a_frame() -> None:
    # Geometry: outer rail 2(a + b) + 8w; 200 × 150 with w = 20 is 860.
    frame = polyline((0, 0), (200, 0), (200, 150), (0, 150), closed=True)
    assert own_length(lay(frame, offset_row(-20, "pivot"), Scale())) == pytest.approx(860)


def test_an_offset_row_lies_at_its_distance() -> None:
    """Needle holes 5 mm to the right of a winding path, against shapely's distance."""
    path = cubic((0, 0), (40, -50), (60, 60), (100, 0))
    run = lay(path, offset_row(5.0), Scale())
    dense = LineString(path.arc.points(np.linspace(0, path.length, 20_001)))
    for _, outline, _ in shapes_of(draw_run(run, "r", "")):
        for x, y in outline.points:
            assert dense.distance(Point(x, y)) == pytest.approx(5, abs=2e-3)


@pytest.mark.parametrize(("limit", "angle"), [(1.414, 90), (4, 29), (10, 11.5)])
def test_mitre_limits(limit: float, angle: float) -> None:
    # SVG 2, stroke-miterlimit: width / sin(θ/2); limits 1.414, 4 and 10 are θ = 90°, 29° and 11.5°.
    assert mitre_ratio(180 - angle) == pytest.approx(limit, rel=5e-3)
    assert within_limit(180 - angle - 1, limit)
    assert not within_limit(180 - angle + 1, limit)


def test_bands_are_strokes() -> None:
    """A band with its joins, and SVG's own stroke of the same width, in a second renderer."""
    path = polyline((8, 40), (25, 8), (44, 42), (46, 20))
    brush = Brush(courses=(Band(Measure(5.0), joins="mitre"),), threads=("#000000",))
    drawing = Drawing(50.8, 50.8, (draw_run(lay(path, brush, Scale()), "r", ""),))
    ours = resvg(write_svg(drawing), 800, 800)
    theirs = resvg(
        f'<svg xmlns="http://www.w3.org/2000/svg" width="50.8mm" height="50.8mm" viewBox="0 0 50.8 50.8">'
        f'<path d="{outline_data(outline_of(path))}" fill="none" stroke="#000" stroke-width="5" '
        'stroke-miterlimit="4"/></svg>',
        800,
        800,
    )
    assert inked(theirs) > 0.1
    assert differing(ours, theirs) < 2e-4


def test_an_offset_band_is_shapelys_parallel_line() -> None:
    path = cubic((0, 0), (40, -40), (60, 40), (100, 0))
    run = lay(path, Brush(courses=(Band(Measure(4.0), offset=Measure(6.0)),)), Scale())
    (shape,) = [shape for shape, _, _ in shapes_of(draw_run(run, "r", ""))]
    ours = LineString(flattened(shape.outline)[0])
    dense = LineString(path.arc.points(np.linspace(0, path.length, 4001)))
    assert ours.hausdorff_distance(dense.offset_curve(6.0)) < 0.02


def _slope(run: LaidRun) -> int:
    """Which way a strand falls: 1 for \\, −1 for /."""
    drawn = shapes_of(draw_run(run, "r", ""))
    strands = [flattened(outline)[0] for _, outline, _ in drawn if outline.commands.count("M") == 1]
    x, y = max(strands, key=lambda strand: np.ptp(strand[:, 0])).T
    return int(np.sign(np.cov(x, y)[0, 1]))


@pytest.mark.parametrize(("twist", "slope"), [("Z", 1), ("S", -1)])
def test_twist_slopes_as_its_letter(twist: str, slope: int) -> None:
    # ISO 2: laid level, S reads / and Z reads \\; on the sheet y grows downward, so \\ falls as x grows.
    assert _slope(lay(line(100), laid_rope(twist).to_core(), Scale())) == slope


@pytest.mark.parametrize("turned", [False, True])
def test_walking_backwards_never_turns_s_into_z(turned: bool) -> None:
    # ISO 2: half a turn leaves S an S.
    assert _slope(lay(line(100), laid_rope("S").to_core(), Scale(), RunRule(backwards=turned))) == -1


def test_lay_and_helix_angle() -> None:
    # Geometry: tan(helix angle) = π·D/lay at the surface; a lay of 3 D is 46.3°, of 3.5 D 41.9°.
    assert math.degrees(math.atan(math.pi / 3)) == pytest.approx(46.3, abs=0.05)
    assert math.degrees(math.atan(math.pi / 3.5)) == pytest.approx(41.9, abs=0.05)
    (strands,) = laid_rope("Z", 8, 24).to_core().courses
    assert isinstance(strands, Row)
    assert strands.length.mm == pytest.approx(24 / 3)
    assert isinstance(strands.motif, Laid)
    assert strands.motif.helix_angle == pytest.approx(46.3, abs=0.05)


@pytest.mark.parametrize("radius", [8.0, 30.0, 400.0])
def test_bent_blocks_make_a_ring(radius: float) -> None:
    """Blocks bent round a circle fill the ring between R − h and R + h: area 4πRh, edges at h."""
    h = 3.0
    area = filled_area(lay(circle(radius), block(6, 2 * h, corners=CornerRule("carry")), Scale()))
    assert area.area == pytest.approx(4 * math.pi * radius * h, rel=2e-3)
    outer = np.array(area.buffer(0.01).exterior.coords)
    assert np.hypot(*outer.T) == pytest.approx(np.full(len(outer), radius + h + 0.01), abs=0.02)


def test_bent_artwork_is_within_five_micrometres() -> None:
    """A scroll's outline on a curve, against the mapping evaluated densely point by point."""
    path = cubic((0, 0), (30, -25), (50, 30), (90, 5))
    scroll = "M0 0C2 -6 9 -6 10 -1C10.5 2 6 3 5.5 0.5"
    art = Artwork((ArtShape(scroll, stroke=ColourRole(), weight=0.2),), 12, 12)
    row = Row(art, Measure(12.0), Measure(0.0), hold="bend", fit=FitRule("leave-over"))
    run = lay(path, Brush(courses=(row,)), Scale())
    repeats = main_row(run).repeats
    cubics = np.array([[(0, 0), (2, -6), (9, -6), (10, -1)], [(10, -1), (10.5, 2), (6, 3), (5.5, 0.5)]])
    dense = []
    for start in repeats.start:
        for control in cubics:
            t = np.linspace(0, 1, 400)[:, None]
            u = 1 - t
            a, b, c, d = control
            at = u**3 * a + 3 * u * u * t * b + 3 * u * t * t * c + t**3 * d
            s = start + at[:, 0]
            dense.append(path.arc.points(s) + at[:, 1:] * path.arc.normals(s))
    reference = [LineString(np.concatenate(dense[2 * i : 2 * i + 2])) for i in range(len(repeats))]
    drawn = [LineString(p) for _, o, _ in shapes_of(draw_run(run, "r", "")) for p in flattened(o, 60)]
    assert len(drawn) == len(reference)
    for ours in drawn:
        assert min(ours.hausdorff_distance(other) for other in reference) < 0.006


def test_a_mitred_border_fills_its_frame_without_gap_or_overlap() -> None:
    """Blocks mitred round a square: the union is the frame, and the pieces do not overlap."""
    w = 10.0
    run = lay(square(80), block(5, w, corners=CornerRule("mitre")), Scale())
    frame = Polygon([(-5, -5), (85, -5), (85, 85), (-5, 85)], [[(5, 5), (75, 5), (75, 75), (5, 75)]])
    assert filled_area(run).symmetric_difference(frame).area < 0.02
