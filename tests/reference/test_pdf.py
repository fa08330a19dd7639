"""PDF files against ISO 32000-1 and as another renderer, pdfium, has them.

The pages are read by pikepdf (qpdf), drawn by pdfium and compared with our own PNG of the same drawing.
"""

from __future__ import annotations

import io
from contextlib import closing
from dataclasses import replace
from itertools import product

import numpy as np
import pikepdf
import pypdfium2 as pdfium2
import pytest

from curlet.core.drawing import (
    Drawing,
    Group,
    Item,
    Laid,
    LinearGradient,
    Outline,
    Picture,
    RadialGradient,
    Shape,
    Solid,
    Stamps,
    Stop,
    Stroke,
    Tiling,
)
from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.core.trim import trimmed
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write
from curlet.formats.papers import PAPERS
from curlet.formats.tiles import EDGE, tiles_of
from tests.pixels import encoded
from tests.reference.pictures import differing, on_white, pdfium, read_png

PPI = 254.0
PER_MM = 10
WIDTH, HEIGHT = 60.0, 40.0
SQUARE = Outline("MLLLZ", np.array([[10.0, 8], [45, 8], [45, 30], [10, 30]]))
RING = Outline(
    "MLLLZMLLLZ",
    np.array([[10.0, 8], [45, 8], [45, 30], [10, 30], [20, 14], [35, 14], [35, 24], [20, 24]]),
)
WAVE = Outline("MCC", np.array([[5.0, 20], [15, 0], [25, 0], [30, 20], [35, 40], [45, 40], [55, 20]]))
RED, BLUE = Solid("#c03020"), Solid("#2040a0", 0.5)
STOPS = (Stop(0.1, "#c03020"), Stop(0.5, "#f0e0a0"), Stop(0.5, "#204080"), Stop(0.9, "#10a060"))
CLEAR = (Stop(0, "#c03020", 0.0), Stop(0.5, "#c03020", 1.0), Stop(1, "#2040a0", 0.2))
TILE = Tiling(
    (
        Shape(Outline("MLLLZ", np.array([[0.0, 0], [4, 0], [4, 4], [0, 4]])), Solid("#e0c080")),
        Shape(Outline("MLLLZ", np.array([[0.0, 0], [2, 0], [2, 2], [0, 2]])), Solid("#203060")),
    ),
    4.0, 4.0, (0.8, 0.6, -0.6, 0.8, 1.0, 2.0), "#a09070",
)  # fmt: skip
SOME = np.array([[1.0, 0, 0, 1, 0, 0], [0.5, 0.5, -0.5, 0.5, 30, 5], [-1, 0, 0, 1, 60, 8]])
SPOT = np.zeros((40, 60, 4), dtype=np.uint8)
SPOT[5:35, 5:30], SPOT[5:20, 30:55] = (200, 40, 30, 255), (30, 60, 160, 128)


def filled(paint: Solid | LinearGradient | RadialGradient | Tiling, outline: Outline = SQUARE) -> Laid:
    return Laid((Shape(outline, paint),))


def stroked(**values: object) -> Laid:
    return Laid((Shape(WAVE, None, replace(Stroke(RED, 3.0), **values)),))


