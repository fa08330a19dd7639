"""What a file that is exported says of itself."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from curlet.core.drawing import Drawing, Group

# Told how far a file is, of 1, and what is being done.
Tell = Callable[[float, str], None]


@dataclass(frozen=True)
class Output:
    """A format of exported files.

    Attributes
    ----------
    label : what it is called on screens.
    type : its media type.
    write : a drawing as a file, telling how far it is; the resolution, ppi, is ignored by formats without
        pixels.
    check : raises BadInput or TooMuch for a drawing and a resolution that cannot be written.
    pixels : whether it has a resolution.
    """

    label: str
    type: str
    write: Callable[[Drawing, float, Tell], bytes]
    check: Callable[[Drawing, float], object] = lambda drawing, ppi: None
    pixels: bool = False
    settings: tuple[str, ...] = ()


def untold(share: float, doing: str) -> None:
    """For a file that nobody waits for."""


def each_group(drawing: Drawing, tell: Tell) -> Iterator[Group]:
    """The groups of a drawing as they are written, telling how far it is."""
    for done, group in enumerate(drawing.groups):
        tell(done / len(drawing.groups), "Drawing")
        yield group
    tell(1.0, "Drawing")
