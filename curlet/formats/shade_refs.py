"""Colours that a sheet names rather than states: its shades, and the colour that a path has.

In a sheet's documents a text "shade:ID" stands where a colour may, and `OF_PATH` where a thread may.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from typing import Any

_SHADE = "shade:"
OF_PATH = "colour-of-path"
# What stands for a shade that is not there.
NEUTRAL = "#66757d"


def shade_ref(shade: str) -> str:
    """What stands for a shade, by its id."""
    return f"{_SHADE}{shade}"


def is_ref(value: object) -> bool:
    """Whether something stands for a colour that is stated elsewhere."""
    return isinstance(value, str) and (value.startswith(_SHADE) or value == OF_PATH)


def shade_of(value: object) -> str | None:
    """The id of the shade that something stands for; None for all else."""
    return value[len(_SHADE) :] if isinstance(value, str) and value.startswith(_SHADE) else None


def refs_in(value: Any) -> Iterator[str]:
    """Everything in a document that stands for a colour.

    >>> list(refs_in({"/threads/0": "shade:a1", "/opacity": 50}))
    ['shade:a1']
    """
    if isinstance(value, dict):
        value = list(value.values())
    if isinstance(value, list | tuple):
        for item in value:
            yield from refs_in(item)
    elif is_ref(value):
        yield value


def with_colours(value: Any, colours: Mapping[str, str]) -> Any:
    """A document with the colours put in that parts of it stand for; a neutral one where there is none.

    >>> with_colours({"warp": "shade:a1"}, {"shade:a1": "#c8553d"})
    {'warp': '#c8553d'}
    """
    return replaced(value, lambda ref: colours.get(ref, NEUTRAL))


def replaced(value: Any, change: Callable[[str], Any]) -> Any:
    """A document with everything that stands for a colour changed."""
    if isinstance(value, dict):
        return {key: replaced(item, change) for key, item in value.items()}
    if isinstance(value, list | tuple):
        return [replaced(item, change) for item in value]
    return change(value) if is_ref(value) else value
