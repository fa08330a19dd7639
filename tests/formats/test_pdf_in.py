"""What of a PDF becomes paths, what is said of the rest, and what is refused."""

from __future__ import annotations

import io

import pikepdf
import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.formats import imported, pdf_in, pdf_objects
from curlet.formats.drawing_in import read_drawing
from curlet.formats.pdf_in import read_pdf
from tests.reference.test_pdf_in import data, form, page, read, with_forms

LINE = "0 0 m 50 50 l S"


def layered(*names: str, off: tuple[str, ...] = ()) -> bytes:
    """A line on each of some layers, and one on none."""
    pdf = page("".join(f"/OC /{name} BDC {LINE} EMC " for name in names) + LINE)
    layers = {
        name: pdf.make_indirect(pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name=f"The {name}"))
        for name in names
    }
    pdf.pages[0].Resources = pikepdf.Dictionary(Properties=pikepdf.Dictionary(**layers))
    usual = pikepdf.Dictionary(OFF=[layers[name] for name in off])
    pdf.Root.OCProperties = pikepdf.Dictionary(OCGs=list(layers.values()), D=usual)
    return data(pdf)


def test_lines_are_named_by_their_layers_and_hidden_ones_left_out() -> None:
    drawing = read_pdf(layered("Seams", "Trims", "Notes", off=("Notes",)))
    assert [(line.layer, line.name) for line in drawing.paths] == [
        ("The Seams", "The Seams 1"),
        ("The Trims", "The Trims 1"),
        ("", "Line 1"),
    ]
    assert drawing.notes == ("1 × thing on a hidden layer left out.",)


def test_what_is_placed_lies_on_the_layer_that_it_is_placed_on() -> None:
    pdf = page("/OC /A BDC /F Do EMC")
    with_forms(pdf, F=form(pdf, LINE))
    layer = pikepdf.Dictionary(Type=pikepdf.Name.OCG, Name="Föhn")
    pdf.pages[0].Resources.Properties = pikepdf.Dictionary(A=pdf.make_indirect(layer))
    (line,) = read_pdf(data(pdf)).paths
    assert line.layer == "Föhn"


def test_text_and_pictures_are_left_out_and_counted() -> None:
    pdf = page(f"BT /F 12 Tf (Front) Tj ET BT /F 12 Tf 0 20 Td (Back) Tj ET {LINE} 9 0 0 9 0 0 cm /P Do")
    font = pikepdf.Dictionary(
        Type=pikepdf.Name.Font, Subtype=pikepdf.Name.Type1, BaseFont=pikepdf.Name.Helvetica
    )
    picture = pikepdf.Stream(
        pdf,
        b"\0",
        Type=pikepdf.Name.XObject,
        Subtype=pikepdf.Name.Image,
        Width=1,
        Height=1,
        ColorSpace=pikepdf.Name.DeviceGray,
        BitsPerComponent=8,
    )
    with_forms(pdf, P=picture).pages[0].Resources.Font = pikepdf.Dictionary(F=font)
    drawing = read_pdf(data(pdf))
    assert len(drawing.paths) == 1
    assert drawing.notes == ("1 × picture left out.", "2 × text left out.")


@pytest.mark.parametrize("placed", [False, True])
def test_a_pattern_is_said_to_be_read_as_one_colour(placed: bool) -> None:
    filled = "/Pattern cs /P scn 10 10 50 50 re f"
    pdf = page("/F Do" if placed else filled)
    tile = {"PatternType": 1, "PaintType": 1, "TilingType": 1, "BBox": [0, 0, 9, 9], "XStep": 9, "YStep": 9}
    pattern = pikepdf.Stream(pdf, b"1 0 0 rg 0 0 5 5 re f", **tile, Resources=pikepdf.Dictionary())
    patterned = pikepdf.Dictionary(Pattern=pikepdf.Dictionary(P=pattern))
    inner = form(pdf, filled)
    inner.Resources = patterned
    within = pikepdf.Dictionary(XObject=pikepdf.Dictionary(F=inner))
    pdf.pages[0].Resources = within if placed else patterned
    drawing = read_pdf(data(pdf))
    assert len(drawing.paths) == 1
    assert drawing.notes == ("Patterns and gradients are read as one colour each.",)


def test_one_page_is_read_of_several() -> None:
    pdf = page("")
    pdf.add_blank_page(page_size=(72, 144)).Contents = pdf.make_stream(LINE.encode())
    first, second = (read_pdf(data(pdf), page=number) for number in (1, 2))
    assert (first.pages, len(first.paths)) == (2, 0)
    assert first.notes == ("Page 1 has no lines, only text or pictures. Choose another page.",)
    assert (second.pages, len(second.paths), second.width) == (2, 1, pytest.approx(25.4))
    for number in (0, 3):
        with pytest.raises(BadInput, match=f"has 2 pages, no page {number}"):
            read_pdf(data(pdf), page=number)


