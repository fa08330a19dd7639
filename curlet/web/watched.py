"""Long requests: how far each is can be asked for meanwhile; one whose asker has gone stops."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated

from flask import Response, request
from pydantic import BaseModel, Field

from curlet.studio.under_way import UnderWay
from curlet.web.asking import gone
from curlet.web.replies import json_reply
from curlet.web.routes import Routes

under_way = Routes("under_way", __name__, url_prefix="/api")

# The name that a request gives its work, so that its progress can be asked for.
HEADER = "Curlet-Work"
_MAX_NAME, _MAX_KEPT = 64, 256
_works: dict[str, UnderWay] = {}


class WorkUrl(BaseModel):
    name: Annotated[str, Field(max_length=_MAX_NAME)]


class WorkShown(BaseModel):
    """So many things of a total are done; nothing where the work has not begun, or is done."""

    done: int
    total: int
    doing: str


@under_way.get("/under-way/<name>", responses={200: WorkShown})
def progress(path: WorkUrl) -> Response:
    """How far a request is that is under way."""
    work = _works.get(path.name) or UnderWay()
    return json_reply({"done": work.done, "total": work.total, "doing": work.doing})


@under_way.post("/under-way/<name>/stop", responses={200: WorkShown})
def stop(path: WorkUrl) -> Response:
    """Stop a request that is under way: it answers whether it was stopped, or done before."""
    if path.name in _works:
        _works[path.name].stop()
    return progress(path)


@contextmanager
def watched() -> Iterator[UnderWay]:
    """This request's work, to be asked about while the block runs."""
    work, name = UnderWay(gone()), request.headers.get(HEADER, "")[:_MAX_NAME]
    if name and len(_works) < _MAX_KEPT:
        _works[name] = work
    try:
        yield work
    finally:
        _works.pop(name, None)
