"""Older names of settings: a document written with them is read as it would be written now."""

from __future__ import annotations

from typing import Any

# Today's names of settings, by their older ones.
_NAMES = {
    "frame": "on",
    "made_up": "shortened",
    "flip_along": "end_to_end",
    "flip_across": "side_to_side",
}
# By today's name of a setting, today's words for its older ones.
_WORDS = {
    "on": {"worn": "garment", "printed": "paper"},
    "hold": {"ride": "rigid"},
    "kind": {"made-up": "shorten-last"},
}


def renamed(doc: Any) -> Any:
    """A document with today's names at its top; what is no document stays as it is.

    >>> renamed({"mm": 3, "frame": "worn"})
    {'mm': 3, 'on': 'garment'}
    """
    if not isinstance(doc, dict):
        return doc
    named = {_NAMES.get(name) or name: value for name, value in doc.items()}
    return {name: _word(name, value) for name, value in named.items()}


def renamed_throughout(value: Any) -> Any:
    """A document with today's names in all of its parts, and in the pointers that a run's own settings have.

    >>> renamed_throughout({"/courses/0/fit/made_up": 2, "hold": "ride"})
    {'/courses/0/fit/shortened': 2, 'hold': 'rigid'}
    """
    if isinstance(value, list):
        return [renamed_throughout(item) for item in value]
    if not isinstance(value, dict):
        return value
    within = {_pointer(name): renamed_throughout(item) for name, item in value.items()}
    return {name: _word(name.rpartition("/")[2], item) for name, item in within.items()}


def _word(name: str, value: Any) -> Any:
    return _WORDS[name].get(value, value) if name in _WORDS and isinstance(value, str) else value


def _pointer(name: str) -> str:
    return "/".join(_NAMES.get(part, part) for part in name.split("/"))
