"""Changes to a sheet's shade card, made by the intents on it and by what brings shades along."""

from __future__ import annotations

from typing import Any

from curlet.core.dress.colour_names import colour_name
from curlet.core.errors import BadInput
from curlet.formats.names import ended
from curlet.formats.shade_refs import replaced, shade_ref
from curlet.store.names import unlike
from curlet.store.records import Json, ShadeRecord
from curlet.store.shades import NAMING, shown_colourway, using
from curlet.store.state import State, new_id

MAX_SHADES, MAX_COLOURWAYS = 256, 24
_FIRST = "Colourway 1"


def add_shade(state: State, name: str, colour: str, colours: dict[str, str] | None = None) -> ShadeRecord:
    """A new shade at the end of the card, of one colour in every colourway that has none in `colours`.

    Raises
    ------
    BadInput
        If the card is full.
    """
    if len(state.rows["shade"]) >= MAX_SHADES:
        raise BadInput(f"A shade card holds up to {MAX_SHADES} shades. Remove some first.")
    shown_way(state)
    taken = [row["name"] for row in state.all("shade")]
    row = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "name": unlike(fit_name(name) or colour_name(colour), taken),
        "colours": {way: colour for way in state.rows["colourway"]} | (colours or {}),
        "position": state.next_position("shade"),
    }
    state.put("shade", row)
    return state.get("shade", str(row["id"]))


def put_instead(state: State, kind: str, row_id: str, instead: dict[str, str]) -> None:
    """A row that names other shades, or colours, where it named some."""
    column = NAMING[kind]
    value = replaced(state.get(kind, row_id)[column], lambda ref: instead.get(ref, ref))
    state.update(kind, row_id, **{column: value})


def rename_shade(state: State, row: ShadeRecord, name: str) -> None:
    """Give a shade another name; what uses it goes on doing so."""
    others = [other["name"] for other in state.all("shade") if other["id"] != row["id"]]
    pin_looks(state, row, list(using(state, row["id"])))
    state.update("shade", row["id"], name=unlike(fit_name(name), others))


def pin_looks(state: State, row: ShadeRecord, used: list[tuple[str, Json]]) -> None:
    """Have runs and single repeats that use a shade by their look's name for it name it themselves."""
    for kind, each in used:
        if kind not in ("run", "single"):
            continue
        look: Any = state.get("brush", each["brush"])["doc"].get("look") or {}
        wanted = row["name"].casefold()
        named = [key for key, name in look.get("shades", {}).items() if name.casefold() == wanted]
        own = {key: shade_ref(row["id"]) for key in named}
        if own:
            state.update(kind, each["id"], own={**own, **state.get(kind, each["id"])["own"]})


def fit_name(name: str) -> str:
    """A name that a list of shades can name: without commas."""
    return ended(" ".join(name.replace(",", " ").split()), "") if name.strip() else ""


def shown_way(state: State) -> str:
    """The colourway that is shown; a sheet gets its first one once it is needed."""
    return shown_colourway(state) or put_way(state, _FIRST)


def put_way(state: State, name: str) -> str:
    """A new colourway, without colours yet; its id."""
    row = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "name": name,
        "position": state.next_position("colourway"),
    }
    state.put("colourway", row)
    return str(row["id"])
