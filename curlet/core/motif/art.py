"""Shapes of artwork: their path data, where they reach, moved or changed."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import POINTS_PER_COMMAND, Affine, Outline
from curlet.core.motif.families.artwork import ArtShape, read_outline
from curlet.core.path.contours import contours
from curlet.core.path.cubics import points_on

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Box:
    """How far something reaches, mm."""

    left: float
    top: float
    right: float
    foot: float

    @property
    def length(self) -> float:
        return self.right - self.left

    @property
    def width(self) -> float:
        return self.foot - self.top

    @property
    def middle(self) -> tuple[float, float]:
        return (self.left + self.right) / 2, (self.top + self.foot) / 2


def path_text(outline: Outline) -> str:
    """Path data of an outline, to a hundred-thousandth of a mm."""
    texts, at = [], 0
    for command in outline.commands:
        numbers = outline.points[at : at + POINTS_PER_COMMAND[command]].ravel()
        texts.append(command + " ".join(f"{n:.6g}" if abs(n) >= 1 else f"{n:.5f}" for n in numbers))
        at += POINTS_PER_COMMAND[command]
    return "".join(texts)


def moved(shape: ArtShape, matrix: Affine) -> ArtShape:
    """A shape and its gradient moved by an affine; its line keeps its weight."""
    a, b, c, d, e, f = matrix
    linear, shift = np.array([[a, b], [c, d]]), np.array([e, f])
    there = changed(shape, lambda points: points @ linear + shift)
    return replace(there, gradient=shape.gradient and shape.gradient.moved(matrix))


def changed(shape: ArtShape, change: Callable[[Floats], Floats]) -> ArtShape:
    """A shape with its points moved; its gradient stays where it is."""
    outline = read_outline(shape.d)
    return replace(shape, d=path_text(Outline(outline.commands, change(outline.points))))


def shifted(x: float, y: float) -> Affine:
    return (1.0, 0.0, 0.0, 1.0, x, y)


def about(x: float, y: float, turn: float = 0.0, size: float = 1.0, flip: bool = False) -> Affine:
    """Turned clockwise by degrees about a point and made larger; flipped across the level line first."""
    cos, sin = size * math.cos(math.radians(turn)), size * math.sin(math.radians(turn))
    c, d = (sin, -cos) if flip else (-sin, cos)
    return (cos, sin, c, d, x - cos * x - c * y, y - sin * x - d * y)


def box_of(shape: ArtShape, *, line: bool = True) -> Box:
    """How far a shape reaches, its line included if `line` says so; curves by points along them."""
    t = np.linspace(0, 1, 33)
    chains = [points_on(part.cubics, t).reshape(-1, 2) for part in contours(read_outline(shape.d))]
    points = np.concatenate(chains) if chains else read_outline(shape.d).points
    half = shape.weight / 2 if line and shape.stroke else 0.0
    (left, top), (right, foot) = points.min(axis=0) - half, points.max(axis=0) + half
    return Box(float(left), float(top), float(right), float(foot))


def around(boxes: Iterable[Box]) -> Box:
    """The box that holds several."""
    found = list(boxes)
    return Box(
        min(box.left for box in found),
        min(box.top for box in found),
        max(box.right for box in found),
        max(box.foot for box in found),
    )
