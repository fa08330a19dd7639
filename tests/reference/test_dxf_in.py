"""DXF read against what wrote it (ezdxf) and against known lengths; pattern pieces as ASTM D6673 has them.

Sources: DXF Reference (bulge = tan of a quarter of the arc's angle; $INSUNITS 1 inch, 4 mm, 5 cm); ASTM
D6673's layers 1 boundary, 4 notches, 7 grain, 8 internal, 14 sew lines, from memory.
"""

from __future__ import annotations

import io
import math
from collections.abc import Callable
from typing import Any

import ezdxf
import numpy as np
import pytest

from curlet.core.brush import Brush
from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput, TooMuch
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.formats import dxf_entities
from curlet.formats.drawing_in import read_drawing
from curlet.formats.dxf_in import read_dxf
from curlet.formats.imported import ImportedDrawing, ImportedPath
from curlet.formats.outputs import write
from tests.shapes import square

Draw = Callable[[Any], object]


def dxf(draw: Draw, units: int | None = 4, **header: int) -> bytes:
    document = ezdxf.new("R2010")  # type: ignore[attr-defined]
    document.header["$INSUNITS"] = units or 0
    for name, value in header.items():
        document.header[f"${name}"] = value
    draw(document)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


def lines(draw: Draw, **how: Any) -> list[ImportedPath]:
    return list(read_dxf(dxf(draw, **how)).paths)


def only(draw: Draw, **how: Any) -> ImportedPath:
    (line,) = lines(draw, **how)
    return line


def test_every_kind_of_line_is_as_long_as_it_says() -> None:
    def length(draw: Draw) -> float:
        return only(draw).path.length

    assert length(lambda d: d.modelspace().add_line((0, 0), (30, 40))) == pytest.approx(50)
    assert length(lambda d: d.modelspace().add_circle((5, 5), 10)) == pytest.approx(20 * math.pi, rel=1e-4)
    quarter = length(lambda d: d.modelspace().add_arc((0, 0), 10, 0, 90))
    assert quarter == pytest.approx(5 * math.pi, rel=1e-4)
    # Ramanujan's second approximation of an ellipse's circumference.
    a, b = 20.0, 10.0
    h = ((a - b) / (a + b)) ** 2
    around = math.pi * (a + b) * (1 + 3 * h / (10 + math.sqrt(4 - 3 * h)))
    assert length(lambda d: d.modelspace().add_ellipse((0, 0), (a, 0), b / a)) == pytest.approx(
        around, rel=1e-4
    )
    # A bulge of 1 is half a circle.
    bulged = [(0, 0, 0, 0, 1), (20, 0, 0, 0, 0)]
    assert length(lambda d: d.modelspace().add_lwpolyline(bulged)) == pytest.approx(10 * math.pi, rel=1e-4)
    old = length(lambda d: d.modelspace().add_polyline2d([(0, 0), (10, 0), (10, 10)], close=True))
    assert old == pytest.approx(20 + math.sqrt(200))


def test_a_spline_of_degree_three_keeps_its_very_curve() -> None:
    points = [(0, 0), (10, 20), (30, -10), (40, 10)]

    def draw(document: Any) -> None:
        spline = document.modelspace().add_spline()
        spline.control_points = [(*point, 0) for point in points]
        spline.knots = [0, 0, 0, 0, 1, 1, 1, 1]
        spline.dxf.degree = 3

    path = only(draw).path
    t = np.linspace(0, 1, 400)[:, None]
    p = np.array(points, dtype=float) * (1, -1)
    curve = (1 - t) ** 3 * p[0] + 3 * t * (1 - t) ** 2 * p[1] + 3 * t * t * (1 - t) * p[2] + t**3 * p[3]
    assert path.length == pytest.approx(np.hypot(*np.diff(curve, axis=0).T).sum(), rel=1e-4)


@pytest.mark.parametrize(("units", "mm"), [(1, 25.4), (2, 304.8), (4, 1.0), (5, 10.0), (6, 1000.0)])
def test_units_are_honoured(units: int, mm: float) -> None:
    line = only(lambda d: d.modelspace().add_line((0, 0), (2, 0)), units=units)
    assert line.path.length == pytest.approx(2 * mm)


def test_without_a_unit_it_is_read_as_mm_or_inches_and_says_so() -> None:
    def draw(document: Any) -> None:
        document.modelspace().add_line((0, 0), (2, 0))

    metric = read_dxf(dxf(draw, units=None, MEASUREMENT=1))
    assert (metric.paths[0].path.length, metric.notes) == (
        pytest.approx(2),
        ("It does not say its unit, so it is read as mm.",),
    )
    imperial = read_dxf(dxf(draw, units=None, MEASUREMENT=0))
    assert imperial.paths[0].path.length == pytest.approx(50.8)
    assert "read as inches" in imperial.notes[0]


