"""Shades as they are entered for a run's settings: by name, in a list, or as what stands for them."""

from __future__ import annotations

from typing import Any

from curlet.core.errors import BadInput
from curlet.core.measures import Scale
from curlet.formats.brush_file import BrushDoc
from curlet.formats.brush_motifs import RoleDoc
from curlet.formats.shade_refs import OF_PATH, refs_in, shade_of, shade_ref
from curlet.store.edits.entered import MAX_COLOURS, listed, roles_of
from curlet.store.edits.settings import read_setting
from curlet.store.errors import Missing
from curlet.store.records import Json
from curlet.store.shades import shade_named
from curlet.store.state import State


def takes_shades(pointer: str) -> bool:
    """Whether a setting is a thread's colour or a sequence of shades."""
    return pointer.startswith("/threads/") or pointer.endswith("/shades")


def read_shades(state: State, brush: BrushDoc, pointer: str, entered: str) -> Any:
    """The value to keep for a thread or for a sequence of shades.

    Raises
    ------
    BadInput
        If something entered is neither a shade of the sheet nor a colour.
    """
    if pointer.endswith("/shades"):
        parts = listed(entered)
        if len(parts) > MAX_COLOURS:
            raise BadInput(f"A row runs through up to {MAX_COLOURS} shades.")
        return [_role(state, part) for part in parts]
    return _ref(state, entered) or read_setting(brush, pointer, entered, Scale())


def known_refs(state: State, value: Any) -> Any:
    """A value all of whose shades are on the sheet; Missing if one is not."""
    for ref in refs_in(value):
        _check_known(state, ref)
    return value


def sequence_text(state: State, shades: list[Json]) -> str:
    """A sequence of shades as it would be entered."""
    return ", ".join(_told(state, role) for role in shades)


def _role(state: State, part: str) -> Json:
    ref = _ref(state, part)
    role = RoleDoc().model_dump(mode="json") if ref else roles_of(part)[0].model_dump(mode="json")
    return {**role, "own": ref or role["own"]}


def _ref(state: State, entered: str) -> str | None:
    """What stands for the shade that was entered; None where it is another colour."""
    text = entered.strip()
    if text == OF_PATH:
        return text
    if shade_of(text) is not None:
        _check_known(state, text)
        return text
    shade = shade_named(state, text)
    return shade_ref(shade["id"]) if shade else None


def _check_known(state: State, ref: str) -> None:
    shade = shade_of(ref)
    if shade is not None and shade not in state.rows["shade"]:
        raise Missing("That shade is no longer on this sheet. Choose another from the shade card.")


def _told(state: State, role: Json) -> str:
    shade = shade_of(role.get("own"))
    if shade is not None and shade in state.rows["shade"]:
        return state.get("shade", shade)["name"]
    return str(role.get("own") or role.get("thread", 1))
