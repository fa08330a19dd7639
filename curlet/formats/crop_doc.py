"""What something is cropped to, as it is kept."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field


class CropDoc(BaseModel):
    """A closed path or an area, by its id: only what lies inside of it is seen, or only what lies outside."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    kind: Literal["path", "area"]
    id: Annotated[str, Field(min_length=1, max_length=60)]
    outside: bool = False
