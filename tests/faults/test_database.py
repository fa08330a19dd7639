"""The database: two servers, locks, a full disk, damage, other versions and other programs."""

from __future__ import annotations

import errno
import os
import shutil
import sqlite3
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path as FilePath

import pytest

from curlet.core.errors import BadInput
from curlet.store import backups, journal
from curlet.store.database import MIGRATIONS, open_database
from curlet.store.errors import Unavailable
from curlet.store.models import database
from curlet.store.restore import put_aside, restore
from tests.faults.client import Failed, command, sheet
from tests.faults.test_kills import sound
from tests.plain.load import load_plain
from tests.server import Server

DRAW = {"kind": "draw-path", "nodes": [{"x": 1, "y": 1}, {"x": 60, "y": 60}], "name": "Drawn"}


@pytest.fixture
def file(tmp_path: FilePath) -> Iterator[FilePath]:
    """A database with the demo in it, closed."""
    made = tmp_path / "data" / "curlet.sqlite"
    open_database(made)
    load_plain()
    database.close()
    yield made
    database.close()


def curlet(*words: str, given: str = "") -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "curlet", *words], capture_output=True, text=True, input=given, timeout=60
    )


def test_one_server_to_a_folder(server: Server) -> None:
    server.address  # noqa: B018
    other = curlet("serve", "--port", "0", "--data", str(server.folder))
    assert (other.returncode, other.stdout) == (2, "")
    assert f"Another Curlet (process {server.process.pid})" in other.stderr
    assert other.stderr.count("\n") == 1
    # The lock ends with its process, however that ended.
    server.kill()
    server.start()
    assert sheet(server.address)["revision"] == 1


def test_fresh_asks_moves_aside_and_touches_nothing_else(server: Server) -> None:
    command(server.address, DRAW)
    beside = server.folder / "curlet.sqlite-notes.txt"
    beside.write_text("mine")
    refused = curlet("serve", "--port", "0", "--fresh", "--yes", "--data", str(server.folder))
    assert "Another Curlet" in refused.stderr
    server.stop()
    asked = curlet("serve", "--port", "0", "--fresh", "--data", str(server.folder))
    assert "Say --yes" in asked.stderr
    moved = put_aside(server.folder / "curlet.sqlite")
    assert moved is not None
    assert beside.read_text() == "mine"
    open_database(moved / "curlet.sqlite")
    assert "Drawn" in {row["name"] for row in journal.find_sheet("waistcoat").all("path")}
    database.close()
    server.start()
    assert "Drawn" not in {path["name"] for path in sheet(server.address)["paths"]}


def test_a_lock_is_waited_for_and_then_told(server: Server) -> None:
    address = server.address
    with closing(sqlite3.connect(server.folder / "curlet.sqlite", isolation_level=None)) as other:
        other.execute("BEGIN IMMEDIATE")
        with pytest.raises(Failed, match="in use by another program") as failed:
            command(address, DRAW)
        assert failed.value.status == 503
        other.execute("ROLLBACK")
    assert command(address, DRAW)["undo"] == "Draw Drawn"


@pytest.fixture
def small_disk(tmp_path: FilePath) -> Iterator[FilePath]:
    """A disk of 12 MB."""
    folder = tmp_path / "disk"
    folder.mkdir()
    mount = ["mount", "-t", "tmpfs", "-o", "size=12m", "tmpfs", str(folder)]
    made = subprocess.run(mount, capture_output=True)
    if made.returncode:
        pytest.skip("a small disk can be made by root only")
    yield folder
    subprocess.run(["umount", "-l", str(folder)], check=True)


def fill(file: FilePath) -> None:
    """Fill the disk to its last byte."""
    with open(file, "wb", buffering=0) as filler:
        try:
            while filler.write(bytes(4096)):
                pass
        except OSError as error:
            assert error.errno == errno.ENOSPC


def test_a_full_disk_is_told_as_that_and_loses_nothing(small_disk: FilePath) -> None:
    server = Server(small_disk / "data")
    try:
        address = server.address
        kept = command(address, DRAW)["revision"]
        fill(small_disk / "filler")
        try:
            for number in range(200):
                nodes = [{"x": k % 97, "y": (k * 7 + number) % 89} for k in range(400)]
                kept = command(address, {**DRAW, "nodes": nodes})["revision"]
            raise AssertionError("the disk was never full")
        except Failed as failed:
            said = str(failed)
        assert said.startswith("503: The disk ")
        assert "rollback" not in said
        assert sheet(address)["revision"] == kept
        (small_disk / "filler").unlink()
        assert command(address, DRAW)["revision"] == kept + 1
    finally:
        server.stop()
    assert sound(small_disk / "data" / "curlet.sqlite") == "sound"


