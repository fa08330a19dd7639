"""An area as it is kept: the shapes that it is made of, and in which way."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

from curlet.formats.choices import UseName, WayName
from curlet.formats.clean_doc import CleanDoc

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