LEAF = Shape(Outline("MCCZ", np.array([[0.0, 5], [4, 0], [12, 0], [16, 5], [12, 10], [4, 10], [0, 5]])), BLUE)
ACROSS, ROUND = ((10.0, 8.0), (45.0, 30.0)), ((25.0, 18.0), 16.0)
TURNED = (0.9, 0.3, -0.2, 0.7, 4.0, 2.0)
ITEMS: dict[str, tuple[Item, ...]] = {
    "solid": (filled(RED), filled(BLUE, RING)),
    "even-odd": (Laid((Shape(RING, RED, even_odd=True),)),),
    "round line": (stroked(),),
    "flat dashes": (stroked(ends="flat", joins="bevel", dashes=(4.0, 2.0, 1.0)),),
    "mitred outline": (Laid((Shape(SQUARE, BLUE, Stroke(RED, 4.0, "flat", "mitre")),)),),
    "gradient along": (filled(LinearGradient(*ACROSS, STOPS)),),
    "gradient moved": (filled(LinearGradient(*ACROSS, STOPS, TURNED)),),
    "gradient round": (filled(RadialGradient(*ROUND, STOPS, TURNED)),),
    "gradient that fades": (filled(RED, WAVE), filled(LinearGradient(*ACROSS, CLEAR, TURNED))),
    "round that fades": (filled(RadialGradient(*ROUND, CLEAR)),),
    "line of a gradient": (stroked(paint=LinearGradient(*ACROSS, STOPS)),),
    "stamps": (Stamps((LEAF, replace(LEAF, fill=RED, move=(3.0, 2.0))), SOME),),
    "lines stamped": (Stamps((Shape(WAVE, None, Stroke(RED, 1.5)),), SOME, apart=True),),
    "picture": (Picture(encoded(SPOT), np.array([[30.0, 5, -4, 20, 14, 8], [10, 0, 0, -8, 45, 38]])),),
    "cropped": (Group("c", "", (filled(RED), stroked(weight=6.0)), clip=WAVE),),
    "after a crop": (
        filled(RED), Group("c", "", (filled(Solid("#10a060")),), clip=WAVE), filled(Solid("#10a060"), RING),
    ),
    "faint together": (Group("o", "", (filled(RED), filled(Solid("#204080"), RING)), opacity=0.4),),
    "masked": (
        Group("m", "", (filled(RED),), opacity=0.8, mask=(
            Shape(Outline("MLLLZ", np.array([[0.0, 0], [30, 0], [30, 40], [0, 40]])), Solid("#ffffff")),
            Shape(Outline("MLLLZ", np.array([[30.0, 0], [40, 0], [40, 40], [30, 40]])), Solid("#606060")),
        )),
    ),
    "blurred": (Group("b", "", (filled(RED),), blur=1.5),),
    "blurred and masked": (
        Group("b", "", (filled(RED),), blur=1.5, mask=(Shape(SQUARE, Solid("#808080")),)),
    ),
    "blurred over the edge": (
        Group("b", "", (Stamps((LEAF,), np.array([[4.0, 0, 0, 4, -20, -10]])),), blur=2.0),
    ),
    "nested": (
        Group("a", "", (Group("b", "", (filled(LinearGradient(*ACROSS, STOPS)),), opacity=0.5),), clip=RING),
    ),
}  # fmt: skip


def drawing_of(*items: Item) -> Drawing:
    return Drawing(WIDTH, HEIGHT, (Group("all", "All", items),), "A sheet")


def both(drawing: Drawing) -> tuple[np.ndarray, np.ndarray]:
    """The picture that another renderer makes of the PDF, and our own PNG."""
    ours = read_png(write("png", [drawing], FileSettings(PPI)))
    height, width = ours.shape[:2]
    return pdfium(write("pdf", [drawing], FileSettings(PPI)), width, height), ours


@pytest.mark.parametrize("name", ITEMS)
def test_another_renderer_has_the_same_picture(name: str) -> None:
    theirs, ours = both(drawing_of(*ITEMS[name]))
    assert (ours[..., 3] > 0.02).mean() > 0.02
    # Edges lie a part of a pixel elsewhere, and pictures are smoothed otherwise.
    assert differing(theirs, ours, 0.1) < 0.014
    assert np.abs(on_white(theirs) - on_white(ours)).mean() < 0.006
    assert np.abs(theirs[..., 3] - ours[..., 3]).mean() < 0.006


@pytest.mark.parametrize("joins", ["mitre", "round", "bevel"])
@pytest.mark.parametrize("ends", ["flat", "round", "square"])
def test_corners_and_ends_of_lines_are_as_asked(joins: str, ends: str) -> None:
    """Tables 54 and 55 (line cap and join styles)."""
    angle = Outline("MLL", np.array([[15.0, 10], [45, 10], [45, 32]]))
    theirs, ours = both(drawing_of(Laid((Shape(angle, None, Stroke(RED, 8.0, ends, joins)),))))
    # About the start, the corner and the end.
    for x, y in ((15, 10), (45, 10), (45, 32)):
        part = np.s_[(y - 5) * PER_MM : (y + 5) * PER_MM, (x - 5) * PER_MM : (x + 5) * PER_MM]
        assert np.abs(theirs[part][..., 3] - ours[part][..., 3]).mean() < 0.012


