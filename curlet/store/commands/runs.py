"""Intents on runs and on the settings of runs and brushes."""

from __future__ import annotations

import re
from typing import Annotated, Any, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.formats.brush_file import read_brush
from curlet.formats.names import ended
from curlet.formats.path_doc import FactsDoc
from curlet.formats.pointer import patched
from curlet.store.brush_rows import free_name, put_brush
from curlet.store.commands.intent import BaseIntent, Id, Ids
from curlet.store.commands.looks import look_document
from curlet.store.edits.courses import StretchOrRepeat
from curlet.store.edits.names import setting_name
from curlet.store.edits.settings import GAUGE, measured_on, pointers_of, read_gauge
from curlet.store.match_line import matched
from curlet.store.names import names_of
from curlet.store.own import keep_own, read_own
from curlet.store.records import Json, RunRecord
from curlet.store.runs import lay_on, run_brush, run_places
from curlet.store.shades import own_settings
from curlet.store.shades_brought import add_look_shades
from curlet.store.shades_entered import known_refs
from curlet.store.state import State

Pointer = Annotated[str, Field(min_length=2, max_length=120)]
_THREAD = re.compile(r"/threads/(\d{1,2})$")


class LayBrush(BaseIntent):
    """Lay a brush along paths.

    A path that wears one changes to it and keeps no own settings, or with `another` wears both.
    """

    kind: Literal["lay-brush"]
    paths: Ids
    brush: Id
    another: bool = False

    def apply(self, state: State) -> str:
        name = state.get("brush", self.brush)["doc"]["name"]
        add_look_shades(state, state.get("brush", self.brush)["doc"])
        for path_id in self.paths:
            lay_on(state, path_id, self.brush, {}, another=self.another)
        return f"Lay {name} on {names_of(state, self.paths)}"


class MatchLine(BaseIntent):
    """Make a brush that looks as a path was drawn, and lay it there."""

    kind: Literal["match-line"]
    path: Id

    def apply(self, state: State) -> str:
        path = state.get("path", self.path)
        name = free_name(state, f"As drawn: {path['name']}")
        brush = put_brush(state, matched(name, FactsDoc(**path["facts"])).model_dump(mode="json"))
        LayBrush(kind="lay-brush", paths=[self.path], brush=brush).apply(state)
        return f"Make a brush of the line of {path['name']}"


class RemoveRuns(BaseIntent):
    """Take brushes off: the paths stay."""

    kind: Literal["remove-runs"]
    runs: Ids

    def apply(self, state: State) -> str:
        for run_id in self.runs:
            state.remove("run", run_id)
        return "Remove the brush"


class Setting(BaseIntent):
    """What was entered or chosen for one setting, named by its JSON Pointer in the brush file; or a
    whole part of the file, as `value`."""

    pointer: Pointer
    entered: str | bool | float = ""
    value: list[Any] | dict[str, Any] | None = None

    def apply(self, state: State) -> str:
        raise BadInput("A setting belongs to a run.")


class SetOnRuns(BaseIntent):
    """Change settings of runs for themselves; the brush stays as it is."""

    kind: Literal["set-on-runs"]
    runs: Ids
    settings: Annotated[list[Setting], Field(min_length=1, max_length=20)]

    def apply(self, state: State) -> str:
        for setting in self.settings:
            for run_id in self._with_thread(state, setting.pointer):
                self._set(state, run_id, setting)
        for run_id in self.runs:
            run_brush(state, state.get("run", run_id)).to_core().check(state.scale)
        return f"Set {setting_name(self.settings[0].pointer)}"

    def _with_thread(self, state: State, pointer: str) -> list[str]:
        """The runs that have the thread that a pointer names: brushes have unlike many."""
        if not (named := _THREAD.match(pointer)):
            return self.runs
        number = int(named[1])
        found = [run for run in self.runs if number < len(run_brush(state, state.get("run", run)).threads)]
        if not found:
            raise BadInput(f"None of these brushes has a thread {number + 1}.")
        return found

    def _set(self, state: State, run_id: str, setting: Setting) -> None:
        brush = run_brush(state, state.get("run", run_id))
        if setting.pointer == GAUGE:
            values = read_gauge(brush, setting.entered)
        else:
            values = {
                pointer: read_own(state, brush, pointer, setting.entered)
                if setting.value is None
                else known_refs(state, setting.value)
                for pointer in pointers_of(brush, setting.pointer)
            }
        if not values:
            raise BadInput(f"{brush.name} has no row of repeats. Choose the course to set first.")
        for pointer, value in values.items():
            keep_own(state, "run", run_id, pointer, value)


