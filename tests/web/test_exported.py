"""What is exported is what is seen: hidden paths, cloths, lines, single repeats, one run alone."""

from __future__ import annotations

import io
import xml.etree.ElementTree as ET
import zipfile
from typing import Any

import numpy as np
import pikepdf
import pytest
from flask.testing import FlaskClient
from PIL import Image

from curlet.core.dress.colour import mixed
from curlet.core.errors import BadInput
from curlet.formats.svg_in import read_svg
from curlet.studio.exported import Exported
from tests.pixels import canvas, encoded
from tests.web.test_api import HEM, RUN, SHEET, sheet
from tests.web.test_import_api import begin, looked
from tests.web.test_sheets_api import lay_under, send

SVG = "{http://www.w3.org/2000/svg}"
CLOTH = {"weave": "plain", "warp": "#204060", "weft": "#e0d0b0"}
GROUP = f"run-{RUN}"


def sent(client: FlaskClient, **query: str) -> ET.Element:
    reply = client.get(f"{SHEET}/export.svg", query_string={"ppi": "300", **query})
    assert reply.status_code == 200, reply.data[:200]
    return ET.fromstring(reply.data)


def ids(root: ET.Element) -> set[str]:
    return {element.get("id", "") for element in root.iter()} - {""}


def pixels(client: FlaskClient, **query: str) -> np.ndarray:
    reply = client.get(f"{SHEET}/export.png", query_string={"ppi": "60", **query})
    assert reply.status_code == 200, reply.data[:200]
    return np.asarray(Image.open(io.BytesIO(reply.data)).convert("RGBA")).astype(int)


def test_a_hidden_path_takes_its_stitches_with_it(client: FlaskClient) -> None:
    assert GROUP in ids(sent(client))
    send(client, {"kind": "show-paths", "paths": [HEM], "shown": False})
    assert GROUP not in ids(sent(client))
    facts = client.get(f"{SHEET}/export.json", query_string={"ppi": "300"}).json
    assert facts["runs"] == 2


def test_a_hidden_run_stays_at_home_and_its_path_does_not(client: FlaskClient) -> None:
    before = pixels(client)
    send(client, {"kind": "show-run", "run": RUN, "shown": False})
    assert GROUP not in ids(sent(client))
    assert (pixels(client) != before).any()


def test_stitches_alone_are_sent_without_the_garments_lines(client: FlaskClient) -> None:
    whole, stitches = sent(client), sent(client, what="runs")
    assert ids(stitches) & ids(whole) >= {GROUP}
    assert {name for name in ids(stitches) if name.startswith("path-")} == set()
    assert {name for name in ids(whole) if name.startswith("path-")}
    # On transparency: where no stitch is, nothing is.
    alone = pixels(client, what="runs")
    assert (alone[..., 3] == 0).mean() > 0.95


def test_one_run_is_sent_by_itself(client: FlaskClient) -> None:
    root = sent(client, run=RUN)
    assert {name for name in ids(root) if name.startswith("run-")} == {GROUP}


def test_a_cloth_goes_out_as_a_pattern_and_looks_alike_in_png(client: FlaskClient) -> None:
    front = "waistcoat-front-r"
    send(
        client,
        {
            "kind": "set-fill",
            "paths": [front],
            "fill": {"weave": "plain", "warp": "#204060", "weft": "#e0d0b0"},
        },
    )
    root = sent(client)
    patterns = root.findall(f".//{SVG}pattern")
    assert len(patterns) == 1
    assert patterns[0].get("patternUnits") == "userSpaceOnUse"
    # From afar it is the mix of its two threads.
    nodes = next(path for path in sheet(client)["paths"] if path["id"] == front)["nodes"]
    x, y = np.mean([[node["x"], node["y"]] for node in nodes], axis=0) * 60 / 25.4
    inside = pixels(client)[int(y) - 15 : int(y) + 15, int(x) - 15 : int(x) + 15, :3].reshape(-1, 3)
    assert inside.mean(axis=0) == pytest.approx([0x80, 0x88, 0x88], abs=12)