def test_cloth_is_a_pattern_of_vectors_with_its_own_threads() -> None:
    """Its renderer draws a tile once, at whole pixels: the colours agree over small squares."""
    drawing = drawing_of(filled(TILE))
    theirs, ours = both(drawing)
    parts = [
        on_white(picture)[100:280, 120:420].reshape(6, 30, 10, 30, 3).mean(axis=(1, 3))
        for picture in (theirs, ours)
    ]
    assert np.abs(parts[0] - parts[1]).max() < 0.1
    with pikepdf.open(io.BytesIO(write("pdf", [drawing]))) as file:
        kinds = [obj.get("/PatternType") for obj in file.objects if isinstance(obj, pikepdf.Stream)]
        assert 1 in kinds


@pytest.mark.parametrize(("width", "height"), [(210, 297), (99.9995, 1234.567), (0.5, 20_000)])
def test_the_page_is_of_the_drawings_size(width: float, height: float) -> None:
    """Table 30 (MediaBox, UserUnit): 1/72 inch each, and no side over 14,400 of them."""
    with pikepdf.open(io.BytesIO(write("pdf", [Drawing(width, height)]))) as file:
        page = file.pages[0]
        left, foot, right, top = (float(side) for side in page.mediabox)
        unit = float(page.get("/UserUnit", 1)) / 72 * MM_PER_INCH
    assert (left, foot) == (0, 0)
    assert (right * unit, top * unit) == (pytest.approx(width, abs=1e-3), pytest.approx(height, abs=1e-3))
    assert max(right, top) <= 14_400


def test_what_is_vector_stays_vector() -> None:
    pixels = [name for name in ITEMS if name == "picture" or "blurred" in name]
    plain = [item for name, items in ITEMS.items() if name not in pixels for item in items]

    def images(*items: Item) -> int:
        with pikepdf.open(io.BytesIO(write("pdf", [drawing_of(*items)]))) as file:
            streams = [obj for obj in file.objects if isinstance(obj, pikepdf.Stream)]
            return sum(stream.get("/Subtype") == "/Image" for stream in streams)

    assert images(*plain) == 0
    # Colours and opacity apart, once however often it is laid.
    assert images(*ITEMS["picture"]) == 2
    assert images(*ITEMS["picture"], *ITEMS["picture"]) == 2


def test_a_file_says_its_title_its_language_and_its_colours() -> None:
    drawing = replace(drawing_of(filled(RED)), title="Rücken, 1:4 – «A»")
    with pikepdf.open(io.BytesIO(write("pdf", [drawing]))) as file:
        assert str(file.docinfo["/Title"]) == "Rücken, 1:4 – «A»"
        with file.open_metadata() as said:
            assert said["dc:title"] == "Rücken, 1:4 – «A»"
        assert str(file.Root.Lang) == "en"
        assert file.Root.ViewerPreferences.DisplayDocTitle
        assert "sRGB" in str(file.Root.OutputIntents[0].OutputConditionIdentifier)


def test_several_drawings_are_pages_in_order() -> None:
    sheets = [drawing_of(filled(Solid(colour))) for colour in ("#c03020", "#2040a0", "#10a060")]
    data = write("pdf", sheets)
    for page, sheet in enumerate(sheets):
        ours = read_png(write("png", [sheet], FileSettings(PPI)))
        assert pdfium(data, 600, 400, page)[200, 300] == pytest.approx(ours[200, 300], abs=0.01)


def test_a_trimmed_drawing_is_the_page() -> None:
    small = trimmed(drawing_of(filled(RED)), 2.0, PER_MM)
    theirs, ours = both(small)
    assert theirs.shape == (260, 390, 4)
    assert differing(theirs, ours, 0.1) < 0.002


