"""The API's common types. The front end's TypeScript types are made from these and their neighbours'."""

from __future__ import annotations

from typing import Annotated, Any, Literal

import werkzeug.datastructures
from flask_openapi3 import FileStorage
from pydantic import AfterValidator, BaseModel, Field

from curlet.store.commands import AnyIntent
from curlet.store.commands.intent import Ids
from curlet.store.similar import By

# Paths named in an address, so long at the most.
MOST_NAMED = 100_000
Number = Annotated[str, Field(min_length=1, max_length=64)]
# Counts that are kept: what JSON and the database both hold exactly.
Counter = Annotated[int, Field(ge=0, le=2**53)]


def _sent_with_a_name(value: object) -> object:
    if not isinstance(value, werkzeug.datastructures.FileStorage):
        raise ValueError("send a file, with its name")
    return value


# A file of a form.
Upload = Annotated[FileStorage, AfterValidator(_sent_with_a_name)]


class Lengths(BaseModel):
    """One length, on the garment and on paper, mm."""

    garment: float
    paper: float


class SetLength(Lengths):
    """A length that was asked for: in which frame, and as a share of the stitch if it was."""

    on: Literal["garment", "paper", "share"]
    percent: float | None = None


class Problem(BaseModel):
    """RFC 9457 problem details. Of a sheet that cannot be shown, its revision and what undo takes back."""

    title: str
    status: int
    detail: str
    revision: int | None = None
    fault_id: str | None = None
    undo: str | None = None


class SheetUrl(BaseModel):
    sheet_id: str


class RunUrl(SheetUrl):
    run_id: str


class BrushUrl(BaseModel):
    brush_id: str


class Command(BaseModel):
    """One thing to do to the sheet as it was at `revision`."""

    revision: Counter
    intent: AnyIntent


class TapeAsked(BaseModel):
    """A part of a run's Tape, garment mm along it; `intent` is what is being tried."""

    revision: Counter
    run: Annotated[str, Field(max_length=64)]
    low: Annotated[float, Field(ge=-1e7, le=1e7)]
    high: Annotated[float, Field(ge=-1e7, le=1e7)]
    intent: AnyIntent | None = None


class Revision(BaseModel):
    revision: Counter


class RepeatQuery(BaseModel):
    """A place on a run's Tape, garment mm."""

    at: Annotated[float, Field(ge=-1e7, le=1e7)]


class PlaceQuery(BaseModel):
    """A place as it is entered: from the sheet's left and top, or a length and a direction from another."""

    x: Annotated[str, Field(max_length=64)] | None = None
    y: Annotated[str, Field(max_length=64)] | None = None
    length: Annotated[str, Field(max_length=64)] | None = None
    direction: Annotated[str, Field(max_length=64)] | None = None
    from_x: float = 0.0
    from_y: float = 0.0


class Spot(BaseModel):
    """A place on the sheet, mm."""

    x: float
    y: float


class SimilarQuery(BaseModel):
    """What to look for: paths like one in some respect, in length within an entered tolerance."""

    path: str
    by: By
    within: Annotated[str, Field(max_length=64)] = "0 mm"


class Similar(BaseModel):
    paths: list[str]


class ClipPaths(BaseModel):
    """The paths to copy."""

    paths: Ids


class StripQuery(BaseModel):
    """`line` is as high for every brush; `background` lays under it what shows it best."""

    key: str = ""
    line: bool = False
    background: bool = False


Json = dict[str, Any]


class Restored(BaseModel):
    """What is there again."""

    id: str


class Removed(BaseModel):
    """What is no longer there."""

    id: str