def test_single_repeats_go_out_over_everything(client: FlaskClient) -> None:
    send(client, {"kind": "place-single", "brush": "topstitch", "x": 60, "y": 60, "size": "900 %"})
    one = sheet(client)["singles"][0]["id"]
    root = sent(client)
    assert f"single-{one}" in ids(root)
    assert [child.get("id") for child in root if child.get("id")][-1] == f"single-{one}"
    assert f"single-{one}" not in ids(sent(client, run=RUN))


def test_a_guide_picture_is_never_exported(client: FlaskClient) -> None:
    before = pixels(client)
    lay_under(client, encoded(canvas(40, 60, (255, 0, 0))))
    assert (pixels(client) == before).all()
    assert not sent(client).findall(f".//{SVG}image")


def test_what_is_exported_comes_in_again_at_its_size(client: FlaskClient) -> None:
    reply = client.get(f"{SHEET}/export.svg", query_string={"ppi": "300"})
    taken = read_svg(reply.data)
    assert (taken.width, taken.height) == (pytest.approx(297), pytest.approx(210))
    lengths = sorted(line.path.length for line in taken.paths)
    front = next(path for path in sheet(client)["paths"] if path["id"] == "waistcoat-front-r")
    assert any(length == pytest.approx(front["length"]["paper"], rel=1e-4) for length in lengths)


def test_a_large_sheet_comes_in_again_by_its_seams(client: FlaskClient) -> None:
    """Each stitch is a path, and the seams tell them apart, so that a part can be chosen."""
    file = client.get("/api/sheets/satchel/export.svg").data
    found = looked(client, begin(client, file, "satchel.svg"))
    paths = {group["name"]: group["paths"] for group in found["groups"]}
    assert paths["Strap"] == 2
    assert paths["Strap seam, Saddle stitch, 3.5 mm"] > 500
    assert sum(paths.values()) > 3_000


def test_a_cloth_comes_in_again_as_the_colour_it_looks_like(client: FlaskClient) -> None:
    front = "waistcoat-front-r"
    send(client, {"kind": "set-fill", "paths": [front], "fill": CLOTH})
    taken = read_svg(client.get(f"{SHEET}/export.svg").data)
    colours = {line.facts.fill for line in taken.paths}
    assert mixed("#e0d0b0", "#204060", 0.5) in colours
    assert any("Patterns" in note for note in taken.notes)


@pytest.mark.parametrize(
    ("query", "status"),
    [
        ({"ppi": "0"}, 422),
        ({"ppi": "many"}, 422),
        ({"ppi": "99999"}, 422),
        ({"ppi": "300", "run": "gone"}, 404),
    ],
)
def test_what_cannot_be_exported_says_why(client: FlaskClient, query: dict[str, str], status: int) -> None:
    # SVG has no resolution, the report no single run.
    for form in ("svg", "png") if "run" in query else ("png", "json"):
        reply = client.get(f"{SHEET}/export.{form}", query_string=query)
        assert reply.status_code == status, form
        assert len(reply.json["detail"]) > 15


def test_the_report_of_fine_threads_names_the_seam(client: FlaskClient) -> None:
    thin: dict[str, Any] = {"pointer": "/courses/0/motif/thread", "entered": "0.05 mm"}
    send(client, {"kind": "set-on-runs", "runs": [RUN], "settings": [thin]})
    fine = client.get(f"{SHEET}/export.json", query_string={"ppi": "300"}).json["fine"]
    assert any(note["words"].startswith("Hem R: the thread is") for note in fine)


