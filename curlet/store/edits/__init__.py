"""Every edit, by its kind."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from curlet.store.edits.artwork import (
    CutCentre,
    CutInThree,
    Equalise,
    MatchPiece,
    SetCell,
    ToArtwork,
    TrimToCell,
    TurnArtwork,
)
from curlet.store.edits.courses import (
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
from curlet.store.edits.drawing import (
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

AnyEdit = Annotated[
    SetOnBrush | SetWidth | Rename | AddCourse | RemoveCourse | MoveCourse | TakeFamily | SetPiece
    | StretchOrRepeat | ToArtwork | TurnArtwork | SetCell | CutInThree | CutCentre | MatchPiece | Equalise
    | TrimToCell
    | AddFigure | SetShape | ShapesDo | MoveShapes | ScaleShapes | AlignShapes | MirrorShapes | CopyRound
    | CopyOn | GradeShapes | CombineShapes | SetGradient | DottedEdge,
    Field(discriminator="kind"),
]  # fmt: skip
