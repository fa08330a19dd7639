"""A measurement as it is kept: where it was taken."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

from curlet.formats.path_doc import Coordinate, NodeId

Spot = tuple[Coordinate, Coordinate]
AnchorDoc = tuple[NodeId, NodeId, Annotated[float, Field(ge=0, le=1)]]


class MarkDoc(BaseModel):
    """Two or three places on the sheet, mm, and what is measured between them: the distance straight or along
    a path, the angle at the second, or the radius of the circle through all three.

    Attributes
    ----------
    anchors : where on the path each place lies, by the nodes before and after it and the share of the length
        between them, so that a kept measurement stays with the path; none while it is taken.
    """

    model_config = ConfigDict(extra="forbid", frozen=True)
    what: Literal["straight", "along", "angle", "radius"]
    places: Annotated[tuple[Spot, ...], Field(min_length=1, max_length=3)]
    path: str | None = None
    anchors: Annotated[tuple[AnchorDoc, ...], Field(max_length=3)] = ()
