"""Outlines for a cutter, over the API: SVG and DXF, whole or of what is chosen."""

from __future__ import annotations

import io
import re
from typing import Any

import ezdxf
import ezdxf.path
import pytest
import shapely
from flask.testing import FlaskClient

from tests.web.test_api import HEM, SHEET, send, sheet

FRONT = "waistcoat-front-r"


def asked(client: FlaskClient, form: str, **query: Any) -> Any:
    reply = client.get(f"{SHEET}/outline.{form}", query_string=query)
    assert reply.status_code == 200, reply.json
    return reply


def box(client: FlaskClient, x: float, y: float, width: float, height: float) -> str:
    corners = [(x, y), (x + width, y), (x + width, y + height), (x, y + height)]
    before = {path["id"] for path in sheet(client)["paths"]}
    nodes = [{"x": a, "y": b} for a, b in corners]
    send(client, {"kind": "draw-path", "nodes": nodes, "closed": True})
    (new,) = {path["id"] for path in sheet(client)["paths"]} - before
    send(client, {"kind": "set-fill", "paths": [new], "fill": {"weave": "colour"}})
    return new


def areas_of(dxf: bytes) -> dict[str, list[float]]:
    """The areas of a DXF drawing's closed entities by their layers, mm²."""
    drawing = ezdxf.read(io.StringIO(dxf.decode()))
    assert not drawing.audit().errors
    assert drawing.header["$INSUNITS"] == 4
    found: dict[str, list[float]] = {}
    for entity in drawing.modelspace():
        path = ezdxf.path.make_path(entity)
        assert path.start.isclose(path.end)
        assert entity.closed  # type: ignore[attr-defined]
        points = [(point.x, point.y) for point in path.flattening(0.0005)]
        found.setdefault(entity.dxf.layer, []).append(shapely.Polygon(points).area)
    return found


def test_what_overlaps_is_one_contour_in_both_formats(client: FlaskClient) -> None:
    """Rectangles of 200 mm² with 50 mm² in common."""
    paths = ",".join([box(client, 20, 20, 20, 10), box(client, 30, 25, 20, 10)])
    facts = asked(client, "json", paths=paths).json
    assert (facts["shapes"], facts["holes"], facts["nodes"]) == (1, 0, 8)
    assert facts["length"] == pytest.approx(90)
    assert [facts[side] for side in ("left", "top", "width", "height")] == pytest.approx([20, 20, 30, 15])
    svg = asked(client, "svg", paths=paths).text
    assert len(re.findall("<path ", svg)) == 1
    assert areas_of(asked(client, "dxf", paths=paths).data) == {"OUTLINE": [pytest.approx(350)]}


def test_it_is_as_large_as_on_the_garment_if_wanted(client: FlaskClient) -> None:
    path = box(client, 20, 20, 20, 10)
    larger = 1 / sheet(client)["sheet"]["factor"]
    data = asked(client, "dxf", paths=path, size="garment").data
    assert areas_of(data) == {"OUTLINE": [pytest.approx(200 * larger**2)]}
    assert asked(client, "json", paths=path, size="garment").json["length"] == pytest.approx(60 * larger)
    svg = asked(client, "svg", paths=path, size="garment").text
    assert f'width="{sheet(client)["sheet"]["width"] * larger:g}mm"' in svg


def test_it_is_grown_and_its_gaps_are_closed_as_is_entered(client: FlaskClient) -> None:
    """Two squares 1 mm apart on the sheet: closed, they are one; grown by 2, its corners stay sharp."""
    paths = ",".join([box(client, 20, 20, 10, 10), box(client, 31, 20, 10, 10)])
    factor = sheet(client)["sheet"]["factor"]
    gaps, grow = f"{1.1 / factor} mm", f"{2 / factor}*1"
    assert asked(client, "json", paths=paths).json["shapes"] == 2
    assert asked(client, "json", paths=paths, gaps=gaps).json["shapes"] == 1
    (area,) = areas_of(asked(client, "dxf", paths=paths, gaps=gaps, grow=grow, round=False).data)["OUTLINE"]
    assert area == pytest.approx(25 * 14, rel=1e-3)


@pytest.mark.parametrize("splines", [False, True])
def test_a_run_and_a_fill_with_a_hole_are_within_the_tolerance(client: FlaskClient, splines: bool) -> None:
    """The contours of scallops by DXF enclose what they do by SVG."""
    send(client, {"kind": "lay-brush", "paths": [HEM], "brush": "scallop"})
    facts = asked(client, "json", paths=HEM, what="runs", within="0.04 mm").json
    found = areas_of(asked(client, "dxf", paths=HEM, what="runs", within="0.04 mm", splines=splines).data)
    assert len(found["OUTLINE"]) == facts["shapes"] > 0
    assert len(found.get("HOLES", [])) == facts["holes"]
    exact = areas_of(asked(client, "dxf", paths=HEM, what="runs", within="0.01 mm", splines=True).data)
    # No point lies further off than 0.04 mm on the garment.
    most = facts["length"] * 0.04 * sheet(client)["sheet"]["factor"]
    assert sum(found["OUTLINE"]) == pytest.approx(sum(exact["OUTLINE"]), abs=most)


@pytest.mark.parametrize(
    ("query", "status", "words"),
    [
        ({"within": "0 mm"}, 422, "lie off"),
        ({"gaps": "wide"}, 422, "not a measure"),
        ({"grow": "9 m"}, 422, "grown"),
        ({"paths": "gone"}, 404, "no longer on this sheet"),
        ({"paths": HEM, "what": "runs"}, 422, "Nothing is drawn"),
    ],
)
def test_what_has_no_outline_says_why(client: FlaskClient, query: Any, status: int, words: str) -> None:
    for run in [run["id"] for run in sheet(client)["runs"] if run["path"] == HEM]:
        send(client, {"kind": "remove-runs", "runs": [run]})
    reply = client.get(f"{SHEET}/outline.svg", query_string=query)
    assert reply.status_code == status
    assert words in reply.json["detail"]
