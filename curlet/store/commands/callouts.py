"""Intents on call-outs: leaders to runs, with a text that says how each is made."""

from __future__ import annotations

from typing import Literal

import numpy as np

from curlet.core.errors import BadInput
from curlet.core.path import measuring
from curlet.core.path.path import Path
from curlet.formats.callout_doc import CallOutDoc, CallOutText
from curlet.formats.path_doc import Coordinate
from curlet.store.callouts import end_of
from curlet.store.commands.intent import BaseIntent, Id, Ids
from curlet.store.paths import core_path
from curlet.store.state import State, new_id

_SAMPLES = 101


class AddCallOuts(BaseIntent):
    """Give runs a call-out each, made from the run and placed by itself; one that has one keeps it."""

    kind: Literal["add-callouts"]
    runs: Ids

    def apply(self, state: State) -> str:
        had = {row["doc"]["run"] for row in state.all("callout")}
        new = [run for run in dict.fromkeys(self.runs) if run not in had]
        for run_id in new:
            path = core_path(state.get("path", state.get("run", run_id)["path"]))
            doc = CallOutDoc(run=run_id, anchor=measuring.anchored(path, _outermost(path, state)))
            row = {
                "id": new_id(),
                "sheet": state.sheet["id"],
                "doc": doc.model_dump(mode="json"),
                "position": state.next_position("callout"),
            }
            state.put("callout", row)
        return "Add a call-out" if len(new) == 1 else f"Add {len(new)} call-outs"


class SetCallOut(BaseIntent):
    """Change a call-out.

    Parameters
    ----------
    text : as it is written; `of_run` makes it from the run again.
    x, y : the left and top of its text, sheet mm; `by_itself` lets it be placed again.
    end_x, end_y : a place that the leader's end is brought to, as near as its path allows.
    """

    kind: Literal["set-callout"]
    callout: Id
    text: CallOutText | None = None
    of_run: bool = False
    x: Coordinate | None = None
    y: Coordinate | None = None
    by_itself: bool = False
    end_x: Coordinate | None = None
    end_y: Coordinate | None = None

    def apply(self, state: State) -> str:
        row = state.get("callout", self.callout)
        doc = CallOutDoc.model_validate(row["doc"])
        values: dict[str, object] = {}
        if self.text is not None or self.of_run:
            values["text"] = None if self.of_run else self.text
        if self.end_x is not None and self.end_y is not None:
            path = core_path(state.get("path", state.get("run", doc.run)["path"]))
            values["anchor"] = measuring.anchored(path, (self.end_x, self.end_y))
        if self.by_itself:
            values["away"] = None
        elif self.x is not None and self.y is not None:
            x, y = end_of(state, doc)
            values["away"] = (self.x - x, self.y - y)
        if not values:
            raise BadInput("Say what of the call-out is to change.")
        new = doc.model_copy(update=values)
        state.update("callout", self.callout, doc=new.model_dump(mode="json"))
        return "Change a call-out"


class RemoveCallOuts(BaseIntent):
    """Remove call-outs."""

    kind: Literal["remove-callouts"]
    callouts: Ids

    def apply(self, state: State) -> str:
        for callout in self.callouts:
            state.remove("callout", callout)
        return "Remove a call-out" if len(self.callouts) == 1 else f"Remove {len(self.callouts)} call-outs"


def _outermost(path: Path, state: State) -> tuple[float, float]:
    """The place on a path that is nearest to the sheet's left or right edge: there its leader is short."""
    points = path.arc.points(np.linspace(0, path.length, _SAMPLES))
    middle = state.sheet["width"] / 2
    x, y = points[np.argmax(np.abs(points[:, 0] - middle))].tolist()
    return x, y
