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
from curlet.formats.kept_motif import KeptMotifDoc
from curlet.formats.path_doc import Coordinate
from curlet.formats.run_places import PlacesDoc, RepeatDoc
from curlet.store.commands.intent import BaseIntent, Entered, Id, garment_length
from curlet.store.motifs import look
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


class SetRepeat(BaseIntent):
    """Leave one repeat of a run out, move it along its path or across, lengths on the garment, turn it, size
    it, or give it the motif of another letter, or one of the Library's (`brought`), of which the run takes a
    copy; or have it as the brush lays it again."""

    kind: Literal["set-repeat"]
    run: Id
    course: Annotated[int, Field(ge=0, lt=16)] = 0
    node: Node
    number: Annotated[int, Field(ge=0, lt=200_000)]
    left_out: bool | None = None
    along: Entered | None = None
    across: Entered | None = None
    turn: Entered | None = None
    size: Entered | None = None
    motif: Annotated[str, Field(pattern="^[A-Z]?$")] | None = None
    brought: Id | None = None
    plain: bool = False

    def apply(self, state: State) -> str:
        places = run_places(state, self.run)
        key = self.course, self.node, self.number
        now = RepeatDoc(course=self.course, node=self.node, number=self.number)
        one = next((one for one in places.repeats if one.key == key), now)
        others = tuple(each for each in places.repeats if each.key != key)
        if not self.plain:
            one = RepeatDoc.model_validate(one.model_dump() | self._values(state))
            one.to_core({})
        kept = others if self.plain or one == now else (*others, one)
        motifs = self._motifs(places, {each.brought for each in kept})
        _keep(state, self.run, places.model_copy(update={"repeats": kept, "motifs": motifs}))
        return "Lay a repeat as its brush has it" if self.plain else "Set a repeat by hand"

    def _values(self, state: State) -> dict[str, object]:
        values: dict[str, object] = {} if self.left_out is None else {"left_out": self.left_out}
        for side, entered in (("along", self.along), ("across", self.across)):
            if entered is not None:
                values[side] = garment_length(entered, state)
        if self.turn is not None:
            values["turn"] = read_measure(self.turn, accepts=("°", "")).value
        if self.size is not None:
            values["size"] = read_measure(self.size, accepts=("%", "")).value
        if self.motif is not None:
            values |= {"motif": self.motif or None, "brought": None}
        if self.brought is not None:
            values |= {"motif": None, "brought": self.brought}
        return values

    def _motifs(self, places: PlacesDoc, used: set[str | None]) -> dict[str, KeptMotifDoc]:
        """The run's own motifs that its repeats use, with the one that is given now as the Library has it."""
        taken = {} if self.brought is None else {self.brought: look(self.brought)}
        return {key: kept for key, kept in {**places.motifs, **taken}.items() if key in used}


class NewSeed(BaseIntent):
    """Shuffle: a new seed for what is at random."""

    kind: Literal["new-seed"]
    run: Id
    seed: Annotated[int, Field(ge=0, lt=2**32)] | None = None

    def apply(self, state: State) -> str:
        seed = secrets.randbelow(2**32) if self.seed is None else self.seed
        _keep(state, self.run, run_places(state, self.run).model_copy(update={"seed": seed}))
        return "Shuffle"
