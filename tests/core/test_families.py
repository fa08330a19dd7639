"""Every motif family: it draws within its cell, at any measure it allows, and refuses what it does not."""

from __future__ import annotations

from dataclasses import fields, replace
from typing import Any

import numpy as np
import pytest
from shapely import LineString, get_parts, union_all

from curlet.core.errors import BadInput
from curlet.core.measures import Measure, MeasuredOn, Scale
from curlet.core.motif.families import FAMILIES, KINDS, Family, Spec
from curlet.core.motif.motif import Motif
from tests.outlines import even_odd_area

NAMES = sorted(FAMILIES)
DRAWN = Scale.read("1:4")


def points(motif: Motif) -> np.ndarray:
    return np.concatenate([item.shape.outline.points for item in motif.shapes])


def variants(family: type[Family]) -> list[Family]:
    """The family as it comes, and with each of its choices and ticks made otherwise."""
    plain = family()
    found = [plain]
    for name, spec in family.specs().items():
        if spec.form == "choice":
            found += [replace(plain, **{name: other}) for other in spec.choices]
        if spec.form == "tick":
            found.append(replace(plain, **{name: not getattr(plain, name)}))
    return found


def test_there_are_families_of_all_five_kinds() -> None:
    by_kind = {kind: [f for f in FAMILIES.values() if f.about.kind == kind] for kind in KINDS}
    assert {kind: len(found) for kind, found in by_kind.items()} == {
        "stitch": 19, "rope": 9, "chain": 7, "trim": 14, "border": 8,
    }  # fmt: skip


@pytest.mark.parametrize("name", NAMES)
def test_a_family_says_what_it_is(name: str) -> None:
    family = FAMILIES[name]
    about = family.about
    low, high = about.usual
    assert about.name
    assert about.trade
    assert about.source
    assert 0 < low < high
    assert low <= family().natural(Scale()) <= high
    assert family.__doc__
    assert len({spec.label for spec in family.specs().values()}) == len(fields(family))  # type: ignore[arg-type]


@pytest.mark.parametrize("name", NAMES)
def test_it_draws_finite_artwork_within_its_width(name: str) -> None:
    for made in variants(FAMILIES[name]):
        made.check()
        motif = made.make(Scale())
        at = points(motif)
        assert np.isfinite(at).all()
        assert motif.shapes
        weights = [i.shape.stroke.weight for i in motif.shapes if i.shape.stroke]
        # A control point may lie a little outside what it draws; artwork keeps to its cell but for
        # corner pieces, which reach across the corner.
        if "corner" not in getattr(made, "place", ""):
            assert np.abs(at[:, 1]).max() <= motif.width / 2 * 1.35 + max(weights, default=0)


@pytest.mark.parametrize("name", NAMES)
def test_it_draws_the_same_at_any_scale(name: str) -> None:
    family = FAMILIES[name]()
    full, quarter = family.make(Scale()), family.make(DRAWN)
    assert family.natural(DRAWN) == pytest.approx(family.natural(Scale()) / 4)
    assert quarter.width == pytest.approx(full.width / 4)
    for edge in (np.min, np.max):
        assert edge(points(quarter)[:, 1]) * 4 == pytest.approx(edge(points(full)[:, 1]), abs=0.2)


@pytest.mark.parametrize("name", NAMES)
def test_it_refuses_measures_out_of_bounds_with_its_reason(name: str) -> None:
    family = FAMILIES[name]
    for key, spec in family.specs().items():
        if spec.bounds is None:
            continue
        for value in (spec.bounds.low - 1, spec.bounds.high + 1):
            wrong: Any = Measure(value) if spec.form == "measure" else value
            with pytest.raises(BadInput, match=spec.label):
                replace(family(), **{key: wrong}).check()
        at_least = replace(family(), **{key: bounded(spec, spec.bounds.low)})
        at_least.check()


def bounded(spec: Spec, value: float) -> Any:
    if spec.form == "measure":
        return Measure(value)
    return int(value) if spec.form == "count" else value


@pytest.mark.parametrize("name", NAMES)
def test_its_bounds_hold_its_default_and_give_a_reason(name: str) -> None:
    for key, spec in FAMILIES[name].specs().items():
        spec.check(getattr(FAMILIES[name](), key))
        if spec.form == "measure":
            assert spec.bounds is not None
            assert spec.bounds.hint, f"{name} {key} has no reason"


def test_a_choice_that_is_not_there_is_refused() -> None:
    with pytest.raises(BadInput, match="Twist is one of S, Z"):
        replace(FAMILIES["laid"](), twist="Q").check()


def test_printed_thread_keeps_its_thickness_at_any_scale() -> None:
    made = replace(FAMILIES["zigzag"](), thread=Measure(0.3, MeasuredOn.PAPER))
    weights = {s.shape.stroke.weight for s in made.make(DRAWN).shapes if s.shape.stroke}
    assert weights == {0.3}


@pytest.mark.parametrize(("lean", "width"), [(0, 8.0), (24, 8.0), (35, 9.0)])
def test_the_wires_of_curb_links_lie_side_by_side_on_the_chains_middle(lean: float, width: float) -> None:
    """There one link's edge goes on as the next one's: it used to end beside it, within the wire."""
    curb = FAMILIES["curb"](lean=lean, width=Measure(width))  # type: ignore[call-arg]
    areas = (item.shape.outline for item in curb.make(Scale()).shapes if not item.shape.stroke)
    whole = union_all([even_odd_area(outline) for outline in areas])
    cut = LineString([(-20, 0), (30, 0)]).intersection(whole.buffer(1e-6))
    first, second = get_parts(cut).tolist()
    # The hole is as long there as from link to link, which is the cell.
    assert second.bounds[0] - first.bounds[2] == pytest.approx(1.0, abs=0.001)


def test_a_clasp_at_the_start_is_the_mirror_of_one_at_the_end() -> None:
    """From its eye, which hangs on the chain, outward."""
    end, start = (FAMILIES["clasp"](side=side).make(Scale()) for side in ("end", "start"))
    for one, other in zip(end.shapes, start.shapes, strict=True):
        points, mirrored = one.shape.outline.points, other.shape.outline.points.copy()
        mirrored[:, 0] = 1 - mirrored[:, 0]
        low, high = np.min(points, axis=0), np.max(points, axis=0)
        assert (np.min(mirrored, axis=0), np.max(mirrored, axis=0)) == (
            pytest.approx(low, abs=1e-6),
            pytest.approx(high, abs=1e-6),
        )
