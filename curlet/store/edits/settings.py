"""Settings of a brush by JSON Pointer: reading what was entered into each."""

from __future__ import annotations

import re

from curlet.core.brush.courses import Row
from curlet.core.brush.gauge import alike_rows, gauge, offsets_for_gauge
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, MeasuredOn, Reading, Scale, read_measure, spi_to_pitch
from curlet.core.thread import read_thread
from curlet.formats.brush_file import BrushDoc
from curlet.formats.pointer import Json, look_up
from curlet.store.edits.entered import roles_of

Entered = str | bool | float

_UNITS = {
    "angle": ("°", ""),
    "tolerance": ("%", ""),
    "size": ("%", ""),
    "weight": ("%", ""),
    "lighter": ("%", ""),
    "amount": ("%", "°", ""),
    "turn": ("°", ""),
    "height": ("%", ""),
    "opacity": ("%", ""),
    "shadow": ("%", ""),
    "softness": ("%", ""),
    "strength": ("%", ""),
}
# The distance between rows that are alike: of no course alone.
GAUGE = "/gauge"
_ALIKE = "/courses/*/"
_COURSE = re.compile(r"^/courses/(\d{1,2})/")


def pointers_of(brush: BrushDoc, pointer: str) -> list[str]:
    """The settings that a pointer names: "/courses/*/…" is of each row that is set with the main one, and
    so of none where a brush has no row."""
    if pointer == GAUGE:
        return [f"/courses/{index}/offset" for index in alike_rows(brush.to_core())]
    if not pointer.startswith(_ALIKE):
        return [pointer]
    within = pointer.removeprefix(_ALIKE)
    return [f"/courses/{index}/{within}" for index in alike_rows(brush.to_core())]


def read_gauge(brush: BrushDoc, entered: Entered) -> dict[str, Json]:
    """The offset of each alike row, by pointer, for the gauge that was entered; BadInput if it has none."""
    core = brush.to_core()
    now = gauge(core)
    on = now.on if now else MeasuredOn.GARMENT
    apart = Measure(read_measure(str(entered)).value, on)
    return {
        f"/courses/{index}/offset": {"mm": offset.mm, "on": str(offset.on)}
        for index, offset in offsets_for_gauge(core, apart).items()
    }


def read_setting(brush: BrushDoc, pointer: str, entered: Entered, scale: Scale) -> Json:
    """The value to keep at `pointer` for what was entered there.

    Lengths take units and sums; a stitch length also takes "8 spi", which sets the pitch and
    keeps the gap; a gap also takes "30 %" of the stitch length.

    Raises
    ------
    BadInput
        If the text does not suit the setting.
    """
    now = look_up(brush.model_dump(mode="json"), pointer)
    if isinstance(now, dict) and {"mm", "percent"} & set(now):
        return _length(brush, pointer, now, str(entered), scale)
    if isinstance(now, bool) or isinstance(entered, bool):
        if isinstance(now, bool) != isinstance(entered, bool):
            raise BadInput("This setting is either on or off.")
        return entered
    if isinstance(now, float | int):
        accepts = _UNITS.get(pointer.rsplit("/", 1)[-1], ("",))
        return read_measure(str(entered), accepts=accepts).value
    if pointer.startswith("/threads/"):
        return read_colour(str(entered))
    if pointer.endswith("/shades"):
        text = str(entered)
        return [role.model_dump(mode="json") for role in roles_of(text)] if text.strip() else []
    if isinstance(now, str):
        return str(entered)
    raise BadInput(f"{pointer[:60]} is not a setting that can be entered.")


def _length(brush: BrushDoc, pointer: str, now: Json, entered: str, scale: Scale) -> Json:
    reading = _read(pointer, now, entered)
    if reading.unit == "%":
        return {"percent": reading.value}
    if reading.unit == "thread":
        return {"mm": reading.value, "on": "garment"}
    if reading.unit == "spi":
        row = _row(brush, pointer)
        return {"mm": row.length_for_pitch(spi_to_pitch(reading.value), scale), "on": "garment"}
    return {"mm": reading.value, "on": now.get("on", "garment")}


def _read(pointer: str, now: Json, entered: str) -> Reading:
    if pointer.endswith("/gap"):
        return read_measure(entered, accepts=("%", "mm") if "percent" in now else ("mm", "%"))
    if pointer.endswith("/thread") and (mm := read_thread(entered)) is not None:
        # A thread's thickness is on the garment, whatever it is shown on.
        return Reading(mm, "thread")
    if pointer.endswith("/length"):
        return read_measure(entered, accepts=("mm", "spi"))
    return read_measure(entered)


def _row(brush: BrushDoc, pointer: str) -> Row:
    match = _COURSE.match(pointer)
    if not match:
        raise BadInput("Only a course has a stitch length.")
    course = brush.courses[int(match[1])].to_core()
    if not isinstance(course, Row):
        raise BadInput("Only a row of repeats has a stitch length.")
    return course


def measured_on(brush: BrushDoc, pointer: str, on: str, scale: Scale) -> Json:
    """The same drawn length, stated on the garment or on paper."""
    now = look_up(brush.model_dump(mode="json"), pointer)
    if not (isinstance(now, dict) and "mm" in now):
        raise BadInput("Only a length can be on the garment or on paper.")
    measure = Measure(now["mm"], MeasuredOn(now["on"]))
    mm = measure.on_garment(scale) if on == "garment" else measure.drawn(scale)
    return {"mm": mm, "on": on}
