"""`make mutants`: wrong lines drawn at random from each package, each tried against the tests that run it.

`make mutants PACKAGES="core/lay store" SAMPLE=40 SEED=2` looks at some packages only, at more lines or at
others. What was found is kept in build/mutants and gone on with; `FRESH=1` begins anew.
"""

from __future__ import annotations

import json
import os
import random
import shutil
import sqlite3
import subprocess
import sys
from collections import defaultdict
from pathlib import Path as FilePath

from coverage.numbits import numbits_to_nums

from scripts.mutants.wrong import Wrong, wrong_lines

ROOT = FilePath(__file__).parents[2]
WORK = ROOT / "build/mutants"
TREE, RUNS, FOUND = WORK / "tree", WORK / "runs.sqlite", WORK / "found.json"
# What of them must be noticed, %.
PACKAGES = {
    "core/lay": 85, "core/path": 85, "core/brush": 85, "core/measures.py": 85, "store": 85, "formats": 85,
    "core/motif": 75, "core/dress": 75, "core/tally": 75, "core/proof": 75, "studio": 75, "web": 75,
    "cli": 75,
}  # fmt: skip
# The tests that need no browser.
TESTS = ("core", "store", "formats", "studio", "web", "reference")
# Of the tests that run a line, so many at most, from as many files as may be; and for so long, s.
MOST_TESTS, LONGEST = 120, 240.0


def main() -> None:
    packages = os.environ.get("PACKAGES", "").split() or list(PACKAGES)
    sample, seed = int(os.environ.get("SAMPLE") or 30), int(os.environ.get("SEED") or 1)
    if os.environ.get("FRESH"):
        shutil.rmtree(WORK, ignore_errors=True)
    _copy()
    if not RUNS.exists():
        _record_runs()
    runs = _runs()
    found: dict[str, str] = json.loads(FOUND.read_text()) if FOUND.exists() else {}
    for package in packages:
        _try(_drawn(package, sample, seed), runs, found)
    _say(packages, sample, seed, found)


def _copy() -> None:
    """The project beside itself, so that nothing here is ever wrong."""
    TREE.mkdir(parents=True, exist_ok=True)
    for name in ("curlet", "tests", "scripts", "speed"):
        shutil.copytree(
            ROOT / name, TREE / name, dirs_exist_ok=True, ignore=shutil.ignore_patterns("__pycache__")
        )
    shutil.copy(ROOT / "pyproject.toml", TREE)


def _pytest(*words: str, timeout: float | None = None) -> int:
    """How pytest ended in the tree; 124 where it took too long."""
    environment = {**os.environ, "PYTHONPATH": str(TREE), "PYTHONDONTWRITEBYTECODE": "1"}
    command = [sys.executable, "-m", "pytest", *words]
    try:
        return subprocess.run(
            command,
            cwd=TREE,
            env=environment,
            timeout=timeout,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.DEVNULL,
        ).returncode
    except subprocess.TimeoutExpired:
        return 124


def _record_runs() -> None:
    """Which test runs which line."""
    print("Recording which test runs which line …", flush=True)
    folders = [f"tests/{name}" for name in TESTS]
    data = TREE / ".coverage"
    _pytest(
        *folders, "-n", "auto", "--dist", "loadfile", "--cov=curlet", "--cov-context=test", "--cov-report="
    )
    shutil.copy(data, RUNS)


def _runs() -> dict[tuple[str, int], list[str]]:
    """The tests that run each line of each file."""
    found: dict[tuple[str, int], list[str]] = defaultdict(list)
    with sqlite3.connect(RUNS) as db:
        rows = db.execute(
            "SELECT file.path, context.context, line_bits.numbits FROM line_bits "
            "JOIN file ON file.id = file_id JOIN context ON context.id = context_id "
            "WHERE context.context != ''"
        )
        for path, context, bits in rows:
            file = str(FilePath(path).relative_to(TREE))
            for line in numbits_to_nums(bits):
                found[file, line].append(context.partition("|")[0])
    return found


def _drawn(package: str, sample: int, seed: int) -> list[Wrong]:
    """Wrong lines of a package, the same ones for the same seed."""
    where = ROOT / "curlet" / package
    files = [where] if where.is_file() else sorted(where.rglob("*.py"))
    every = [wrong for file in files for wrong in wrong_lines(ROOT, str(file.relative_to(ROOT)))]
    return random.Random(f"{package} {seed}").sample(every, min(sample, len(every)))


def _try(drawn: list[Wrong], runs: dict[tuple[str, int], list[str]], found: dict[str, str]) -> None:
    for number, wrong in enumerate(drawn, 1):
        if wrong.key not in found:
            found[wrong.key] = _noticed(wrong, runs.get((wrong.file, wrong.line), []))
            FOUND.write_text(json.dumps(found, indent=1, ensure_ascii=False))
        print(f"{number} of {len(drawn)}: {found[wrong.key]}: {wrong.key}", flush=True)


def _noticed(wrong: Wrong, tests: list[str]) -> str:
    """Whether any test that runs a line notices that it is wrong; "never run" where none does."""
    if not tests:
        return "never run"
    file = TREE / wrong.file
    right = file.read_text()
    file.write_text(wrong.applied(right))
    try:
        ended = _pytest("-x", "-q", *_spread(tests), timeout=LONGEST)
    finally:
        file.write_text(right)
    return "survived" if ended == 0 else "noticed"


def _spread(tests: list[str]) -> list[str]:
    """Some of the tests, from as many files as may be."""
    by_file: dict[str, list[str]] = defaultdict(list)
    for test in dict.fromkeys(tests):
        by_file[test.partition("::")[0]].append(test)
    each = max(1, MOST_TESTS // len(by_file))
    return [test for own in by_file.values() for test in own[:: max(1, len(own) // each)][:each]]


def _say(packages: list[str], sample: int, seed: int, found: dict[str, str]) -> None:
    print(f"\nSeed {seed}, {sample} lines a package")
    for package in packages:
        drawn = {wrong.key: found[wrong.key] for wrong in _drawn(package, sample, seed)}
        noticed = sum(one == "noticed" for one in drawn.values())
        share = 100 * noticed / len(drawn)
        print(f"  {package}: {noticed} of {len(drawn)} noticed, {share:.0f} % (aim {PACKAGES[package]} %)")
        for key, one in drawn.items():
            if one != "noticed":
                print(f"      {one}: {key}")


if __name__ == "__main__":
    main()
