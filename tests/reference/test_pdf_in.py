"""PDF read as lines: where ISO 32000-1 puts them, where PDFium draws them, and our own sheets read back.

Sources: ISO 32000-1 (PDF 1.7): 8.3.2.3 (a user space unit is 1/72 in, or UserUnit of them), 8.3.4 (cm, and
a form's Matrix before the place where it is drawn), 7.7.3.3 (CropBox, and Rotate clockwise), 8.4.3 (line
width, ends, joins, dashes), 8.5.3 (the operators that paint, and the even-odd rule), 8.11 (layers).
"""

from __future__ import annotations

import io
from typing import Any

import numpy as np
import pikepdf
import pypdfium2
import pytest

from curlet.core.path.cubics import points_on
from curlet.formats.imported import ImportedDrawing
from curlet.formats.pdf_in import read_pdf

MM = 25.4 / 72


def form(pdf: pikepdf.Pdf, content: str, matrix: tuple[float, ...] = (1, 0, 0, 1, 0, 0)) -> pikepdf.Stream:
    kind = {"Type": pikepdf.Name.XObject, "Subtype": pikepdf.Name.Form}
    return pikepdf.Stream(pdf, content.encode(), **kind, BBox=[-500, -500, 500, 500], Matrix=list(matrix))


def page(content: str, size: tuple[float, float] = (200, 100), **more: Any) -> pikepdf.Pdf:
    pdf = pikepdf.new()
    made = pdf.add_blank_page(page_size=size)
    made.Contents = pdf.make_stream(content.encode())
    for key, value in more.items():
        made.obj[f"/{key}"] = value
    return pdf


def with_forms(pdf: pikepdf.Pdf, **forms: pikepdf.Stream) -> pikepdf.Pdf:
    pdf.pages[0].Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(**forms))
    return pdf


def data(pdf: pikepdf.Pdf) -> bytes:
    out = io.BytesIO()
    pdf.save(out)
    return out.getvalue()


def read(content: str, **more: Any) -> ImportedDrawing:
    return read_pdf(data(page(content, **more)))


def test_a_point_is_a_72nd_of_an_inch_from_the_foot_of_the_page() -> None:
    drawing = read("10 20 m 110 20 l S")
    assert (drawing.width, drawing.height) == pytest.approx((200 * MM, 100 * MM))
    assert drawing.paths[0].path.points == pytest.approx(np.array([[10, 80], [110, 80]]) * MM, abs=1e-6)
    # 5 in × 72 are 5 in.
    assert read("0 0 m 360 0 l S", size=(400, 10)).paths[0].path.length == pytest.approx(127.0, abs=1e-5)


@pytest.mark.parametrize(
    ("turn", "first", "size"),
    [
        (0, (10, 80), (200, 100)),
        (90, (20, 10), (100, 200)),
        (180, (190, 20), (200, 100)),
        (270, (80, 190), (100, 200)),
        (-90, (80, 190), (100, 200)),
    ],
)
def test_a_page_is_turned_clockwise(turn: int, first: tuple[float, ...], size: tuple[float, ...]) -> None:
    drawing = read("10 20 m 110 20 l S", Rotate=turn)
    assert (drawing.width, drawing.height) == pytest.approx(np.array(size) * MM)
    assert drawing.paths[0].path.points[0] == pytest.approx(np.array(first) * MM, abs=1e-6)


def test_the_crop_box_and_the_unit_count() -> None:
    drawing = read("10 20 m 110 20 l S", CropBox=[5, 10, 150, 70], UserUnit=2)
    assert (drawing.width, drawing.height) == pytest.approx((290 * MM, 120 * MM))
    assert drawing.paths[0].path.points[0] == pytest.approx(np.array([10, 100]) * MM, abs=1e-6)


