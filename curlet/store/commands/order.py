"""Intents on the order in which things on a sheet are painted."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.errors import BadInput
from curlet.store.commands.intent import BaseIntent, Id
from curlet.store.crops import cropped_by
from curlet.store.names import names_of
from curlet.store.paths import element_of, is_drawn
from curlet.store.records import Json
from curlet.store.state import State

Where = Literal["front", "back", "above", "below"]

_WORDS: dict[Where, str] = {
    "front": "to the front",
    "back": "to the back",
    "above": "further up",
    "below": "further down",
}
_KINDS = {"run": "a run", "single": "a single repeat", "guide": "a guide picture"}


class Painted(BaseIntent):
    """Something that is painted."""

    kind: Literal["guide", "path", "run", "single"]
    id: Id

    def apply(self, state: State) -> str:
        raise BadInput("What is painted is put in order together.")


class Reorder(BaseIntent):
    """Put things in another place of the order, as they lie to one another.

    A path is moved with its runs, with the other contours of its shape, and with what is cropped to it or to
    its area. `of` names what they are put above or below; without it they go one step. `grouped_with` is a
    path whose seam group they go into.
    """

    kind: Literal["reorder"]
    items: Annotated[list[Painted], Field(min_length=1, max_length=10_000)]
    to: Where
    of: Painted | None = None
    grouped_with: Id | None = None

    def apply(self, state: State) -> str:
        regrouped = self._regroup(state)
        every = state.painted()
        moving = self._moving(state)
        block = [(kind, row) for kind, row in every if (kind, row["id"]) in moving]
        others = [(kind, row) for kind, row in every if (kind, row["id"]) not in moving]
        place = self._place(state, block, others)
        there = [*others[:place], *block, *others[place:]] == every
        if there and not regrouped:
            raise BadInput(_THERE[self.to])
        if not there:
            _put_between(state, block, others, place)
        paths = [item.id for item in self.items if item.kind == "path"]
        what = names_of(state, paths) if paths else _KINDS[self.items[0].kind]
        return f"Bring {what} {_WORDS[self.to]}"

    def _regroup(self, state: State) -> bool:
        """Whether any path went into another seam group."""
        if self.grouped_with is None:
            return False
        group = state.get("path", self.grouped_with)["group"]
        paths = [state.get("path", item.id) for item in self.items if item.kind == "path"]
        others = [path["id"] for path in paths if path["group"] != group]
        for path in others:
            state.update("path", path, group=group)
        return bool(others)

    def _moving(self, state: State) -> set[tuple[str, str]]:
        paths = {state.get("path", item.id)["id"] for item in self.items if item.kind == "path"}
        paths, cropped = _held_together(state, paths)
        runs = {("run", run["id"]) for run in state.all("run") if run["path"] in paths}
        runs |= {("run", run) for run in cropped}
        alone = {
            (item.kind, state.get(item.kind, item.id)["id"]) for item in self.items if item.kind != "path"
        }
        return {("path", path) for path in paths} | runs | alone

    def _place(self, state: State, block: list[tuple[str, Json]], others: list[tuple[str, Json]]) -> int:
        """How many of the others lie below the block then."""
        if self.to == "back":
            return 0
        if self.to == "front":
            return len(others)
        if self.of is not None:
            at = [
                i for i, (kind, row) in enumerate(others) if (kind, row["id"]) == (self.of.kind, self.of.id)
            ]
            if not at:
                raise BadInput("Something cannot be put above or below itself. Choose another thing.")
            return at[0] + (1 if self.to == "above" else 0)
        # One step is over the next thing that is seen.
        seen = [i for i, (kind, row) in enumerate(others) if _is_seen(state, kind, row)]
        if self.to == "above":
            top = block[-1][1]["position"]
            return next((i + 1 for i in seen if others[i][1]["position"] > top), len(others))
        foot = block[0][1]["position"]
        return next((i for i in reversed(seen) if others[i][1]["position"] < foot), 0)


_THERE: dict[Where, str] = {
    "front": "This is at the front already.",
    "back": "This is at the back already.",
    "above": "This lies there already, with nothing above it.",
    "below": "This lies there already, with nothing below it.",
}


def _held_together(state: State, paths: set[str]) -> tuple[set[str], set[str]]:
    """Paths with the contours of their shapes and the paths that are cropped to them, and so on; and the runs
    that are cropped to any of them."""
    held = set(paths)
    while True:
        elements = {element_of(state.get("path", path)) for path in held}
        more = {row["id"] for row in state.all("path") if element_of(row) in elements}
        more |= {row["id"] for row in cropped_by(state, more, "path")}
        if more <= held:
            return held, {row["id"] for row in cropped_by(state, held, "run")}
        held |= more


def _is_seen(state: State, kind: str, row: Json) -> bool:
    if kind == "path":
        return is_drawn(row) and not row["hidden"]  # type: ignore[arg-type]
    return state.seen(row) if kind == "run" else bool(row.get("shown", True))  # type: ignore[arg-type]


def _put_between(
    state: State, block: list[tuple[str, Json]], others: list[tuple[str, Json]], place: int
) -> None:
    """Give a block positions above so many of the others."""
    if place:
        positions = state.positions_above(others[place - 1][1]["position"], len(block), others[place:])
    else:
        lowest = min((row["position"] for _, row in others), default=0.0)
        positions = [lowest - len(block) + number for number in range(len(block))]
    for (kind, row), position in zip(block, positions, strict=True):
        state.update(kind, row["id"], position=position)