def test_y_goes_downward_and_the_drawing_begins_at_a_margin() -> None:
    found = read_dxf(dxf(lambda d: d.modelspace().add_lwpolyline([(100, 200), (150, 200), (150, 280)])))
    assert (found.width, found.height, found.on_garment) == (pytest.approx(70), pytest.approx(100), True)
    assert found.paths[0].path.points == pytest.approx(np.array([[10, 90], [60, 90], [60, 10]]))


def test_blocks_are_drawn_where_turned_and_as_large_as_they_are_inserted() -> None:
    def draw(document: Any) -> None:
        block = document.blocks.new("tab")
        block.add_line((0, 0), (10, 0))
        inner = document.blocks.new("two tabs")
        inner.add_blockref("tab", (0, 0))
        inner.add_blockref("tab", (0, 5), {"xscale": 2, "yscale": 2})
        document.modelspace().add_blockref("two tabs", (100, 0), {"rotation": 90, "layer": "Trims"})
        rows = document.modelspace().add_blockref("tab", (0, 0))
        rows.dxf.row_count, rows.dxf.row_spacing = 3, 20

    found = lines(draw)
    assert [line.path.length for line in found] == pytest.approx([10, 20, 10, 10, 10])
    upright = found[0].path.points
    assert upright[0][0] == pytest.approx(upright[1][0])
    # On layer 0 within, they lie on the layer that they are inserted on.
    assert {line.layer for line in found[:2]} == {"Trims"}


def test_lines_have_their_own_or_their_layers_colour_and_weight() -> None:
    def draw(document: Any) -> None:
        document.layers.add("Seams", color=1, lineweight=50)
        space = document.modelspace()
        space.add_line((0, 0), (9, 0), {"layer": "Seams"})
        space.add_line((0, 1), (9, 1), {"layer": "Seams", "color": 5, "lineweight": 100})
        space.add_line((0, 2), (9, 2), {"true_color": 0x336699})
        space.add_line((0, 3), (9, 3))

    facts = [line.facts for line in lines(draw)]
    assert [fact.stroke for fact in facts] == ["#ff0000", "#0000ff", "#336699", "#000000"]
    assert [fact.weight for fact in facts] == [0.5, 1.0, 0.25, 0.25]


def test_what_has_no_line_is_counted_and_said() -> None:
    def draw(document: Any) -> None:
        space = document.modelspace()
        space.add_line((0, 0), (9, 0))
        space.add_text("Cut two")
        space.add_mtext("Cut on the fold")
        space.add_hatch()

    assert read_dxf(dxf(draw)).notes == ("1 × hatching left out.", "2 × text left out.")


def pieces(document: Any) -> None:
    """A front and a pocket, each a block with its boundary, sew line, grain, a dart, notches and its name."""
    for at, (name, side) in enumerate((("Front left", 300.0), ("Pocket", 120.0))):
        block = document.blocks.new(f"P{at}")
        corners = [(0, 0), (side, 0), (side, side), (0, side)]
        inside = [(10, 10), (side - 10, 10), (side - 10, side - 10), (10, side - 10)]
        block.add_lwpolyline(corners, close=True, dxfattribs={"layer": "1"})
        block.add_lwpolyline(inside, close=True, dxfattribs={"layer": "14"})
        block.add_line((side / 2, 20), (side / 2, side - 20), {"layer": "7"})
        block.add_lwpolyline([(40, 60), (50, 90), (60, 60)], dxfattribs={"layer": "8"})
        block.add_point((0, side / 2), {"layer": "4"})
        block.add_point((side, side / 2), {"layer": "4"})
        block.add_text(f"PIECE NAME: {name}", dxfattribs={"layer": "15"})
        document.modelspace().add_blockref(f"P{at}", (at * 400, 0), {"layer": "1"})
    document.modelspace().add_text("UNITS: METRIC")


def test_pattern_pieces_become_groups_and_their_layers_what_their_lines_are() -> None:
    found = read_dxf(dxf(pieces, units=None, MEASUREMENT=0))
    by_piece: dict[str, list[ImportedPath]] = {}
    for line in found.paths:
        by_piece.setdefault(line.layer, []).append(line)
    assert list(by_piece) == ["Front left", "Pocket"]
    names = [line.name for line in by_piece["Front left"]]
    assert names == [
        *("Cut line", "Sew line", "Grain line", "Internal line"),
        *("Notch", "Notch 2", "Notch 3", "Notch 4"),
    ]
    cut, sew, grain, dart, *_ = by_piece["Pocket"]
    assert (cut.path.closed, cut.path.length) == (True, pytest.approx(480))
    assert (sew.path.length, grain.path.length) == (pytest.approx(400), pytest.approx(80))
    assert dart.path.length == pytest.approx(2 * math.hypot(10, 30))
    # What the file writes of its unit counts, where its header says none.
    assert not [note for note in found.notes if "unit" in note]


