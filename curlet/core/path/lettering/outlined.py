"""Outlined fonts: TrueType and OpenType, shaped by HarfBuzz."""

from __future__ import annotations

import io
from functools import lru_cache
from typing import Any

import numpy as np
import uharfbuzz as hb
from fontTools.pens.basePen import BasePen
from fontTools.ttLib import TTFont

from curlet.core.drawing import Outline
from curlet.core.path.booleans import combined
from curlet.core.path.lettering.font import Letter

# Where a font does not say how tall its capitals are, and has no H: a usual share of the em.
_USUAL_CAPS = 0.7


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
        self._glyphs = self._font.getGlyphSet()
        self._order = self._font.getGlyphOrder()
        self._shaper = hb.Font(hb.Face(data))
        self.em = int(self._font["head"].unitsPerEm)
        self.caps = self._cap_height()

    def _cap_height(self) -> float:
        """The height of the capitals in the font's units."""
        said = getattr(self._font["OS/2"], "sCapHeight", 0) if "OS/2" in self._font else 0
        if said > 0:
            return float(said)
        name = self._font.getBestCmap().get(ord("H"))
        outline = self._drawn(name) if name else None
        return float(-outline.points[:, 1].min()) if outline else _USUAL_CAPS * self.em

    def set_line(self, text: str, *, spaced: bool) -> list[Letter]:
        buffer = hb.Buffer()
        buffer.add_str(text)
        buffer.guess_segment_properties()
        # CSS Text 3, letter-spacing: optional ligatures are off where spacing is added.
        features = {"liga": False, "clig": False} if spaced else {}
        hb.shape(self._shaper, buffer, features)
        letters, pen = [], 0.0
        for info, at in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
            outline = self.glyph(self._order[info.codepoint])
            shift = np.array([at.x_offset, -at.y_offset]) / self.caps
            moved = outline and Outline(outline.commands, outline.points + shift)
            letters.append(Letter(info.cluster, pen, at.x_advance / self.caps, moved))
            pen += at.x_advance / self.caps
        return letters

    def missing(self, text: str) -> str:
        known = self._font.getBestCmap()
        return "".join(sorted({c for c in text if ord(c) not in known and not c.isspace()}))

    @lru_cache(maxsize=512)  # noqa: B019 - fonts are few, and kept as long as they are used
    def glyph(self, name: str) -> Outline | None:
        """A glyph's outline, a cap height being 1, y downward, what overlaps in it united."""
        drawn = self._drawn(name)
        if drawn is None:
            return None
        united = combined([drawn], "unite", [False])
        return united and Outline(united.commands, united.points / self.caps)

    def _drawn(self, name: str) -> Outline | None:
        pen = _OutlinePen(self._glyphs)
        self._glyphs[name].draw(pen)
        if not pen.commands:
            return None
        return Outline("".join(pen.commands), np.array(pen.points, dtype=np.float64) * (1, -1))


class _OutlinePen(BasePen):  # type: ignore[misc]
    """Gathers an outline; fontTools turns quadratics and components into these calls."""

    def __init__(self, glyphs: Any) -> None:
        super().__init__(glyphs)
        self.commands: list[str] = []
        self.points: list[tuple[float, float]] = []

    def _moveTo(self, at: tuple[float, float]) -> None:  # noqa: N802 - fontTools names it
        self._add("M", at)

    def _lineTo(self, at: tuple[float, float]) -> None:  # noqa: N802
        self._add("L", at)

    def _curveToOne(self, *at: tuple[float, float]) -> None:  # noqa: N802
        self._add("C", *at)

    def _closePath(self) -> None:  # noqa: N802
        self._add("Z")

    def _endPath(self) -> None:  # noqa: N802
        return None

    def _add(self, command: str, *points: tuple[float, float]) -> None:
        self.commands.append(command)
        self.points += points
