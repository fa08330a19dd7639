"""The examples of docs/, run as they are written."""

from __future__ import annotations

import doctest
import os
import re
import subprocess
import sys
from pathlib import Path as FilePath

import pytest

from curlet.store.models import database
from tests.plain.load import make_plain

DOCS = FilePath(__file__).parents[2] / "docs"
FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm"
  viewBox="0 0 100 60" fill="none">
<g id="Seams"><path id="hem" stroke="#cc0000" d="M10 10H70"/>
<path id="pocket" stroke="#0000cc" d="M10 20H70V40H10Z"/></g></svg>
"""


@pytest.fixture
def folder(tmp_path: FilePath, monkeypatch: pytest.MonkeyPatch) -> FilePath:
    monkeypatch.chdir(tmp_path)
    for name in ("flat.svg", "back.svg"):
        (tmp_path / name).write_text(FLAT)
    return tmp_path


def test_python_as_written(folder: FilePath) -> None:
    found = doctest.testfile(str(DOCS / "python.md"), module_relative=False, optionflags=doctest.ELLIPSIS)
    assert found.attempted > 8
    assert found.failed == 0
    assert (folder / "dressed.pdf").read_bytes().startswith(b"%PDF")


def test_commands_as_written(folder: FilePath) -> None:
    text = (DOCS / "command-line.md").read_text()
    (recipe,) = re.findall(r"```toml\n(.*?)```", text, re.DOTALL)
    (folder / "recipe.toml").write_text(recipe)
    make_plain(folder / "data" / "curlet.sqlite")
    database.close()
    commands = re.findall(r"^    (.*curlet .*)$", text, re.MULTILINE)
    assert len(commands) == 14
    # As it is installed, wherever that is.
    env = {**os.environ, "PATH": f"{FilePath(sys.executable).parent}{os.pathsep}{os.environ['PATH']}"}
    script = "\n".join(["set -e", *commands])
    done = subprocess.run(["bash", "-c", script], cwd=folder, env=env, capture_output=True, text=True)
    assert done.returncode == 0, done.stderr
    written = {str(file.relative_to(folder)) for file in folder.rglob("*") if file.is_file()}
    assert {
        "stitched.svg",
        "hem.pdf",
        "stitched/back.png",
        "flat.dxf",
        "dressed/flat.pdf",
        "sheets.pdf",
        "waistcoat.curlet-sheet.zip",
        "waistcoat.csv",
        "waistcoat.pdf",
    } <= written
