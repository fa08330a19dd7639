"""Lettering as people set it: lines, spacing, along paths, joined letters, pen lines."""

from __future__ import annotations

import io

import numpy as np
import pytest
from fontTools.ttLib import TTFont

from curlet.core.errors import BadInput
from curlet.core.path.figures import FIGURES
from curlet.core.path.lettering import Lettering, Piece, spelled, write
from curlet.core.path.lettering.outlined import OutlinedFont
from curlet.formats.fonts import FOLDER, shipped_font
from tests.shapes import line, polyline

SANS, BLOCK = shipped_font("source-sans-3"), shipped_font("graduate")
BRUSH, PEN = shipped_font("pacifico"), shipped_font("one-line-script")


def middles(pieces: list[Piece]) -> np.ndarray:
    return np.array([p.path.arc.points(np.linspace(0, p.path.length, 500)).mean(axis=0) for p in pieces])


def test_capitals_are_as_tall_as_stated() -> None:
    points = write(BLOCK, Lettering("H", caps=35))[0].path.points
    assert np.ptp(points[:, 1]) == pytest.approx(35, rel=1e-3)


def test_lines_lie_as_far_apart_as_stated() -> None:
    first, second = write(BLOCK, Lettering("H\nH", caps=20, lines=150))
    apart = second.path.points - first.path.points
    assert apart == pytest.approx(np.tile([0, 30], (len(apart), 1)))


def test_spacing_is_added_between_letters_alone() -> None:
    plain, wide = (write(BLOCK, Lettering("HHH", caps=20, spacing=s)) for s in (0, 25))
    shifts = middles(wide)[:, 0] - middles(plain)[:, 0]
    assert shifts == pytest.approx([0, 5, 10])


@pytest.mark.parametrize(("align", "share"), [("left", 0), ("centre", 0.5), ("right", 1)])
def test_lines_are_aligned_by_what_they_take_up(align: str, share: float) -> None:
    short, long = (
        write(BLOCK, Lettering(text, align=align))[0].path.points[:, 0].min() for text in ("H", "HHHH")
    )
    advance = BLOCK.set_line("H", spaced=False)[0].advance * 20
    assert short - long == pytest.approx(3 * advance * share, abs=1e-6)


def test_letters_that_overlap_become_one_outline_and_others_stay() -> None:
    joined, apart = (write(BRUSH, Lettering("moon", unite=u)) for u in (True, False))
    assert len({p.key.split(".")[1] for p in joined}) == 1
    assert len({p.key.split(".")[1] for p in apart}) == 4
    assert len(write(BLOCK, Lettering("MOON"))) == 6


def test_every_outline_is_closed_and_holes_go_the_other_way_round() -> None:
    outer, hole = sorted(write(SANS, Lettering("O")), key=lambda p: -p.path.length)
    assert outer.path.closed
    ways = []
    for piece in (outer, hole):
        x, y = piece.path.arc.points(np.linspace(0, piece.path.length, 400)).T
        ways.append(np.sign((x[:-1] * y[1:] - x[1:] * y[:-1]).sum()))
    assert ways[0] == -ways[1]


def test_a_pen_goes_on_from_letter_to_letter() -> None:
    joined, apart = (write(PEN, Lettering("mini", spacing=s)) for s in (0, 40))
    # m, i, n and i are written on: three strokes fewer.
    assert len(joined) == len(apart) - 3


def test_text_stands_on_a_path_and_goes_round_a_closed_one() -> None:
    ring = FIGURES["circle"].make({"diameter": 200})
    letters = write(BLOCK, Lettering("HHHH", caps=10, align="centre"), ring)
    radii = np.hypot(*middles(letters).T)
    # Outside the ring, their middles half a cap height above it.
    assert radii == pytest.approx([105] * 4, abs=0.3)
    # A ring begins at its top: centred text has its middle there.
    assert middles(letters)[:, 0].mean() == pytest.approx(0, abs=0.2)
    raised = write(BLOCK, Lettering("H", caps=10, rise=5, align="centre"), ring)
    assert np.hypot(*middles(raised)[0]) == pytest.approx(110, abs=0.3)


