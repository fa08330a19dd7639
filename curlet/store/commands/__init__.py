"""Commands: the one way to change data. A new one is a class with `apply` and a line here."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from curlet.store.commands.areas import CropPaths, FreeArea, MakeArea, SetArea
from curlet.store.commands.arrange import (
    AlignPaths,
    LockPaths,
    MovePaths,
    ShowPaths,
    SpreadPaths,
    TurnPaths,
)
from curlet.store.commands.callouts import AddCallOuts, RemoveCallOuts, SetCallOut
from curlet.store.commands.clip import Paste
from curlet.store.commands.figures import DrawFigure, ReshapeFigure
from curlet.store.commands.fills import DragPictureFill, FillWithPicture, SetFill, SetPictureFill
from curlet.store.commands.guides import AddGuide, CalibrateGuide, DragGuide, RemoveGuide, SetGuide
from curlet.store.commands.halves import CutLoose, LinkHalves
from curlet.store.commands.intent import BaseIntent as Intent
from curlet.store.commands.lettering import FreeLettering, SetLettering, WriteLettering
from curlet.store.commands.looks import GiveLook, MakeLook
from curlet.store.commands.marks import KeepMark, RemoveMark
from curlet.store.commands.nodes import (
    AddNode,
    CutPath,
    DeleteNodes,
    MoveHandle,
    MoveNodes,
    PlaceNode,
    ShapeNode,
)
from curlet.store.commands.order import Reorder
from curlet.store.commands.path_work import (
    DuplicatePaths,
    JoinPaths,
    MirrorPaths,
    ParallelCopy,
    ReversePaths,
    SimplifyPaths,
    SplitPath,
)
from curlet.store.commands.paths import (
    DeletePaths,
    DrawPath,
    GroupPaths,
    ImportDrawing,
    RenamePath,
    SetGroup,
)
from curlet.store.commands.places import (
    FlipCrossing,
    NewSeed,
    OpenPath,
    SetCorner,
    SetCount,
    SetRepeat,
    SlideStart,
)
from curlet.store.commands.runs import (
    FlipRun,
    FollowBrush,
    GiveToBrush,
    LayBrush,
    MatchLine,
    MeasureOn,
    RemoveRuns,
    ReverseRun,
    SetOnRuns,
    ShowRun,
    SwitchCourse,
)
from curlet.store.commands.shades import (
    AddColourway,
    AddShade,
    ImportShades,
    NewShade,
    OrderShade,
    RemoveColourway,
    RemoveShade,
    RenameColourway,
    SetShade,
    ShadesFromUse,
    ShowColourway,
)
from curlet.store.commands.sheet import ScaleByLength, SetSheet
from curlet.store.commands.singles import PlaceSingle, RemoveSingles, SetSingle
from curlet.store.commands.sketch import SketchPath

AnyIntent = Annotated[
    DrawPath
    | SketchPath
    | DrawFigure
    | ReshapeFigure
    | WriteLettering
    | SetLettering
    | FreeLettering
    | MoveNodes
    | MoveHandle
    | AddNode
    | DeleteNodes
    | ShapeNode
    | PlaceNode
    | CutPath
    | DeletePaths
    | RenamePath
    | ParallelCopy
    | MirrorPaths
    | LinkHalves
    | CutLoose
    | DuplicatePaths
    | ReversePaths
    | SplitPath
    | JoinPaths
    | SimplifyPaths
    | MovePaths
    | TurnPaths
    | AlignPaths
    | SpreadPaths
    | ShowPaths
    | LockPaths
    | GroupPaths
    | SetGroup
    | LayBrush
    | RemoveRuns
    | SetOnRuns
    | MeasureOn
    | FollowBrush
    | GiveToBrush
    | MakeLook
    | GiveLook
    | ReverseRun
    | FlipRun
    | ShowRun
    | SwitchCourse
    | SetCorner
    | SetCount
    | SetRepeat
    | FlipCrossing
    | SlideStart
    | OpenPath
    | NewSeed
    | Reorder
    | Paste
    | MatchLine
    | SetFill
    | SetPictureFill
    | DragPictureFill
    | MakeArea
    | SetArea
    | FreeArea
    | CropPaths
    | SetGuide
    | DragGuide
    | CalibrateGuide
    | RemoveGuide
    | PlaceSingle
    | SetSingle
    | RemoveSingles
    | AddShade
    | SetShade
    | OrderShade
    | RemoveShade
    | ShadesFromUse
    | AddColourway
    | ShowColourway
    | RenameColourway
    | RemoveColourway
    | KeepMark
    | RemoveMark
    | AddCallOuts
    | SetCallOut
    | RemoveCallOuts
    | ScaleByLength
    | SetSheet,
    Field(discriminator="kind"),
]

__all__ = ["AddGuide", "AnyIntent", "FillWithPicture", "ImportDrawing", "ImportShades", "Intent", "NewShade"]