def test_a_damaged_database_is_told_and_can_be_restored(file: FilePath) -> None:
    kept = backups.back_up(file)
    assert kept is not None
    data = bytearray(file.read_bytes())
    data[4096 * 3 : 4096 * 20] = os.urandom(4096 * 17)
    file.write_bytes(data)
    damaged = file.read_bytes()
    with pytest.raises((BadInput, Unavailable), match=r"damaged.*curlet restore"):
        open_database(file)
    database.close()
    assert file.read_bytes() == damaged
    restore(kept, file)
    open_database(file)
    assert len(journal.find_sheet("waistcoat").all("path")) == 12


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"not a database at all, but text " * 300, "not a database"),
        (b"SQLite format 3\0" + bytes(84), "damaged"),
    ],
)
def test_what_is_no_database_is_not_touched(tmp_path: FilePath, data: bytes, says: str) -> None:
    file = tmp_path / "curlet.sqlite"
    file.write_bytes(data)
    with pytest.raises((BadInput, Unavailable), match=says):
        open_database(file)
    assert file.read_bytes() == data
    assert [one.name for one in tmp_path.iterdir()] == ["curlet.sqlite"]


def test_another_programs_database_is_not_touched(tmp_path: FilePath) -> None:
    file = tmp_path / "curlet.sqlite"
    with closing(sqlite3.connect(file)) as other:
        other.execute("CREATE TABLE recipe (name)")
        other.commit()
    before = file.read_bytes()
    with pytest.raises(BadInput, match="another program"):
        open_database(file)
    assert file.read_bytes() == before
    assert [one.name for one in tmp_path.iterdir()] == ["curlet.sqlite"]


def test_an_older_database_is_copied_before_it_is_brought_up(file: FilePath) -> None:
    with closing(sqlite3.connect(file)) as older:
        older.execute("DROP TABLE check_mark")
        older.execute(f"PRAGMA user_version = {len(MIGRATIONS) - 1}")
        older.execute("PRAGMA application_id = 0")
    open_database(file)
    database.close()
    (copy,) = (file.parent / "backups").glob("before-version-*.sqlite")
    with closing(sqlite3.connect(copy)) as before:
        assert before.execute("PRAGMA user_version").fetchone() == (len(MIGRATIONS) - 1,)
        assert before.execute("SELECT count(*) FROM sheet").fetchone() == (5,)


def test_a_newer_database_is_left_as_it_is(file: FilePath) -> None:
    with closing(sqlite3.connect(file)) as newer:
        newer.execute(f"PRAGMA user_version = {len(MIGRATIONS) + 1}")
    with pytest.raises(BadInput, match="newer Curlet"):
        open_database(file)


def test_a_read_only_disk_is_told_as_that(small_disk: FilePath) -> None:
    made = small_disk / "curlet.sqlite"
    open_database(made)
    database.close()
    subprocess.run(["mount", "-o", "remount,ro", str(small_disk)], check=True)
    with pytest.raises(Unavailable, match="read-only"):
        open_database(made)
    with pytest.raises(Unavailable, match="cannot be"):
        open_database(small_disk / "another" / "curlet.sqlite")


def test_backups_are_made_at_start_and_when_something_changed_and_ten_are_kept(file: FilePath) -> None:
    keeper = backups.Keeper(file, every=0.1)
    keeper.start()
    try:
        until = time.monotonic() + 20
        while not backups.kept(file) and time.monotonic() < until:
            time.sleep(0.05)
        (first,) = backups.kept(file)
        time.sleep(0.5)
        assert backups.kept(file) == [first]
    finally:
        keeper.stop()
    for number in range(12):
        old = first.with_name(f"curlet-2020-01-{number + 1:02d}-000000.sqlite")
        shutil.copy(first, old)
    with closing(sqlite3.connect(file)) as changed:
        changed.execute("UPDATE sheet SET name = 'Changed'")
        changed.commit()
    assert backups.back_up(file) is not None
    left = backups.kept(file)
    assert len(left) == 10
    assert first in left


def test_backup_and_restore_while_people_work(server: Server, tmp_path: FilePath) -> None:
    address, copy = server.address, tmp_path / "copy.sqlite"
    command(address, {**DRAW, "name": "Before"})
    data = ("--data", str(server.folder))
    assert curlet("backup", str(copy), *data).returncode == 0
    assert "there already" in curlet("backup", str(copy), *data).stderr
    after = command(address, {**DRAW, "name": "After"})["revision"]
    done = curlet("restore", str(copy), *data)
    assert done.returncode == 0, done.stderr
    names = {path["name"] for path in sheet(address)["paths"]}
    assert "Before" in names
    assert "After" not in names
    # A page that was open writes nothing over it, however many steps are done since, and catches up.
    for _ in range(3):
        with pytest.raises(Failed) as stale:
            command(address, DRAW, revision=after)
        assert stale.value.status == 409
        assert command(address, DRAW)["undo"] == "Draw Drawn"
    # What was there before is kept too.
    (before,) = (server.folder / "backups").glob("before-restore-*.sqlite")
    assert curlet("restore", str(before), *data).returncode == 0
    assert "After" in {path["name"] for path in sheet(address)["paths"]}
    assert sound(server.folder / "curlet.sqlite") == "sound"


def test_only_a_sound_backup_is_restored(file: FilePath, tmp_path: FilePath) -> None:
    before = file.read_bytes()
    torn = tmp_path / "torn.sqlite"
    torn.write_bytes(before[: len(before) // 2])
    with pytest.raises(BadInput, match="damaged"):
        restore(torn, file)
    with pytest.raises(BadInput, match="no file"):
        restore(tmp_path / "none.sqlite", file)
    with pytest.raises(BadInput, match="the database itself"):
        restore(file, file)
    assert file.read_bytes() == before