def test_the_picture_of_the_dialog_lies_on_the_sheets_background(client: FlaskClient) -> None:
    """White thread is not seen on nothing; the file itself has no background."""

    def corner(**query: str) -> list[int]:
        reply = client.get(f"{SHEET}/export.png", query_string={"ppi": "30", **query})
        picture = np.asarray(Image.open(io.BytesIO(reply.data)).convert("RGBA"))
        return picture[2, 2].tolist()

    assert corner()[3] == 0
    assert corner(background="sheet") == [0xF7, 0xF4, 0xEB, 255]
    send(client, {"kind": "set-sheet", "background_cloth": CLOTH})
    assert corner(background="sheet") not in ([0xF7, 0xF4, 0xEB, 255], [0, 0, 0, 0])


def place(client: FlaskClient, **query: str) -> Any:
    reply = client.get(f"{SHEET}/place.json", query_string={"trimmed": "true", **query})
    assert reply.status_code == 200
    assert "place.json" in reply.headers["Content-Disposition"]
    return reply.json


def test_a_trimmed_file_has_just_what_is_drawn_with_its_margin_and_its_place(client: FlaskClient) -> None:
    query = {"run": RUN, "trimmed": "true", "margin": "2 mm"}
    there = place(client, **query, ppi="254")
    sides = [there[side] for side in ("left", "top", "width", "height")]
    # At whole pixels, ten to the mm.
    assert sides == pytest.approx([round(side, 1) for side in sides])
    assert (there["unit"], there["sheet"]) == ("mm", sheet(client)["sheet"]["name"])
    small, whole = pixels(client, **query, ppi="254"), pixels(client, run=RUN, ppi="254")
    assert small.shape[:2] == (round(10 * there["height"]), round(10 * there["width"]))
    # All of the stitches are in it, and 2 mm all round are bare.
    assert (small[..., 3] > 0).sum() == pytest.approx((whole[..., 3] > 0).sum(), rel=0.01)
    rows, columns = np.nonzero(small[..., 3] > 8)
    for least, most, side in (
        (rows.min(), rows.max(), small.shape[0]),
        (columns.min(), columns.max(), small.shape[1]),
    ):
        assert 19 <= least <= 22
        assert 19 <= side - 1 - most <= 22
    root = sent(client, **query)
    box = [float(number) for number in root.get("viewBox", "").split()]
    assert box[2:] == pytest.approx(sides[2:], abs=0.2)
    assert box[:2] == pytest.approx(sides[:2], abs=0.2)
    assert root.get("width") == f"{box[2]:g}mm"


def test_facts_say_how_large_a_trimmed_file_is_and_where_it_begins(client: FlaskClient) -> None:
    asked = {"run": RUN, "trimmed": "true", "margin": "1/8 in", "ppi": "254", "form": "png"}
    facts, there = client.get(f"{SHEET}/export.json", query_string=asked).json, place(client, **asked)
    assert [facts[f"{side}_mm"] for side in ("left", "top", "width", "height")] == [
        there[side] for side in ("left", "top", "width", "height")
    ]
    assert facts["entered"]["margin"] == "3.175 mm"
    assert facts["width_px"] == round(10 * facts["width_mm"])
    whole = client.get(f"{SHEET}/export.json", query_string={"form": "png"}).json
    assert (whole["left_mm"], whole["top_mm"], whole["entered"]["margin"]) == (0, 0, "0 mm")


@pytest.mark.parametrize(("margin", "words"), [("wide", "not a"), ("-1", "Margin"), ("1e9", "Margin")])
def test_a_margin_that_is_none_is_said(client: FlaskClient, margin: str, words: str) -> None:
    reply = client.get(f"{SHEET}/export.png", query_string={"trimmed": "true", "margin": margin})
    assert reply.status_code == 422
    assert words in reply.get_json(force=True)["detail"]


def test_nothing_drawn_is_said_where_it_is_to_be_trimmed(client: FlaskClient) -> None:
    runs = [run["id"] for run in sheet(client)["runs"]]
    send(client, {"kind": "remove-runs", "runs": runs})
    reply = client.get(f"{SHEET}/export.svg", query_string={"what": "runs", "trimmed": "true"})
    assert reply.status_code == 422
    assert "nothing to trim" in reply.get_json(force=True)["detail"]


