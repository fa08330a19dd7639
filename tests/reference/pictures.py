"""Pictures from other renderers, and how much two of them differ."""

from __future__ import annotations

import io
from contextlib import closing

import numpy as np
import pypdfium2 as pdfium2
import pypdfium2.raw as raw
import resvg_py
from PIL import Image
from scipy.ndimage import binary_dilation

from curlet.core.drawing import Drawing
from curlet.core.lay import LaidRun
from curlet.core.lay.draw import draw_run
from curlet.formats.png_out import write_png


def resvg(svg: bytes | str, width: int, height: int) -> np.ndarray:
    """(height, width, 4) RGBA 0…1 of an SVG as resvg draws it."""
    text = svg.decode() if isinstance(svg, bytes) else svg
    data = bytes(resvg_py.svg_to_bytes(svg_string=text, dpi=96, width=width, height=height))
    return read_png(data)


def picture(run: LaidRun, width: float, height: float, ppi: float = 200.0) -> np.ndarray:
    """(rows, columns, 4) RGBA 0…1 of a run alone on a sheet of that size, mm."""
    return read_png(write_png(Drawing(width, height, (draw_run(run, "r", ""),)), ppi))


def read_png(data: bytes) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(data)).convert("RGBA"), dtype=float) / 255


def on_white(picture: np.ndarray) -> np.ndarray:
    alpha = picture[..., 3:]
    return picture[..., :3] * alpha + (1 - alpha)


def differing(a: np.ndarray, b: np.ndarray, over: float = 0.2) -> float:
    """Share of the pixels whose colour differs by more than `over` in any channel, on white."""
    assert a.shape == b.shape
    return float((np.abs(on_white(a) - on_white(b)).max(axis=-1) > over).mean())


def inked(picture: np.ndarray) -> float:
    """Share of the pixels that are not bare."""
    return float((picture[..., 3] > 0.5).mean())


def grown(picture: np.ndarray, reach: int) -> np.ndarray:
    """Where anything is drawn, or within `reach` pixels of it: (height, width) bool."""
    span = np.arange(-reach, reach + 1)
    disc = np.hypot(*np.meshgrid(span, span)) <= reach + 0.5
    return binary_dilation(picture[..., 3] > 0.5, disc)


def covers(area: np.ndarray, picture: np.ndarray) -> bool:
    """Whether everything drawn lies in an area."""
    return not ((picture[..., 3] > 0.5) & ~area).any()


def pdfium(pdf: bytes, width: int, height: int, page: int = 0) -> np.ndarray:
    """(height, width, 4) RGBA 0…1 of a page of a PDF as pdfium draws it."""
    with closing(pdfium2.PdfDocument(pdf)) as document, closing(document[page]) as shown:
        bitmap = pdfium2.PdfBitmap.new_native(width, height, raw.FPDFBitmap_BGRA)
        bitmap.fill_rect((0, 0, 0, 0), 0, 0, width, height)
        # Not by its own scale, which rounds a page up to whole pixels.
        raw.FPDF_RenderPageBitmap(bitmap, shown, 0, 0, width, height, 0, raw.FPDF_REVERSE_BYTE_ORDER)
        return np.asarray(bitmap.to_numpy(), dtype=float) / 255
