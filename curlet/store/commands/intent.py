"""What an intent is: one thing a person does, as data."""

from __future__ import annotations

from abc import abstractmethod
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from curlet.core.errors import BadInput
from curlet.core.measures import Measure, read_measure
from curlet.core.path.path import Path
from curlet.formats.names import Name as Name
from curlet.formats.path_doc import NodeDoc, node_rows, to_path
from curlet.store.state import Row, State

Id = Annotated[str, Field(min_length=1, max_length=60)]
Ids = Annotated[list[Id], Field(min_length=1, max_length=10_000)]
Typed = Annotated[str, Field(min_length=1, max_length=64)]


class BaseIntent(BaseModel):
    """Changes a state and says, in words for Undo, what it did."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    @abstractmethod
    def apply(self, state: State) -> str: ...


def core_path(row: Row) -> Path:
    """The core's path of a kept row."""
    return to_path([NodeDoc(**node) for node in row["nodes"]], row["closed"])


def keep_path(state: State, path_id: str, path: Path) -> None:
    """Keep an edited path; its nodes' handles hang together as they did, and it is no longer the figure
    that it may have been.

    Raises
    ------
    BadInput
        If the path is locked.
    """
    row = state.get("path", path_id)
    check_unlocked(row)
    if row.get("lettering"):
        raise BadInput("This is lettering: change its text and numbers, or turn it into nodes first.")
    held = {node["id"]: node.get("handles") for node in row["nodes"]}
    nodes = [{**node, "handles": held.get(node["id"])} for node in node_rows(path)]
    state.update("path", path_id, nodes=nodes, figure={})


def check_unlocked(row: Row) -> None:
    """Refuses what would change a locked path."""
    if row.get("locked"):
        raise BadInput(f"{row['name']} is locked, so its line stays as it is. Unlock it first.")


def worn_length(typed: str, state: State) -> float:
    """A typed length on the garment, in sheet mm."""
    return Measure(read_measure(typed).value).drawn(state.scale)
