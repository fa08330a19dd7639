"""`make referee`: every case, and the table of what was found in docs/referee.md. `make referee EVERY=4`
looks at every fourth, and says so."""

from __future__ import annotations

import sys
import time
from collections import defaultdict
from dataclasses import dataclass, field
from datetime import date
from multiprocessing import Pool
from pathlib import Path

from curlet.demo.brushes import BRUSHES
from tests.reference.referee.bounds import past_bound, wide_gap
from tests.reference.referee.cases import LEGS, MANNERS, SIDES, TURNS, Case, cases
from tests.reference.referee.mirror import MAX_UNLIKE, unlike
from tests.reference.referee.seams import CROSSING, RENDERERS, seam_of

TARGET = Path(__file__).parents[3] / "docs/referee.md"
# Pictures take their time: seams are looked at where a brush turns as it comes, at some of their cases.
SEAMS_EVERY = 24
LONGEST_SEAM = 2
MIRROR_EVERY = 12
PER_TASK = 64


@dataclass
class Found:
    """What was found in some cases of one manner."""

    cases: int = 0
    past: list[tuple[float, str]] = field(default_factory=list)
    wide: list[tuple[float, str]] = field(default_factory=list)
    pictures: int = 0
    seams: list[tuple[float, str]] = field(default_factory=list)
    mirrored: int = 0
    unlike: list[tuple[float, str]] = field(default_factory=list)

    def add(self, other: Found) -> None:
        self.cases += other.cases
        self.pictures += other.pictures
        self.past += other.past
        self.wide += other.wide
        self.seams += other.seams
        self.mirrored += other.mirrored
        self.unlike += other.unlike


def look(case: Case, number: int) -> Found:
    """One case, from every side."""
    found = Found(cases=1)
    if (far := past_bound(case)) > 0:
        found.past.append((far, str(case)))
    if (gap := wide_gap(case)) > 1e-3:
        found.wide.append((gap, str(case)))
    corners = BRUSHES[case.brush]["corners"]
    as_it_comes = case.manner == corners["manner"] and case.made in ("", corners["made"])
    if as_it_comes and number % SEAMS_EVERY == 0:
        for renderer in RENDERERS:
            found.pictures += 1
            long = seam_of(case, renderer)
            if long > LONGEST_SEAM:
                found.seams.append((long, f"{case}, {renderer}"))
    if number % MIRROR_EVERY == 0:
        found.mirrored += 1
        if (pixels := unlike(case)) > MAX_UNLIKE:
            found.unlike.append((pixels, str(case)))
    return found


def _some(task: list[tuple[int, Case]]) -> dict[str, Found]:
    found: dict[str, Found] = defaultdict(Found)
    for number, case in task:
        found[", ".join(part for part in (case.manner, case.made) if part)].add(look(case, number))
    return dict(found)


def main() -> None:
    began = time.monotonic()
    step = int(sys.argv[1]) if len(sys.argv) > 1 else 1
    every = list(enumerate(cases()))[::step]
    tasks = [every[i : i + PER_TASK] for i in range(0, len(every), PER_TASK)]
    found: dict[str, Found] = defaultdict(Found)
    with Pool() as pool:
        for done, part in enumerate(pool.imap_unordered(_some, tasks), 1):
            for manner, one in part.items():
                found[manner].add(one)
            print(f"\r{done} of {len(tasks)}", end="", flush=True)
    minutes = (time.monotonic() - began) / 60
    TARGET.write_text(_table(found, minutes, step))
    print(f"\n{TARGET}")


def _table(found: dict[str, Found], minutes: float, step: int) -> str:
    lines = [
        "# What the referee found",
        "",
        f"Made by `make referee` on {date.today():%d %B %Y} in {minutes:.0f} minutes: {len(BRUSHES)} "
        f"built-in brushes, {len(MANNERS)} manners, {len(TURNS)} turns from {TURNS[0]}° to {TURNS[-1]}°, "
        f"{len(SIDES)} sides, {len(LEGS)} pairs of legs; {_of(step)}.",
        "",
        "*Past its bound*: artwork further from its path than half its width, or its mitre's point, allows. "
        "*Gap*: wider along the path than was set. *Seams*: cases in which light shows inside the artwork in "
        f"a line of more than {LONGEST_SEAM} pixels at 96 to the inch, past the {CROSSING} that two edges "
        f"crossing at an acute angle may let through, of the pictures looked at in {', '.join(RENDERERS)}. "
        "*Unlike*: mirror images that are not the mirror image, of those looked at.",
        "",
        "| manner | cases | past its bound | gap too wide | pictures | with seams | mirrored | unlike |",
        "|---|---|---|---|---|---|---|---|",
    ]
    for manner, one in sorted(found.items()):
        cells = (
            manner, f"{one.cases:,}", len(one.past), len(one.wide), one.pictures, len(one.seams),
            one.mirrored, len(one.unlike),
        )  # fmt: skip
        lines.append(f"| {' | '.join(map(str, cells))} |")
    for title, unit, kind in (
        ("Past their bound", "mm", "past"), ("Gaps too wide", "mm", "wide"), ("Seams", "px", "seams"),
        ("Unlike their mirror image", "px", "unlike"),
    ):  # fmt: skip
        worst = sorted((item for one in found.values() for item in getattr(one, kind)), reverse=True)[:20]
        lines += ["", f"## {title}, the worst", ""]
        lines += [f"- {size:.2f} {unit}: {case}" for size, case in worst] or ["None."]
    return "\n".join(lines) + "\n"


def _of(step: int) -> str:
    return "every case" if step == 1 else f"one case in {step}"


if __name__ == "__main__":
    main()
