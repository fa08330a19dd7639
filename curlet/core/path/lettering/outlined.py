"""Outlined fonts: TrueType and OpenType, shaped by HarfBuzz."""

from __future__ import annotations

import io
from functools import lru_cache

import numpy as np
import uharfbuzz as hb
from fontTools.ttLib import TTFont

from curlet.core.drawing import Outline
from curlet.core.errors import BadInput
from curlet.core.path.booleans import combined
from curlet.core.path.lettering.font import Letter

# Where a font does not say how tall its capitals are, and has no H: a usual share of the em.
_USUAL_CAPS = 0.7
# More glyphs than this to a character are none of any script.
_MAX_GLYPHS = 12

Point = tuple[float, float]


class OutlinedFont:
    """A font from its bytes (TTF or OTF, not packed as WOFF2).

    Raises
    ------
    fontTools.ttLib.TTLibError, or others of that library's
        If the bytes are no font. Files from outside are read by `curlet.formats.fonts`.
    """

    single_line = False

    def __init__(self, data: bytes) -> None:
        self._font = TTFont(io.BytesIO(data), lazy=True)
        self.characters = frozenset(self._font.getBestCmap() or {})
        self._shaper = hb.Font(hb.Face(data))
        self.em = int(self._font["head"].unitsPerEm)
        self.caps = self._cap_height()
        self.caps_share = self.caps / self.em
        self.file = data if "glyf" in self._font else None

    def _cap_height(self) -> float:
        """The height of the capitals in the font's units."""
        said = getattr(self._font["OS/2"], "sCapHeight", 0) if "OS/2" in self._font else 0
        if said > 0:
            return float(said)
        glyph = self._shaper.get_nominal_glyph(ord("H"))
        outline = self.drawn(glyph) if glyph else None
        return float(-outline.points[:, 1].min()) if outline else _USUAL_CAPS * self.em

    def set_line(self, text: str, *, spaced: bool) -> list[Letter]:
        # CSS Text 3, letter-spacing: optional ligatures are off where spacing is added.
        buffer = self.shaped(text, {"liga": False, "clig": False} if spaced else {})
        letters, pen = [], 0.0
        for info, at in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
            outline = self.glyph(info.codepoint)
            shift = np.array([at.x_offset, -at.y_offset]) / self.caps
            moved = outline and Outline(outline.commands, outline.points + shift)
            letters.append(Letter(info.cluster, pen, at.x_advance / self.caps, moved))
            pen += at.x_advance / self.caps
        return letters

    def shaped(self, text: str, features: dict[str, bool]) -> hb.Buffer:
        """A line as HarfBuzz sets it; BadInput where the font multiplies it out of hand."""
        buffer = hb.Buffer()
        buffer.add_str(text)
        buffer.guess_segment_properties()
        hb.shape(self._shaper, buffer, features)
        if len(buffer.glyph_infos) > _MAX_GLYPHS * (len(text) + 1):
            raise BadInput("This font makes far more letters of the text than it has. Choose another.")
        return buffer

    def missing(self, text: str) -> str:
        return "".join(sorted({c for c in text if ord(c) not in self.characters and not c.isspace()}))

    @lru_cache(maxsize=512)  # noqa: B019 - fonts are few, and kept as long as they are used
    def glyph(self, number: int) -> Outline | None:
        """A glyph's outline, a cap height being 1, y downward, what overlaps in it united."""
        drawn = self.drawn(number)
        if drawn is None:
            return None
        united = combined([drawn], "unite", [False])
        return united and Outline(united.commands, united.points / self.caps)

    def drawn(self, number: int) -> Outline | None:
        """A glyph's outline as the font has it, in its units, y downward; None for one without."""
        pen = _OutlinePen()
        self._shaper.draw_glyph_with_pen(number, pen)
        if not pen.commands:
            return None
        return Outline("".join(pen.commands), np.array(pen.points, dtype=np.float64) * (1, -1))


class _OutlinePen:
    """Gathers an outline from HarfBuzz, which follows components within bounds of its own."""

    def __init__(self) -> None:
        self.commands: list[str] = []
        self.points: list[Point] = []

    def moveTo(self, at: Point) -> None:  # noqa: N802 - pens are called so
        self._add("M", at)

    def lineTo(self, at: Point) -> None:  # noqa: N802
        self._add("L", at)

    def curveTo(self, *at: Point) -> None:  # noqa: N802
        self._add("C", *at)

    def qCurveTo(self, handle: Point, at: Point) -> None:  # noqa: N802
        # A quadratic as a cubic by degree elevation, exact.
        (a, b), (x, y), (c, d) = self.points[-1], handle, at
        self._add("C", ((a + 2 * x) / 3, (b + 2 * y) / 3), ((c + 2 * x) / 3, (d + 2 * y) / 3), at)

    def closePath(self) -> None:  # noqa: N802
        self._add("Z")

    def endPath(self) -> None:  # noqa: N802
        return None

    def _add(self, command: str, *points: Point) -> None:
        self.commands.append(command)
        self.points += points
