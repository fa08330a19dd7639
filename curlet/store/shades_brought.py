"""Shades that settings bring along to a sheet: what was copied, or taken up, elsewhere."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from curlet.formats.clip_doc import ClipShade
from curlet.formats.pointer import look_up
from curlet.formats.shade_refs import refs_in, replaced, shade_of, shade_ref
from curlet.store.records import Json
from curlet.store.shade_card import add_shade
from curlet.store.shades import colour_in, shade_named, shown_colourway
from curlet.store.state import State


def brought_by(state: State, *values: Any) -> dict[str, ClipShade]:
    """The shades that some settings name, to be brought along with them."""
    shown = shown_colourway(state)
    named = {shade_of(ref) for value in values for ref in refs_in(value)}
    rows = [state.rows["shade"][shade] for shade in named if shade in state.rows["shade"]]
    return {row["id"]: ClipShade(name=row["name"], colour=colour_in(row, shown)) for row in rows}  # type: ignore[arg-type]


def at_home(state: State, value: Any, brought: Mapping[str, ClipShade]) -> Any:
    """Settings that name this sheet's shades in the place of those that they came with: the same ones, those
    of the same names, or new ones."""

    def home(ref: str) -> str:
        shade = shade_of(ref)
        if shade is None or shade in state.rows["shade"] or shade not in brought:
            return ref
        there = brought[shade]
        row = shade_named(state, there.name) or add_shade(state, there.name, there.colour)
        return shade_ref(row["id"])

    return replaced(value, home)


def add_look_shades(state: State, brush: Json) -> None:
    """Put the shades that a look names on the card, where they are not there."""
    for pointer, name in (brush.get("look") or {}).get("shades", {}).items():
        if shade_named(state, name) is None:
            add_shade(state, name, str(look_up(brush, pointer)))
