"""The wheel, installed with pip into an empty environment: it lays, and it serves the page, the demo and the
guide."""

from __future__ import annotations

import json
import os
import re
import shutil
import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from pathlib import Path as FilePath

import pytest

from tests.server import ROOT, Server

FLAT = """<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="60mm" viewBox="0 0 100 60">
<path id="hem" fill="none" stroke="#cc0000" d="M10 10H70"/></svg>
"""
# What a wheel is made of.
SOURCES = ("curlet", "pyproject.toml", "README.md", "LICENSE")


@pytest.fixture(scope="module")
def installed(tmp_path_factory: pytest.TempPathFactory) -> FilePath:
    """The folder of the programs of an environment with nothing in it but the wheel and what it needs."""
    folder = tmp_path_factory.mktemp("wheel")
    for name in SOURCES:
        if (ROOT / name).is_dir():
            shutil.copytree(ROOT / name, folder / "source" / name)
        else:
            shutil.copy(ROOT / name, folder / "source" / name)
    pip = [sys.executable, "-m", "pip", "wheel", "-q", "--no-deps", "-w", str(folder), str(folder / "source")]
    subprocess.run(pip, check=True)
    (wheel,) = folder.glob("curlet-*.whl")
    subprocess.run([sys.executable, "-m", "venv", str(folder / "empty")], check=True)
    programs = folder / "empty/bin"
    pinned = ["-c", str(ROOT / "requirements.txt")]
    install = [programs / "python", "-m", "pip", "install", "-q", "--no-compile", *pinned]
    subprocess.run([*install, str(wheel)], check=True)
    return programs


@pytest.fixture
def elsewhere(tmp_path: FilePath, monkeypatch: pytest.MonkeyPatch) -> FilePath:
    """A folder from which nothing of the project is seen."""
    monkeypatch.chdir(tmp_path)
    for name in [name for name in os.environ if name.startswith("PYTHON")]:
        monkeypatch.delenv(name)
    return tmp_path


def test_it_lays_a_stitch_by_command_and_by_library(installed: FilePath, elsewhere: FilePath) -> None:
    (elsewhere / "flat.svg").write_text(FLAT)
    command = [installed / "curlet", "lay", "flat.svg", "-o", "out.pdf", "--stitch", "4 mm", "--gap", "1 mm"]
    subprocess.run(command, check=True)
    assert (elsewhere / "out.pdf").read_bytes().startswith(b"%PDF")
    script = """
import curlet
laid = curlet.read_flat("flat.svg").dress([curlet.Rule("topstitch")])
print(curlet.__file__)
print(laid.runs[0].tally.facts.repeats)
"""
    said = subprocess.run([installed / "python", "-c", script], capture_output=True, text=True, check=True)
    file, repeats = said.stdout.split()
    assert FilePath(file).is_relative_to(installed.parent)
    assert int(repeats) > 10


class Installed(Server):
    """The application as it was installed."""

    def __init__(self, folder: FilePath, python: FilePath) -> None:
        self.python = str(python)
        super().__init__(folder)


@pytest.fixture
def served(installed: FilePath, elsewhere: FilePath) -> Iterator[str]:
    server = Installed(elsewhere / "data", installed / "python")
    yield server.address
    server.stop()


def test_it_serves_the_page_the_demo_and_the_guide(served: str) -> None:
    def read(where: str) -> bytes:
        with urllib.request.urlopen(served + where) as reply:
            return bytes(reply.read())

    page = read("/").decode()
    scripts = re.findall(r'src="(/assets/[^"]+[.]js)"', page)
    assert scripts
    assert all(len(read(script)) > 1_000 for script in scripts)
    (style,) = re.findall(r'"(/assets/[^"]+[.]css)"', page)
    font, *_ = re.findall(r"url[(](/assets/[^)]+[.]woff2)[)]", read(style).decode())
    assert read(font).startswith(b"wOF2")
    assert {sheet["name"] for sheet in json.loads(read("/api/sheets"))["sheets"]} >= {"Prop satchel"}
    assert b"<svg" in read("/api/sheets/satchel/export.svg")
    assert b"From a flat to a stitched flat" in read("/guide/guide.html")
