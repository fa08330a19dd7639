"""A taken-in drawing sorted into seam groups, for a person to say what is taken and as what."""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

import numpy as np

from curlet.core.path.outline import joined, outline_of
from curlet.formats.imported import ImportedDrawing, ImportedPath
from curlet.formats.numbers import terse_data

By = Literal["one", "layers", "colours", "styles"]

PLAIN_MARK = "#7a5c2e"
# A group's picture is for telling it from others: so many of its paths are enough.
_MAX_SHOWN = 1_500
_DECIMALS = 2


@dataclass(frozen=True)
class ImportedGroup:
    """Lines that become one seam group, by a key that stays while the drawing does."""

    key: str
    name: str
    mark: str
    paths: tuple[ImportedPath, ...]

    @property
    def picture(self) -> str:
        """Its lines as SVG path data, mm; of a very large group the largest ones."""
        return terse_data(joined([outline_of(line.path) for line in _largest(self.paths)]), _DECIMALS)


def sorted_into_groups(taken: ImportedDrawing, by: By, title: str) -> list[ImportedGroup]:
    """The drawing's lines by their layers, line colours or line styles, or all as one, in drawing order."""
    found: dict[str, list[ImportedPath]] = {}
    for line in taken.paths:
        found.setdefault(_SORTS[by](line, title), []).append(line)
    return [
        ImportedGroup(_key(name), name[:120], _mark(lines), tuple(lines)) for name, lines in found.items()
    ]


def _largest(lines: tuple[ImportedPath, ...]) -> list[ImportedPath]:
    """As many lines as a picture needs, in drawing order."""
    if len(lines) <= _MAX_SHOWN:
        return list(lines)
    sizes = [float(np.ptp(line.path.points, axis=0).max()) for line in lines]
    kept = np.argsort(sizes, kind="stable")[-_MAX_SHOWN:]
    return [lines[at] for at in np.sort(kept).tolist()]


def _key(name: str) -> str:
    return hashlib.sha256(name.encode()).hexdigest()[:12]


def _mark(lines: list[ImportedPath]) -> str:
    """The line colour that most of them have."""
    colours = [line.facts.stroke or line.facts.fill for line in lines]
    seen = [colour for colour in colours if colour]
    return max(set(seen), key=seen.count) if seen else PLAIN_MARK


def _colour(line: ImportedPath, _: str) -> str:
    if line.facts.stroke:
        return f"Lines in {line.facts.stroke}"
    return f"Areas in {line.facts.fill}" if line.facts.fill else "Unseen lines"


def _style(line: ImportedPath, title: str) -> str:
    if not line.facts.stroke:
        return "Areas without a line" if line.facts.fill else "Unseen lines"
    dashes = ", ".join(f"{dash:.3g}" for dash in line.facts.dashes[:4])
    dashed = f"dashed {dashes} mm" if dashes else "plain"
    return f"{line.facts.weight:.3g} mm, {dashed}, {line.facts.stroke}"


_SORTS: dict[str, Callable[[ImportedPath, str], str]] = {
    "one": lambda _, title: title,
    "layers": lambda line, title: line.layer or title,
    "colours": _colour,
    "styles": _style,
}
