"""`curlet export`: sheets out of the database, as the page exports them."""

from __future__ import annotations

from pathlib import Path as FilePath

import pikepdf
import pytest
from PIL import Image

from curlet.cli import main
from curlet.store.models import database
from curlet.web.app import create_app
from tests.plain.load import make_plain


@pytest.fixture
def data(tmp_path: FilePath) -> FilePath:
    make_plain(tmp_path / "data" / "curlet.sqlite")
    database.close()
    return tmp_path / "data"


def export(data: FilePath, *words: str) -> int:
    try:
        return main(["export", *words, "--data", str(data)])
    finally:
        if not database.is_closed():
            database.close()


def test_a_sheet_is_what_the_page_exports(data: FilePath, tmp_path: FilePath) -> None:
    out = tmp_path / "o.svg"
    assert export(data, "waistcoat", "-o", str(out)) == 0
    page = create_app(data / "curlet.sqlite").test_client().get("/api/sheets/waistcoat/export.svg")
    database.close()
    assert out.read_bytes() == page.data


def test_several_sheets_are_pages_or_files(data: FilePath, tmp_path: FilePath) -> None:
    assert export(data, "waistcoat", "Season programme", "-o", str(tmp_path / "all.pdf")) == 0
    with pikepdf.open(tmp_path / "all.pdf") as file:
        assert [round(float(page.mediabox[2]) / 72 * 25.4) for page in file.pages] == [297, 148]
    assert export(data, "waistcoat", "coat", "-o", str(tmp_path / "files"), "--as", "png", "--ppi", "20") == 0
    assert len(list((tmp_path / "files").glob("*.png"))) == 2


def test_trimmed_white_and_by_path(data: FilePath, tmp_path: FilePath) -> None:
    words = ["--each", "path", "--runs", "--colours", "white", "--trim", "2mm", "--as", "png", "--ppi", "50"]
    assert export(data, "waistcoat", "-o", str(tmp_path / "files"), *words) == 0
    files = sorted((tmp_path / "files").iterdir())
    assert len(files) == 3
    for file in files:
        with Image.open(file) as picture:
            assert "Place" in picture.info
            colours = picture.convert("RGBA").getcolors(100_000)
            assert len(colours) > 2
            assert {colour[:3] for _, colour in colours if colour[3]} == {(255, 255, 255)}


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (["gone", "-o", "{}/o.svg"], "waistcoat"),
        (["waistcoat", "-o", "{}/o.svg", "--group", "Cuffs"], "“Hems”"),
        (["waistcoat", "-o", "{}/o.svg", "--colourway", "Night"], "There are: none"),
        (["waistcoat", "coat", "-o", "{}/o.svg"], "Name a folder"),
        (["waistcoat", "-o", "{}/o.svg", "--trim", "wide"], "wide"),
        (["waistcoat", "-o", "{}/o"], "Name it so"),
    ],
)
def test_what_is_asked_wrongly_is_said(
    words: list[str], said: str, data: FilePath, tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    assert export(data, *(word.format(tmp_path) for word in words)) == 2
    assert said in capsys.readouterr().err
    assert sorted(file.name for file in tmp_path.iterdir()) == ["data"]


def test_nothing_is_written_over_without_force(data: FilePath, tmp_path: FilePath) -> None:
    (tmp_path / "o.svg").write_text("mine")
    assert export(data, "waistcoat", "-o", str(tmp_path / "o.svg")) == 2
    assert (tmp_path / "o.svg").read_text() == "mine"
    assert export(data, "waistcoat", "-o", str(tmp_path / "o.svg"), "--force") == 0


def test_no_database_is_made_where_there_is_none(
    tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main(["export", "waistcoat", "-o", str(tmp_path / "o.svg"), "--data", str(tmp_path / "none")]) == 2
    assert "no database" in capsys.readouterr().err
    assert list(tmp_path.iterdir()) == []
