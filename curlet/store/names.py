"""Names: none twice, and those of a garment's two halves: “Hem R” and “Hem L”."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence

from curlet.formats.names import ended
from curlet.store.state import State

_SIDED = re.compile(r"^(.*\S)\s+([RL])$")
_OTHER = {"R": "L", "L": "R"}


def unlike(name: str, taken: Iterable[str]) -> str:
    """The name, with a number after it where it is taken."""
    names = set(taken)
    number, found = 2, ended(name, "")
    while found in names:
        found, number = ended(name, f" {number}"), number + 1
    return found


def other_half(name: str) -> str | None:
    """“Hem L” for “Hem R”; None for a name of neither side."""
    sided = _SIDED.match(name)
    return f"{sided[1]} {_OTHER[sided[2]]}" if sided else None


def names_of(state: State, paths: Sequence[str]) -> str:
    """Some paths in a few words: a single one's name, or how many."""
    return str(state.get("path", paths[0])["name"]) if len(paths) == 1 else f"{len(paths)} paths"