def test_a_trimmed_drawing_is_larger_from_its_own_corner() -> None:
    small = trimmed(drawing_of(filled(RED)), 2.0)
    data = write("pdf", [small], FileSettings(larger=3.0))
    with closing(pdfium2.PdfDocument(data)) as document:
        sides = [side / 72 * MM_PER_INCH for side in document[0].get_size()]
    assert sides == pytest.approx([117, 78], abs=1e-3)
    inked = pdfium(data, 117, 78)[..., 3] > 0.5
    rows, columns = np.nonzero(inked)
    # Half covered pixels count or do not.
    ends = rows.min(), rows.max(), columns.min(), columns.max()
    assert ends == pytest.approx((6, 71, 6, 110), abs=1)


@pytest.mark.parametrize(("paper", "overlap"), [("a4", 10.0), ("letter", 0.0), ("a5", 25.0)])
def test_sheets_of_paper_join_to_the_whole(paper: str, overlap: float) -> None:
    """Each is of the paper's size (ISO 216; ANSI/ASME Y14.1), and what is seen in its frame is that part of
    the drawing at its true size."""
    bar = Shape(Outline("MLLLZ", np.array([[0.0, 0], [7, 0], [7, 400], [0, 400]])), Solid("#204080"))
    bars = Laid(tuple(replace(bar, move=(float(x), 0.0)) for x in range(0, 500, 20)))
    far = Laid((Shape(SQUARE, RED, move=(300.0, 250.0)),))
    drawing = Drawing(500.0, 400.0, (Group("a", "", (bars, *ITEMS["solid"], far)),), "Curtain")
    settings = FileSettings(PPI, paper=paper, overlap=overlap)
    tiles = tiles_of(drawing.width, drawing.height, PAPERS[paper], overlap)
    data = write("pdf", [drawing], settings)
    per_mm = 4
    whole = pdfium(write("pdf", [drawing]), 500 * per_mm, 400 * per_mm)
    with closing(pdfium2.PdfDocument(data)) as document:
        assert len(document) == tiles.rows * tiles.columns
        width, height = (side / 72 * MM_PER_INCH for side in document[0].get_size())
    assert sorted((width, height)) == pytest.approx([PAPERS[paper].width, PAPERS[paper].height], abs=1e-3)
    seen = np.zeros(whole.shape[:2], dtype=bool)
    frame = round(EDGE * per_mm)
    for row, column in product(range(tiles.rows), range(tiles.columns)):
        page = pdfium(data, round(width * per_mm), round(height * per_mm), row * tiles.columns + column)
        inside = page[frame:-frame, frame:-frame]
        x, y = round(column * tiles.step[0] * per_mm), round(row * tiles.step[1] * per_mm)
        there = whole[y : y + inside.shape[0], x : x + inside.shape[1]]
        # All but the crosses, and edges that lie at other parts of a pixel.
        off = np.abs(on_white(inside[: there.shape[0], : there.shape[1]]) - on_white(there)).max(axis=-1)
        assert (off > 0.5).mean() < 0.02
        seen[y : y + inside.shape[0], x : x + inside.shape[1]] = True
    assert seen.all()


def test_every_sheet_of_paper_says_where_it_belongs_and_has_a_line_of_100_mm() -> None:
    drawing = Drawing(420.0, 100.0, (), "Pelmet Ψ, Žluť")
    data = write("pdf", [drawing], FileSettings(paper="a4"))
    with closing(pdfium2.PdfDocument(data)) as document:
        texts = [page.get_textpage().get_text_bounded() for page in document]
        width, height = (side / 72 * MM_PER_INCH for side in document[0].get_size())
    assert len(texts) == 2
    for number, text in enumerate(texts, 1):
        assert f"Pelmet Ψ, Žluť: row 1 of 1, column {number} of 2" in text
        assert "This line is 100 mm long." in text
    page = pdfium(data, round(width * PER_MM), round(height * PER_MM))
    rows = on_white(page).mean(axis=-1) < 0.5
    # The longest stretch of ink in any row at the foot.
    foot = rows[round((height - EDGE) * PER_MM) :]
    ends = [np.flatnonzero(np.diff(np.r_[0, row.astype(int), 0])) for row in foot]
    longest = max((turns[1::2] - turns[::2]).max(initial=0) for turns in ends)
    assert longest == pytest.approx(100 * PER_MM, abs=6)


