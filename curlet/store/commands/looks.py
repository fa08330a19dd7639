"""Intents on looks: made of a run, and given to others."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from curlet.core.errors import BadInput
from curlet.formats.brush_file import LookDoc, read_brush
from curlet.formats.clip_doc import ClipShade
from curlet.formats.pointer import patched
from curlet.formats.shade_refs import OF_PATH, refs_in, shade_of
from curlet.store.brush_rows import free_name, put_brush
from curlet.store.commands.intent import BaseIntent, Id, Ids, Name
from curlet.store.names import names_of
from curlet.store.records import Json, RunRecord
from curlet.store.runs import lay_on, run_brush
from curlet.store.shades import own_settings
from curlet.store.shades_brought import add_look_shades, at_home, brought_by
from curlet.store.state import State


class TakenLook(BaseModel):
    """A run's brush and its own settings, taken up to be given to others, with the shades that it names."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    format: Literal["curlet-taken-look"] = "curlet-taken-look"
    brush: Id
    own: Annotated[dict[str, Any], Field(max_length=200)]
    shades: Annotated[dict[str, ClipShade], Field(max_length=300, default_factory=dict)]


class MakeLook(BaseIntent):
    """Keep a run's look in the Library under a name; the run is linked to it."""

    kind: Literal["make-look"]
    run: Id
    name: Name

    def apply(self, state: State) -> str:
        name = free_name(state, self.name.strip() or "Look")
        doc = look_document(state, state.get("run", self.run)) | {"name": name}
        state.update("run", self.run, brush=put_brush(state, doc), own={})
        return f"Keep the look {name}"


class GiveLook(BaseIntent):
    """Give a look that was taken up to paths, on this sheet or another, whose shades of the same names it
    takes."""

    kind: Literal["give-look"]
    paths: Ids
    taken: TakenLook

    def apply(self, state: State) -> str:
        brush = state.rows["brush"].get(self.taken.brush)
        if brush is None:
            raise BadInput("The brush of this look is no longer in the Library. Take a look up again.")
        own = at_home(state, self.taken.own, self.taken.shades)
        add_look_shades(state, brush["doc"])
        for path_id in self.paths:
            run = lay_on(state, path_id, self.taken.brush, own)
            # What was taken up comes from outside: it is checked as if it were entered.
            try:
                run_brush(state, state.get("run", run)).to_core().check(state.scale)
            except ValidationError:
                raise BadInput("This look has settings that no brush has. Take it up again.") from None
        return f"Give a look to {names_of(state, self.paths)}"


def take_up(state: State, run_id: str) -> TakenLook:
    """A run's look, to be given to others."""
    run = state.get("run", run_id)
    return TakenLook(brush=run["brush"], own=run["own"], shades=brought_by(state, run["own"]))


def look_document(state: State, run: RunRecord) -> Json:
    """A brush's document with a run's own settings in it, and the names of the shades that they take."""
    plain = read_brush(state.get("brush", run["brush"])["doc"]).model_dump(mode="json")
    before: Json = plain.pop("look", None) or {}
    doc = patched(plain, own_settings(state, run))
    named = {pointer: name for pointer, name in before.get("shades", {}).items() if pointer not in run["own"]}
    of_path = [pointer for pointer in before.get("of_path", ()) if pointer not in run["own"]]
    for pointer, ref in _named_places(run["own"]):
        shade = shade_of(ref)
        if ref == OF_PATH:
            of_path.append(pointer)
        elif shade in state.rows["shade"]:
            named[pointer] = state.get("shade", str(shade))["name"]
    doc["look"] = LookDoc(shades=named, of_path=tuple(of_path)).model_dump(mode="json")
    return doc


def _named_places(own: Json) -> list[tuple[str, str]]:
    """Every place in a brush's document where own settings name a colour, and what they name."""
    found: list[tuple[str, str]] = []

    def walk(pointer: str, value: Any) -> None:
        if isinstance(value, dict):
            for key, item in value.items():
                walk(f"{pointer}/{key}", item)
        elif isinstance(value, list):
            for index, item in enumerate(value):
                walk(f"{pointer}/{index}", item)
        else:
            found.extend((pointer, ref) for ref in refs_in([value]))

    for pointer, value in own.items():
        walk(pointer, value)
    return found