class MeasureOn(BaseIntent):
    """State a measure on the garment or on paper; what is drawn stays the same."""

    kind: Literal["measure-on"]
    runs: Ids
    pointer: Pointer
    on: Literal["garment", "paper"]

    def apply(self, state: State) -> str:
        for run_id in self.runs:
            brush = run_brush(state, state.get("run", run_id))
            for pointer in pointers_of(brush, self.pointer):
                value = measured_on(brush, pointer, self.on, state.scale)
                keep_own(state, "run", run_id, pointer, value)
        where = "paper" if self.on == "paper" else "the garment"
        return f"Measure {setting_name(self.pointer)} on {where}"


class FollowBrush(BaseIntent):
    """Give up a run's own settings, all or those at and below the pointers named, and follow its brush
    again."""

    kind: Literal["follow-brush"]
    runs: Ids
    pointers: list[Pointer] | None = None

    def apply(self, state: State) -> str:
        for run_id in self.runs:
            run = state.get("run", run_id)
            brush = run_brush(state, run)
            named = [each for pointer in self.pointers or () for each in pointers_of(brush, pointer)]
            kept = {
                key: value
                for key, value in run["own"].items()
                if self.pointers
                and not any(key == pointer or key.startswith(f"{pointer}/") for pointer in named)
            }
            state.update("run", run_id, own=kept)
        return "Follow the brush"


class GiveToBrush(BaseIntent):
    """Give a run's own settings to its brush, so that every run that uses it follows.

    A built-in brush stays as it is: the run gets a copy, with the settings in it. With `keep` the other runs
    stay as they were: what they use is called so from then on.
    """

    kind: Literal["give-to-brush"]
    run: Id
    keep: bool = False

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        brush = state.get("brush", run["brush"])
        doc = brush_with_own(state, run)
        name = doc["name"]
        if brush["builtin"]:
            doc["name"] = name = free_name(state, name)
            state.update("run", self.run, brush=put_brush(state, doc), own={})
        elif self.keep:
            old = free_name(state, ended(name, ", as it was"))
            state.update("brush", brush["id"], doc={**brush["doc"], "name": old})
            state.update("run", self.run, brush=put_brush(state, doc), own={})
        else:
            state.update("brush", brush["id"], doc=doc)
            state.update("run", self.run, own={})
        return f"Give settings to {name}"


def brush_with_own(state: State, run: RunRecord) -> Json:
    """The document of a run's brush with the run's own settings in it; a look goes on naming its shades."""
    doc = state.get("brush", run["brush"])["doc"]
    if doc.get("look"):
        return look_document(state, run)
    return patched(read_brush(doc).model_dump(mode="json"), own_settings(state, run))


class ReverseRun(BaseIntent):
    """Walk the path from its other end."""

    kind: Literal["reverse-run"]
    run: Id

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        state.update("run", self.run, backwards=not run["backwards"])
        return "Reverse the direction"


class FlipRun(BaseIntent):
    """Lay to the left of the path what the brush has to the right of it."""

    kind: Literal["flip-run"]
    run: Id

    def apply(self, state: State) -> str:
        places = run_places(state, self.run)
        flipped = places.model_copy(update={"flipped": not places.flipped})
        state.update("run", self.run, places=flipped.model_dump(mode="json", exclude_defaults=True))
        return "Flip to the other side"


class ShowRun(BaseIntent):
    """Show a run or hide it."""

    kind: Literal["show-run"]
    run: Id
    shown: bool

    def apply(self, state: State) -> str:
        state.update("run", self.run, shown=self.shown)
        return "Show a run" if self.shown else "Hide a run"


class SwitchCourse(BaseIntent):
    """Lay a motif once along the whole run instead of repeating it, or the other way round.

    The run gets a brush of its own for it where its brush is built in or used by others.
    """

    kind: Literal["switch-course"]
    run: Id
    course: Annotated[int, Field(ge=0, lt=16)]

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        edit = StretchOrRepeat(kind="stretch-or-repeat", course=self.course)
        doc, label = edit.apply(run_brush(state, run))
        named = doc.model_copy(update={"name": free_name(state, doc.name)})
        brush_id = put_brush(state, named.model_dump(mode="json"))
        state.update("run", self.run, brush=brush_id, own={})
        return label
