"""DXF lines as ezdxf reads and audits them, and against the lengths and areas of plain geometry."""

from __future__ import annotations

import io
import math
from typing import Any

import ezdxf
import numpy as np
import pytest
import shapely
from ezdxf.document import Drawing as DxfDrawing
from ezdxf.path import make_path

from curlet.core.drawing import (
    Drawing,
    Group,
    Laid,
    LinearGradient,
    Outline,
    Shape,
    Solid,
    Stamps,
    Stop,
    Stroke,
    Tiling,
)
from curlet.core.errors import BadInput
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write

K = 4 / 3 * (math.sqrt(2) - 1)
DISC = Outline(
    "MCCCCZ",
    np.array([
        [10.0, 0], [10, 10 * K], [10 * K, 10], [0, 10], [-10 * K, 10], [-10, 10 * K], [-10, 0],
        [-10, -10 * K], [-10 * K, -10], [0, -10], [10 * K, -10], [10, -10 * K], [10, 0],
    ]) + 20.0,
)  # fmt: skip
SEAM = Outline("ML", np.array([[5.0, 40], [65, 40]]))
RED = Solid("#c03020")
AT = np.array([[1.0, 0, 0, 1, 10.0 * n, 30] for n in range(5)])
STITCH = Shape(Outline("ML", np.array([[0.0, 0], [6, 0]])), None, Stroke(RED, 1.0, "flat"))


def drawing(*groups: Group) -> Drawing:
    return Drawing(80.0, 60.0, groups)


SHEET = drawing(
    Group("a", "Pocket: left/right", (Laid((Shape(DISC, RED),)),)),
    Group("b", "Hem", (Laid((Shape(SEAM, None, Stroke(Solid("#204080"), 2.0, "flat")),)),)),
    Group("c", "HEM", (Stamps((STITCH,), AT, apart=True),)),
)


def read(sheet: Drawing, **settings: Any) -> DxfDrawing:
    file = ezdxf.read(io.StringIO(write("dxf", [sheet], FileSettings(**settings)).decode()))
    audit = file.audit()
    assert not audit.has_errors
    assert not audit.fixes
    return file


def lines(file: DxfDrawing, layer: str) -> list[shapely.LineString]:
    query = file.modelspace().query(f'*[layer=="{layer}"]')
    return [shapely.LineString([(p.x, p.y) for p in make_path(entity).flattening(1e-4)]) for entity in query]


def test_a_layer_for_each_thing_under_a_name_that_layers_may_have() -> None:
    file = read(SHEET)
    assert {layer.dxf.name for layer in file.layers} >= {"Pocket  left right", "Hem", "HEM 2"}
    assert file.header["$INSUNITS"] == 4


def test_y_goes_up_from_the_foot_and_colours_are_kept() -> None:
    (seam,) = lines(read(SHEET), "Hem")
    assert seam.bounds == pytest.approx((5, 20, 65, 20))
    entity = read(SHEET).modelspace().query('*[layer=="Hem"]')[0]
    assert entity.dxf.true_color == 0x204080


def test_middles_of_lines_are_as_long_as_the_stitches() -> None:
    stitches = lines(read(SHEET), "HEM 2")
    assert [line.length for line in stitches] == pytest.approx([6.0] * 5)
    assert not any(line.is_ring for line in stitches)


def test_around_what_they_cover_a_line_is_its_area() -> None:
    stitches = lines(read(SHEET, lines="edges"), "HEM 2")
    assert [shapely.Polygon(line).area for line in stitches] == pytest.approx([6.0] * 5, rel=1e-3)
    assert all(line.is_ring for line in stitches)


@pytest.mark.parametrize("curves", ["polylines", "splines"])
def test_a_disc_has_its_area(curves: str) -> None:
    """π r², which four cubics come to within 0.03 % of (Goldapp, 1991)."""
    (disc,) = lines(read(SHEET, curves=curves), "Pocket  left right")
    assert disc.is_ring
    assert shapely.Polygon(disc).area == pytest.approx(
        math.pi * 100, rel=2e-3 if curves == "polylines" else 6e-4
    )
    kinds = {entity.dxftype() for entity in read(SHEET, curves=curves).modelspace()}
    assert ("SPLINE" in kinds) == (curves == "splines")


def test_so_many_times_larger_on_the_garment() -> None:
    (seam,) = lines(read(SHEET, larger=4.0), "Hem")
    assert seam.bounds == pytest.approx((20, 80, 260, 80))


