"""The brush file: a versioned JSON document, and the brush it describes."""

from __future__ import annotations

import re
from functools import lru_cache
from typing import TYPE_CHECKING, Annotated, Any, Literal

import orjson
from pydantic import Field, ValidationError, create_model, model_validator

from curlet.core.brush.brush import Brush, CrossingRule
from curlet.core.brush.rules import CornerRule
from curlet.core.dress.relief import FLAT, Relief
from curlet.core.dress.take import OWN, TakeRule
from curlet.core.errors import BadInput
from curlet.formats.brush_courses import BandDoc, FadeDoc, RowDoc, SpanDoc, core_fade
from curlet.formats.brush_motifs import MeasureDoc, Number, Strict, core_values, settings_fields
from curlet.formats.choices import Crossing, Finish, Kind, Made, Manner, TakeName
from curlet.formats.content import Content
from curlet.formats.names import Name
from curlet.formats.pointer import Json, look_up, patched


class _Corners(Strict):
    """How corners are turned, and the turn in degrees that makes one."""

    manner: Manner = CornerRule.manner
    made: Made = CornerRule.made

    def to_core(self) -> CornerRule:
        return CornerRule(**core_values(self))


class _Relief(Strict):
    """How raised the artwork is, its finish, and the shadow that it throws."""

    finish: Finish = Relief.finish

    def to_core(self) -> Relief:
        return Relief(**core_values(self))


class _Take(Strict):
    """How artwork with colours of its own takes the thread."""

    way: TakeName = TakeRule.way

    def to_core(self) -> TakeRule:
        return TakeRule(**core_values(self))


if TYPE_CHECKING:

    class CornerDoc(_Corners):
        def __init__(self, **values: Any) -> None: ...

    class ReliefDoc(_Relief):
        def __init__(self, **values: Any) -> None: ...

    class TakeDoc(_Take):
        def __init__(self, **values: Any) -> None: ...

else:
    # Their other fields are those of the rule's settings.
    CornerDoc = create_model(
        "CornerDoc", __base__=_Corners, __doc__=_Corners.__doc__, **settings_fields(CornerRule())
    )
    ReliefDoc = create_model("ReliefDoc", __base__=_Relief, __doc__=_Relief.__doc__, **settings_fields(FLAT))
    TakeDoc = create_model("TakeDoc", __base__=_Take, __doc__=_Take.__doc__, **settings_fields(OWN))


class CrossingDoc(Strict):
    """Where a path crosses itself: both passes drawn, or one over the other with a clearance."""

    manner: Crossing = "plain"
    clearance: MeasureDoc = MeasureDoc(mm=0.4)

    def to_core(self) -> CrossingRule:
        return CrossingRule(self.manner, self.clearance.to_core())


_COLOUR = re.compile("#[0-9a-f]{6}")
Thread = Annotated[str, Field(pattern=f"^{_COLOUR.pattern}$")]
Pointer = Annotated[str, Field(min_length=2, max_length=120, pattern="^/")]


class LookDoc(Strict):
    """What makes a brush a look: the names of the shades that its colours are, by their places in the
    document, and which of them are the colour that a path has. The colours in the document are those of a
    sheet that has no such shades."""

    shades: Annotated[dict[Pointer, Name], Field(max_length=200, default_factory=dict)]
    of_path: Annotated[tuple[Pointer, ...], Field(max_length=64)] = ()


CourseDoc = Annotated[RowDoc | BandDoc | SpanDoc, Field(discriminator="course")]


class BrushDoc(Strict):
    """A brush file, version 1."""

    format: Literal["curlet-brush"] = "curlet-brush"
    version: Literal[1] = 1
    name: Name = "Topstitch"
    kind: Kind = "stitch"
    courses: Annotated[tuple[CourseDoc, ...], Field(min_length=1, max_length=16)] = (RowDoc(),)
    corners: CornerDoc = CornerDoc()
    crossings: CrossingDoc = CrossingDoc()
    threads: Annotated[tuple[Thread, ...], Field(min_length=1, max_length=64)] = ("#e9c46a",)
    relief: ReliefDoc = ReliefDoc()
    take: TakeDoc = TakeDoc()
    opacity: Number = 100.0
    fade: FadeDoc = ()
    soft: MeasureDoc = MeasureDoc(mm=0)
    look: LookDoc | None = None

    @model_validator(mode="after")
    def _look_points_at_colours(self) -> BrushDoc:
        if self.look:
            whole = self.model_dump(mode="json", exclude={"look"})
            for pointer in (*self.look.shades, *self.look.of_path):
                value = look_up(whole, pointer)
                if not (isinstance(value, str) and _COLOUR.fullmatch(value)):
                    raise ValueError(f"{pointer[:60]} is not a colour, so a look cannot name its shade")
        return self

    def to_core(self) -> Brush:
        courses = tuple(course.to_core() for course in self.courses)
        corners, crossings = self.corners.to_core(), self.crossings.to_core()
        relief, take = self.relief.to_core(), self.take.to_core()
        return Brush(
            name=self.name,
            courses=courses,
            corners=corners,
            crossings=crossings,
            threads=self.threads,
            kind=self.kind,
            relief=relief,
            take=take,
            opacity=self.opacity,
            fade=core_fade(self.fade),
            soft=self.soft.to_core(),
        )


def read_brush(document: Json, own: dict[str, Json] | None = None) -> BrushDoc:
    """A brush document with a run's own settings put in.

    Raises
    ------
    BadInput
        If it is not a brush file that this version can read.
    """
    return read_content(Content((document, own or {})))


@lru_cache(maxsize=512)
def core_brush(written: Content) -> Brush:
    """The core's brush of the same; raises as `read_brush`."""
    return read_content(written).to_core()


@lru_cache(maxsize=512)
def read_content(written: Content) -> BrushDoc:
    """As `read_brush`, of the content of a document and of a run's own settings."""
    document, own = written.value
    version = document.get("version") if isinstance(document, dict) else None
    if isinstance(version, int) and version > 1:
        raise BadInput("This brush was made by a newer Curlet. Update Curlet to read it.")
    try:
        # As strict as from a file: numbers that are none are refused.
        return BrushDoc.model_validate_json(orjson.dumps(patched(document, own) if own else document))
    except ValidationError as error:
        first = error.errors()[0]
        place = "/".join(str(part) for part in first["loc"]) or "the file"
        raise BadInput(f"This brush cannot be read: {place}: {first['msg']}.") from None