def test_all_in_white_has_no_other_colour_and_is_as_opaque(client: FlaskClient) -> None:
    own, white = pixels(client), pixels(client, colours="white")
    assert np.array_equal(own[..., 3], white[..., 3])
    assert set(map(tuple, white[white[..., 3] > 128][:, :3].tolist())) == {(255, 255, 255)}
    assert own[own[..., 3] > 128][:, :3].min() < 200


def test_in_greys_light_and_dark_stay_and_no_hue_does(client: FlaskClient) -> None:
    own, greys = pixels(client), pixels(client, colours="greys")
    assert np.array_equal(own[..., 3], greys[..., 3])
    solid = greys[greys[..., 3] == 255][:, :3]
    assert np.ptp(solid, axis=1).max() <= 1
    assert np.ptp(solid) > 100


def test_colours_that_there_are_not_are_refused() -> None:
    with pytest.raises(BadInput, match="“pink” is not a kind of colours"):
        Exported(colours="pink")


def zipped(client: FlaskClient, form: str = "svg", **query: str) -> dict[str, bytes]:
    reply = client.get(f"{SHEET}/export.{form}", query_string=query)
    assert (reply.status_code, reply.content_type) == (200, "application/zip"), reply.data[:200]
    assert ".zip" in reply.headers["Content-Disposition"]
    with zipfile.ZipFile(io.BytesIO(reply.data)) as packed:
        return {name: packed.read(name) for name in packed.namelist()}


def test_every_colourway_is_a_file_in_its_own_colours(client: FlaskClient) -> None:
    send(client, {"kind": "add-shade", "name": "Thread", "colour": "#111111"})
    shade = sheet(client)["shades"][0]["id"]
    own = [{"pointer": "/threads/0", "entered": f"shade:{shade}"}]
    send(client, {"kind": "set-on-runs", "runs": [RUN], "settings": own})
    send(client, {"kind": "add-colourway"})
    night = next(way for way in sheet(client)["colourways"] if way["shown"])
    send(client, {"kind": "rename-colourway", "colourway": night["id"], "name": "Night"})
    send(client, {"kind": "set-shade", "shade": shade, "colour": "#eeeeee"})
    files = zipped(client, each="colourway", run=RUN)
    assert len(files) == 2
    named = next(name for name in files if "Night" in name)
    other = next(name for name in files if "Night" not in name)
    assert b"#eeeeee" in files[named]
    assert b"#111111" not in files[named]
    assert b"#111111" in files[other]
    # One of them alone, whichever is shown.
    day = next(way["id"] for way in sheet(client)["colourways"] if not way["shown"])
    reply = client.get(f"{SHEET}/export.svg", query_string={"run": RUN, "colourway": day})
    assert b"#111111" in reply.data


def test_every_path_is_a_file_with_its_own_runs(client: FlaskClient) -> None:
    files = zipped(client, each="path", what="runs", trimmed="true")
    assert len(files) == len({run["path"] for run in sheet(client)["runs"]}) + 1
    for name, data in files.items():
        if name != "places.json":
            assert len([key for key in ids(ET.fromstring(data)) if key.startswith("run-")]) == 1


def test_one_run_comes_alone_without_lines_and_single_repeats(client: FlaskClient) -> None:
    assert {name for name in ids(sent(client, run=RUN)) if name.startswith("path-")} == set()
    coat = "/api/sheets/coat"
    whole = ids(ET.fromstring(client.get(f"{coat}/export.svg").data))
    assert any(name.startswith("single-") for name in whole)
    runs = sorted(name.removeprefix("run-") for name in whole if name.startswith("run-run-"))
    alone = ids(ET.fromstring(client.get(f"{coat}/export.svg?run={runs[0]}").data))
    assert not any(name.startswith(("single-", "path-")) for name in alone)


