"""Drawings that are damaged or made to do harm: each is read in part or refused in words, never more."""

from __future__ import annotations

import time

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.imported import ImportedDrawing
from curlet.formats.path_data import read_contours
from curlet.formats.svg_in import read_svg

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90">'
LINE = '<path d="M1 1h9" stroke="#000"/>'
# What attributes are made of, and what has no place in them.
TEXT = st.text(
    alphabet="0123456789.-+eE,; #()%MmLlZzAaCcQqSsTtHhVv \nrotatematrixurlpxinf&<>\"'", max_size=60
)
ATTRIBUTES = (
    "d",
    "transform",
    "style",
    "fill",
    "stroke",
    "stroke-width",
    "stroke-dasharray",
    "opacity",
    "class",
)


def escaped(text: str) -> str:
    pairs = (("&", "&amp;"), ("<", "&lt;"), (">", "&gt;"), ('"', "&quot;"), ("\n", " "))
    for plain, written in pairs:
        text = text.replace(plain, written)
    return text


def read(body: str) -> ImportedDrawing | None:
    """The drawing, or None where it was refused in words."""
    try:
        return read_svg(f"{HEAD}{body}</svg>".encode())
    except (BadInput, TooMuch) as error:
        assert len(str(error)) > 20
        return None


@given(st.sampled_from(ATTRIBUTES), TEXT)
def test_any_attribute_is_read_or_refused_in_words(name: str, text: str) -> None:
    own = "" if name == "d" else 'd="M1 1h9"'
    taken = read(f'{LINE}<path {own} {name}="{escaped(text)}"/>')
    if taken:
        assert taken.paths[0].path.length == pytest.approx(9)
        assert all(np.isfinite(line.path.segments).all() for line in taken.paths)


@given(
    st.sampled_from(["rect", "circle", "ellipse", "line", "polyline", "polygon", "use", "svg"]), TEXT, TEXT
)
def test_any_shape_is_read_or_refused_in_words(shape: str, one: str, other: str) -> None:
    numbers = "".join(f' {key}="{escaped(one)}"' for key in ("x", "y", "width", "r", "rx", "x1", "points"))
    more = "".join(f' {key}="{escaped(other)}"' for key in ("height", "ry", "cx", "y2", "href", "viewBox"))
    read(f"{LINE}<{shape}{numbers}{more}/>")


@given(st.text(max_size=80))
def test_path_data_never_fails(data: str) -> None:
    try:
        contours = read_contours(data)
    except BadInput as error:
        assert "out of all bounds" in str(error)
        return
    assert all(contour.cubics.shape[1:] == (4, 2) for contour in contours)


@given(st.binary(max_size=300))
def test_bytes_of_any_kind_are_refused_in_words(data: bytes) -> None:
    with pytest.raises((BadInput, TooMuch)):
        read_svg(data)


def nested(depth: int) -> str:
    return "<g>" * depth + LINE + "</g>" * depth


def branching(levels: int) -> str:
    """Each use draws two of the one before: 2 to the power of the levels in all."""
    uses = [f'<g id="u{n}"><use href="#u{n - 1}"/><use href="#u{n - 1}"/></g>' for n in range(1, levels + 1)]
    return f'<defs><path id="u0" d="M1 1h9" stroke="#000"/>{"".join(uses)}</defs><use href="#u{levels}"/>'


@pytest.mark.parametrize(
    "body",
    [
        nested(5_000),
        branching(40),
        '<symbol id="a"><use href="#a"/></symbol><use href="#a"/>',
        '<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>' + LINE,
        f'<path d="{"M0 0h1" * 60_000}" stroke="#000"/>',
        '<path d="M0 0' + "L1 1 0 0" * 90_000 + '"/>',
        LINE * 20_000,
    ],
    ids=["deep", "branching", "in itself", "in a ring", "many contours", "many nodes", "many paths"],
)
def test_what_would_take_for_ever_ends_soon(body: str) -> None:
    start = time.monotonic()
    read(body)
    # Far less, but a slow machine is no fault.
    assert time.monotonic() - start < 30


@pytest.mark.parametrize(
    "d",
    [
        "M1e999 0h9",
        "M0 0h1e308h1e308",
        "M0 0L9e15 0",
        "M0 0A1e-320 1 0 0 1 9 9",
        "M0 0A1e300 1e300 0 0 1 5 5",
    ],
)
def test_numbers_out_of_this_world_stay_out_of_it(d: str) -> None:
    taken = read(f'{LINE}<path id="far" d="{d}" stroke="#000"/>')
    if taken:
        assert all(np.abs(line.path.points).max() <= 1e6 for line in taken.paths)


@pytest.mark.parametrize(
    "transform", ["scale(1e308)", "scale(1e200) scale(1e200)", "translate(1e300)", "scale(0)", "skewX(90)"]
)
def test_transforms_out_of_this_world_are_refused_in_words(transform: str) -> None:
    read(f'{LINE}<g transform="{transform}"><path id="far" d="M1 1h9v9z" stroke="#000"/></g>')


def test_a_script_an_event_and_an_outside_picture_do_not_come_along() -> None:
    picture = '<image href="http://a.example/b.png" width="9" height="9"/>'
    taken = read(f'<script>1</script><path d="M1 1h9" onclick="x()"/>{picture}')
    assert taken
    assert len(taken.paths) == 1
    assert any("left out" in note for note in taken.notes)


def test_entities_are_refused() -> None:
    bomb = '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]>'
    with pytest.raises(BadInput):
        read_svg(f"{bomb}{HEAD}<title>&b;</title>{LINE}</svg>".encode())
