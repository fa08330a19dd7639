"""Ids of rows: given new ones, wherever they are named."""

from __future__ import annotations

from typing import Any

from curlet.formats.shade_refs import shade_of, shade_ref

# The keys under which rows and their documents name other rows. A word elsewhere is no id even if it reads
# like one: a brush may be called what its motif's family is.
NAMING = frozenset(
    ("id", "sheet", "group", "path", "run", "brush", "lettering", "area", "colourway", "of", "along", "font")
)
# What is kept by the ids of rows.
_BY_ID = "colours"


def renamed(value: Any, names: dict[str, str]) -> Any:
    """Rows with every id in them changed.

    >>> renamed({"id": "hem", "name": "hem"}, {"hem": "1f"})
    {'id': '1f', 'name': 'hem'}
    """
    if isinstance(value, list):
        return [renamed(item, names) for item in value]
    if (shade := shade_of(value)) is not None:
        return shade_ref(names.get(shade, shade))
    if not isinstance(value, dict):
        return value
    return {key: _under(key, item, names) for key, item in value.items()}


def _under(key: str, value: Any, names: dict[str, str]) -> Any:
    if key in NAMING and isinstance(value, str):
        return names.get(value, value)
    if key == _BY_ID and isinstance(value, dict):
        return {names.get(of, of): colour for of, colour in value.items()}
    return renamed(value, names)