def test_every_seam_group_is_a_file(client: FlaskClient) -> None:
    files = zipped(client, each="group")
    names = {group["name"] for group in sheet(client)["groups"]}
    made = {name.removesuffix(".svg").split(", ", 1)[1] for name in files}
    # The armholes have neither line nor brush.
    assert made - {"no seam group"} == names - {"Armholes"}
    alone = sheet(client)["groups"][0]
    root = sent(client, group=alone["id"])
    drawn = {name.removeprefix("path-") for name in ids(root) if name.startswith("path-")}
    of_group = {path["id"] for path in sheet(client)["paths"] if path["group"] == alone["id"]}
    assert drawn
    assert drawn <= of_group


def test_a_sheet_without_colourways_is_one_file(client: FlaskClient) -> None:
    reply = client.get(f"{SHEET}/export.svg", query_string={"each": "colourway"})
    assert reply.content_type.startswith("image/svg+xml")


def test_the_runs_that_are_counted_are_those_in_the_file(client: FlaskClient) -> None:
    def counted(**query: str) -> int:
        return int(client.get(f"{SHEET}/export.json", query_string=query).json["runs"])

    assert counted(run=RUN) == 1
    assert counted(paths=HEM) == len([run for run in sheet(client)["runs"] if run["path"] == HEM])
    assert counted() == len(sheet(client)["runs"])


def test_a_jpeg_lies_on_the_colour_that_was_asked_for(client: FlaskClient) -> None:
    reply = client.get(f"{SHEET}/export.jpg", query_string={"background": "#204060", "ppi": "30"})
    assert reply.content_type == "image/jpeg"
    picture = np.asarray(Image.open(io.BytesIO(reply.data)))
    assert np.abs(picture[2, 2].astype(int) - (0x20, 0x40, 0x60)).max() <= 3


@pytest.mark.parametrize(
    "query",
    [{"background": "red"}, {"each": "stitch"}, {"quality": "0"}, {"group": "gone"}, {"area": "gone"}],
)
def test_what_is_asked_wrongly_is_refused(client: FlaskClient, query: dict[str, str]) -> None:
    reply = client.get(f"{SHEET}/export.jpg", query_string=query)
    assert reply.status_code in (404, 422)
    assert len(reply.get_json(force=True)["detail"]) > 10


def titles(file: bytes) -> list[tuple[float, float]]:
    """Each page's size, mm."""
    with pikepdf.open(io.BytesIO(file)) as pdf:
        return [tuple(round(float(side) * 25.4 / 72, 2) for side in page.MediaBox[2:]) for page in pdf.pages]


def test_other_sheets_are_pages_after_this_one_or_files_beside_it(client: FlaskClient) -> None:
    query = {"also": "programme,satchel", "what": "runs"}
    pages = titles(client.get(f"{SHEET}/export.pdf", query_string=query).data)
    assert pages == [(297.0, 210.0), (148.0, 210.0), (297.0, 210.0)]
    twice = {**query, "also": "waistcoat,programme,satchel,programme"}
    assert titles(client.get(f"{SHEET}/export.pdf", query_string=twice).data) == pages
    names = sorted(zipped(client, "svg", **query))
    assert names == ["Prop satchel.svg", "Season programme.svg", "Usher’s waistcoat.svg"]


@pytest.mark.parametrize(
    ("query", "words"),
    [
        ({"also": "programme", "size": "garment"}, "not to one scale"),
        ({"also": "programme", "run": RUN}, "Export all of it"),
        ({"also": "nowhere"}, "no such sheet"),
    ],
)
def test_sheets_that_cannot_be_in_one_file_are_said(
    client: FlaskClient, query: dict[str, str], words: str
) -> None:
    for form in ("export.pdf", "export.json"):
        reply = client.get(f"{SHEET}/{form}", query_string={"form": "pdf", **query})
        assert reply.status_code in (404, 422)
        assert words in reply.get_json(force=True)["detail"]
    same = client.get(f"{SHEET}/export.json", query_string={"also": "satchel", "size": "garment"})
    assert same.status_code == 200
