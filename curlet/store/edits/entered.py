"""What is entered into an edit's fields, read: lengths, angles, counts, colours."""

from __future__ import annotations

import re
from typing import Annotated, Any

from pydantic import Field, field_validator

from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.formats.brush_motifs import RoleDoc

Text = Annotated[str, Field(min_length=1, max_length=64)]

MAX_COLOURS, MAX_THREADS = 24, 64


class TypedRole(RoleDoc):
    """A role whose own colour may be written as any CSS colour."""

    own: str | None = None

    @field_validator("own", mode="before")
    @classmethod
    def _read(cls, text: Any) -> Any:
        return read_colour(text) if isinstance(text, str) else text


def mm(entered: str) -> float:
    """An entered length in mm; it may be below 0."""
    return read_measure(entered).value


def count_of(entered: str) -> int:
    return round(read_measure(entered, accepts=("",)).value)


def degrees(entered: str) -> float:
    return read_measure(entered, accepts=("°", "")).value


def percent(entered: str) -> float:
    return read_measure(entered, accepts=("%", "")).value


def listed(text: str) -> list[str]:
    """What stands between commas; those within brackets belong to a colour."""
    return [part.strip() for part in re.split(r",(?![^(]*\))", text) if part.strip()]


def roles_of(text: str) -> list[RoleDoc]:
    """Thread numbers and colours with commas between, as roles: "1, 1, crimson".

    Raises
    ------
    BadInput
        If there are none or too many, or one is neither a thread's number nor a colour.
    """
    parts = listed(text)
    if not 0 < len(parts) <= MAX_COLOURS:
        raise BadInput(f"Name 1 to {MAX_COLOURS} thread numbers or colours, with commas between.")
    return [_role(part) for part in parts]


def _role(part: str) -> RoleDoc:
    if not part.isdecimal():
        return TypedRole(own=part)
    if not 1 <= int(part) <= MAX_THREADS:
        raise BadInput(f"Threads are numbered from 1 to {MAX_THREADS}; “{part[:12]}” is none of them.")
    return RoleDoc(thread=int(part))