def test_what_is_cropped_ends_at_the_crop() -> None:
    half = Outline("MLLLZ", np.array([[0.0, 0], [20, 0], [20, 60], [0, 60]]))
    disc = Group("a", "Disc", (Laid((Shape(DISC, RED),)),), clip=half)
    seam = Group("b", "Seam", (Laid((Shape(SEAM, None, Stroke(RED, 1.0)),)),), clip=half)
    file = read(drawing(disc, seam))
    (left,) = lines(file, "Disc")
    assert shapely.Polygon(left).area == pytest.approx(math.pi * 50, rel=2e-3)
    (line,) = lines(file, "Seam")
    assert line.length == pytest.approx(15)


def test_a_crop_within_a_crop_leaves_what_both_do() -> None:
    left = Outline("MLLLZ", np.array([[0.0, 0], [30, 0], [30, 60], [0, 60]]))
    right = Outline("MLLLZ", np.array([[20.0, 0], [80, 0], [80, 60], [20, 60]]))
    seam = Group("b", "", (Laid((Shape(SEAM, None, Stroke(RED, 1.0)),)),), clip=right)
    (line,) = lines(read(drawing(Group("a", "Seam", (seam,), clip=left))), "Seam")
    assert sorted(line.bounds[::2]) == pytest.approx([20, 30])


def test_steps_in_relief_are_no_lines() -> None:
    step = Shape(DISC, RED, seen=(3.0, math.inf))
    file = read(drawing(Group("a", "Disc", (Laid((Shape(DISC, RED), step)),))))
    assert len(lines(file, "Disc")) == 1


def test_nothing_to_draw_is_said() -> None:
    with pytest.raises(BadInput, match="has lines"):
        write("dxf", [drawing()])


def test_a_gradients_lines_have_its_first_colour_and_a_cloths_the_one_it_looks_like() -> None:
    """One DXF entity has one colour (DXF reference, group code 420)."""
    fade = LinearGradient((10, 10), (30, 10), (Stop(0.0, "#112233"), Stop(1.0, "#ddeeff")))
    cloth = Tiling((), 2.0, 2.0, mean="#456789")
    groups = [Group(name, name, (Laid((Shape(DISC, fill),)),)) for name, fill in (("f", fade), ("c", cloth))]
    file = read(drawing(*groups))
    colours = [file.modelspace().query(f'*[layer=="{name}"]')[0].dxf.true_color for name in "fc"]
    assert colours == [0x112233, 0x456789]


def tags(sheet: Drawing, **settings: Any) -> list[tuple[int, str]]:
    """A file as pairs of group codes and values, as any program reads it (DXF reference)."""
    lines = write("dxf", [sheet], FileSettings(**settings)).decode().splitlines()
    return list(zip(map(int, lines[::2]), lines[1::2], strict=True))


def entities(sheet: Drawing, kind: str, **settings: Any) -> list[list[tuple[int, str]]]:
    """Entities of a kind, each with its own group codes, up to the next 0."""
    every = tags(sheet, **settings)
    begins = [index for index, tag in enumerate(every) if tag == (0, kind)]
    return [every[at + 1 : next(i for i in range(at + 1, len(every)) if every[i][0] == 0)] for at in begins]


def test_without_ezdxf_the_file_reads_the_same() -> None:
    """LWPOLYLINE's 90 counts vertices, 10 and 20 are theirs, 70 says whether it is closed; $INSUNITS 4 is mm
    (DXF reference)."""
    header = tags(SHEET)
    assert header[header.index((9, "$INSUNITS")) + 1] == (70, "4")
    lines = entities(SHEET, "LWPOLYLINE")
    by_layer = {dict(line)[8]: line for line in lines}
    assert set(by_layer) == {"Pocket  left right", "Hem", "HEM 2"}
    seam = by_layer["Hem"]
    x, y = ([float(value) for code, value in seam if code == axis] for axis in (10, 20))
    assert (sorted(x), y) == ([5.0, 65.0], [20.0, 20.0])
    ring = by_layer["Pocket  left right"]
    assert int(dict(ring)[70]) & 1
    points = [[float(value) for code, value in ring if code == axis] for axis in (10, 20)]
    assert int(dict(ring)[90]) == len(points[0]) == len(points[1])
    assert shapely.Polygon(np.column_stack(points)).area == pytest.approx(math.pi * 100, rel=1e-3)
    assert sum(dict(line)[8] == "HEM 2" for line in lines) == 5
