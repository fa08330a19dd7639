"""What a font is to lettering: it sets one line of text, a cap height being 1."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Protocol

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Outline

Floats = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Letter:
    """One letter of a line as set.

    Attributes
    ----------
    cluster : index in the line's text of the first character that it stands for.
    x : where its origin lies along the baseline, without added spacing.
    advance : how far it moves the pen on.
    outline : its contours about its origin, y downward; None where nothing is drawn, as for a space.
    """

    cluster: int
    x: float
    advance: float
    outline: Outline | None


class Font(Protocol):
    """Sets lines. `single_line` ones draw open lines, others closed outlines."""

    single_line: bool
    # How tall capitals are in ems.
    caps_share: float
    # Its file, where that is a TrueType one.
    file: bytes | None

    def set_line(self, text: str, *, spaced: bool) -> list[Letter]:
        """The letters of one line, shaped and kerned; `spaced` says that spacing will be added, so that no
        letters may run together into one."""
        ...

    def missing(self, text: str) -> str:
        """The characters that the font has not."""
        ...
