"""Text in a PDF as text: searched and copied, with its fonts in the file (ISO 32000-1, 9.7)."""

from __future__ import annotations

import io
import re
from collections.abc import Iterator, Sequence
from itertools import groupby

from fontTools.ttLib import TTFont
from pikepdf import Array, Dictionary, Name, Pdf, Stream, String

from curlet.core.drawing import Spelled
from curlet.formats.fonts import unpacked
from curlet.formats.numbers import numbers
from curlet.formats.pdf.stream import Operators, real
from curlet.formats.pen_fonts import FOLDER
from curlet.formats.plain_text import TEXT_FONTS, UNKNOWN

_PER_EM = 1000


class Font:
    """A font whose letters are gathered while they are written, and put into the file at the end.

    Parameters
    ----------
    file : a TrueType font.
    """

    def __init__(self, pdf: Pdf, file: bytes) -> None:
        self._pdf = pdf
        self._font = TTFont(io.BytesIO(file), lazy=True)
        self._glyphs: dict[int, str] = self._font.getBestCmap()
        self._used: dict[int, str] = {}
        self.object = pdf.make_indirect(Dictionary(Type=Name.Font))

    def has(self, letter: str) -> bool:
        return ord(letter) in self._glyphs

    def codes(self, text: str) -> str:
        """Letters as the numbers of their shapes, in hexadecimal."""
        numbers = [self._font.getGlyphID(self._glyphs[ord(letter)]) for letter in text]
        self._used.update(zip(numbers, text, strict=True))
        return "".join(f"{number:04X}" for number in numbers)

    def width(self, text: str) -> float:
        """How wide letters are, in ems."""
        metrics = self._font["hmtx"]
        units = sum(metrics[self._glyphs[ord(letter)]][0] for letter in text)
        return float(units / self._font["head"].unitsPerEm)

    def finish(self) -> None:
        """Put it into the file with the letters that were used."""
        if not self._used:
            return
        # A file from outside may be called anything.
        said = re.sub(r"[^A-Za-z0-9-]", "", self._font["name"].getDebugName(6) or "") or "Font"
        name = Name(f"/CURLET+{said[:60]}")
        described = self._described(name)
        metrics, per_em = self._font["hmtx"], self._font["head"].unitsPerEm
        widths: list[object] = []
        for number in sorted(self._used):
            width = metrics[self._font.getGlyphName(number)][0] * _PER_EM / per_em
            widths += [number, Array([real(width)])]
        of_glyphs = Dictionary(
            Type=Name.Font,
            Subtype=Name.CIDFontType2,
            BaseFont=name,
            CIDSystemInfo=Dictionary(Registry=String("Curlet"), Ordering=String("Identity"), Supplement=0),
            FontDescriptor=self._pdf.make_indirect(described),
            CIDToGIDMap=Name.Identity,
            W=Array(widths),
        )
        self.object.update(
            Dictionary(
                Subtype=Name.Type0,
                BaseFont=name,
                Encoding=Name("/Identity-H"),
                DescendantFonts=Array([self._pdf.make_indirect(of_glyphs)]),
                ToUnicode=Stream(self._pdf, self._letters()),
            )
        )

    def _described(self, name: Name) -> Dictionary:
        head, lines = self._font["head"], self._font["hhea"]
        larger = _PER_EM / head.unitsPerEm
        box = [real(side * larger) for side in (head.xMin, head.yMin, head.xMax, head.yMax)]
        return Dictionary(
            Type=Name.FontDescriptor,
            FontName=name,
            Flags=4,
            FontBBox=Array(box),
            ItalicAngle=0,
            Ascent=real(lines.ascent * larger),
            Descent=real(lines.descent * larger),
            CapHeight=real(getattr(self._font["OS/2"], "sCapHeight", 700) * larger),
            StemV=100,
            FontFile2=Stream(self._pdf, self._file()),
        )

    def _file(self) -> bytes:
        """The font with the letters that were used, each under the number that it had."""
        from fontTools import subset

        options = subset.Options(retain_gids=True, notdef_outline=True, layout_features=[], hinting=False)
        subsetter = subset.Subsetter(options)
        subsetter.populate(gids=list(self._used))
        subsetter.subset(self._font)
        out = io.BytesIO()
        self._font.flavor = None
        self._font.save(out)
        return out.getvalue()

    def _letters(self) -> bytes:
        """What each shape stands for, so that text can be searched and copied (9.10.3)."""
        lines = [f"<{number:04X}> <{_utf16(letter)}>" for number, letter in sorted(self._used.items())]
        # No more than 100 to a part.
        parts = [lines[at : at + 100] for at in range(0, len(lines), 100)]
        listed = "\n".join(f"{len(part)} beginbfchar\n{chr(10).join(part)}\nendbfchar" for part in parts)
        return (
            "/CIDInit /ProcSet findresource begin\n12 dict begin\nbegincmap\n"
            "/CIDSystemInfo << /Registry (Curlet) /Ordering (UCS) /Supplement 0 >> def\n"
            "/CMapName /Curlet-Identity-UCS def\n/CMapType 2 def\n"
            "1 begincodespacerange\n<0000> <FFFF>\nendcodespacerange\n"
            f"{listed}\nendcmap\nCMapName currentdict /CMap defineresource pop\nend\nend"
        ).encode("ascii")


