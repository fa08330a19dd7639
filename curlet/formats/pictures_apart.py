"""Documents with the PNGs of their picture motifs kept beside them, once each, in place of within."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any


def each_picture(value: Any, change: Callable[[str], str]) -> Any:
    """A document with every picture motif's PNG changed."""
    if isinstance(value, list):
        return [each_picture(item, change) for item in value]
    if not isinstance(value, dict):
        return value
    if value.get("family") == "picture":
        return {**value, "png": change(str(value.get("png", "")))}
    return {key: each_picture(item, change) for key, item in value.items()}


def named(value: Any, key: str) -> Iterator[str]:
    """Every text that stands under a key anywhere in a document.

    >>> sorted(named([{"picture": "a"}, {"fill": {"picture": "b", "width": 3}}], "picture"))
    ['a', 'b']
    """
    if isinstance(value, list):
        for item in value:
            yield from named(item, key)
    elif isinstance(value, dict):
        for name, item in value.items():
            if name == key and isinstance(item, str):
                yield item
            else:
                yield from named(item, key)
