"""An area as it is kept: the shapes that it is made of, and in which way."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, FiniteFloat, model_validator

from curlet.core.area.clean import PLAIN, Clean
from curlet.formats.choices import UseName, WayName

MOST_MEMBERS = 200


class MemberDoc(BaseModel):
    """A closed path, a run or another area, by its id.

    `use` says what of a run is meant: its silhouette, that and what its path encloses, or what its path
    encloses less the silhouette.
    """

    model_config = ConfigDict(extra="forbid", frozen=True)
    kind: Literal["path", "run", "area"]
    id: Annotated[str, Field(min_length=1, max_length=60)]
    use: UseName = "shape"


class CleanDoc(BaseModel):
    """How an area's edges are cleaned: `gaps` and `grow` in sheet mm, `least` in mm² on the sheet."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    gaps: FiniteFloat = PLAIN.gaps
    grow: FiniteFloat = PLAIN.grow
    round: bool = PLAIN.round
    least: FiniteFloat = PLAIN.least

    def to_core(self) -> Clean:
        """The core's; raises BadInput where a number is out of bounds."""
        clean = Clean(**self.model_dump())
        clean.check()
        return clean


class AreaDoc(BaseModel):
    """An area's shapes, the first of them first, how they make it, and how its edges are cleaned."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    way: WayName = "join"
    members: Annotated[tuple[MemberDoc, ...], Field(min_length=1, max_length=MOST_MEMBERS)]
    clean: CleanDoc = CleanDoc()

    @model_validator(mode="after")
    def _each_once(self) -> AreaDoc:
        if len({(member.kind, member.id) for member in self.members}) != len(self.members):
            raise ValueError("A shape is named twice.")
        return self
