"""Ids of rows: given new ones, wherever they are named."""

from __future__ import annotations

from typing import Any

from curlet.formats.shade_refs import shade_of, shade_ref

# What people write, which is never an id even if it reads like one.
_WRITTEN = ("name", "text", "label")


def renamed(value: Any, names: dict[str, str]) -> Any:
    """Part of a row with every id in it changed.

    >>> renamed({"id": "hem", "name": "hem"}, {"hem": "1f"})
    {'id': '1f', 'name': 'hem'}
    """
    if isinstance(value, dict):
        return {
            names.get(key, key): item if key in _WRITTEN else renamed(item, names)
            for key, item in value.items()
        }
    if isinstance(value, list):
        return [renamed(item, names) for item in value]
    if (shade := shade_of(value)) is not None:
        return shade_ref(names.get(shade, shade))
    return names.get(value, value) if isinstance(value, str) else value
