"""Intents that fill areas: with a cloth, a gradient, a picture, or nothing."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal

from pydantic import Field

from curlet.core.dress.fill import FADE, Placed, covering, dragged, sized
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.formats.fill_doc import FillDoc, PictureFillDoc, PictureId, check_fill
from curlet.formats.names import Name
from curlet.formats.path_doc import Coordinate
from curlet.store.commands.guides import DRAGGED, Grip
from curlet.store.commands.intent import BaseIntent, Entered, Id, Ids, garment_length
from curlet.store.fills import box_of, picture_fill, shapes_of_paths
from curlet.store.names import names_of
from curlet.store.pictures import has_picture
from curlet.store.records import Json
from curlet.store.shades import shade_colours
from curlet.store.state import State


class SetFill(BaseIntent):
    """Fill what closed paths enclose with a cloth, a gradient or a picture, or with nothing. The contours
    of one shape are filled together."""

    kind: Literal["set-fill"]
    paths: Ids
    fill: FillDoc | None = None

    def apply(self, state: State) -> str:
        if self.fill:
            check_fill(self.fill, shade_colours(state))
        if isinstance(self.fill, PictureFillDoc) and not has_picture(self.fill.picture):
            raise BadInput(
                "The picture of this fill is not kept here. Fill the shape with the picture's file."
            )
        _fill(state, self.paths, self.fill.model_dump(mode="json") if self.fill else {})
        return f"{'Fill' if self.fill else 'Empty'} {names_of(state, self.paths)}"


class FillWithPicture(BaseIntent):
    """Fill what closed paths enclose with a kept picture, as small as it covers each shape."""

    kind: Literal["fill-with-picture"] = "fill-with-picture"
    paths: Ids
    picture: PictureId
    name: Name
    width: int = Field(gt=0)
    height: int = Field(gt=0)

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            lies = covering(*box_of(state, path_id), self.width, self.height)
            fill = PictureFillDoc(kind="picture", picture=self.picture, name=self.name, **vars(lies))
            _fill(state, [path_id], fill.model_dump(mode="json"))
        return f"Fill {names_of(state, self.paths)} with {self.name}"


class SetPictureFill(BaseIntent):
    """Place, size, turn, mirror or fade the picture inside a shape: its middle, from the sheet's left and
    top, and its width are entered as on the garment. `fit` makes it cover the shape, or fit wholly inside
    its box."""

    kind: Literal["set-picture-fill"]
    paths: Ids
    x: Entered | None = None
    y: Entered | None = None
    width: Entered | None = None
    turn: Entered | None = None
    fade: Entered | None = None
    mirrored: bool | None = None
    fit: Literal["cover", "inside"] | None = None

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            doc = picture_fill(state, path_id)
            lies = self._fitted(state, path_id, doc.placed()) if self.fit else doc.placed()
            values: Json = {}
            for side, entered in (("x", self.x), ("y", self.y)):
                if entered is not None:
                    values[side] = garment_length(entered, state)
            if self.turn is not None:
                values["turn"] = read_measure(self.turn, accepts=("°", "")).value
            if self.mirrored is not None:
                values["mirrored"] = self.mirrored
            if self.width is not None:
                lies = sized(lies, garment_length(self.width, state))
            if self.fade is not None:
                values["fade"] = FADE.check(read_measure(self.fade, accepts=("%", "")).value)
            _fill(state, [path_id], {**doc.at(lies).model_dump(mode="json"), **values})
        return f"Change the picture in {names_of(state, self.paths)}"

    def _fitted(self, state: State, path_id: str, lies: Placed) -> Placed:
        """However it is turned, it covers the shape's box, or lies within it."""
        low, high = box_of(state, path_id)
        c, s = abs(math.cos(math.radians(lies.turn))), abs(math.sin(math.radians(lies.turn)))
        across, down = (high - low).tolist()
        if self.fit == "cover":
            size = max((across * c + down * s) / lies.width, (across * s + down * c) / lies.height)
        else:
            wide, tall = lies.width * c + lies.height * s, lies.width * s + lies.height * c
            size = min(across / wide, down / tall)
        x, y = ((low + high) / 2).tolist()
        return Placed(x, y, lies.width * size, lies.height * size, lies.turn, lies.mirrored)


class DragPictureFill(BaseIntent):
    """Bring the picture inside a shape by one of its grips to a spot (sheet mm), as `dragged` has it."""

    kind: Literal["drag-picture-fill"]
    path: Id
    grip: Grip
    x: Coordinate
    y: Coordinate
    steady: bool = False

    def apply(self, state: State) -> str:
        doc = picture_fill(state, self.path)
        lies = dragged(doc.placed(), self.grip, (self.x, self.y), self.steady)
        _fill(state, [self.path], doc.at(lies).model_dump(mode="json"))
        return f"{DRAGGED.get(self.grip, 'Size')} {doc.name}"


def _fill(state: State, paths: Sequence[str], fill: Json) -> None:
    for path_id in paths:
        row = state.get("path", path_id)
        if fill and not row["closed"]:
            raise BadInput(f"{row['name']} is open, so it encloses nothing. Close it first.")
    for contour in shapes_of_paths(state, paths):
        if contour["closed"] or not fill:
            state.update("path", contour["id"], fill=fill)
