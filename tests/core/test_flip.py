"""A brush flipped: along a path's mirror image it lays the mirror image of what it lays along the path."""

from __future__ import annotations

import io
from dataclasses import replace

import numpy as np
import pytest
from PIL import Image

from curlet.core.brush import Brush, Row
from curlet.core.brush.rules import Facing, SwayRule
from curlet.core.drawing import Drawing
from curlet.core.dress.relief import FLAT
from curlet.core.lay import RunRule, lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import FAMILIES
from curlet.core.path.path import Path
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import write_png

WIDE, HIGH = 80.0, 70.0
# A side, a curve, a corner to either side, and back.
POINTS = np.array([(16.0, 18.0), (50.0, 16.0), (64.0, 48.0), (40.0, 36.0), (20.0, 52.0)])
BEND = np.array([(0.0, 0.0), (0.0, 0.0), (3.0, -10.0), (0.0, 0.0), (4.0, 3.0)])
MIRROR, ASIDE = np.array([-1.0, 1.0]), np.array([WIDE, 0.0])


def a_path(closed: bool, mirrored: bool) -> Path:
    sides = (POINTS, POINTS + BEND, POINTS - BEND)
    drawn = [side * MIRROR + ASIDE if mirrored else side for side in sides]
    return Path.make(list("abcde"), *drawn, closed)


def pixels(brush: Brush, closed: bool, mirrored: bool) -> np.ndarray:
    run = lay(a_path(closed, mirrored), brush, Scale(), RunRule(flipped=mirrored))
    png = write_png(Drawing(WIDE, HIGH, (draw_run(run, "run", ""),)), 100.0)
    return np.asarray(Image.open(io.BytesIO(png)).convert("RGBA")).astype(np.int16)


def unlike(brush: Brush, closed: bool) -> float:
    """The share of its pixels that are clearly other than those of the mirror image."""
    # Light falls from one side, and chance is no mirror.
    plain = [
        replace(course, sway=tuple(rule for rule in course.sway if rule.driver != "chance"))
        if isinstance(course, Row)
        else course
        for course in brush.courses
    ]
    brush = replace(brush, relief=FLAT, courses=tuple(plain))
    one, other = pixels(brush, closed, False), pixels(brush, closed, True)[:, ::-1]
    return float((np.abs(one - other).max(axis=2) > 100).sum() / max((one[..., 3] > 0).sum(), 1))


@pytest.mark.parametrize("name", list(BRUSHES))
def test_every_brush_is_mirrored_whole(name: str) -> None:
    """With its corners, ends, bands and rails; a step of half a pixel at an edge is none."""
    assert unlike(read_brush(BRUSHES[name]).to_core(), closed=False) < 0.03


@pytest.mark.parametrize("name", ["topstitch", "wave", "border", "chain", "scallop", "ribbon"])
def test_round_a_closed_path_too(name: str) -> None:
    assert unlike(read_brush(BRUSHES[name]).to_core(), closed=True) < 0.03


LEAVES = Row(motif=FAMILIES["leaf-stem"](), length=Measure(9), hold="rigid")


@pytest.mark.parametrize(
    "row",
    [
        replace(LEAVES, facing=Facing("turned", 35.0)),
        Row(
            motif=FAMILIES["leaf-stem"](),
            length=Measure(9),
            facing=Facing(side_to_side=True),
            offset=Measure(3),
        ),
        Row(
            motif=FAMILIES["leaf-stem"](), length=Measure(9), sway=(SwayRule("across", "rhythm", 60.0, 5.0),)
        ),
        replace(LEAVES, sway=(SwayRule("turn", "travel", 50.0),)),
    ],
)
def test_what_is_turned_and_moved_aside_is_mirrored_too(row: Row) -> None:
    assert unlike(Brush(courses=(row,)), closed=False) < 0.03


def test_what_is_level_with_the_sheet_stays_level() -> None:
    row = replace(LEAVES, facing=Facing("level"))
    one, other = (
        lay(a_path(False, False), Brush(courses=(row,)), Scale(), RunRule(flipped=flip))
        for flip in (False, True)
    )
    drawn = [draw_run(run, "run", "").items for run in (one, other)]
    assert [item.placements.tolist() for item in drawn[0]] == [item.placements.tolist() for item in drawn[1]]
