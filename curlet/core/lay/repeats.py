"""Repeats: every occurrence of a row's motifs and pieces, where it lies and what it is."""

from __future__ import annotations

from dataclasses import dataclass, fields, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]
Bools = NDArray[np.bool_]


@dataclass(frozen=True, eq=False)
class Repeats:
    """n repeats in the order in which they come along the path.

    Attributes
    ----------
    start, end : (n,) arc lengths on the path, drawn mm; they may pass its ends.
    leg : (n,) index of the leg.
    number : (n,) index within the leg, from 0; below 0 before the leg's first.
    motif : (n,) index into the row's motifs.
    counted : (n,) false for pieces and for what a corner cuts off again.
    cut_start, cut_end : (n,) whether the bisector at the leg's start or end cuts it.
    beside : (n,) how far beside the row's own line it lies, drawn mm.
    by_hand : (n,) index into what was said of the row's repeats by hand; -1 for the others.
    """

    start: Floats
    end: Floats
    leg: Ints
    number: Ints
    motif: Ints
    counted: Bools
    cut_start: Bools
    cut_end: Bools
    beside: Floats
    by_hand: Ints

    def __len__(self) -> int:
        return len(self.start)

    @property
    def middle(self) -> Floats:
        return (self.start + self.end) / 2

    def take(self, which: Bools | Ints) -> Repeats:
        """Some of them."""
        return Repeats(**{field.name: getattr(self, field.name)[which] for field in fields(self)})

    def then(self, *others: Repeats) -> Repeats:
        """These and then others."""
        joined: dict[str, Any] = {
            field.name: np.concatenate([getattr(part, field.name) for part in (self, *others)])
            for field in fields(self)
        }
        return Repeats(**joined)

    def changed(self, **arrays: Any) -> Repeats:
        return replace(self, **arrays)


def make_repeats(start: Floats, end: Floats, leg: Ints, number: Ints, motif: Ints) -> Repeats:
    """Counted repeats on the row's own line, not cut."""
    count = len(start)
    no = np.zeros(count, dtype=bool)
    none = np.full(count, -1, dtype=np.intp)
    return Repeats(start, end, leg, number, motif, ~no, no, no, np.zeros(count), none)
