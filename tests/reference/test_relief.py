"""Relief against a cylinder lit as Lambert has it (J. H. Lambert, Photometria, 1760: brightness goes with the
cosine between the light and the surface), worked out here with numpy; and shadows at pixels."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest
from coloraide import Color
from numpy.typing import NDArray

from curlet.core.brush import Brush, Row
from curlet.core.drawing import Drawing, Group, Laid
from curlet.core.dress.colour import ColourRole
from curlet.core.dress.relief import Light, Relief
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.path.figures import FIGURES
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from tests.reference.pictures import differing, on_white, read_png, resvg
from tests.shapes import circle, moved, polyline

Floats = NDArray[np.float64]

THICK, PX_PER_MM = 4.0, 40.0
RAISED = Relief(height=100.0, strength=0.0)
DIRECTIONS = range(0, 360, 15)


def thread(relief: Relief, colour: str = "#b08040") -> Brush:
    """Stitches of thick thread."""
    (row,) = Brush().rows
    motif = replace(row.motif, thread=Measure(THICK))  # type: ignore[call-arg]
    return Brush("Thread", (replace(row, motif=motif),), threads=(colour,), relief=relief)


def band(relief: Relief, colour: str = "#b08040") -> Brush:
    """A round cord as thick as the thread."""
    doc = {
        "name": "Cord",
        "courses": [{"course": "band", "width": {"mm": THICK, "on": "garment"}, "role": {"thread": 1}}],
        "threads": [colour],
    }
    return replace(read_brush({"format": "curlet-brush", "version": 1, **doc}).to_core(), relief=relief)


def across(light: Light, degrees: float) -> Floats:
    """The luminance of a straight cord that lies at an angle, from side to side of it, at its middle."""
    angle = np.radians(degrees)
    way, side = np.array([np.cos(angle), np.sin(angle)]), np.array([-np.sin(angle), np.cos(angle)])
    path = polyline(*(tuple(15 + by * way) for by in (-12.0, 12.0)))
    group = draw_run(lay(path, band(RAISED), Scale()), "cord", "", light=light)
    picture = read_png(write_png(Drawing(30.0, 30.0, (group,)), PX_PER_MM * 25.4))
    at = np.linspace(-0.96, 0.96, 193)[:, None] * THICK / 2 * side + 15
    pixels = picture[tuple((at[:, ::-1] * PX_PER_MM).astype(int).T)][:, :3]
    return np.asarray(pixels @ [0.2126, 0.7152, 0.0722])


@pytest.mark.parametrize("degrees", DIRECTIONS)
def test_the_brightest_line_lies_where_it_does_on_a_lit_cylinder(degrees: float) -> None:
    light = Light(azimuth=315.0, elevation=45.0)
    seen = across(light, degrees)
    place = np.linspace(-0.96, 0.96, 193)
    brightest = place[seen >= seen.max() - 1e-6].mean()
    # The cylinder: x across it, from -1 to 1, its surface facing (x, √(1 - x²)).
    towards = np.array([np.sin(np.radians(315)), -np.cos(np.radians(315))]) * np.cos(np.radians(45))
    side = np.array([-np.sin(np.radians(degrees)), np.cos(np.radians(degrees))])
    lambert = place * (towards @ side) + np.sqrt(1 - place**2) * np.sin(np.radians(45))
    # Within a tenth of its width, which is 2.
    assert abs(brightest - place[lambert.argmax()]) < 0.2


def ring(light: Light, relief: Relief = RAISED) -> Floats:
    """(12,) how light a stitched circle's outer edge is, from its top clockwise."""
    group = draw_run(lay(moved(circle(10), 15, 15), band(relief), Scale()), "ring", "", light=light)
    picture = read_png(write_png(Drawing(30.0, 30.0, (group,)), PX_PER_MM * 25.4))
    angles = np.radians(np.arange(0, 360, 30))
    at = 15 + (10 + 0.72 * THICK / 2) * np.stack([np.sin(angles), -np.cos(angles)], axis=1)
    pixels = picture[tuple((at[:, ::-1] * PX_PER_MM).astype(int).T)][:, :3]
    return np.asarray(pixels.mean(axis=1))