def test_what_is_seen_by_nobody_is_no_line() -> None:
    """A path that only clips, one that is not painted, one without length."""
    drawing = read(f"q 0 0 50 50 re W n 9 9 m 9 9 l S Q 3 3 m 9 9 l n {LINE}")
    assert len(drawing.paths) == 1
    assert drawing.notes == ("A path without length was left out.",)


def test_it_is_told_by_what_is_in_it() -> None:
    pdf = data(page(LINE))
    assert len(read_drawing(b"junk before\n" + pdf).paths) == 1
    assert len(read_drawing(pdf, 1).paths) == 1


def test_a_locked_a_damaged_and_an_empty_one_are_refused_in_words() -> None:
    out = io.BytesIO()
    page(LINE).save(out, encryption=pikepdf.Encryption(owner="a", user="b"))
    with pytest.raises(BadInput, match="locked by a password"):
        read_pdf(out.getvalue())
    for broken in (b"%PDF-1.7\n", b"%PDF-1.7\n" + bytes(range(256)) * 9):
        with pytest.raises(BadInput, match="damaged"):
            read_pdf(broken)
    with pytest.raises(BadInput, match="no lines"):
        read("")
    nothing = pikepdf.new()
    with pytest.raises(BadInput, match="0 pages"):
        read_pdf(data(nothing))
    with pytest.raises(BadInput, match="between 0 and 20 m"):
        read(LINE, UserUnit=1_000)
    with pytest.raises(BadInput, match="between 0 and 20 m"):
        read(LINE, CropBox=[5, 5, 5, 50])


def test_how_solid_paint_is_comes_along_and_what_is_wholly_clear_is_left_out() -> None:
    def painted(lined: float, filled: float) -> pikepdf.Pdf:
        pdf = page("/G gs 0 0 9 9 re B")
        state = pikepdf.Dictionary(CA=lined, ca=filled)
        pdf.pages[0].Resources = pikepdf.Dictionary(ExtGState=pikepdf.Dictionary(G=state))
        return pdf

    (line,) = read_pdf(data(painted(0.4, 0.2))).paths
    opacity = line.facts.stroke_opacity, line.facts.fill_opacity
    assert opacity == (pytest.approx(0.4, abs=0.003), pytest.approx(0.2, abs=0.003))
    (line,) = read_pdf(data(painted(1, 0))).paths
    assert (line.facts.stroke, line.facts.fill) == ("#000000", None)
    with pytest.raises(BadInput, match="no lines"):
        read_pdf(data(painted(0, 0)))


def test_weights_under_a_shear_keep_their_mean_and_dashes_belong_to_lines() -> None:
    turned, filled, many = read(
        f"q 2 1 1 2 50 0 cm 3 w {LINE} Q [4 2] 0 d 0 0 m 9 9 l 9 0 l f [{'1 2 ' * 17}] 0 d {LINE}"
    ).paths
    assert turned.facts.weight == pytest.approx(3 * 3**0.5 * 25.4 / 72)
    assert filled.facts.dashes == ()
    assert filled.facts.weight == 0
    # More than are kept: a solid line.
    assert many.facts.dashes == ()


def test_a_crop_box_past_the_page_ends_with_the_page() -> None:
    drawing = read(LINE, CropBox=[-100, -100, 100, 300])
    assert (drawing.width, drawing.height) == (pytest.approx(100 * 25.4 / 72), pytest.approx(100 * 25.4 / 72))


def test_bounds_hold(monkeypatch: pytest.MonkeyPatch) -> None:
    three = data(page(3 * f"{LINE} "))
    monkeypatch.setattr(imported, "MAX_PATHS", 3)
    assert len(read_pdf(three).paths) == 3
    monkeypatch.setattr(imported, "MAX_PATHS", 2)
    with pytest.raises(TooMuch, match="more than 2 paths"):
        read_pdf(three)
    monkeypatch.setattr(imported, "MAX_PATHS", 3)
    monkeypatch.setattr(imported, "MAX_NODES_IN_ALL", 5)
    with pytest.raises(TooMuch, match="or 5 nodes"):
        read_pdf(three)
    monkeypatch.setattr(pdf_objects, "MAX_OBJECTS", 2)
    with pytest.raises(TooMuch, match="more than 2 things"):
        read_pdf(three)
    monkeypatch.setattr(pdf_in, "MAX_BYTES", 100)
    with pytest.raises(TooMuch, match="larger than"):
        read_pdf(three)


def test_forms_within_one_another_without_end_are_left() -> None:
    pdf = page(f"/F Do {LINE}")
    endless = pdf.make_indirect(form(pdf, f"{LINE} /F Do"))
    endless.Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(F=endless))
    pdf.pages[0].Resources = pikepdf.Dictionary(XObject=pikepdf.Dictionary(F=endless))
    assert 2 <= len(read_pdf(data(pdf)).paths) <= 40
