"""What a file that is exported says of itself."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from curlet.core.drawing import Drawing


@dataclass(frozen=True)
class Output:
    """A format of exported files.

    Attributes
    ----------
    label : what it is called on screens.
    type : its media type.
    write : a drawing as a file; the resolution, ppi, is ignored by formats without pixels.
    check : raises BadInput or TooMuch for a drawing and a resolution that cannot be written.
    pixels : whether it has a resolution.
    """

    label: str
    type: str
    write: Callable[[Drawing, float], bytes]
    check: Callable[[Drawing, float], object] = lambda drawing, ppi: None
    pixels: bool = False
    settings: tuple[str, ...] = ()
