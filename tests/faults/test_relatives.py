"""Relatives of the hostile files: drawings by a grammar, and fonts, pictures and brushes changed at random.

Each is read or refused in words, in a bounded process, and what is read can be kept, shown and exported.
"""

from __future__ import annotations

import io
from xml.sax.saxutils import quoteattr

import orjson
import pytest
from fontTools.ttLib import TTFont
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from curlet.core.errors import CurletError
from curlet.demo.brushes import BRUSHES
from curlet.formats.fonts import FOLDER, font_of
from curlet.formats.path_doc import FactsDoc
from curlet.studio import imports
from tests.effort import LONG

_EXAMPLES = 600 if LONG else 40
many = settings(max_examples=_EXAMPLES)

# Numbers at and past every edge.
NUMBERS = st.one_of(
    st.sampled_from(["0", "-0", "1e308", "-1e308", "1e-320", "1e999", ".", "-", "1e", "nan", "9" * 400]),
    st.floats(allow_nan=False, allow_infinity=False).map(repr),
    st.integers(-1000, 1000).map(str),
)
UNITS = st.sampled_from(["", "px", "mm", "em", "ex", "vw", "%", "furlong", "e5"])
LENGTHS = st.tuples(NUMBERS, UNITS).map("".join)
LISTS = st.lists(NUMBERS, max_size=12).map(" ".join)
DRAWN = st.tuples(st.sampled_from("MmLlHhVvCcSsQqTtAaZzX"), LISTS).map("".join)
DATA = st.lists(DRAWN, max_size=8).map("".join)
STEPS = st.tuples(st.sampled_from(["matrix", "rotate", "scale", "translate", "skewX", "perspective"]), LISTS)
MOVES = st.lists(STEPS.map(lambda step: f"{step[0]}({step[1]})"), max_size=4).map(" ".join)
NAMES = st.sampled_from("abcd")
PAINTS = st.one_of(
    st.sampled_from(["none", "red", "#12", "currentColor", "rgb(1e9 0 0/2)", "inherit", ""]),
    NAMES.map(lambda name: f"url(#{name})"),
)
ATTRIBUTES = {
    "id": NAMES,
    "d": DATA,
    "points": LISTS,
    "transform": MOVES,
    "href": NAMES.map(lambda name: f"#{name}"),
    "fill": PAINTS,
    "stroke": PAINTS,
    "stroke-width": LENGTHS,
    "stroke-dasharray": LISTS,
    "opacity": LENGTHS,
    "clip-path": NAMES.map(lambda name: f"url(#{name})"),
    "viewBox": LISTS,
    "class": NAMES,
    "style": st.tuples(st.sampled_from(["fill", "display", "stroke-width", "r"]), LENGTHS).map(":".join),
    "gradientTransform": MOVES,
    "offset": LENGTHS,
    **dict.fromkeys(("x", "y", "width", "height", "r", "rx", "cx", "x1", "y2"), LENGTHS),
}
TAGS = ("g", "svg", "symbol", "use", "path", "rect", "circle", "polygon", "clipPath", "defs", "switch")
PAINT_TAGS = ("linearGradient", "radialGradient", "stop", "mask", "pattern", "marker", "title")
SELECTORS = st.sampled_from(["*", "g > path", ".a .b", "#c ~ *", ":not(:not(a))", "path:hover", "@media{"])
RULES = st.tuples(SELECTORS, LENGTHS).map(lambda rule: f"{rule[0]}{{stroke-width:{rule[1]}}}")
SHEETS = st.lists(RULES, max_size=4).map("".join)
HEAD = '<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="50mm">'


def _element(inside: st.SearchStrategy[str]) -> st.SearchStrategy[str]:
    attributes = st.dictionaries(st.sampled_from(sorted(ATTRIBUTES)), st.none(), max_size=5).flatmap(
        lambda names: st.fixed_dictionaries({name: ATTRIBUTES[name] for name in names})
    )
    written = attributes.map(lambda found: "".join(f" {k}={quoteattr(v)}" for k, v in found.items()))
    return st.builds(
        lambda tag, said, inner: f"<{tag}{said}>{''.join(inner)}</{tag}>",
        st.sampled_from(TAGS + PAINT_TAGS),
        written,
        st.lists(inside, max_size=3),
    )


ELEMENTS = st.recursive(st.just('<path d="M1 1h9"/>'), _element, max_leaves=12)


@many
@given(SHEETS, st.lists(ELEMENTS, min_size=1, max_size=4))
def test_a_drawing_by_the_grammar_is_read_or_refused_in_words(sheet: str, elements: list[str]) -> None:
    style = f"<style>{sheet.replace('<', '')}</style>"
    body = f"{HEAD}{style}{''.join(elements)}</svg>"
    try:
        taken = imports.drawing(body.encode())
    except CurletError as error:
        assert len(str(error)) > 20
        assert "makes the reader fail" not in str(error)
        return
    for line in taken.paths:
        FactsDoc.model_validate_json(orjson.dumps(line.facts.model_dump(mode="json")))
        assert 0 < line.path.length < float("inf")
    try:
        imports.guide(body.encode())
        imports.artwork(body.encode(), 0.0)
    except CurletError as error:
        assert len(str(error)) > 20


def _plain_font() -> bytes:
    font = TTFont(FOLDER / "graduate.woff2")
    font.flavor = None
    out = io.BytesIO()
    font.save(out)
    return out.getvalue()


_FONTS = (_plain_font(), (FOLDER / "graduate.woff2").read_bytes())
CHANGE = st.tuples(st.floats(0, 1, exclude_max=True), st.binary(min_size=1, max_size=6))
CHANGES = st.lists(CHANGE, max_size=8)


def changed(data: bytes, changes: list[tuple[float, bytes]]) -> bytes:
    out = bytearray(data)
    for place, new in changes:
        at = int(place * len(out))
        out[at : at + len(new)] = new
    return bytes(out)


@many
@given(st.sampled_from(_FONTS), CHANGES)
def test_a_font_that_is_changed_is_made_safe_or_refused_in_words(
    font: bytes, changes: list[tuple[float, bytes]]
) -> None:
    try:
        _, plain = imports.font(changed(font, changes))
    except CurletError as error:
        assert len(str(error)) > 20
        return
    # What was made safe is safe to be used here.
    made = font_of(plain)
    text = "".join(sorted(map(chr, made.characters)))[:80]
    made.set_line(text, spaced=False)


@many
@given(CHANGES.filter(bool), st.sampled_from(sorted(BRUSHES)))
def test_a_brush_that_is_changed_is_read_or_refused_in_words(
    changes: list[tuple[float, bytes]], name: str
) -> None:
    data = changed(orjson.dumps(BRUSHES[name]), changes)
    try:
        ((_, doc),) = imports.brushes([("brush.json", data)])
    except CurletError as error:
        assert len(str(error)) > 20
        return
    assert doc.name


@pytest.mark.parametrize("kind", ["PNG", "JPEG", "WEBP"])
def test_a_picture_that_is_changed_is_read_or_refused_in_words(kind: str) -> None:
    out = io.BytesIO()
    Image.effect_mandelbrot((60, 40), (-2, -1, 1, 1), 20).convert("RGB").save(out, kind)

    @many
    @given(CHANGES)
    def every(changes: list[tuple[float, bytes]]) -> None:
        try:
            picture = imports.picture(changed(out.getvalue(), changes))
        except CurletError as error:
            assert len(str(error)) > 20
            return
        assert picture.columns >= 2

    every()
