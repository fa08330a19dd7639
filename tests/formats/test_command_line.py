"""The command line, as it is used."""

from __future__ import annotations

import json
from pathlib import Path as FilePath

import pytest
from PIL import Image

from curlet.cli import main

LINES = """<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60">
<path id="hem" d="M10 10H52"/><rect id="pocket" x="10" y="20" width="40" height="20"/></svg>"""


@pytest.fixture
def drawing(tmp_path: FilePath) -> FilePath:
    file = tmp_path / "lines.svg"
    file.write_text(LINES)
    return file


def run(drawing: FilePath, *words: str, out: str = "out.svg") -> tuple[int, dict[str, object]]:
    report = drawing.parent / "report.json"
    files = ["-o", str(drawing.parent / out), "--report", str(report), "--force"]
    code = main(["lay", str(drawing), *files, *words])
    return code, json.loads(report.read_text()) if report.exists() else {}


def test_report_says_what_was_laid(drawing: FilePath) -> None:
    code, report = run(drawing, "--stitch", "3mm", "--gap", "1mm", "--fit", "leave-over", "--placements")
    assert code == 0
    hem, pocket = report["runs"]
    assert report["unit"] == "mm"
    assert (hem["path"], hem["closed"], hem["repeats"]) == ("hem", False, 10)
    assert hem["length"] == pytest.approx(42)
    assert hem["placements"][1] == pytest.approx([14, 10, 0, 3])
    assert [corner["turn"] for corner in pocket["corners"]] == pytest.approx([90] * 4)
    assert {corner["manner"] for corner in pocket["corners"]} == {"pivot"}
    assert [leg["repeats"] for leg in pocket["legs"]] == [10, 5, 10, 5]


def test_placements_only_when_asked(drawing: FilePath) -> None:
    assert "placements" not in run(drawing)[1]["runs"][0]


def test_off_full_size_measures_are_used_and_have_twins(drawing: FilePath) -> None:
    _, report = run(drawing, "--scale", "1:4", "--stitch", "8mm", "--gap", "4mm", "--fit", "leave-over")
    hem = report["runs"][0]
    assert hem["repeats"] == 14
    assert hem["length_garment"] == pytest.approx(168)
    assert hem["legs"][0]["stitch"] == pytest.approx(2)
    assert hem["legs"][0]["stitch_garment"] == pytest.approx(8)


def test_carry_and_the_corner_angle(drawing: FilePath) -> None:
    _, carried = run(drawing, "--corner", "carry")
    assert len(carried["runs"][1]["legs"]) == 1
    _, none = run(drawing, "--corner-angle", "95")
    assert none["runs"][1]["corners"] == []


def test_png_is_written_at_its_resolution(drawing: FilePath) -> None:
    code, _ = run(drawing, "--ppi", "254", out="out.png")
    data = (drawing.parent / "out.png").read_bytes()
    assert code == 0
    assert int.from_bytes(data[16:20]) == 1000


@pytest.mark.parametrize(
    ("words", "says"),
    [
        (("--stitch", "0mm"), "Stitch length is 0 mm"),
        (("--stitch", "soon"), "not a measure"),
        (("--gap", "8spi"), "sets a pitch"),
        (("--scale", "4"), "not a scale"),
        (("--ppi", "0"), "Resolution"),
        (("--colour", "soon"), "not a colour"),
        (("--stitch", "0.01mm", "--gap=-0.0098mm"), "200,000"),
    ],
)
def test_bad_words_are_one_line_and_write_nothing(
    drawing: FilePath, words: tuple[str, ...], says: str, capsys: pytest.CaptureFixture[str]
) -> None:
    code, _ = run(drawing, *words, out="out.png")
    said = capsys.readouterr().err.strip()
    assert code == 2
    assert says in said
    assert "\n" not in said
    assert not (drawing.parent / "out.png").exists()


def test_a_missing_drawing_is_said_plainly(tmp_path: FilePath, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["lay", str(tmp_path / "none.svg"), "-o", str(tmp_path / "o.svg")]) == 2
    assert "none.svg: No such file" in capsys.readouterr().err


def test_an_unknown_output_is_refused(drawing: FilePath, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["lay", str(drawing), "-o", "out.doc"]) == 2
    assert ".svg, .pdf" in capsys.readouterr().err


def test_a_file_that_is_there_is_written_over_only_by_force(drawing: FilePath) -> None:
    out = drawing.parent / "out.svg"
    out.write_text("mine")
    assert main(["lay", str(drawing), "-o", str(out)]) == 2
    assert out.read_text() == "mine"
    assert main(["lay", str(drawing), "-o", str(out), "--force"]) == 0
    assert out.read_text().startswith("<?xml")


@pytest.mark.parametrize("force", [(), ("--force",)])
def test_no_file_is_named_twice(
    drawing: FilePath, force: tuple[str, ...], capsys: pytest.CaptureFixture[str]
) -> None:
    before, out = drawing.read_text(), str(drawing.parent / "out.svg")
    drawing.with_name("also.svg").symlink_to(drawing)
    for words in (
        ("-o", str(drawing)),
        ("-o", str(drawing.parent / "also.svg")),
        ("-o", out, "--report", str(drawing)),
        ("-o", out, "--report", out),
    ):
        assert main(["lay", str(drawing), *words, *force]) == 2
        error = capsys.readouterr().err
        assert error.count("\n") == 1
        assert "named twice" in error
    assert drawing.read_text() == before
    assert not FilePath(out).exists()


def test_what_fails_leaves_nothing_behind(drawing: FilePath, monkeypatch: pytest.MonkeyPatch) -> None:
    there = set(drawing.parent.iterdir())
    folder = str(drawing.parent)
    assert main(["lay", str(drawing), "-o", f"{folder}/out.svg", "--report", f"{folder}/none/r.json"]) == 2
    assert main(["lay", str(drawing), "-o", f"{folder}/out.svg", "--report", folder]) == 2

    def full(*_: object) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr("os.fsync", full)
    assert main(["lay", str(drawing), "-o", f"{folder}/out.svg", "--report", f"{folder}/r.json"]) == 2
    assert set(drawing.parent.iterdir()) == there


def test_a_negative_measure_needs_no_equals_sign(drawing: FilePath) -> None:
    code, report = run(drawing, "--gap", "-0.5mm", "--fit", "leave-over")
    assert code == 0
    assert report["runs"][0]["repeats"] == 16


@pytest.mark.parametrize(
    "words", [[], ["lay"], ["lay", "none.svg", "-o", "o.svg"], ["nope"], ["lay", "--nope"], ["backup"]]
)
def test_every_error_is_one_line(words: list[str], capsys: pytest.CaptureFixture[str]) -> None:
    assert main(words) == 2
    error = capsys.readouterr().err
    assert error.count("\n") == (1 if words else 0)


def test_a_picture_has_300_pixels_to_the_inch_unless_said(drawing: FilePath) -> None:
    """100 mm × 60 mm."""
    for words, ppi in (((), 300), (("--ppi", "150"), 150)):
        assert run(drawing, *words, out="out.png")[0] == 0
        with Image.open(drawing.parent / "out.png") as picture:
            assert picture.size == (round(100 / 25.4 * ppi), round(60 / 25.4 * ppi))
            assert picture.info["dpi"] == pytest.approx((ppi, ppi), abs=0.1)
