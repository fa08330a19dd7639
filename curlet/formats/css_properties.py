"""Shade cards as CSS custom properties (CSS Custom Properties for Cascading Variables, level 1).

A rule for each colourway: the first one's for `:root`, the others' for `[data-colourway="Name"]`.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

import tinycss2
from coloraide import Color

from curlet.core.errors import BadInput
from curlet.formats.card_file import CardFile, CardShade, Notes, check_size, text_of

_WAY = re.compile(r"""\[data-colourway\s*=\s*["']([^"'\]]{1,120})["']\s*\]""")
_VARIABLE = re.compile(r"var\(\s*(--[^\s,()]+)\s*\)")
_TITLE = re.compile(r"/\* curlet colourway: (.*?) \*/")
MAX_DEPTH = 16


def read_properties(data: bytes) -> CardFile:
    """The colours among a style sheet's custom properties.

    Raises
    ------
    BadInput
        If there are none, or one refers to itself.
    TooMuch
        Over 1 MB.
    """
    check_size(data)
    text = text_of(data)
    rules = tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True)
    values: dict[tuple[str, str], str] = {}
    for way, name, value in _properties(rules, "", 0):
        values[way, name] = value
    first = _TITLE.search(text)
    notes, shades = Notes(), dict[str, dict[str, str]]()
    for way, name in values:
        colour = _colour(values, way, name)
        if colour is None:
            notes.add("One property is no colour.", "{} properties are no colours.")
            continue
        called = way or (first[1] if first else "")
        shades.setdefault(_spoken(name), {})[called] = notes.plain(colour)
    if not shades:
        raise BadInput("This file has no custom properties that are colours, like --cream: #f3ead7.")
    return CardFile(tuple(CardShade(name, colours) for name, colours in shades.items()), notes.told())


def write_properties(shades: list[CardShade]) -> bytes:
    """A style sheet with a custom property for each shade."""
    ways = list(dict.fromkeys(way for shade in shades for way in shade.colours))
    keys = _keys([shade.name for shade in shades])
    lines = [f"/* curlet colourway: {ways[0].replace('*/', '')} */"] if ways else []
    for place, way in enumerate(ways):
        lines.append(f"{':root' if place == 0 else f'[data-colourway={_quoted(way)}]'} {{")
        lines += [f"  {key}: {shade.colours[way]};" for key, shade in zip(keys, shades, strict=True)]
        lines.append("}")
    return "\n".join([*lines, ""]).encode()


def _properties(rules: list[Any], way: str, depth: int) -> Iterator[tuple[str, str, str]]:
    """Every custom property with the colourway that it is of, nested rules' too."""
    if depth > MAX_DEPTH:
        raise BadInput(f"This file has more than {MAX_DEPTH} rules within one another.")
    for rule in rules:
        if rule.type == "declaration" and rule.name.startswith("--"):
            yield way, rule.name, tinycss2.serialize(rule.value).strip()[:200]
        elif rule.type in ("qualified-rule", "at-rule") and rule.content is not None:
            named = _WAY.search(tinycss2.serialize(rule.prelude))
            inner = tinycss2.parse_blocks_contents(rule.content, skip_comments=True, skip_whitespace=True)
            yield from _properties(inner, named[1] if named else way, depth + 1)


def _colour(values: dict[tuple[str, str], str], way: str, name: str) -> Color | None:
    """A property's colour, through others that it refers to; None for what is none."""
    seen, value = {name}, values[way, name]
    while variable := _VARIABLE.fullmatch(value):
        inner = variable[1]
        if inner in seen:
            raise BadInput(f"{name[:60]} refers to itself by way of other properties. Give it a colour.")
        seen.add(inner)
        found = values.get((way, inner), values.get(("", inner)))
        if found is None:
            return None
        value = found
    try:
        return Color(value)
    except ValueError:
        return None


def _spoken(name: str) -> str:
    """“Deep red” for --deep-red."""
    words = re.sub(r"[-_]+", " ", name).strip()
    return words[:1].upper() + words[1:] if words else name


def _keys(names: list[str]) -> list[str]:
    """A property's name for each shade's, none twice."""
    found: list[str] = []
    for name in names:
        key = "--" + (re.sub(r"[^\w]+", "-", name.lower()).strip("-") or "shade")
        number, free = 2, key
        while free in found:
            free, number = f"{key}-{number}", number + 1
        found.append(free)
    return found


def _quoted(text: str) -> str:
    return '"' + text.replace("\\", "").replace('"', "'") + '"'