def test_letters_on_a_slanted_path_are_those_on_a_line_turned_about_its_start() -> None:
    """A path that rises 3 in 5: each point is turned by its angle (common practice)."""
    font, what = shipped_font("graduate"), Lettering("MOVE", caps=4.0)
    turn = np.array([[0.8, -0.6], [0.6, 0.8]])
    on_path = write(font, what, polyline((0, 0), (40, -30)))
    for level, slanted in zip(write(font, what), on_path, strict=True):
        assert slanted.path.points == pytest.approx(level.path.points @ turn, abs=1e-6)


def test_blanks_may_reach_past_the_end_of_a_path() -> None:
    font = shipped_font("graduate")
    room = box_of(write(font, Lettering("MOVE"))) + 4.0
    there = write(font, Lettering("MOVE    "), line(room))
    assert len(there) == len(write(font, Lettering("MOVE")))
    said = spelled(font, Lettering("MOVE    "), line(room))
    assert "".join(characters for characters, _ in said).rstrip() == "MOVE"


def box_of(pieces: list[Piece]) -> float:
    """How far to the right letters reach, mm."""
    return float(max(piece.path.points[:, 0].max() for piece in pieces))


@pytest.mark.parametrize("text", ["Fußball fi", "office", "x\u0301y", "yx\u0301", "No 7", " A"])
def test_letters_say_what_was_written_whatever_glyphs_stand_for_it(text: str) -> None:
    """Ligatures and accents too: each character once, in order."""
    for key in ("source-sans-3", "pacifico"):
        font = shipped_font(key)
        if not font.missing(text):
            assert "".join(said for said, _ in spelled(font, Lettering(text))) == text


def test_text_longer_than_its_path_is_told() -> None:
    with pytest.raises(BadInput, match="longer path"):
        write(BLOCK, Lettering("far too long a text", caps=20), line(60))


def test_keys_stay_while_letters_before_them_do() -> None:
    before = {p.key: p.path for p in write(BLOCK, Lettering("PAPER"))}
    after = {p.key: p.path for p in write(BLOCK, Lettering("PAPERS"))}
    assert set(before) < set(after)
    for key, path in before.items():
        assert after[key].points == pytest.approx(path.points)


@pytest.mark.parametrize(
    ("values", "words"),
    [
        ({"text": "  "}, "no text"),
        ({"text": "雨"}, "has no “雨”"),
        ({"text": "H", "caps": 0}, "cap height"),
        ({"text": "H", "slant": 80}, "Slant"),
        ({"text": "H", "bold": -4}, "Nothing of this text"),
        ({"text": "H" * 2_001}, "most"),
    ],
)
def test_what_cannot_be_written_is_said(values: dict[str, object], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        write(BLOCK, Lettering(**values))


def test_a_font_that_does_not_say_how_tall_its_capitals_are_is_measured() -> None:
    """An older font, of before OpenType's OS/2 table said it: its H is as tall as is stated all the same."""
    font = TTFont(FOLDER / "graduate.woff2")
    font["OS/2"].sCapHeight = 0
    font.flavor = None
    older = io.BytesIO()
    font.save(older)
    (piece,) = write(OutlinedFont(older.getvalue()), Lettering("H", caps=35))
    assert np.ptp(piece.path.points[:, 1]) == pytest.approx(35, rel=1e-6)


def test_a_pen_line_goes_on_from_the_very_end_of_the_one_before() -> None:
    """Joined letters are as long as they are apart, but for the little between them."""
    joined, apart = (write(PEN, Lettering("mini", caps=20, spacing=s)) for s in (0, 40))
    lengths = [sum(piece.path.length for piece in pieces) for pieces in (joined, apart)]
    assert len(joined) < len(apart)
    assert lengths[0] == pytest.approx(lengths[1], rel=0.01)
