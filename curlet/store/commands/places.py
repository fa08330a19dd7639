"""Intents on single places of a run: a corner, a leg, a crossing, the start point."""

from __future__ import annotations

import secrets
from typing import Annotated, Literal

from pydantic import Field

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.core.path import edit
from curlet.formats.choices import Manner
from curlet.formats.path_doc import Coordinate
from curlet.formats.run_places import PlacesDoc
from curlet.store.commands.intent import BaseIntent, Id
from curlet.store.paths import core_path
from curlet.store.runs import run_places
from curlet.store.state import State

OPENING = Bounds("The opening", 0, 100_000)
Node = Annotated[str, Field(min_length=1, max_length=90)]


def _keep(state: State, run_id: str, places: PlacesDoc) -> None:
    state.update("run", run_id, places=places.model_dump(mode="json", exclude_defaults=True))


class SetCorner(BaseIntent):
    """Give a single corner its own manner, or take it back."""

    kind: Literal["set-corner"]
    run: Id
    node: Node
    manner: Manner | None = None

    def apply(self, state: State) -> str:
        places = run_places(state, self.run)
        corners = {node: manner for node, manner in places.corners.items() if node != self.node}
        if self.manner:
            corners[self.node] = self.manner
        _keep(state, self.run, places.model_copy(update={"corners": corners}))
        return "Give a corner its own manner" if self.manner else "Let a corner follow the brush"


class SetCount(BaseIntent):
    """Set a leg's count by hand, or let it follow."""

    kind: Literal["set-count"]
    run: Id
    node: Node
    entered: str = ""

    def apply(self, state: State) -> str:
        places = run_places(state, self.run)
        counts = {node: count for node, count in places.counts.items() if node != self.node}
        if self.entered.strip():
            value = read_measure(self.entered, accepts=("",)).value
            if value != int(value) or not 0 <= value <= 200_000:
                raise BadInput("A leg's count is a whole number from 0 to 200,000. Leave it empty to follow.")
            counts[self.node] = int(value)
        _keep(state, self.run, places.model_copy(update={"counts": counts}))
        return "Set a leg’s count" if self.entered.strip() else "Let a leg’s count follow"


class FlipCrossing(BaseIntent):
    """Swap over and under at a crossing."""

    kind: Literal["flip-crossing"]
    run: Id
    key: Node

    def apply(self, state: State) -> str:
        places = run_places(state, self.run)
        flips = set(places.flips) ^ {self.key}
        _keep(state, self.run, places.model_copy(update={"flips": tuple(sorted(flips))}))
        return "Flip a crossing"


class SlideStart(BaseIntent):
    """Slide a closed path's start point: to a distance in sheet mm from its first node as the run walks, to a
    entered length on the garment, or to where the path comes nearest to a point."""

    kind: Literal["slide-start"]
    run: Id
    to: Coordinate = 0.0
    entered: str | None = None
    near: tuple[Coordinate, Coordinate] | None = None

    def apply(self, state: State) -> str:
        run = state.get("run", self.run)
        path = core_path(state.get("path", run["path"]))
        if not path.closed:
            raise BadInput("Only a closed path's start point slides.")
        walked = path.reversed() if run["backwards"] else path
        to = self.to
        if self.entered is not None:
            to = read_measure(self.entered).value * state.scale.factor
        elif self.near is not None:
            to = edit.nearest_length(walked, self.near)
        start = float(walked.arc.wrap([to])[0])
        _keep(state, self.run, run_places(state, self.run).model_copy(update={"start": start}))
        return "Slide the start point"


class OpenPath(BaseIntent):
    """Open a closed path at its start point by a width, or close it again."""

    kind: Literal["open-path"]
    run: Id
    entered: str = ""

    def apply(self, state: State) -> str:
        opening = None
        if self.entered.strip():
            opening = OPENING.check(read_measure(self.entered).value) * state.scale.factor
        _keep(state, self.run, run_places(state, self.run).model_copy(update={"opening": opening}))
        return "Close the run" if opening is None else "Open the run at its start point"


class NewSeed(BaseIntent):
    """Shuffle: a new seed for what is at random."""

    kind: Literal["new-seed"]
    run: Id
    seed: Annotated[int, Field(ge=0, lt=2**32)] | None = None

    def apply(self, state: State) -> str:
        seed = secrets.randbelow(2**32) if self.seed is None else self.seed
        _keep(state, self.run, run_places(state, self.run).model_copy(update={"seed": seed}))
        return "Shuffle"
