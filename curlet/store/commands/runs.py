"""Intents on runs and on the settings of runs and brushes."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.formats.brush_file import read_brush
from curlet.formats.path_doc import FactsDoc
from curlet.formats.pointer import look_up, patched
from curlet.store.commands.intent import BaseIntent, Id, Ids
from curlet.store.edits.courses import StretchOrRepeat
from curlet.store.edits.names import setting_name
from curlet.store.edits.settings import GAUGE, measured_on, pointers_of, read_gauge, read_setting
from curlet.store.match_line import matched
from curlet.store.names import unlike
from curlet.store.records import Json, PathRecord, RunRecord
from curlet.store.runs import run_brush
from curlet.store.state import State, new_id

Pointer = Annotated[str, Field(min_length=2, max_length=120)]


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
        for path_id in self.paths:
            self._lay(state, path_id)
        what = (
            state.get("path", self.paths[0])["name"] if len(self.paths) == 1 else (f"{len(self.paths)} paths")
        )
        return f"Lay {name} on {what}"

    def _lay(self, state: State, path_id: str) -> None:
        path = state.get("path", path_id)
        own = swell_of(path, state.get("brush", self.brush)["doc"])
        runs = state.runs_of(path_id)
        if runs and not self.another:
            state.update("run", runs[-1]["id"], brush=self.brush, own=own)
            return
        run = {
            "id": new_id(),
            "sheet": state.sheet["id"],
            "path": path_id,
            "brush": self.brush,
            "own": own,
            "backwards": False,
            "places": {},
            "shown": True,
            "position": state.next_position("run"),
        }
        state.put("run", run)


def swell_of(path: PathRecord, brush: Json) -> Json:
    """What a run keeps for itself of the pressure that its path was drawn with: each course's swell."""
    if not path["swell"]:
        return {}
    return {f"/courses/{i}/swell": path["swell"] for i in range(len(brush["courses"]))}


class MatchLine(BaseIntent):
    """Make a brush that looks as a path was drawn, and lay it there."""

    kind: Literal["match-line"]
    path: Id

    def apply(self, state: State) -> str:
        path = state.get("path", self.path)
        name = _free_name(state, f"As drawn: {path['name']}")
        brush = _put_brush(state, matched(name, FactsDoc(**path["facts"])).model_dump(mode="json"))
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
        for run_id in self.runs:
            for setting in self.settings:
                self._set(state, run_id, setting)
            run_brush(state, state.get("run", run_id)).to_core().check(state.scale)
        return f"Set {setting_name(self.settings[0].pointer)}"

    def _set(self, state: State, run_id: str, setting: Setting) -> None:
        brush = run_brush(state, state.get("run", run_id))
        if setting.pointer == GAUGE:
            values = read_gauge(brush, setting.entered)
        else:
            values = {
                pointer: read_setting(brush, pointer, setting.entered, state.scale)
                if setting.value is None
                else setting.value
                for pointer in pointers_of(brush, setting.pointer)
            }
        if not values:
            raise BadInput(f"{brush.name} has no row of repeats. Choose the course to set first.")
        for pointer, value in values.items():
            _keep_own(state, state.get("run", run_id), pointer, value)


def _keep_own(state: State, run: RunRecord, pointer: str, value: object) -> None:
    """Keep a value with the run; one that says the same as the brush is not its own."""
    above = next((key for key in run["own"] if pointer.startswith(f"{key}/")), None)
    if above is not None:
        # It lies in a larger setting that is the run's own already.
        whole = patched({"own": run["own"][above]}, {f"/own{pointer[len(above) :]}": value})["own"]
        return _keep_own(state, run, above, whole)
    brush = read_brush(state.get("brush", run["brush"])["doc"]).model_dump(mode="json")
    own = {k: kept for k, kept in run["own"].items() if k != pointer and not k.startswith(f"{pointer}/")}
    if look_up(brush, pointer) != value:
        own[pointer] = value
    state.update("run", run["id"], own=own)
    return None


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
                _keep_own(state, state.get("run", run_id), pointer, value)
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

    A built-in brush stays as it is: the run gets a copy, with the settings in it.
    """

    kind: Literal["give-to-brush"]
    run: Id

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        brush = state.get("brush", run["brush"])
        doc = patched(read_brush(brush["doc"]).model_dump(mode="json"), run["own"])
        if brush["builtin"]:
            doc["name"] = _free_name(state, doc["name"])
            state.update("run", self.run, brush=_put_brush(state, doc), own={})
        else:
            state.update("brush", brush["id"], doc=doc)
            state.update("run", self.run, own={})
        return f"Give settings to {doc['name']}"


def _free_name(state: State, name: str) -> str:
    return unlike(name, (brush["doc"]["name"] for brush in state.all("brush")))


class ReverseRun(BaseIntent):
    """Walk the path from its other end."""

    kind: Literal["reverse-run"]
    run: Id

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        state.update("run", self.run, backwards=not run["backwards"])
        return "Reverse the direction"


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
        named = doc.model_copy(update={"name": _free_name(state, doc.name)})
        brush_id = _put_brush(state, named.model_dump(mode="json"))
        state.update("run", self.run, brush=brush_id, own={})
        return label


def _put_brush(state: State, doc: dict[str, Any]) -> str:
    """A new brush of the user's at the end of the Library."""
    brush_id = new_id()
    place = {"position": state.next_position("brush"), "builtin": False, "removed": False}
    state.put("brush", {"id": brush_id, "doc": doc, "version": 1, **place})
    return brush_id
