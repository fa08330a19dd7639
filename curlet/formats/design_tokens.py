"""Shade cards as Design Tokens files (W3C community group's format, from memory): JSON groups of tokens.

A colour is a token of `$type` "color", its own or its group's, whose `$value` is a colour's text, an object
of `colorSpace` and `components`, or another token's path in braces. A group with the extension
"curlet.colourway" is a colourway.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

import orjson
from coloraide import Color

from curlet.core.errors import BadInput
from curlet.formats.card_file import CardFile, CardShade, Notes, check_size, unlike_paths

COLOURWAY = "curlet.colourway"
MAX_DEPTH = 32
_ALIAS = re.compile(r"\{([^{}]+)\}")
# Of these the format has shares in %, from 0 to 100.
_IN_PERCENT = ("hsl", "hwb")
_SPACES = (
    *_IN_PERCENT, "srgb", "srgb-linear", "lab", "lch", "oklab", "oklch", "display-p3", "a98-rgb",
    "prophoto-rgb", "rec2020", "xyz-d65", "xyz-d50",
)  # fmt: skip
_Path = tuple[str, ...]


@dataclass(frozen=True)
class _Token:
    path: _Path
    kind: str | None
    value: Any
    colourway: bool


def read_tokens(data: bytes) -> CardFile:
    """The colours of a Design Tokens file.

    Raises
    ------
    BadInput
        If it is not one, has no colours, or one of them cannot be read or refers to itself.
    TooMuch
        Over 1 MB.
    """
    check_size(data)
    try:
        whole = orjson.loads(data)
    except orjson.JSONDecodeError as error:
        raise BadInput(f"This is not a whole JSON file ({error}). Export it again.") from None
    if not isinstance(whole, dict):
        raise BadInput("A Design Tokens file is a JSON object of groups and tokens. This is something else.")
    tokens = {token.path: token for token in _tokens(whole, (), None, colourway=False)}
    notes, found = Notes(), dict[_Path, str]()
    for token in tokens.values():
        last = _last(tokens, token)
        if last.kind == "color" or token.kind == "color":
            found[token.path] = notes.plain(_colour(last, token))
        else:
            notes.add("One token is no colour.", "{} tokens are no colours.")
    if not found:
        raise BadInput("This file has no tokens of $type color.")
    return CardFile(_shades(tokens, found), notes.told())


def write_tokens(shades: list[CardShade]) -> bytes:
    """A Design Tokens file: a group for each colourway, a token for each shade."""
    ways = list(dict.fromkeys(way for shade in shades for way in shade.colours))
    whole = {
        _key(way): {
            "$type": "color",
            "$extensions": {COLOURWAY: True},
            **{_key(shade.name): {"$value": _value(shade.colours[way])} for shade in shades},
        }
        for way in ways
    }
    return orjson.dumps(whole, option=orjson.OPT_INDENT_2)


def _tokens(group: dict[str, Any], path: _Path, kind: Any, *, colourway: bool) -> Iterator[_Token]:
    if len(path) > MAX_DEPTH:
        raise BadInput(f"This file has more than {MAX_DEPTH} groups within one another.")
    kind = group.get("$type", kind)
    extensions = group.get("$extensions")
    if not path[1:] and isinstance(extensions, dict):
        colourway = colourway or bool(extensions.get(COLOURWAY))
    if "$value" in group:
        yield _Token(path, kind if isinstance(kind, str) else None, group["$value"], colourway)
        return
    for key, value in group.items():
        if isinstance(value, dict) and not key.startswith("$"):
            yield from _tokens(value, (*path, key), kind, colourway=colourway)


def _last(tokens: dict[_Path, _Token], token: _Token) -> _Token:
    """The token that one stands for, through all others that it refers to."""
    seen, here = {token.path}, token
    while isinstance(here.value, str) and (alias := _ALIAS.fullmatch(here.value.strip())):
        path = tuple(alias[1].split("."))
        if path not in tokens:
            raise BadInput(f"{_named(here)} refers to {alias[1][:60]}, which is not in this file.")
        if path in seen:
            raise BadInput(f"{_named(token)} refers to itself by way of other tokens. Give it a colour.")
        here = tokens[path]
        seen.add(path)
    return here


def _colour(token: _Token, asked: _Token) -> Color:
    value = token.value
    try:
        if isinstance(value, str):
            return Color(value.strip()[:64])
        space = value["colorSpace"]
        if space not in _SPACES:
            raise ValueError(space)
        parts = [0.0 if part == "none" else _finite(part) for part in value["components"]]
        if len(parts) != 3:
            raise ValueError(parts)
        if space in _IN_PERCENT:
            parts = [parts[0], parts[1] / 100, parts[2] / 100]
        return Color(space, parts, _finite(value.get("alpha", 1)))
    except (KeyError, TypeError, ValueError, AttributeError):
        raise BadInput(
            f"{_named(asked)} is no colour that can be read. Write it like #e9c46a, or with a colorSpace and "
            "three components."
        ) from None


def _finite(part: Any) -> float:
    if isinstance(part, bool) or not isinstance(part, int | float) or not abs(part) < 1e6:
        raise ValueError(part)
    return float(part)


def _named(token: _Token) -> str:
    return f"The token {'.'.join(token.path)[:80]}"


def _shades(tokens: dict[_Path, _Token], found: dict[_Path, str]) -> tuple[CardShade, ...]:
    """The shades, those of one name in several colourways as one."""
    ways = {path: path[0] if tokens[path].colourway and len(path) > 1 else "" for path in found}
    paths = [path[1:] if ways[path] else path for path in found]
    names = dict(zip(dict.fromkeys(paths), unlike_paths(list(dict.fromkeys(paths))), strict=True))
    shades: dict[str, dict[str, str]] = {}
    for path, inner in zip(found, paths, strict=True):
        shades.setdefault(names[inner], {})[ways[path]] = found[path]
    return tuple(CardShade(name, colours) for name, colours in shades.items())


def _value(colour: str) -> dict[str, Any]:
    red, green, blue = (round(int(colour[i : i + 2], 16) / 255, 4) for i in (1, 3, 5))
    return {"colorSpace": "srgb", "components": [red, green, blue], "hex": colour}


def _key(name: str) -> str:
    """A name as a key, which neither begins with $ nor has braces or dots."""
    return re.sub(r"[{}.]", " ", name).lstrip("$").strip() or "unnamed"
