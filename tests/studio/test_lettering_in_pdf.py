"""Lettering in a PDF: searched and copied as text where its letters are drawn, as pdfium reads it."""

from __future__ import annotations

import io
from dataclasses import replace
from pathlib import Path as FilePath

import numpy as np
import pikepdf
import pypdfium2 as pdfium
import pytest
from fontTools.ttLib import TTFont
from numpy.typing import NDArray

from curlet.core.drawing import Drawing, Spelled
from curlet.formats.fonts import shipped_font
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write
from curlet.store.lettering import letters_of
from curlet.store.state import State
from curlet.studio.drawn_sheet import sheet_drawing
from tests.reference.pictures import on_white
from tests.reference.pictures import pdfium as pdfium_picture
from tests.store.test_lettering import written
from tests.store.test_path_commands import HEM, do

# Of the waistcoat's sheet, px.
ACROSS = 1_600, 1_130
BLACK = {"weave": "colour", "warp": "#000000", "weft": "#000000"}


def filled(text: str, **values: object) -> tuple[State, str]:
    """A text in black; its id."""
    state, row = written(text=text, **values)
    letters = [path["id"] for path in letters_of(state, row["id"])]
    return do("set-fill", paths=letters, fill=BLACK), row["id"]


def drawing(state: State) -> Drawing:
    return sheet_drawing(state, with_lines=True, runs=())


def said(file: bytes) -> str:
    text = pdfium.PdfDocument(file)[0].get_textpage().get_text_range()
    return str(text).replace("\r\n", "\n")


def pdf(drawn: Drawing, **settings: float) -> bytes:
    return write("pdf", [drawn], FileSettings(**settings))


def made_visible(file: bytes) -> bytes:
    """A PDF whose text is filled in black (ISO 32000-1, table 106)."""
    with pikepdf.open(io.BytesIO(file)) as opened:
        for form in opened.pages[0].Resources.XObject.values():
            form.write(form.read_bytes().replace(b"3 Tr", b"0 Tr"))
        out = io.BytesIO()
        opened.save(out)
    return out.getvalue()


def ink(file: bytes) -> NDArray[np.bool_]:
    return on_white(pdfium_picture(file, *ACROSS))[..., 0] < 0.6


@pytest.mark.parametrize("name", ["upright", "turned", "leaning", "spaced, in two lines", "along a path"])
def test_text_lies_exactly_where_its_letters_are_drawn(store: FilePath, name: str) -> None:
    """Were it seen, it would cover the same as the letters but for pixels on their edges."""
    values: dict[str, dict[str, object]] = {
        "leaning": {"entered": {"caps": "80 mm", "slant": "12"}},
        "spaced, in two lines": {"text": "GO\nON", "entered": {"caps": "60 mm", "spacing": "40 %"}},
        "along a path": {"along": HEM, "text": "MOVE", "entered": {"caps": "60 mm"}},
    }
    state, text = filled(**{"text": "MOVE HIM", **values.get(name, {})})
    if name == "turned":
        state = do("turn-paths", paths=[letters_of(state, text)[0]["id"]], angle="30")
    shapes, words = drawing(state), replace(drawing(state), groups=())
    shapes = replace(shapes, groups=tuple(g for g in shapes.groups if is_letter(state, g.id)), texts=())
    drawn, told = ink(pdf(shapes)), ink(made_visible(pdf(words)))
    assert drawn.sum() > 500
    assert (drawn ^ told).sum() < 0.02 * drawn.sum()


def is_letter(state: State, group: str) -> bool:
    return bool(state.rows["path"].get(group.removeprefix("path-"), {}).get("lettering"))


def test_text_is_searched_and_copied_and_not_seen(store: FilePath) -> None:
    state, _ = filled("MOVE HIM")
    shown, mute = drawing(state), replace(drawing(state), texts=())
    assert said(pdf(shown)).strip() == "MOVE HIM"
    assert said(pdf(mute)).strip() == ""
    assert (ink(pdf(shown)) == ink(pdf(mute))).all()
    assert said(pdf(shown, larger=2.0)).strip() == "MOVE HIM"


def test_its_own_font_is_in_the_file_with_the_letters_that_are_used(store: FilePath) -> None:
    """Graduate, as the font calls itself, and no other."""
    state, _ = filled("MOVE HIM")
    with pikepdf.open(io.BytesIO(pdf(drawing(state)))) as opened:
        (form,) = opened.pages[0].Resources.XObject.values()
        (font,) = form.Resources.Font.values()
        assert str(font.BaseFont) == "/CURLET+Graduate-Regular"
        file = font.DescendantFonts[0].FontDescriptor.FontFile2.read_bytes()
    assert len(file) < 5_000


def test_what_a_pen_writes_is_text_too(store: FilePath) -> None:
    state, text = written(text="So it goes", font="one-line")
    letters = [path["id"] for path in letters_of(state, text["id"])]
    assert said(pdf(drawing(state))).strip() == ""
    state = do("lay-brush", paths=letters, brush="eight")
    runs = [state.runs_of(letter)[0] for letter in letters]
    assert said(pdf(sheet_drawing(state, with_lines=False, runs=runs))).strip() == "So it goes"


def test_what_is_only_filled_is_not_in_a_file_of_runs(store: FilePath) -> None:
    state, _ = filled("MOON")
    assert said(pdf(sheet_drawing(state, with_lines=False, runs=()))).strip() == ""


def test_a_text_whose_font_is_gone_stays_a_drawing(store: FilePath) -> None:
    state, text = filled("MOON")
    draft = state.draft()
    draft.update("lettering", text, doc={**state.get("lettering", text)["doc"], "font": "gone"})
    shown = drawing(draft)
    assert shown.texts == ()
    assert (ink(pdf(shown)) == ink(pdf(drawing(state)))).all()


def test_a_font_from_outside_may_be_called_anything() -> None:
    font = TTFont(io.BytesIO(shipped_font("graduate").file))
    for platform in (1, 3):
        font["name"].setName("Odd/(name)\n<< of >>", 6, platform, platform // 3, 1033 * (platform // 3))
    out = io.BytesIO()
    font.save(out)
    text = Spelled((("M", (10.0, 0.0, 0.0, 10.0, 5.0, 15.0)),), out.getvalue())
    with pikepdf.open(io.BytesIO(pdf(Drawing(20, 20, texts=(text,))))) as opened:
        (form,) = opened.pages[0].Resources.XObject.values()
        (font,) = form.Resources.Font.values()
        assert str(font.BaseFont) == "/CURLET+Oddnameof"


def test_hidden_text_is_not_found(store: FilePath) -> None:
    state, text = filled("MOVE HIM")
    letters = [path["id"] for path in letters_of(state, text)]
    state = do("show-paths", paths=letters, shown=False)
    assert said(pdf(drawing(state))).strip() == ""


def test_only_the_texts_of_chosen_paths_are_in_their_file(store: FilePath) -> None:
    state, _ = filled("MOON")
    state, second = filled("SUN")
    chosen = [path["id"] for path in letters_of(state, second)]
    only = sheet_drawing(state, with_lines=True, runs=(), singles=False, only=chosen)
    assert said(pdf(only)).strip() == "SUN"