def test_matrices_work_from_the_inside_outward() -> None:
    """8.3.4: a form's Matrix first, then what holds where it is drawn."""
    pdf = page("q 2 0 0 2 10 20 cm 0 0 m 5 0 l S /Outer Do Q")
    inner = form(pdf, "0 0 m 1 0 l S", (0, 1, -1, 0, 4, 0))
    outer = form(pdf, "1 0 0 1 3 0 cm 0 0 m 1 0 l S /Inner Do", (1, 0, 0, 1, 0, 6))
    outer.Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(Inner=inner))
    first, second, third = read_pdf(data(with_forms(pdf, Outer=outer))).paths
    assert first.path.points == pytest.approx(np.array([[10, 80], [20, 80]]) * MM, abs=1e-6)
    # (0, 0) + (3, 0) + (0, 6), doubled, + (10, 20).
    assert second.path.points == pytest.approx(np.array([[16, 68], [18, 68]]) * MM, abs=1e-6)
    # Turned by a quarter: (0, 0) → (4, 0), (1, 0) → (4, 1).
    assert third.path.points == pytest.approx(np.array([[24, 68], [24, 66]]) * MM, abs=1e-6)


def test_how_a_line_is_drawn() -> None:
    content = "q 3 0 0 3 0 0 cm 2 w 1 J 1 j [4 2] 0 d 1 0 0 RG 0 0 m 9 0 l 9 9 l S Q 0 w 0 0 m 5 5 l S"
    drawn, hair = read(content).paths
    assert drawn.facts.weight == pytest.approx(6 * MM)
    assert drawn.facts.dashes == pytest.approx((12 * MM, 6 * MM))
    assert (drawn.facts.ends, drawn.facts.joins, drawn.facts.stroke) == ("round", "round", "#ff0000")
    assert drawn.facts.fill is None
    # 8.4.3.2: as thin as can be shown.
    assert 0 < hair.facts.weight < 0.15
    assert (hair.facts.ends, hair.facts.joins, hair.facts.dashes) == ("flat", "mitre", ())


@pytest.mark.parametrize(
    ("operator", "stroke", "fill", "even_odd", "closed"),
    [
        ("S", True, False, False, False),
        ("s", True, False, False, True),
        ("f", False, True, False, True),
        ("f*", False, True, True, True),
        ("B", True, True, False, False),
        ("b*", True, True, True, True),
    ],
)
def test_what_each_operator_paints(
    operator: str, stroke: bool, fill: bool, even_odd: bool, closed: bool
) -> None:
    (line,) = read(f"0 0 1 RG 0 1 0 rg 0 0 m 9 0 l 9 9 l {operator}").paths
    assert line.facts.stroke == ("#0000ff" if stroke else None)
    assert line.facts.fill == ("#00ff00" if fill else None)
    assert line.facts.even_odd is even_odd
    assert line.path.closed is closed


def test_curves_are_the_very_cubics() -> None:
    (line,) = read("10 10 m 20 60 70 90 90 20 c 110 5 120 30 v 150 70 180 10 y S").paths
    expected = np.array(
        [
            [[10, 10], [20, 60], [70, 90], [90, 20]],
            [[90, 20], [90, 20], [110, 5], [120, 30]],
            [[120, 30], [150, 70], [180, 10], [180, 10]],
        ]
    )
    expected = np.stack([expected[..., 0], 100 - expected[..., 1]], axis=-1) * MM
    at = np.linspace(0, 1, 30)
    assert points_on(line.path.segments, at) == pytest.approx(points_on(expected, at), abs=1e-4)


def test_the_lines_lie_where_pdfium_draws_them() -> None:
    """Turned, cropped, scaled, within forms: its own raster is black along every line that is read."""
    for turn in (0, 90, 180, 270):
        pdf = page(
            "1 w q 0.9 0.3 -0.2 1.1 30 5 cm 10 10 60 30 re S /F Do Q 5 5 m 60 90 120 -30 190 80 c S",
            Rotate=turn,
            CropBox=[3, 2, 197, 96],
        )
        with_forms(pdf, F=form(pdf, "0 0 m 30 50 l 60 0 l s", (1.2, 0.1, 0, 0.8, 40, 20)))
        drawing = read_pdf(data(pdf))
        scale = 4 / MM
        shown = pypdfium2.PdfDocument(data(pdf))[0].render(scale=4).to_numpy()[..., :3].mean(axis=-1)
        dark = 0
        for line in drawing.paths:
            for x, y in points_on(line.path.segments, np.linspace(0.02, 0.98, 60)).reshape(-1, 2) * scale:
                row, column = round(y - 0.5), round(x - 0.5)
                if 0 <= row < shown.shape[0] and 0 <= column < shown.shape[1]:
                    assert shown[row, column] < 128, (turn, line.name, x, y)
                    dark += 1
        assert dark > 200