BOLD = ("source-sans-3", *TEXT_FONTS)


class Letters:
    """Text in the first of some fonts that has each letter.

    Parameters
    ----------
    keys : the names of the fonts' files, the usual one first.
    """

    def __init__(self, pdf: Pdf, keys: Sequence[str] = TEXT_FONTS) -> None:
        self._pdf = pdf
        self._fonts = [Font(pdf, unpacked((FOLDER / f"{key}.woff2").read_bytes())) for key in keys]
        self._own: dict[bytes, Font] = {}

    def write(
        self, out: Operators, text: str, x: float, y: float, size: float, colour: str = "0 0 0"
    ) -> None:
        """Text from a place on, mm, `size` mm to the em, where y goes downward."""
        out.add(f"BT\n{colour} rg\n1 0 0 -1 {x:.4f} {y:.4f} Tm")
        for font, letters in self._runs(text):
            out.add(f"{out.named('Font', font.object)} {size:.4f} Tf\n<{font.codes(letters)}> Tj")
        out.add("ET")
        out.forget("fill")

    def say(self, out: Operators, spelled: Spelled) -> None:
        """Letters that are drawn as shapes, to be searched and copied where they stand, and not seen."""
        own = [self._font_of(spelled.font)] if spelled.font else []
        out.keep()
        out.add("BT\n3 Tr")
        for said, (a, b, c, d, x, y) in spelled.letters:
            for font, letters in self._runs(said, own):
                out.add(f"{out.named('Font', font.object)} 1 Tf\n{numbers((a, b, -c, -d, x, y))} Tm")
                out.add(f"<{font.codes(letters)}> Tj")
        out.add("ET")
        out.restore()

    def _font_of(self, file: bytes) -> Font:
        if file not in self._own:
            self._own[file] = Font(self._pdf, file)
        return self._own[file]

    def width(self, text: str, size: float) -> float:
        """How wide text is, mm."""
        return size * sum(font.width(letters) for font, letters in self._runs(text))

    def finish(self) -> None:
        for font in (*self._fonts, *self._own.values()):
            font.finish()

    def _runs(self, text: str, first: Sequence[Font] = ()) -> Iterator[tuple[Font, str]]:
        def having(letter: str) -> Font | None:
            return next((font for font in (*first, *self._fonts) if font.has(letter)), None)

        plain = "".join(letter if having(letter) else UNKNOWN for letter in text)
        for font, letters in groupby(plain, having):
            assert font is not None
            yield font, "".join(letters)


def _utf16(letter: str) -> str:
    return letter.encode("utf-16-be").hex().upper()
