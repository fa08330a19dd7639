"""What an intent is: one thing a person does, as data."""

from __future__ import annotations

from abc import abstractmethod
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from curlet.core.measures import Measure, read_measure
from curlet.formats.names import Name as Name
from curlet.store.records import Id as Id
from curlet.store.state import State

Ids = Annotated[list[Id], Field(min_length=1, max_length=10_000)]
Entered = Annotated[str, Field(min_length=1, max_length=64)]


class BaseIntent(BaseModel):
    """Changes a state and says, in words for Undo, what it did."""

    model_config = ConfigDict(extra="forbid", frozen=True)

    @abstractmethod
    def apply(self, state: State) -> str: ...


def garment_length(entered: str, state: State) -> float:
    """An entered length on the garment, in sheet mm."""
    return Measure(read_measure(entered).value).drawn(state.scale)
