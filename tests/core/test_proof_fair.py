"""The proof board is fair to its brush: what it shows as wrong is wrong."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from curlet.core.brush import Brush, CornerRule, Row
from curlet.core.drawing import Group, Laid, Outline, Shape, Solid
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.hold import left_by_cuts
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.proof import prove
from curlet.core.proof.raster import covered, parts
from curlet.core.tally import tally
from curlet.demo.artwork import disc
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from tests.outlines import block
from tests.shapes import circle


@pytest.mark.parametrize("name", [name for name in BRUSHES if name != "basting"])
def test_no_built_in_brush_is_shown_as_pinched_or_broken(name: str) -> None:
    """35 of 51 were red for nothing. (Basting, which leaves a remainder, does not close, and is told.)"""
    told = {"pinch", "leg-too-short", "open-step", "leg-vanishes", "solid-line"}
    found = {
        (proof.name, warning.code)
        for proof in prove(read_brush(BRUSHES[name]).to_core(), Scale())
        for warning in proof.tally.warnings
        if warning.code in told
    }
    assert found == set()


def test_a_brush_too_wide_for_its_curves_is_still_told() -> None:
    """The board's curves are just wide enough for the brush they are drawn for."""
    brush = block(3, 8, corners=CornerRule("carry"))
    for proof in prove(brush, Scale(), ("tight S", "loop")):
        arc = proof.run.path.arc
        tightest = 1 / np.abs(arc.curvature(np.linspace(0.1, arc.length - 0.1, 4000))).max()
        assert 2.0 * proof.reach <= tightest < 2.3 * proof.reach


def beads(motif: str, gap: float) -> Brush:
    art = Artwork((ArtShape(motif, fill=ColourRole()),), 5, 5)
    return Brush(courses=(Row(art, Measure(5.0), Measure(gap), hold="rigid"),), corners=CornerRule("carry"))


def test_round_beads_turn_where_square_ones_would_meet() -> None:
    """Neighbours meet where a point of one passes the ray between them (geometry): a bead of r = 2.5 mm,
    5.2 mm apart, needs hardly more than its own width; a square one 2(R − h)·tan(p/2R) ≥ l, R = 65 mm."""
    square = "M0 -2.5L5 -2.5L5 2.5L0 2.5Z"
    assert not [
        w
        for w in tally(lay(circle(12), beads(disc(2.5, 0, 2.5), 0.2), Scale())).warnings
        if w.code == "pinch"
    ]
    (told,) = [w for w in tally(lay(circle(12), beads(square, 0.2), Scale())).warnings if w.code == "pinch"]
    radius = float(told.message.split("needs ")[1].split(" mm")[0])
    assert 2 * (radius - 2.5) * np.tan(5.2 / 2 / radius) == pytest.approx(5.0, abs=0.02)


@pytest.mark.parametrize("name", ["wave", "dog-tooth", "key"])
def test_a_corner_that_leaves_parts_loose_is_told_where_it_is(
    name: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Teeth and crests that a sharp mitre cuts from their rail, were they not left out."""
    monkeypatch.setattr(left_by_cuts, "without_crumbs", lambda repeats: [each.kept for each in repeats])
    square, star = prove(read_brush(BRUSHES[name]).to_core(), Scale(), ("square", "star"))
    assert square.faults == ()
    (told,) = star.faults
    assert told.code == "broken-corner"
    (place,) = told.places
    tips = star.run.path.points[::2]
    assert np.hypot(*(tips - place.at).T).min() < 1.5 * star.reach
    # On the artwork that is loose, beside the corner that it is told of.
    assert np.hypot(*(star.run.path.arc.points([place.s])[0] - place.at)) < 1.5 * star.reach


@pytest.mark.parametrize(
    "name",
    [
        "guilloche",
        "rickrack",
        "rope",
        "border",
        "checker",
        "round-braid",
        "piping",
        "wave",
        "dog-tooth",
        "key",
    ],
)
def test_a_star_that_holds_together_is_not(name: str) -> None:
    (star,) = prove(read_brush(BRUSHES[name]).to_core(), Scale(), ("star",))
    assert star.faults == ()


def test_beads_piled_up_at_a_points_tip_are_told() -> None:
    beads = replace(read_brush(BRUSHES["pearls"]).to_core(), corners=CornerRule("carry"))
    square, star = prove(beads, Scale(), ("square", "star"))
    assert square.faults == ()
    assert [fault.code for fault in star.faults] == ["pile-up"]


def test_parts_are_what_hangs_together() -> None:
    ring = np.zeros((7, 9), dtype=bool)
    ring[1:6, 1:8], ring[2:5, 2:7], ring[3, 4] = True, False, True
    ring[6, 8] = True
    labels, sizes = parts(ring)
    # The ring, with the place that touches its corner, and the spot within.
    assert sorted(sizes[1:].tolist()) == [1, 21]
    assert labels[3, 4] != labels[1, 1] == labels[6, 8]


def test_places_are_covered_as_the_outline_fills_them() -> None:
    corners = [(0, 0), (6, 0), (6, 6), (0, 6), (2, 2), (4, 2), (4, 4), (2, 4)]
    hole = Outline("MLLLZMLLLZ", np.array(corners, dtype=float))
    for even_odd, places in ((False, 36), (True, 32)):
        group = Group("g", "", (Laid((Shape(hole, fill=Solid("#000000"), even_odd=even_odd),)),))
        assert covered(group, np.array([-1.0, -1.0]), 1.0, (8, 8)).sum() == places
