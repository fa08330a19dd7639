"""The referee's short form: of all its cases a few of every brush, manner and turn."""

from __future__ import annotations

import pytest

from curlet.demo.brushes import BRUSHES
from tests.effort import LONG, some
from tests.reference.referee.bounds import past_bound, wide_gap
from tests.reference.referee.cases import Case, cases
from tests.reference.referee.mirror import MAX_UNLIKE, unlike
from tests.reference.referee.seams import RENDERERS, seam_of

# Brushes whose artwork meets edge to edge, from every kind, as they come.
SEAMLESS = (
    ("rope", "mitre", "", 90, (0.0, 0.0)),
    ("whipped", "mitre", "", -30, (0.0, 70.0)),
    ("wave", "piece", "mitred", 45, (90.0, 90.0)),
    ("rickrack", "mitre", "", 105, (90.0, -90.0)),
    ("piping", "mitre", "", 60, (90.0, 90.0)),
    # Seams of 4 px without the hair by which repeats go over one another.
    ("checker", "piece", "mitred", 120, (0.0, 0.0)),
    # Of 16 px without what lies under cuts, where parts lie over one another.
    ("satin", "mitre", "", 90, (0.0, 0.0)),
)
FEW = 9 if LONG else 2


@pytest.mark.parametrize("brush", BRUSHES)
def test_nothing_lies_past_its_bound_and_no_gap_is_too_wide(brush: str) -> None:
    """Geometry: half the width, the mitre's point at a corner (SVG 2, stroke-miterlimit), the gap as set."""
    looked = list(cases((brush,), short=True))[:: 27 // FEW]
    assert len(looked) >= FEW - 1
    for case in looked:
        assert past_bound(case) == 0, str(case)
        assert wide_gap(case) < 1e-3, str(case)


@pytest.mark.parametrize("renderer", RENDERERS)
@pytest.mark.parametrize("about", SEAMLESS, ids=lambda about: about[0])
def test_no_light_shows_where_two_parts_meet(about: tuple, renderer: str) -> None:
    """Three renderers; a line of light is longer than two pixels."""
    assert seam_of(Case(*about), renderer) <= 2


@pytest.mark.parametrize("brush", some([*BRUSHES], 30))
def test_a_mirror_image_is_drawn_as_the_mirror_image(brush: str) -> None:
    """Own derivation: a path upside down with a brush upside down is the drawing upside down."""
    for case in list(cases((brush,), short=True))[7::13]:
        assert unlike(case) <= MAX_UNLIKE, str(case)


def test_rigid_artwork_is_cut_alike_on_both_sides_of_curved_legs() -> None:
    """Discs lost a wedge on one side: their cut ran back over its own heights."""
    for legs, turn in (((0.0, 70.0), -175), ((90.0, -90.0), -165)):
        assert unlike(Case("scallop-discs", "mitre", "", turn, legs)) <= MAX_UNLIKE
