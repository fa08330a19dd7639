"""Numbers as they are written in SVG: mm to a tenth of a micrometre."""

from __future__ import annotations

from collections.abc import Iterable

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, Outline

DECIMALS = 4


def number(value: float) -> str:
    """Shortest text of a value rounded to 4 decimals."""
    text = f"{value:.{DECIMALS}f}".rstrip("0").rstrip(".")
    return "0" if text in ("-0", "") else text


def numbers(values: Iterable[float]) -> str:
    return " ".join(number(value) for value in values)


def path_data(commands: str, points: NDArray[np.float64]) -> str:
    """SVG path data of one outline."""
    texts = [number(value) for value in points.ravel().tolist()]
    out, at = [], 0
    for command in commands:
        count = 2 * POINTS_PER_COMMAND[command]
        out.append(command + " ".join(texts[at : at + count]))
        at += count
    return "".join(out)


def outline_data(outline: Outline) -> str:
    return path_data(outline.commands, outline.points)
