"""Lettering against fontTools' own reading of the same files, and Hershey's published strokes."""

from __future__ import annotations

import io
import math

import numpy as np
import pytest
import shapely
from fontTools.pens.boundsPen import BoundsPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.ttLib import TTFont
from HersheyFonts import HersheyFonts
from svgpathtools import parse_path

from curlet.core.path.lettering import Lettering, Piece, write
from curlet.core.path.path import Path
from curlet.formats.fonts import FOLDER, OUTLINED, shipped_font, unpacked

FONTS = tuple(OUTLINED)
CAPS = 20.0


def raw(key: str) -> TTFont:
    return TTFont(io.BytesIO(unpacked((FOLDER / f"{key}.woff2").read_bytes())))


def scale(font: TTFont) -> float:
    """mm to the font's unit, so that its capitals are 20 mm tall as OS/2 says (OpenType, sCapHeight)."""
    return CAPS / font["OS/2"].sCapHeight


def area(path: Path) -> float:
    """Signed area by Green's theorem, exact for cubics; positive clockwise on the sheet."""
    total = 0.0
    for a, b, c, d in path.segments:
        total += (
            a[0] * (6 * b[1] + 3 * c[1] + d[1]) - b[0] * (6 * a[1] - 3 * c[1] - 3 * d[1])
            - c[0] * (3 * a[1] + 3 * b[1] - 6 * d[1]) - d[0] * (a[1] + 3 * b[1] + 6 * c[1])
        ) / 20  # fmt: skip
    return total


def box(pieces: list[Piece]) -> np.ndarray:
    points = np.concatenate([p.path.arc.points(np.linspace(0, p.path.length, 4_000)) for p in pieces])
    return np.concatenate([points.min(axis=0), points.max(axis=0)])


def filled(glyphs: object, name: str) -> shapely.Geometry:
    """What a glyph fills under the non-zero rule, as shapely unites its contours by their direction."""
    pen = SVGPathPen(glyphs)
    glyphs[name].draw(pen)  # type: ignore[index]
    rings = []
    for contour in parse_path(pen.getCommands()).continuous_subpaths():
        at = np.concatenate([piece.points(np.linspace(0, 1, 60)[:-1]) for piece in contour])
        rings.append(shapely.Polygon(np.stack([at.real, at.imag], axis=1)))
    outer = max(rings, key=lambda ring: ring.area).exterior.is_ccw
    solid = shapely.union_all([r.buffer(0) for r in rings if r.exterior.is_ccw == outer])
    return solid.difference(shapely.union_all([r.buffer(0) for r in rings if r.exterior.is_ccw != outer]))


@pytest.mark.parametrize("key", FONTS)
@pytest.mark.parametrize("letter", "HOS8")
def test_an_outlines_area_and_box_are_the_fonts(key: str, letter: str) -> None:
    font = raw(key)
    glyphs, name, k = font.getGlyphSet(), font.getBestCmap()[ord(letter)], scale(font)
    bounds = BoundsPen(glyphs)
    glyphs[name].draw(bounds)
    pieces = write(shipped_font(key), Lettering(letter, caps=CAPS))
    left, low, right, high = bounds.bounds
    assert box(pieces) == pytest.approx([left * k, -high * k, right * k, -low * k], abs=0.01)
    ours = abs(sum(area(piece.path) for piece in pieces))
    assert ours == pytest.approx(filled(glyphs, name).area * k * k, rel=2e-3)


@pytest.mark.parametrize("key", FONTS)
def test_letters_advance_as_the_font_says(key: str) -> None:
    font = raw(key)
    cmap, metrics, k = font.getBestCmap(), font["hmtx"], scale(font)
    letters = shipped_font(key).set_line("HHH", spaced=True)
    advance = metrics[cmap[ord("H")]][0] * k / CAPS
    assert [letter.x for letter in letters] == pytest.approx([0, advance, 2 * advance])


def test_pairs_are_kerned() -> None:
    """The pair adjustment of “AV” as GPOS gives it (OpenType, pair adjustment positioning)."""
    font = raw("source-sans-3")
    names = [font.getBestCmap()[ord(c)] for c in "AV"]
    given = next(
        value
        for lookup in font["GPOS"].table.LookupList.Lookup
        for sub in lookup.SubTable
        for value in [kerned(getattr(sub, "ExtSubTable", sub), *names)]
        if value
    )
    first, second = shipped_font("source-sans-3").set_line("AV", spaced=False)
    plain = font["hmtx"][names[0]][0]
    assert second.x * font["OS/2"].sCapHeight == pytest.approx(plain + given)
    assert first.x == 0
    assert given < -10


def kerned(table: object, first: str, second: str) -> int:
    """What a pair table moves the second glyph by; 0 if it does not name the pair."""
    if getattr(table, "LookupType", 0) != 2 or first not in table.Coverage.glyphs:  # type: ignore[attr-defined]
        return 0
    if table.Format == 1:  # type: ignore[attr-defined]
        pairs = table.PairSet[table.Coverage.glyphs.index(first)].PairValueRecord  # type: ignore[attr-defined]
        found = [pair.Value1.XAdvance for pair in pairs if pair.SecondGlyph == second]
        return int(found[0]) if found else 0
    one = table.ClassDef1.classDefs.get(first, 0)  # type: ignore[attr-defined]
    other = table.ClassDef2.classDefs.get(second, 0)  # type: ignore[attr-defined]
    value = table.Class1Record[one].Class2Record[other].Value1  # type: ignore[attr-defined]
    return int(getattr(value, "XAdvance", 0) or 0) if value else 0


def test_slant_leans_about_the_baseline() -> None:
    upright, leaning = (box(write(shipped_font("source-sans-3"), Lettering("H", slant=s))) for s in (0, 12))
    height = -upright[1]
    assert leaning[2] - upright[2] == pytest.approx(height * math.tan(math.radians(12)), abs=0.01)
    assert leaning[1] == pytest.approx(upright[1])


def test_boldness_grows_the_outline_by_as_much_all_round() -> None:
    plain, bold = (box(write(shipped_font("graduate"), Lettering("H", bold=b))) for b in (0, 0.75))
    assert bold - plain == pytest.approx([-0.75, -0.75, 0.75, 0.75], abs=0.01)


@pytest.mark.parametrize(
    ("key", "face"), [("one-line", "futural"), ("one-line-script", "scripts"), ("one-line-greek", "greeks")]
)
def test_single_lines_go_through_hersheys_points(key: str, face: str) -> None:
    """A. V. Hershey, “Calligraphy for Computers”, 1967: as the package gives the strokes."""
    source = HersheyFonts()
    source.load_default_font(face)
    k = CAPS / (source.render_options["base_line"] - source.render_options["cap_line"])
    for character in "AgoS&":
        glyph = source.all_glyphs[character]
        points = np.array([point for stroke in glyph.strokes for point in stroke], dtype=float)
        points = (points + (-glyph.left_offset, -source.render_options["base_line"])) * k
        pieces = write(shipped_font(key), Lettering(character, caps=CAPS))
        drawn = np.concatenate([p.path.arc.points(np.linspace(0, p.path.length, 5_000)) for p in pieces])
        gaps = np.hypot(*np.moveaxis(points[:, None] - drawn[None], -1, 0)).min(axis=1)
        assert gaps.max() < 0.02