@pytest.mark.parametrize("azimuth", [0, 90, 210, 300])
def test_a_stitched_circle_has_one_light_side_and_one_dark_one_and_turns_with_the_light(azimuth: int) -> None:
    seen = np.roll(ring(Light(azimuth)), -azimuth // 30)
    assert seen[0] == seen.max()
    assert seen[6] == seen.min()
    # From the light side to the dark one it only gets darker, by either way round.
    assert (np.diff(seen[:7]) <= 0.02).all()
    assert (np.diff(seen[6:]) >= -0.02).all()
    assert seen[0] - seen[6] > 0.1


def test_it_turns_with_the_light_and_not_with_the_path() -> None:
    light = Light(45.0)
    path = moved(circle(10), 15, 15)
    ways = []
    for walked in (path, path.reversed()):
        group = draw_run(lay(walked, band(RAISED), Scale()), "ring", "", light=light)
        ways.append(read_png(write_png(Drawing(30.0, 30.0, (group,)), 254)))
    assert differing(*ways) < 0.001


def covered(group: Group, side: float = 60.0) -> Floats:
    return read_png(write_png(Drawing(side, side, (group,)), 300))[..., 3]


@pytest.mark.parametrize("name", sorted(BRUSHES))
def test_nothing_leaves_its_shape(name: str) -> None:
    brush = read_brush(BRUSHES[name]).to_core()
    path = moved(circle(20), 30, 30)
    flat = covered(draw_run(lay(path, brush, Scale()), "flat", ""))
    raised = covered(draw_run(lay(path, replace(brush, relief=RAISED), Scale()), "raised", ""))
    # But for the softening of edges, of which there are more; and where long artwork is squeezed on the inner
    # side of a tight bend, which leaves of its insets less than they are moved.
    squeezed = name in ("fringe", "tassels")
    assert (raised > flat + 0.3).mean() < (6e-3 if squeezed else 2e-4)
    assert (raised < flat - 0.3).mean() < 2e-4


@pytest.mark.parametrize("finish", ["matt", "satin", "metal"])
def test_matt_thread_never_reaches_white(finish: str) -> None:
    relief = replace(RAISED, finish=finish)
    group = draw_run(lay(polyline((3, 15), (27, 15)), band(relief, "#ffffff"), Scale()), "cord", "")
    picture = read_png(write_png(Drawing(30.0, 30.0, (group,)), 600))
    lightest = picture[picture[..., 3] == 1][:, :3].max(axis=0)
    light = Color("srgb", lightest.tolist()).convert("oklch")["lightness"]
    assert (light < 0.975) == (finish == "matt")


@pytest.mark.parametrize("azimuth", [0.0, 70.0, 180.0, 315.0])
def test_a_shadow_falls_away_from_the_light_as_far_as_it_is_set_to(azimuth: float) -> None:
    """A shadow lies as far off as the stitch stands above the cloth, times the slant of the light."""
    light = Light(azimuth, 45.0)
    relief = Relief(height=80.0, shadow=150.0, softness=0.0, strength=60.0)
    dot = replace(thread(relief, "#ffffff"), relief=relief)
    path = polyline((13.5, 15), (16.5, 15))
    both = draw_run(lay(path, dot, Scale()), "both", "", light=light)
    cast = replace(both, items=both.items[:1])
    alpha = read_png(write_png(Drawing(30.0, 30.0, (cast,)), PX_PER_MM * 25.4))[..., 3]
    y, x = (np.average(index, weights=alpha) / PX_PER_MM for index in np.indices(alpha.shape))
    moved_by = np.array([x - 15, y - 15])
    reach = THICK / 2 * 0.8 * 1.5 * np.cos(np.radians(45)) / 0.95
    away = -np.array([np.sin(np.radians(azimuth)), -np.cos(np.radians(azimuth))])
    assert moved_by == pytest.approx(reach * away, abs=0.06)
    assert alpha.max() == pytest.approx(0.6, abs=0.02)


def test_softness_spreads_the_shadows_edge_and_leaves_what_it_takes_of_the_light() -> None:
    def cast(softness: float) -> Floats:
        brush = band(Relief(height=80.0, softness=softness, strength=50.0))
        group = draw_run(lay(moved(circle(8), 15, 15), brush, Scale()), "ring", "")
        drawing = Drawing(30.0, 30.0, (replace(group, items=group.items[:1]),))
        return read_png(write_png(drawing, 600))[..., 3]

    hard, soft = cast(0.0), cast(100.0)
    between = [((alpha > 0.05) & (alpha < alpha.max() - 0.05)).mean() for alpha in (hard, soft)]
    assert between[1] > 4 * between[0]
    assert soft.sum() == pytest.approx(hard.sum(), rel=0.1)


@pytest.mark.parametrize("name", ["topstitch", "rope", "chain", "curb", "flat-braid", "pompom", "ribbon"])
def test_it_looks_alike_in_png_and_svg(name: str) -> None:
    brush = replace(read_brush(BRUSHES[name]).to_core(), relief=Relief(height=70.0))
    group = draw_run(lay(moved(circle(18), 30, 30), brush, Scale()), "run", "")
    drawing = Drawing(60.0, 60.0, (group,))
    ours = on_white(read_png(write_png(drawing, 300)))
    theirs = on_white(resvg(write_svg(drawing), ours.shape[1], ours.shape[0]))
    assert np.abs(ours - theirs).mean() < 0.01


def test_thin_thread_stays_clean_and_thick_rope_is_round() -> None:
    """At 300 pixels to the inch, 0.4 mm thread at 1:4 is a pixel across: it keeps its one colour."""

    def tones(brush: Brush) -> int:
        group = draw_run(lay(moved(circle(12), 15, 15), brush, Scale.read("1:4")), "run", "")
        shapes = [shape for item in group.items for shape in item.shapes]  # type: ignore[union-attr]
        return len([shape for shape in shapes if shape.is_seen(300 / 25.4)])

    sewn = replace(read_brush(BRUSHES["topstitch"]).to_core(), relief=Relief(height=60.0))
    rope = replace(read_brush(BRUSHES["rope"]).to_core(), relief=Relief(height=60.0))
    assert tones(sewn) == 1
    assert tones(rope) > 8


@pytest.mark.parametrize("renderer", ["png", "svg"])
def test_a_run_that_shows_through_does_so_evenly_where_it_lies_on_itself(renderer: str) -> None:
    """Of rope at 40 % every pixel is covered by 0.4, where strands overlap and where it crosses itself."""
    brush = replace(read_brush(BRUSHES["rope"]).to_core(), opacity=40.0)
    bow = moved(polyline((0, 0), (40, 30), (40, 0), (0, 30)), 10, 15)
    drawing = Drawing(60.0, 60.0, (draw_run(lay(bow, brush, Scale()), "run", ""),))
    ours = read_png(write_png(drawing, 200))
    alpha = (ours if renderer == "png" else resvg(write_svg(drawing), *ours.shape[1::-1]))[..., 3]
    assert alpha.max() == pytest.approx(0.4, abs=0.01)
    assert (np.abs(alpha[alpha > 0.1] - 0.4) < 0.02).mean() > 0.9


def test_a_course_that_shows_through_leaves_the_others_as_they_are() -> None:
    ribbon = read_brush(BRUSHES["ribbon"]).to_core()
    first, *rest = ribbon.courses
    brush = replace(ribbon, courses=(replace(first, opacity=50.0), *rest))
    path = polyline((5, 30), (55, 30))
    alpha = read_png(write_png(Drawing(60.0, 60.0, (draw_run(lay(path, brush, Scale()), "r", ""),)), 200))[
        ..., 3
    ]
    column = alpha[:, alpha.shape[1] // 2]
    seen = np.unique(column[column > 0.02].round(2))
    assert {0.5, 1.0} <= set(seen.tolist())
    assert ((column > 0.45) & (column < 0.55)).sum() > 0.5 * (column > 0.95).sum() / (len(ribbon.courses) - 1)


def bead(relief: Relief) -> Group:
    """One filled disc, 8 mm across, at (15, 15)."""
    disc = "M0 0C0 2.2 1.8 4 4 4C6.2 4 8 2.2 8 0C8 -2.2 6.2 -4 4 -4C1.8 -4 0 -2.2 0 0Z"
    art = Artwork((ArtShape(disc, fill=ColourRole()),), 8.0, 8.0)
    row = Row(art, Measure(8.0), Measure(2.0), hold="rigid")
    brush = Brush("Bead", (row,), threads=("#b08040",), relief=relief)
    return draw_run(lay(polyline((11, 15), (19, 15)), brush, Scale()), "bead", "")


def test_a_filled_shape_is_light_towards_the_light_and_dark_away_from_it() -> None:
    picture = read_png(write_png(Drawing(30.0, 30.0, (bead(RAISED),)), PX_PER_MM * 25.4))

    def light(by: float) -> float:
        at = round((15 + by) * PX_PER_MM)
        return float(picture[at, at, :3].mean())

    # The light comes from the upper left.
    assert light(-1.8) > light(0.0) > light(2.2)
    assert light(-1.8) - light(2.2) > 0.08


def test_a_shadow_is_of_the_shape_alone_and_not_of_its_insets() -> None:
    cast = bead(Relief(height=80.0)).items[0]
    assert isinstance(cast, Laid)
    assert [shape.outline.commands.count("M") for shape in cast.shapes] == [1, 1, 1]


@pytest.mark.parametrize("name", ["rope", "cord", "round-braid"])
def test_what_corners_cut_is_lit_as_far_as_its_cut(name: str) -> None:
    """In a star's points, where each strand is cut, no single tone covers what lies there."""
    raised = replace(read_brush(BRUSHES[name]).to_core(), relief=Relief(height=90.0, strength=0.0))
    values = {setting.name: setting.default for setting in FIGURES["star"].settings}
    star = moved(FIGURES["star"].make(values), 60.0, 60.0)
    group = draw_run(lay(star, raised, Scale()), "run", "")
    picture = read_png(write_png(Drawing(120.0, 120.0, (group,)), 300.0))
    per_mm = 300 / 25.4
    reach = next(row.drawn_reach(Scale()) for row in raised.rows)
    for x, y in star.points[::2]:
        rows, columns = (slice(int((at - reach) * per_mm), int((at + reach) * per_mm)) for at in (y, x))
        part = picture[rows, columns]
        seen = part[part[..., 3] > 0.99][:, :3].round(2)
        counts = np.unique(seen, axis=0, return_counts=True)[1]
        assert counts.max() < 0.3 * len(seen)
