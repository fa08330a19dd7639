"""`curlet backup`, `restore` and `serve --fresh`: what they write, say and refuse."""

from __future__ import annotations

import sqlite3
from pathlib import Path as FilePath

import pytest

from curlet.cli import main
from curlet.store import journal
from curlet.store.database import open_database
from tests.store.test_path_commands import HEM, SHEET, do


def test_a_backup_is_the_whole_database_and_comes_back(
    store: FilePath, tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    copy = tmp_path / "copy.sqlite3"
    assert main(["backup", str(copy), "--data", str(store.parent)]) == 0
    size = copy.stat().st_size / 1e6
    assert f"Copied to {copy} ({size:.1f} MB)" in capsys.readouterr().out
    with sqlite3.connect(copy) as db:
        assert db.execute("SELECT count(*) FROM sheet").fetchone()[0] > 0
    name = journal.find_sheet(SHEET).get("path", HEM)["name"]
    do("rename-path", path=HEM, name="Changed since")
    assert main(["restore", str(copy), "--data", str(store.parent)]) == 0
    said = capsys.readouterr().out
    assert said.startswith(f"Restored from {copy}. What was there is kept in ")
    kept = FilePath(said.strip().rpartition("kept in ")[2])
    assert kept.exists()
    open_database(store)
    assert journal.find_sheet(SHEET).get("path", HEM)["name"] == name


def test_a_backup_is_written_over_a_file_only_by_force(
    store: FilePath, tmp_path: FilePath, capsys: pytest.CaptureFixture[str]
) -> None:
    copy = tmp_path / "copy.sqlite3"
    copy.write_bytes(b"mine")
    words = ["backup", str(copy), "--data", str(store.parent)]
    assert main(words) == 2
    assert "is there already" in capsys.readouterr().err
    assert copy.read_bytes() == b"mine"
    assert main([*words, "--force"]) == 0
    assert copy.read_bytes().startswith(b"SQLite")


def test_no_database_is_said_with_what_to_do(tmp_path: FilePath, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["backup", str(tmp_path / "copy.sqlite3"), "--data", str(tmp_path / "none")]) == 2
    said = capsys.readouterr().err
    assert "There is no database in" in said
    assert "--data" in said
    assert not (tmp_path / "copy.sqlite3").exists()


@pytest.mark.parametrize("words", [["restore"], ["backup"]])
def test_what_is_no_database_is_refused_and_changes_nothing(
    store: FilePath, tmp_path: FilePath, capsys: pytest.CaptureFixture[str], words: list[str]
) -> None:
    other = tmp_path / "data"
    other.mkdir()
    (other / store.name).write_bytes(b"no database at all, but a file of some length" * 100)
    file = other / store.name if words == ["restore"] else tmp_path / "copy.sqlite3"
    data = store.parent if words == ["restore"] else other
    before = journal.find_sheet(SHEET).rows
    assert main([*words, str(file), "--data", str(data)]) == 2
    assert capsys.readouterr().err.startswith("curlet: ")
    open_database(store)
    assert journal.find_sheet(SHEET).rows == before


def test_beginning_anew_asks_or_wants_to_be_told(
    store: FilePath, capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    """With nobody to ask, nothing is moved aside."""
    monkeypatch.setattr("sys.stdin.isatty", lambda: False, raising=False)
    assert main(["serve", "--fresh", "--data", str(store.parent)]) == 2
    assert "Say --yes" in capsys.readouterr().err
    assert store.exists()


@pytest.mark.parametrize("answer", [True, False])
def test_beginning_anew_goes_on_only_if_that_is_meant(
    store: FilePath, capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch, answer: bool
) -> None:
    served: list[bool] = []

    def serve_on(*_: object, fresh: bool, **__: object) -> int:
        served.append(fresh)
        return 0

    monkeypatch.setattr("sys.stdin.isatty", lambda: True, raising=False)
    monkeypatch.setattr("click.confirm", lambda words: answer)
    monkeypatch.setattr("curlet.web.serve.serve", serve_on)
    code = main(["serve", "--fresh", "--data", str(store.parent)])
    assert (code == 0, served) == ((True, [True]) if answer else (False, []))
    assert ("Nothing was changed" in capsys.readouterr().err) is not answer


def test_help_and_the_version_end_well(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["--help"]) == 0
    assert "backup" in capsys.readouterr().out
    assert main(["lay", "--help"]) == 0
