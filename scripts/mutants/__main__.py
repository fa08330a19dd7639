"""`make mutants`: wrong lines drawn at random from each package, each tried against tests that run it.

`make mutants PACKAGES="core/lay store" SAMPLE=40 SEED=2` looks at some packages only, at more lines or at
others. What was found is kept in build/mutants and gone on with; `FRESH=1` begins anew.
"""

from __future__ import annotations

import json
import os
import random
import shutil
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path as FilePath
from queue import Queue

from scripts.mutants.runs import ROOT, TIMED_OUT, Runs, copied, pytest
from scripts.mutants.wrong import Wrong, wrong_lines

WORK = ROOT / "build/mutants"
RUNS, FOUND = WORK / "runs.sqlite", WORK / "found.json"
# What of them must be noticed, %.
PACKAGES = {
    "core/lay": 85, "core/area": 85, "core/path": 85, "core/brush": 85, "core/measures.py": 85,
    "store": 85, "formats": 85, "core/motif": 75, "core/dress": 75, "core/tally": 75, "core/proof": 75,
    "core/texture": 75, "core/callouts": 75,
    "studio": 75, "web": 75, "cli": 75,
}  # fmt: skip
# A wrong line for which the first tests take longer, s, is noticed by that; what the others have not noticed
# in their time has survived.
LONGEST, LONGEST_OTHERS = 240.0, 300.0


def main() -> None:
    packages = os.environ.get("PACKAGES", "").split() or list(PACKAGES)
    sample, seed = int(os.environ.get("SAMPLE") or 30), int(os.environ.get("SEED") or 1)
    if os.environ.get("FRESH"):
        shutil.rmtree(WORK, ignore_errors=True)
    trees: Queue[FilePath] = Queue()
    for number in range(os.cpu_count() or 1):
        trees.put(copied(WORK / f"tree-{number}"))
    if not RUNS.exists():
        print("Recording which test runs which line …", flush=True)
        Runs.record(WORK / "tree-0", RUNS)
    runs = Runs(RUNS)
    found: dict[str, str] = json.loads(FOUND.read_text()) if FOUND.exists() else {}
    for package in packages:
        _try(_drawn(package, sample, seed), trees, runs, found)
        _say(package, _drawn(package, sample, seed), found)


def _drawn(package: str, sample: int, seed: int) -> list[Wrong]:
    """Wrong lines of a package, the same ones for the same seed."""
    where = ROOT / "curlet" / package
    files = [where] if where.is_file() else sorted(where.rglob("*.py"))
    every = [wrong for file in files for wrong in wrong_lines(ROOT, str(file.relative_to(ROOT)))]
    return random.Random(f"{package} {seed}").sample(every, min(sample, len(every)))


def _try(drawn: list[Wrong], trees: Queue[FilePath], runs: Runs, found: dict[str, str]) -> None:
    """Each wrong line that has not been tried, as many at a time as there are copies."""

    def one(wrong: Wrong) -> tuple[str, str]:
        tree = trees.get()
        try:
            return wrong.key, _noticed(tree, wrong, *runs.of(wrong.file, wrong.line))
        finally:
            trees.put(tree)

    with ThreadPoolExecutor(trees.qsize()) as pool:
        for key, said in pool.map(one, [wrong for wrong in drawn if wrong.key not in found]):
            found[key] = said
            FOUND.write_text(json.dumps(found, indent=1, ensure_ascii=False))
            print(f"{said}: {key}", flush=True)


def _noticed(tree: FilePath, wrong: Wrong, first: list[str], others: list[str]) -> str:
    """Whether any test notices that a line is wrong, some tried first; "never run" where there are none."""
    if not first:
        return "never run"
    file = tree / wrong.file
    right = file.read_text()
    file.write_text(wrong.applied(right))
    try:
        if pytest(tree, "-x", "-q", *first, timeout=LONGEST) != 0:
            return "noticed"
        if others and pytest(tree, "-x", "-q", *others, timeout=LONGEST_OTHERS) not in (0, TIMED_OUT):
            return "noticed"
    finally:
        file.write_text(right)
    return "survived"


def _say(package: str, drawn: list[Wrong], found: dict[str, str]) -> None:
    noticed = sum(found[wrong.key] == "noticed" for wrong in drawn)
    share = 100 * noticed / max(len(drawn), 1)
    print(
        f"{package}: {noticed} of {len(drawn)} noticed, {share:.0f} % (aim {PACKAGES[package]} %)", flush=True
    )


if __name__ == "__main__":
    main()
