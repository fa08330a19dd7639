"""`curlet lay` and `curlet dress` on several drawings: rules, formats, standard streams, what goes wrong."""

from __future__ import annotations

import io
import json
import os
import subprocess
import sys
import xml.etree.ElementTree as ET
from pathlib import Path as FilePath

import pytest
from PIL import Image

from curlet.cli import main
from curlet.demo.brushes import BRUSHES

FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm"
  viewBox="0 0 100 60" fill="none">
<g id="Seams"><path id="hem" stroke="#cc0000" d="M10 10H70"/>
<path id="yoke" stroke="#0000cc" d="M10 20H70"/></g>
<g id="Edges"><path id="front" stroke="#cc0000" stroke-dasharray="2 1" d="M10 30H70"/>
<path id="body" fill="#e0d0b0" d="M0 0H100V60H0Z"/></g></svg>"""
SVG = "{http://www.w3.org/2000/svg}"
RECIPE = """
scale = "1:2"
[[rule]]
brush = "zigzag"
lines = "style=dashed"
[[rule]]
brush = "topstitch"
lines = "stroke=#c00"
set = {"/courses/0/length" = "8 mm", "/courses/0/gap" = "2 mm", "/threads/0" = "navy"}
"""


@pytest.fixture
def flats(tmp_path: FilePath) -> list[FilePath]:
    files = [tmp_path / f"{name}.svg" for name in ("Front", "Back", "Sleeve")]
    for file in files:
        file.write_text(FLAT)
    return files


@pytest.fixture
def recipe(tmp_path: FilePath) -> FilePath:
    file = tmp_path / "recipe.toml"
    file.write_text(RECIPE)
    return file


def groups(svg: bytes) -> dict[str, ET.Element]:
    return {group.get("id", ""): group for group in ET.fromstring(svg).iter(f"{SVG}g")}


def test_a_recipe_says_which_line_gets_which_brush(
    recipe: FilePath, flats: list[FilePath], tmp_path: FilePath
) -> None:
    out = tmp_path / "out"
    assert main(["dress", str(recipe), *map(str, flats), "-o", str(out), "--as", "svg"]) == 0
    assert sorted(file.name for file in out.iterdir()) == ["Back.svg", "Front.svg", "Sleeve.svg"]
    made = groups((out / "Back.svg").read_bytes())
    titles = {name: group.findtext(f"{SVG}title") or "" for name, group in made.items()}
    assert "Zigzag" in titles["run-front"]
    assert "Topstitch" in titles["run-hem"]
    # The yoke is no rule's, and keeps its line; the body its fill.
    assert {"path-yoke", "path-body"} <= set(made)
    assert {"run-yoke", "path-hem"} & set(made) == set()
    text = ET.tostring(made["run-hem"])
    assert b"#000080" in text
    # 8 + 2 mm at 1:2 is 5 mm on paper.
    data = "".join(path.get("d", "") for path in made["run-hem"].iter(f"{SVG}path"))
    assert data.count("M") == 12


def test_every_format_by_its_ending_and_its_settings(flats: list[FilePath], tmp_path: FilePath) -> None:
    for name, begins in (("o.pdf", b"%PDF"), ("o.ora", b"PK"), ("o.dxf", b"  0"), ("o.jpg", b"\xff\xd8")):
        out = tmp_path / name
        words = ["--brush", "topstitch", "--ppi", "50", "--quality", "30"]
        assert main(["lay", str(flats[0]), "-o", str(out), *words]) == 0
        assert out.read_bytes().startswith(begins)
    with Image.open(tmp_path / "o.jpg") as picture:
        assert picture.size == (197, 118)


def test_standard_streams(tmp_path: FilePath) -> None:
    words = [sys.executable, "-m", "curlet", "lay", "-", "-o", "-", "--as", "png", "--ppi", "30"]
    done = subprocess.run(
        words, input=FLAT.encode(), capture_output=True, cwd=tmp_path, check=True, env=os.environ
    )
    assert Image.open(io.BytesIO(done.stdout)).size == (118, 71)


def test_a_brush_file_and_its_own_settings(flats: list[FilePath], tmp_path: FilePath) -> None:
    brush = tmp_path / "own.json"
    brush.write_text(json.dumps(BRUSHES["topstitch"]))
    report = tmp_path / "report.json"
    words = [
        "--brush",
        str(brush),
        "--set",
        "/courses/0/length=5 mm",
        "--select",
        "id=h*",
        "--report",
        str(report),
    ]
    assert main(["lay", str(flats[0]), "-o", str(tmp_path / "o.svg"), *words]) == 0
    (run,) = json.loads(report.read_text())["runs"]
    assert run["path"] == "hem"
    assert run["legs"][0]["stitch"] == pytest.approx(5, rel=0.1)


def test_one_that_cannot_be_read_is_said_and_the_others_are_written(
    recipe: FilePath, flats: list[FilePath], tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    flats[1].write_text("<svg")
    out = tmp_path / "out"
    assert main(["dress", str(recipe), *map(str, flats), "-o", str(out), "--jobs", "1"]) == 2
    assert sorted(file.name for file in out.iterdir()) == ["Front.svg", "Sleeve.svg"]
    said = capsys.readouterr().err
    assert "Back.svg" in said
    assert "XML" in said


def test_nothing_is_written_over_without_force(
    recipe: FilePath, flats: list[FilePath], tmp_path: FilePath
) -> None:
    out = tmp_path / "out"
    out.mkdir()
    (out / "Sleeve.svg").write_text("mine")
    words = ["dress", str(recipe), *map(str, flats), "-o", str(out)]
    assert main(words) == 2
    assert [file.name for file in out.iterdir()] == ["Sleeve.svg"]
    assert (out / "Sleeve.svg").read_text() == "mine"
    assert main([*words, "--force"]) == 0
    assert (out / "Sleeve.svg").read_text() != "mine"


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("rule = [", "is not TOML"),
        ("", "rule: Field required"),
        ('[[rule]]\nbrush = "topstitch"\nline = "x"', "rule 0 line: Extra"),
        ('[[rule]]\nbrush = "knitting"', "neither a brush file nor a built-in"),
        ('[[rule]]\nbrush = "topstitch"\nlines = "colour=red"', "Lines are told by"),
        ('[[rule]]\nbrush = "topstitch"\nset = {"/courses/0/length" = "wide"}', "wide"),
        ('scale = "one"\n[[rule]]\nbrush = "topstitch"', "one"),
    ],
)
def test_a_recipe_that_is_wrong_says_what(
    text: str, words: str, recipe: FilePath, flats: list[FilePath], capsys: pytest.CaptureFixture[str]
) -> None:
    recipe.write_text(text)
    assert main(["dress", str(recipe), str(flats[0]), "-o", str(recipe.parent / "o.svg")]) == 2
    assert words in capsys.readouterr().err
    assert not (recipe.parent / "o.svg").exists()


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (["lay", "{0}", "{1}", "-o", "{dir}/o.svg"], "Name a folder"),
        (["lay", "{0}", "{0}", "-o", "{dir}/out"], "same name"),
        (["lay", "{0}", "-o", "{dir}/o.gif"], "Name it so"),
        (["lay", "{0}", "-o", "{dir}/o.svg", "--set", "/courses/0/length=5"], "--brush"),
        (["lay", "{0}", "-o", "{dir}/o.svg", "--brush", "topstitch", "--set", "length"], "no setting"),
        (["lay", "{0}", "{1}", "-o", "{dir}/out", "--report", "{dir}/r.json"], "one by one"),
        (["lay", "{dir}/none.svg", "-o", "{dir}/o.svg"], "No such file"),
    ],
)
def test_what_is_asked_wrongly_is_said(
    words: list[str], said: str, flats: list[FilePath], tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    given = [word.format(*flats, dir=tmp_path) for word in words]
    assert main(given) == 2
    assert said in capsys.readouterr().err


def test_lines_that_no_rule_takes_are_said(
    flats: list[FilePath], tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    words = ["lay", str(flats[0]), "-o", str(tmp_path / "o.svg"), "--select", "layer=Lining"]
    assert main(words) == 0
    assert "No line is one" in capsys.readouterr().err
