"""A PDF file: its pages, each as large as what is on it, and what it says of itself."""

from __future__ import annotations

import io
from dataclasses import dataclass

from pikepdf import Array, Dictionary, Name, Page, Pdf, Stream, String

from curlet.core.drawing import Drawing
from curlet.core.measures import MM_PER_INCH
from curlet.formats.pdf.stream import Operators, real
from curlet.formats.srgb import srgb_profile
from curlet.version import __version__

POINTS = 72 / MM_PER_INCH
# A page's sides in its own units (ISO 32000-1, annex C.2); a larger one has larger units.
_LONGEST = 14_400.0


@dataclass(frozen=True)
class Sheet:
    """A page of `width` × `height` mm, with operators in mm, y downward."""

    width: float
    height: float
    content: Operators


@dataclass(frozen=True)
class Placed:
    """A drawing's form, to be shown so many times larger than the drawing."""

    form: Stream
    drawing: Drawing
    larger: float

    @property
    def width(self) -> float:
        return self.drawing.width * self.larger

    @property
    def height(self) -> float:
        return self.drawing.height * self.larger

    def show(self, out: Operators, x: float, y: float) -> None:
        """Lay it so that its left and top are at a place of the page, mm."""
        left, top = self.drawing.corner or (0.0, 0.0)
        out.keep()
        out.move((self.larger, 0.0, 0.0, self.larger, x - left * self.larger, y - top * self.larger))
        out.add(f"{out.named('XObject', self.form)} Do")
        out.restore()


def add_page(pdf: Pdf, sheet: Sheet) -> None:
    """A page whose box is true to 0.0001 points."""
    units = max(1.0, -(-max(sheet.width, sheet.height) * POINTS // _LONGEST))
    scale = POINTS / units
    turned = f"{scale:.10f} 0 0 {-scale:.10f} 0 {sheet.height * scale:.6f} cm\n"
    page = Dictionary(
        Type=Name.Page,
        MediaBox=Array([0, 0, real(sheet.width * scale), real(sheet.height * scale)]),
        Contents=Stream(pdf, turned.encode("ascii") + sheet.content.data()),
        Resources=sheet.content.resources(),
    )
    if units > 1:
        page.UserUnit = units
    pdf.pages.append(Page(pdf.make_indirect(page)))


def saved(pdf: Pdf, title: str, *, language: str = "en") -> bytes:
    """The file, with its title, language and colours said (ISO 32000-1, 14.3 and 14.11.5)."""
    pdf.docinfo["/Title"] = String(title)
    pdf.docinfo["/Producer"] = String(f"Curlet {__version__}")
    with pdf.open_metadata(set_pikepdf_as_editor=False) as said:
        said["dc:title"], said["dc:language"] = title, [language]
        said["pdf:Producer"] = f"Curlet {__version__}"
    pdf.Root.Lang = String(language)
    pdf.Root.ViewerPreferences = Dictionary(DisplayDocTitle=True)
    profile = Stream(pdf, srgb_profile(), N=3, Alternate=Name.DeviceRGB)
    pdf.Root.OutputIntents = Array(
        [
            Dictionary(
                Type=Name.OutputIntent,
                S=Name("/GTS_PDFA1"),
                OutputConditionIdentifier=String("sRGB IEC61966-2.1"),
                DestOutputProfile=profile,
            )
        ]
    )
    out = io.BytesIO()
    pdf.save(out)
    return out.getvalue()
