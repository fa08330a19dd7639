"""Numbers as they are written in SVG and PDF: mm to a tenth of a micrometre."""

from __future__ import annotations

import re
from collections.abc import Iterable
from weakref import WeakKeyDictionary

import numpy as np
import orjson
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, Outline

DECIMALS = 4


def number(value: float) -> str:
    """Shortest text of a value rounded to 4 decimals."""
    text = f"{value:.{DECIMALS}f}".rstrip("0").rstrip(".")
    return "0" if text in ("-0", "") else text


def numbers(values: Iterable[float]) -> str:
    return " ".join(number(value) for value in values)


def path_data(commands: str, points: NDArray[np.float64], decimals: int = DECIMALS) -> str:
    """SVG path data of one outline."""
    texts = number_texts(points, decimals)
    out, at = [], 0
    for command in commands:
        count = 2 * POINTS_PER_COMMAND[command]
        out.append(command + " ".join(texts[at : at + count]))
        at += count
    return "".join(out)


def number_texts(points: NDArray[np.float64], decimals: int = DECIMALS) -> list[str]:
    """Every number's text. An outline has thousands of them, so orjson writes them all at once. Rounded as
    numpy does, without its preliminaries; adding 0 makes −0 into 0."""
    tens = 10.0**decimals
    rounded = np.rint(points.ravel() * tens) / tens + 0.0
    text = orjson.dumps(rounded, option=orjson.OPT_SERIALIZE_NUMPY).decode()
    return f"{text[1:-1]},".replace(".0,", ",")[:-1].split(",")


# What was written of an outline, for as long as there is that outline: a path is shown twice, as a line to
# choose it by and as it was drawn.
_TERSE: WeakKeyDictionary[Outline, tuple[int, str]] = WeakKeyDictionary()


def terse_data(outline: Outline, decimals: int = DECIMALS) -> str:
    """SVG path data as short work as may be: a command is not repeated before each of its points (SVG 2,
    9.3.2), which is fine for a screen and less so for a person who reads a file."""
    finely, text = _TERSE.get(outline, (None, ""))
    if finely != decimals:
        text = _terse(outline, decimals)
        _TERSE[outline] = decimals, text
    return text


def _terse(outline: Outline, decimals: int) -> str:
    texts, out, at = number_texts(outline.points, decimals), [], 0
    for run in _RUNS.findall(outline.commands):
        count = 2 * POINTS_PER_COMMAND[run[0]] * len(run)
        out.append(run[0] + " ".join(texts[at : at + count]))
        at += count
    return "".join(out)


# An M is never drawn together: points after its first would be lines.
_RUNS = re.compile("M|L+|C+|Z")


def outline_data(outline: Outline, decimals: int = DECIMALS) -> str:
    return path_data(outline.commands, outline.points, decimals)
