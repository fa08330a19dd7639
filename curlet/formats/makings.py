"""Every making, by its kind."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from curlet.formats.making import (
    AddCourse,
    MoveCourse,
    RemoveCourse,
    Rename,
    SetOnBrush,
    SetPiece,
    SetWidth,
    StretchOrRepeat,
    TakeFamily,
)
from curlet.formats.making_artwork import (
    CutCentre,
    CutInThree,
    Equalise,
    MatchPiece,
    SetCell,
    ToArtwork,
    TrimToCell,
    TurnArtwork,
)
from curlet.formats.making_drawing import (
    AddFigure,
    AlignShapes,
    CombineShapes,
    CopyOn,
    CopyRound,
    DottedEdge,
    GradeShapes,
    MirrorShapes,
    MoveShapes,
    ScaleShapes,
    SetGradient,
    SetShape,
    ShapesDo,
)

AnyMaking = Annotated[
    SetOnBrush | SetWidth | Rename | AddCourse | RemoveCourse | MoveCourse | TakeFamily | SetPiece
    | StretchOrRepeat | ToArtwork | TurnArtwork | SetCell | CutInThree | CutCentre | MatchPiece | Equalise
    | TrimToCell
    | AddFigure | SetShape | ShapesDo | MoveShapes | ScaleShapes | AlignShapes | MirrorShapes | CopyRound
    | CopyOn | GradeShapes | CombineShapes | SetGradient | DottedEdge,
    Field(discriminator="kind"),
]  # fmt: skip
