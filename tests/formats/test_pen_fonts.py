"""Chalk capitals: letters of one line that a rope or a chain can turn on."""

from __future__ import annotations

import math
import string

import numpy as np
import pytest

from curlet.core.brush import Brush
from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.core.path.corners import find_corners
from curlet.core.path.lettering import Lettering, Piece, write
from curlet.formats.fonts import SINGLE_LINE, shipped_font
from curlet.formats.pen_fonts import drawn

CHALK = shipped_font("one-line-chalk")
EVERY = string.ascii_letters + string.digits + "&.,:!?-+/'()"
CAPS = 20.0


def written(text: str) -> list[Piece]:
    return write(CHALK, Lettering(text, caps=CAPS))


def extent(text: str) -> np.ndarray:
    """Left, top, right and foot of what is written."""
    points = np.concatenate([p.path.arc.points(np.linspace(0, p.path.length, 400)) for p in written(text)])
    return np.concatenate([points.min(axis=0), points.max(axis=0)])


def test_every_letter_figure_and_usual_sign_is_there() -> None:
    assert CHALK.single_line
    assert CHALK.missing(EVERY + " ") == ""
    assert CHALK.missing("Ω") == "Ω"
    assert all(written(character) for character in EVERY)


@pytest.mark.parametrize("letter", string.ascii_uppercase + string.digits)
def test_capitals_and_figures_are_as_tall_as_stated(letter: str) -> None:
    _, top, _, foot = extent(letter)
    assert -top == pytest.approx(CAPS, rel=0.02)
    # Only the Q goes below the line.
    assert foot == pytest.approx(1.0 if letter == "Q" else 0.0, abs=0.35)


def test_small_letters_are_smaller_capitals() -> None:
    big, small = extent("H"), extent("h")
    assert small[1] / big[1] == pytest.approx(0.78, rel=1e-6)


def test_round_letters_are_round() -> None:
    """The O is a circle of the cap height: its length is pi times that. Geometry."""
    (ring,) = written("O")
    assert ring.path.closed
    assert ring.path.length == pytest.approx(math.pi * CAPS, rel=1e-6)
    bends = ring.path.arc.curvature(np.linspace(0, ring.path.length, 300))
    assert np.abs(bends) == pytest.approx(2 / CAPS, rel=1e-3)


@pytest.mark.parametrize("letter", ["S", "C", "G", "J", "U", "8"])
def test_bends_run_on_without_a_corner(letter: str) -> None:
    corners = sum(len(find_corners(piece.path)) for piece in written(letter))
    # The G's bar meets its bow squarely.
    assert corners == (1 if letter == "G" else 0)


def test_letters_do_not_touch_and_a_word_is_as_long_as_its_letters() -> None:
    pieces = written("LANTERN")
    spans: dict[str, list[float]] = {}
    for piece in pieces:
        xs = piece.path.arc.points(np.linspace(0, piece.path.length, 200))[:, 0]
        spans.setdefault(piece.key.split(".")[1], []).extend([xs.min(), xs.max()])
    runs = sorted((min(x), max(x)) for x in spans.values())
    assert len(runs) == 7
    assert all(after[0] - before[1] > 0.1 * CAPS for before, after in zip(runs, runs[1:], strict=False))


def test_a_stitch_can_be_laid_on_every_letter() -> None:
    for character in string.ascii_uppercase:
        for piece in written(character):
            laid = lay(piece.path, Brush(), Scale()).main
            assert laid is not None
            assert sum(fit.repeats for fit in laid.fits) > 0


def test_every_font_of_one_line_is_named_and_loads() -> None:
    assert len(SINGLE_LINE) >= 4
    for key, (name, _) in SINGLE_LINE.items():
        assert name.startswith("One line")
        font = shipped_font(key)
        assert font is not None
        assert write(font, Lettering("AM", caps=10))


def test_a_face_is_the_same_however_often_it_is_read() -> None:
    one, other = drawn("chalk-capitals"), drawn("chalk-capitals")
    for a, b in zip(one.set_line("AB", spaced=False), other.set_line("AB", spaced=False), strict=True):
        assert (a.x, a.advance) == (b.x, b.advance)