def test_drill_holes_are_marked_where_they_are() -> None:
    def draw(document: Any) -> None:
        pieces(document)
        document.blocks.get("P0").add_point((100, 200), {"layer": "13"})

    found = read_dxf(dxf(draw))
    cut = next(line for line in found.paths if (line.layer, line.name) == ("Front left", "Cut line"))
    holes = [line for line in found.paths if line.name.startswith("Drill hole")]
    assert {line.layer for line in holes} == {"Front left"}
    assert len(holes) == 2
    corner = cut.path.points.min(axis=0)
    for line in holes:
        # From the piece's upper left corner; DXF counts y from its lower one.
        assert line.path.points.mean(axis=0) - corner == pytest.approx([100, 100], abs=0.01)


def test_in_inches_pieces_are_as_large_as_they_say() -> None:
    def draw(document: Any) -> None:
        pieces(document)
        for text in document.modelspace().query("TEXT"):
            text.dxf.text = "UNITS: ENGLISH"

    cut = read_dxf(dxf(draw, units=None)).paths[0]
    assert cut.path.length == pytest.approx(1200 * 25.4)


def test_our_own_dxf_comes_back() -> None:
    """What is exported as lines is read as the same lines."""
    run = lay(square(60), Brush(), Scale())
    sheet = Drawing(100, 100, (draw_run(run, "run-1", "Pocket, Topstitch"),))
    found = read_drawing(write("dxf", [sheet]))
    assert isinstance(found, ImportedDrawing)
    stitch = run.main.fits[0].stretch * 3  # type: ignore[union-attr]
    assert [line.path.length for line in found.paths] == pytest.approx([stitch] * 60, rel=1e-4)


def test_either_kind_of_file_is_told_by_what_is_in_it() -> None:
    shown = '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm"><path d="M0 0h9"/></svg>'
    svg = f"\ufeff  {shown}".encode()
    assert read_drawing(svg).on_garment is False
    data = dxf(lambda d: d.modelspace().add_line((0, 0), (9, 0)))
    assert read_drawing(data).on_garment is True
    document = ezdxf.new("R2010")  # type: ignore[attr-defined]
    document.modelspace().add_line((0, 0), (9, 0))
    document.header["$INSUNITS"] = 4
    binary = io.BytesIO()
    document.write(binary, fmt="bin")  # type: ignore[arg-type]
    assert read_drawing(binary.getvalue()).paths[0].path.length == pytest.approx(9)


@pytest.mark.parametrize(
    "data",
    [
        b"0\nSECTION\n2\nHEADER\n",
        b"0\n",
        b"12 monkeys",
        b"0\nSECTION\n2\nENTITIES\n0\nLINE\n10\nnot a number\n0\nENDSEC\n0\nEOF\n",
    ],
)
def test_what_is_no_drawing_is_refused_in_words(data: bytes) -> None:
    with pytest.raises(BadInput) as refused:
        read_drawing(data)
    assert len(str(refused.value)) > 20


def test_what_is_out_of_bounds_is_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    with pytest.raises(BadInput, match="no lines that can be followed"):
        read_dxf(dxf(lambda d: d.modelspace().add_text("Hello")))
    with pytest.raises(BadInput, match=r"Check its unit"):
        read_dxf(dxf(lambda d: d.modelspace().add_line((0, 0), (30, 0)), units=6))

    def endless(document: Any) -> None:
        for at in range(20):
            block = document.blocks.new(f"B{at}")
            block.add_line((0, 0), (1, 0))
            block.add_blockref(f"B{at + 1}", (0, 0))
        document.blocks.new("B20")
        document.modelspace().add_blockref("B0", (0, 0))

    with pytest.raises(BadInput, match="too deep"):
        read_dxf(dxf(endless))

    def many(document: Any) -> None:
        document.blocks.new("B").add_line((0, 0), (1, 0))
        rows = document.modelspace().add_blockref("B", (0, 0))
        rows.dxf.row_count, rows.dxf.column_count = 30_000, 30_000
        rows.dxf.row_spacing = rows.dxf.column_spacing = 1

    with pytest.raises(TooMuch, match="100,000 entities"):
        read_dxf(dxf(many))
    monkeypatch.setattr(dxf_entities, "MAX_ENTITIES", 3)
    with pytest.raises(TooMuch, match="more than 3 entities"):
        read_dxf(dxf(lambda d: [d.modelspace().add_line((0, i), (9, i)) for i in range(4)]))
