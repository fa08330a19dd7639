"""What shapes would make in each of the four ways, before one is chosen."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from flask import Response
from pydantic import BaseModel, Field

from curlet.core.area.edges import Edge, outline_of_edges
from curlet.core.area.ways import WAYS
from curlet.formats.area_doc import MOST_MEMBERS, AreaDoc, MemberDoc
from curlet.formats.choices import WayName
from curlet.formats.numbers import terse_data
from curlet.store import journal
from curlet.store.areas import edges_of_area
from curlet.store.records import Json
from curlet.web.replies import Replies, json_reply
from curlet.web.routes import Routes
from curlet.web.schemas import Problem, SheetUrl

areas = Routes("areas", __name__, url_prefix="/api")


class Shapes(BaseModel):
    """Closed paths, runs and areas, the first of them first."""

    members: Annotated[tuple[MemberDoc, ...], Field(min_length=1, max_length=MOST_MEMBERS)]


class WayShown(BaseModel):
    """What a way would make: path data in sheet mm, and the box around all that the shapes take up; or why it
    makes nothing."""

    way: WayName
    d: str
    empty: str | None


class WaysShown(BaseModel):
    left: float
    top: float
    width: float
    height: float
    ways: list[WayShown]


_REPLIES: Replies = {200: WaysShown, 404: Problem, 413: Problem, 422: Problem}


@areas.post("/sheets/<sheet_id>/areas/ways", responses=_REPLIES)
def ways(path: SheetUrl, body: Shapes) -> Response:
    """What shapes of a sheet would make in each way."""
    state = journal.find_sheet(path.sheet_id)
    made = {way: edges_of_area(state, AreaDoc(way=way, members=body.members)) for way in WAYS}
    return json_reply({**_box(made["join"]), "ways": [_shown(way, edges) for way, edges in made.items()]})


def _shown(way: str, edges: tuple[Edge, ...]) -> Json:
    empty = None if edges else WAYS[way].empty
    return {"way": way, "d": terse_data(outline_of_edges(edges)) if edges else "", "empty": empty}


def _box(edges: tuple[Edge, ...]) -> dict[str, float]:
    points = np.concatenate([edge.cubics.reshape(-1, 2) for edge in edges]) if edges else np.zeros((1, 2))
    (left, top), (right, foot) = points.min(axis=0).tolist(), points.max(axis=0).tolist()
    return {"left": left, "top": top, "width": right - left, "height": foot - top}
