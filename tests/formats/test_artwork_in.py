"""SVG drawings as motifs: sizes, holes, colours, lines; and what is refused."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import Scale
from curlet.formats.artwork_in import read_artwork
from tests.outlines import polygon


def svg(body: str, size: str = 'width="30mm" height="20mm" viewBox="0 0 30 20"') -> bytes:
    return f'<svg xmlns="http://www.w3.org/2000/svg" {size}>{body}</svg>'.encode()


def test_a_drawing_comes_at_its_physical_size_in_the_cell_that_holds_it() -> None:
    doc, notes = read_artwork(svg('<rect x="4" y="3" width="20" height="6" fill="#c8553d"/>'))
    assert (doc.length, doc.width) == (pytest.approx(20), pytest.approx(6))
    assert notes == ()
    (shape,) = doc.shapes
    assert shape.fill is not None
    assert shape.fill.own == "#c8553d"
    assert shape.stroke is None


def test_holes_and_lines_are_kept() -> None:
    doc, _ = read_artwork(svg(
        '<path fill-rule="evenodd" d="M4 4h10v10h-10zM6 6h6v6h-6z"/>'
        '<circle cx="9" cy="9" r="2" fill="none" stroke="teal" stroke-width="1" stroke-linecap="round"/>'
    ))  # fmt: skip
    frame, ring = doc.shapes
    assert frame.even_odd
    assert frame.d.count("M") == 2
    assert (ring.fill, ring.weight, ring.ends) == (None, pytest.approx(1), "round")
    assert ring.stroke is not None
    assert ring.stroke.own == "#008080"


def test_groups_transforms_and_uses_are_worked_out() -> None:
    body = (
        '<defs><rect id="r" width="2" height="4"/></defs>'
        '<g transform="translate(3 2) scale(2)"><use href="#r"/><use href="#r" x="5"/></g>'
    )
    doc, _ = read_artwork(svg(body))
    assert (doc.length, doc.width) == (pytest.approx(14), pytest.approx(8))
    motif = doc.to_core().make(Scale())
    assert len(motif.shapes) == 2
    assert sum(polygon(s.shape.outline).area * doc.length for s in motif.shapes) == pytest.approx(64)


@pytest.mark.parametrize(("turn", "length"), [(0, 20), (90, 6), (180, 20), (270, 6)])
def test_it_is_turned_as_it_is_imported(turn: float, length: float) -> None:
    doc, _ = read_artwork(svg('<rect x="4" y="3" width="20" height="6"/>'), turn)
    assert doc.length == pytest.approx(length)


def test_a_line_without_any_paint_takes_thread_one() -> None:
    doc, _ = read_artwork(svg('<path d="M0 0L9 0" fill="none"/>'))
    (shape,) = doc.shapes
    assert shape.stroke is not None
    assert (shape.stroke.thread, shape.stroke.own) == (1, None)


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "SVG"),
        (b"\x89PNG\r\n\x1a\n", "SVG"),
        (svg(""), "no lines"),
        (svg('<path d="M0 0L1 nan"/>'), "not a number"),
        (b'<!DOCTYPE svg [<!ENTITY a "b">]>' + svg("<text>&a;</text>"), "entit"),
        (svg("<path d='M0 0L9 9'/>")[:-9], "SVG"),
    ],
)
def test_what_is_no_drawing_is_refused(data: bytes, says: str) -> None:
    with pytest.raises(BadInput) as refused:
        read_artwork(data)
    assert says.lower() in str(refused.value).lower()


def test_too_many_shapes_or_points_are_refused() -> None:
    many = "".join(f'<rect x="{i % 30}" width="1" height="1"/>' for i in range(501))
    with pytest.raises(TooMuch, match="500 shapes"):
        read_artwork(svg(many))
    angle = np.linspace(0, 6.28, 19_000)
    ring = "M" + "L".join(f"{15 + 9 * np.cos(a):.4f} {10 + 9 * np.sin(a):.4f}" for a in angle)
    with pytest.raises(TooMuch, match="points"):
        read_artwork(svg(f'<path d="{ring}"/>' * 3))


def test_scripts_pictures_and_outside_references_are_left_out_with_a_notice() -> None:
    body = '<script>alert(1)</script><image href="http://x/y.png"/><rect width="4" height="4" onclick="x()"/>'
    doc, notes = read_artwork(svg(body))
    assert len(doc.shapes) == 1
    assert notes


def test_a_motif_of_too_many_nodes_and_names_of_any_length_are_met_calmly() -> None:
    nodes = "L".join(f"{k % 97} {k % 89}" for k in range(50_100))
    with pytest.raises(TooMuch, match=r"nodes|points"):
        read_artwork(svg(f'<path d="M{nodes}"/>'))
    name = "n" * 300_000
    art, _ = read_artwork(svg(f'<path id="{name}" d="M0 0H9V9Z"/>'))
    assert len(art.shapes) == 1
    nested = "".join(f'<g id="g{k}"><use href="#g{k + 1}"/><use href="#g{k + 1}"/></g>' for k in range(40))
    with pytest.raises(TooMuch, match=r"20,000 elements|10,000 paths"):
        read_artwork(svg(f'{nested}<g id="g40"><path d="M0 0H9"/></g>'))


@pytest.mark.parametrize(("width", "lines"), [("0", 0), ("0.2", 1)])
def test_a_line_of_no_width_is_none(width: str, lines: int) -> None:
    shape = f'<path d="M0 0H9V9Z" fill="#123456" stroke="#000" stroke-width="{width}"/>'
    doc, _ = read_artwork(svg(shape))
    assert sum(item.stroke is not None for item in doc.shapes) == lines
