"""The brush file: a versioned JSON document, and the brush it describes."""

from __future__ import annotations

from functools import lru_cache
from typing import Annotated, Literal

import orjson
from pydantic import BaseModel, ConfigDict, Field, FiniteFloat, ValidationError

from curlet.core.brush.brush import Brush, CornerRule, FitRule, Row, Share
from curlet.core.errors import BadInput
from curlet.core.measures import Frame, Measure
from curlet.core.motif.families import Running
from curlet.formats.pointer import Json, patched


class Strict(BaseModel):
    model_config = ConfigDict(extra="forbid", frozen=True)


class MeasureDoc(Strict):
    """A length in mm, worn (on the garment) or printed (on paper)."""

    mm: FiniteFloat
    frame: Literal["worn", "printed"] = "worn"

    def to_core(self) -> Measure:
        return Measure(self.mm, Frame(self.frame))


class ShareDoc(Strict):
    """A gap as a percentage of the repeat's length."""

    percent: FiniteFloat

    def to_core(self) -> Share:
        return Share(self.percent)


class RunningDoc(Strict):
    """A running stitch: thread thickness and ends."""

    family: Literal["running"] = "running"
    thread: MeasureDoc = MeasureDoc(mm=0.4)
    ends: Literal["round", "flat"] = "round"

    def to_core(self) -> Running:
        return Running(self.thread.to_core(), self.ends)


class FitDoc(Strict):
    """What is done with the remainder."""

    kind: Literal["leave-over", "even-gaps", "ease"] = "ease"
    remainder: Literal["end", "start", "shared"] = "end"
    keep_gap: bool = False
    short_legs: bool = False
    tolerance: FiniteFloat = 5.0

    def to_core(self) -> FitRule:
        return FitRule(**self.model_dump())


class RowDoc(Strict):
    """A course of repeats."""

    course: Literal["row"] = "row"
    motif: RunningDoc = RunningDoc()
    length: MeasureDoc = MeasureDoc(mm=3)
    gap: MeasureDoc | ShareDoc = MeasureDoc(mm=1)
    hold: Literal["pinned"] = "pinned"
    fit: FitDoc = FitDoc()

    def to_core(self) -> Row:
        return Row(
            self.motif.to_core(),
            self.length.to_core(),
            self.gap.to_core(),
            self.fit.to_core(),
            self.hold,
        )


class CornerDoc(Strict):
    """How corners are turned, and the turn in degrees that makes one."""

    manner: Literal["pivot", "carry"] = "pivot"
    angle: FiniteFloat = 30.0

    def to_core(self) -> CornerRule:
        return CornerRule(self.manner, self.angle)


Thread = Annotated[str, Field(pattern=r"^#[0-9a-f]{6}$")]


class BrushDoc(Strict):
    """A brush file, version 1."""

    format: Literal["curlet-brush"] = "curlet-brush"
    version: Literal[1] = 1
    name: Annotated[str, Field(min_length=1, max_length=120)] = "Topstitch"
    kind: Literal["stitch"] = "stitch"
    courses: Annotated[tuple[RowDoc, ...], Field(min_length=1, max_length=16)] = (RowDoc(),)
    corners: CornerDoc = CornerDoc()
    threads: Annotated[tuple[Thread, ...], Field(min_length=1, max_length=64)] = ("#e9c46a",)

    def to_core(self) -> Brush:
        courses = tuple(course.to_core() for course in self.courses)
        return Brush(self.name, courses, self.corners.to_core(), self.threads)


def read_brush(document: Json, own: dict[str, Json] | None = None) -> BrushDoc:
    """A brush document with a run's own settings put in.

    Raises
    ------
    BadInput
        If it is not a brush file that this version can read.
    """
    return _read(orjson.dumps(patched(document, own) if own else document))


@lru_cache(maxsize=512)
def _read(document: bytes) -> BrushDoc:
    try:
        return BrushDoc.model_validate_json(document)
    except ValidationError as error:
        first = error.errors()[0]
        place = "/".join(str(part) for part in first["loc"]) or "the file"
        raise BadInput(f"This brush cannot be read: {place}: {first['msg']}.") from None
