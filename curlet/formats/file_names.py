"""Names that files may have on any system."""

from __future__ import annotations

import re
from collections.abc import Sequence

# What no file's name may hold on some system or other, and characters that are not seen.
_NOT_IN_NAMES = re.compile(r'[\x00-\x1f\x7f-\x9f/\\:*?"<>|\u200b-\u200f\u2028-\u202e\ufeff\ud800-\udfff]+')
_LONGEST = 150


def file_name(name: str) -> str:
    """A name that a file may have on any system; “curlet” where nothing is left of it."""
    kept = _NOT_IN_NAMES.sub("", name).strip(" .")
    stem, dot, ending = kept.rpartition(".")
    return f"{stem[:_LONGEST]}{dot}{ending[:20]}" if dot else kept[:_LONGEST] or "curlet"


def unlike_names(titles: Sequence[str], ending: str) -> list[str]:
    """File names of titles, each its own even where letters' case does not count.

    >>> unlike_names(["Hem", "hem", "A/B"], "png")
    ['Hem.png', 'hem 2.png', 'AB.png']
    """
    given: set[str] = set()
    names = []
    for title in titles:
        name, number = file_name(f"{title}.{ending}"), 1
        while name.casefold() in given:
            number += 1
            name = file_name(f"{title[: _LONGEST - 6]} {number}.{ending}")
        given.add(name.casefold())
        names.append(name)
    return names