@pytest.mark.parametrize(("width", "sheets"), [(273.0, 1), (273.1, 2), (536.0, 2), (536.1, 3), (799.0, 3)])
def test_no_more_sheets_of_paper_than_it_takes(width: float, sheets: int) -> None:
    """A4 on its side shows 297 − 2 × 12 = 273 mm, and each further one 10 mm less."""
    tiles = tiles_of(width, 150.0, PAPERS["a4"], 10.0)
    assert tiles.columns * tiles.rows == sheets


def test_crosses_of_two_sheets_of_paper_are_at_one_place() -> None:
    drawing = Drawing(420.0, 100.0, (), "Pelmet")
    tiles = tiles_of(drawing.width, drawing.height, PAPERS["a4"], 10.0)
    data = write("pdf", [drawing], FileSettings(paper="a4"))
    frame = round(EDGE * PER_MM)
    places = []
    for page in (0, 1):
        picture = pdfium(data, round(tiles.width * PER_MM), round(tiles.height * PER_MM), page)
        ink = on_white(picture).mean(axis=-1) < 0.6
        columns = np.flatnonzero(ink[frame + 5 : frame + 35].sum(axis=0) > 25)
        places.append(columns.mean() / PER_MM - EDGE + page * tiles.step[0])
    assert places[0] == pytest.approx(places[1], abs=0.15)
    # In the middle of what overlaps.
    assert places[0] == pytest.approx(tiles.step[0] + 5.0, abs=0.15)


def test_a_gradients_parts_have_some_length() -> None:
    """7.10.4: Bounds increase within the domain, even of stops at one place or at its ends."""
    stops = tuple(Stop(at, "#102030") for at in (0.0, 0.0, 0.5, 0.5, 0.5, 1.0, 1.0))
    with pikepdf.open(io.BytesIO(write("pdf", [drawing_of(filled(LinearGradient(*ACROSS, stops)))]))) as file:
        (pattern,) = [obj for obj in file.objects if _kind(obj) == 2]
        bounds = [0.0, *map(float, pattern.Shading.Function.Bounds), 1.0]
        assert len(pattern.Shading.Function.Functions) == len(bounds) - 1
    assert (np.diff(bounds) > 0).all()


def _kind(obj: pikepdf.Object) -> int | None:
    return obj.get("/PatternType") if isinstance(obj, pikepdf.Dictionary) else None


def test_fonts_hold_only_the_letters_that_are_used() -> None:
    data = write("pdf", [Drawing(420.0, 100.0, (), "Pelmet")], FileSettings(paper="a4"))
    with pikepdf.open(io.BytesIO(data)) as file:
        described = [obj for obj in file.objects if isinstance(obj, pikepdf.Dictionary)]
        files = [obj.FontFile2 for obj in described if "/FontFile2" in obj]
        assert len(files) == 1
        assert len(files[0].read_bytes()) < 12_000


def test_paper_that_cannot_be_is_refused() -> None:
    with pytest.raises(BadInput, match="overlap of 100 mm"):
        write("pdf", [Drawing(420.0, 100.0)], FileSettings(paper="a5", overlap=100.0))
    with pytest.raises(TooMuch, match="Choose larger paper"):
        write("pdf", [Drawing(8_000.0, 8_000.0)], FileSettings(paper="a4"))
    with pytest.raises(BadInput, match="not a paper"):
        FileSettings(paper="foolscap")


def test_opacities_are_from_0_to_1() -> None:
    """ISO 32000-1, table 58: CA and ca."""
    fade = LinearGradient((10, 8), (45, 8), CLEAR)
    shapes = Laid((Shape(SQUARE, fade), Shape(RING, BLUE), Shape(WAVE, None, Stroke(fade, 2.0))))
    file = write("pdf", [Drawing(WIDTH, HEIGHT, (Group("a", "", (shapes,)),))], FileSettings())
    with pikepdf.open(io.BytesIO(file)) as opened:
        states = [each for each in opened.objects if isinstance(each, pikepdf.Dictionary) and "/ca" in each]
        said = [float(state[key]) for state in states for key in ("/ca", "/CA")]
    assert len(said) >= 4
    assert all(0 <= value <= 1 for value in said)
