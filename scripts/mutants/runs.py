"""Which test runs which line, and how pytest ends in a copy of the project."""

from __future__ import annotations

import os
import shutil
import sqlite3
import subprocess
import sys
from collections import defaultdict
from pathlib import Path as FilePath

from coverage.numbits import numbits_to_nums

ROOT = FilePath(__file__).parents[2]
# The tests that need no browser.
TESTS = ("core", "store", "formats", "studio", "web", "cli", "reference")
TIMED_OUT = 124
# Of the tests that run a line, so many are tried first, from as many files as may be.
FIRST_TESTS = 60


def copied(tree: FilePath) -> FilePath:
    """The project beside itself, so that nothing here is ever wrong."""
    tree.mkdir(parents=True, exist_ok=True)
    no_caches = shutil.ignore_patterns("__pycache__")
    for name in ("curlet", "tests", "scripts", "speed"):
        shutil.copytree(ROOT / name, tree / name, dirs_exist_ok=True, ignore=no_caches)
    shutil.copy(ROOT / "pyproject.toml", tree)
    return tree


def pytest(tree: FilePath, *words: str, timeout: float | None = None) -> int:
    """How pytest ended in a copy; TIMED_OUT where it took too long."""
    environment = {**os.environ, "PYTHONPATH": str(tree), "PYTHONDONTWRITEBYTECODE": "1"}
    command = [sys.executable, "-m", "pytest", *words]
    try:
        return subprocess.run(
            command, cwd=tree, env=environment, timeout=timeout, capture_output=True, check=False
        ).returncode
    except subprocess.TimeoutExpired:
        return TIMED_OUT


# What is stated when files are read in is looked at by these.
OF_CONSTANTS = ("tests/core/test_limits.py", "tests/web/test_openapi.py")
# What these run is looked at by all of them: each knows how one thing looks.
WHOLE = ("tests/core/test_unchanged.py", "tests/core/test_cloths_unchanged.py")


class Runs:
    """The tests that run each line, recorded once in a file."""

    def __init__(self, file: FilePath) -> None:
        self._lines: dict[tuple[str, int], list[str]] = defaultdict(list)
        self._files: dict[str, list[str]] = defaultdict(list)
        with sqlite3.connect(file) as db:
            rows = db.execute(
                "SELECT file.path, context.context, line_bits.numbits FROM line_bits "
                "JOIN file ON file.id = file_id JOIN context ON context.id = context_id "
                "WHERE context.context != ''"
            )
            for path, context, bits in rows:
                name, test = path[path.rindex("/curlet/") + 1 :], context.partition("|")[0]
                self._files[name].append(test)
                for line in numbits_to_nums(bits):
                    self._lines[name, line].append(test)

    @staticmethod
    def record(tree: FilePath, file: FilePath) -> None:
        """Run every test in a copy, and keep what each of them runs."""
        folders = [f"tests/{name}" for name in TESTS]
        recorded = ("--cov=curlet", "--cov-context=test", "--cov-report=")
        pytest(tree, *folders, "-n", "auto", "--dist", "loadfile", *recorded)
        shutil.copy(tree / ".coverage", file)

    def of(self, file: str, line: int) -> tuple[list[str], list[str]]:
        """The tests that run a line: some from as many files as may be, and the others. Of a line that runs
        when its file is read in, those that run anything in it."""
        by_file: dict[str, list[str]] = defaultdict(list)
        ran = self._lines.get((file, line))
        every = list(dict.fromkeys(ran or [*OF_CONSTANTS, *self._files[file]]))
        for test in every:
            by_file[test.partition("::")[0]].append(test)
        each = max(1, FIRST_TESTS // max(len(by_file), 1))
        first = [
            test
            for name, own in by_file.items()
            for test in (own if name in WHOLE else own[:: max(1, len(own) // each)][:each])
        ]
        return first, sorted(set(every) - set(first))
