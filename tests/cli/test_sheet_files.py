"""`curlet export-sheets`, `import-sheets`, `schedule` and `work-page`: what they write, say and refuse."""

from __future__ import annotations

import csv
from pathlib import Path as FilePath

import pypdfium2 as pdfium
import pytest

from curlet.cli import main
from curlet.store import journal
from curlet.store.commands.sheet import SetSheet
from curlet.store.sheets import list_sheets

Captured = pytest.CaptureFixture[str]


def run(store: FilePath, *words: str) -> int:
    return main([*words, "--data", str(store.parent)])


def names() -> list[str]:
    return [row["name"] for row in list_sheets()]


def test_sheets_leave_as_one_file_and_come_in_again(
    store: FilePath, tmp_path: FilePath, capsys: Captured
) -> None:
    before, file = names(), tmp_path / "two.zip"
    assert run(store, "export-sheets", "waistcoat", "Season programme", "-o", str(file), "--history") == 0
    assert run(store, "import-sheets", str(file)) == 0
    said = capsys.readouterr().out.splitlines()
    assert [line.rpartition(" (")[0] for line in said] == ["Usher’s waistcoat 2", "Season programme 2"]
    assert names() == [*before, "Usher’s waistcoat 2", "Season programme 2"]
    assert run(store, "export-sheets", "waistcoat", "-o", str(file)) == 2
    assert "is there already" in capsys.readouterr().err
    assert run(store, "export-sheets", "waistcoat", "-o", str(file), "--force") == 0


def test_what_cannot_be_imported_is_said_in_a_line(
    store: FilePath, tmp_path: FilePath, capsys: Captured
) -> None:
    bad = tmp_path / "bad.zip"
    bad.write_bytes(b"nothing")
    assert run(store, "import-sheets", str(bad)) == 2
    assert "“bad.zip” is not a sheet file" in capsys.readouterr().err
    assert run(store, "import-sheets", str(tmp_path / "gone.zip")) == 2
    assert run(store, "export-sheets", "nowhere", "-o", str(tmp_path / "a.zip")) == 2
    assert "There is no sheet “nowhere”" in capsys.readouterr().err
    assert not (tmp_path / "a.zip").exists()


@pytest.mark.parametrize(
    ("name", "there"), [("usher's waistcoat", True), ("WAISTCOAT", False), ("puppet coat", False)]
)
def test_a_sheet_is_found_by_its_name_as_keyboards_have_it(
    store: FilePath, tmp_path: FilePath, name: str, there: bool
) -> None:
    """An apostrophe that is not curled, and no capitals; of two names that are both so, neither."""
    assert run(store, "export-sheets", name, "-o", str(tmp_path / "a.zip")) == (0 if there else 2)
    journal.do("waistcoat", journal.current_revision("waistcoat"), _renamed("Puppet Coat"))
    journal.do("coat", journal.current_revision("coat"), _renamed("Puppet coat"))
    assert run(store, "export-sheets", "puppet coat", "-o", str(tmp_path / "b.zip")) == 2
    assert run(store, "export-sheets", "Puppet coat", "-o", str(tmp_path / "c.zip")) == 0


def _renamed(name: str) -> SetSheet:
    return SetSheet(kind="set-sheet", name=name)


def test_the_schedule_and_the_work_page_are_written(
    store: FilePath, tmp_path: FilePath, capsys: Captured
) -> None:
    table, pdf, page = (tmp_path / name for name in ("s.csv", "s.pdf", "w.pdf"))
    assert run(store, "schedule", "waistcoat", "-o", str(table), "--by", "brush", "--waste", "0") == 0
    with open(table, newline="", encoding="utf-8") as file:
        rows = list(csv.reader(file))
    assert (rows[0][0], rows[-1][0]) == ("Brush", "All")
    assert run(store, "schedule", "waistcoat", "-o", str(pdf), "--paper", "letter") == 0
    assert run(store, "work-page", "waistcoat", "-o", str(page), "--ends", "1in") == 0
    for made in (pdf, page):
        document = pdfium.PdfDocument(made.read_bytes())
        assert "Usher’s waistcoat" in document[0].get_textpage().get_text_range()
        document.close()
    assert run(store, "schedule", "waistcoat", "-o", str(tmp_path / "s.txt")) == 2
    assert "neither a .csv nor a .pdf" in capsys.readouterr().err
