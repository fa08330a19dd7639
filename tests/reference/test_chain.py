"""Chains and rings against sprocket geometry, and their stacking at pixels."""

from __future__ import annotations

import math

import numpy as np
import pytest

from curlet.core.brush import Brush, CornerRule, Letter, Row
from curlet.core.drawing import Drawing
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.lay.draw_row import placements_of
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.tally import tally
from curlet.demo.artwork import capsule, disc
from curlet.formats.png_out import write_png
from tests.outlines import main_row, shapes_of
from tests.reference.pictures import read_png
from tests.shapes import circle, line, polyline, square

P = 10.0


def chain(pitch: float = P, wire: float = 2.0, order: str = "A") -> Brush:
    art = Artwork((ArtShape(capsule(-wire, pitch + wire, 1.5 * wire), fill=ColourRole()),), pitch, 3 * wire)
    more = (Letter(art, Measure(pitch)),) if "B" in order else ()
    row = Row(art, Measure(pitch), Measure(0.0), hold="links", order=order, more=more)
    return Brush(courses=(row,), corners=CornerRule("carry"))


# ISO 606: pitch circle d = p / sin(180°/z).
SPROCKETS = {9: 2.9238, 10: 3.2361, 15: 4.8097, 17: 5.4422, 20: 6.3925, 25: 7.9787}


@pytest.mark.parametrize(("teeth", "ratio"), SPROCKETS.items())
def test_links_round_a_sprocket(teeth: int, ratio: float) -> None:
    assert 1 / math.sin(math.pi / teeth) == pytest.approx(ratio, abs=5e-5)
    run = lay(circle(P / math.sin(math.pi / teeth) / 2), chain(), Scale())
    (leg,) = tally(run).facts.legs
    assert leg.repeats == teeth
    assert leg.stitch == pytest.approx(P, rel=1e-6)
    at = placements_of(main_row(run))
    assert at is not None
    assert at.length == pytest.approx(np.full(teeth, P))


def test_a_closed_chain_closes_exactly() -> None:
    run = lay(circle(47.3), chain(), Scale())
    repeats = main_row(run).repeats
    points = run.path.arc.points(np.append(repeats.start, repeats.end[-1]))
    chords = np.hypot(*np.diff(points, axis=0).T)
    assert chords == pytest.approx(np.full(len(chords), chords[0]), abs=1e-8)
    assert repeats.end[-1] - repeats.start[0] == pytest.approx(run.path.length, abs=1e-8)


def test_flat_and_edge_on_come_out_even_on_a_closed_path() -> None:
    for radius in (31, 33.7, 40):
        assert tally(lay(circle(radius), chain(order="A B"), Scale())).facts.repeats % 2 == 0


@pytest.mark.parametrize("count", [1, 4, 11])
def test_pulled_straight(count: int) -> None:
    # Geometry: overall length n·p + 2·wire, p the inside length.
    wire = 2.0
    run = lay(line(count * P), chain(wire=wire), Scale())
    xs = np.concatenate([o.points[:, 0] for _, o, _ in shapes_of(draw_run(run, "r", ""))])
    assert np.ptp(xs) == pytest.approx(count * P + 2 * wire)


def test_what_is_left_of_an_open_path_is_told_in_mm() -> None:
    measured = tally(lay(line(107), chain(), Scale()))
    assert measured.facts.legs[0].left_over == pytest.approx(7)
    assert "7 mm short" in measured.warnings[0].message


def test_sharp_corners_become_pins() -> None:
    run = lay(square(40), chain(), Scale())
    assert [leg.repeats for leg in tally(run).facts.legs] == [4, 4, 4, 4]
    run = lay(polyline((0, 0), (43, 0), (43, 43)), chain(), Scale())
    assert tally(run).facts.legs[0].stitch == pytest.approx(43 / 4)


@pytest.mark.parametrize(("discs", "ratio"), [(3, 2.1547), (4, 2.4142), (6, 3.0)])
def test_equal_discs_in_a_ring(discs: int, ratio: float) -> None:
    # Circle packing: outer over disc diameter is 2.1547 for 3, 2.4142 for 4, and 3 for six about a seventh.
    art = Artwork((ArtShape(disc(P / 2, 0, P / 2), fill=ColourRole()),), P, P)
    row = Row(art, Measure(P), Measure(0.0), hold="links")
    run = lay(circle(P / math.sin(math.pi / discs) / 2), Brush(courses=(row,)), Scale())
    assert tally(run).facts.repeats == discs
    at = placements_of(main_row(run))
    assert at is not None
    centres = at.start + at.along * P / 2
    outer = 2 * (np.hypot(*centres.T).max() + P / 2)
    # The discs stand on the chords' middles: their own ring is smaller by cos(π/n).
    ring = outer - P
    assert ring / math.cos(math.pi / discs) / P + 1 == pytest.approx(ratio, abs=5e-4)


def test_interlaced_links_lie_over_and_under() -> None:
    """A flat link over its neighbour on one diagonal and under it on the other, at pixels."""
    red, blue = ColourRole(own="#ff0000"), ColourRole(own="#0000ff")
    ring = ArtShape(capsule(-4, 20, 6) + capsule(-1, 17, 3), fill=red, even_odd=True)
    over = ArtShape("M12 -6L20 -6L20 0L12 0Z", fill=red, over=True)
    bar = ArtShape("M-4 -2L20 -2L20 2L-4 2Z", fill=blue)
    row = Row(
        Artwork((ring, over), 16, 12), Measure(16.0), Measure(0.0), hold="links", order="A B",
        more=(Letter(Artwork((bar,), 16, 4), Measure(16.0)),), overlap="interlaced",
    )  # fmt: skip
    path = polyline((10, 20), (74, 20))
    group = draw_run(lay(path, Brush(courses=(row,)), Scale()), "r", "")
    picture = read_png(write_png(Drawing(84.0, 40.0, (group,)), 254))

    def colour(x: float, y: float) -> str:
        r, _, b, _ = picture[round(10 * y), round(10 * x)]
        return "red" if r > b else "blue"

    # The bar from x = 26 passes the first ring's right end: under it above, over it below.
    assert colour(27.5, 19) == "red"
    assert colour(27.5, 21) == "blue"
    # And the next ring's left end, which has no over part, lies under the bar throughout.
    assert colour(41, 19) == "blue"
    assert colour(41, 21) == "blue"
