"""What a cut leaves of closed contours: the runs that it keeps, joined along it."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
Bools = NDArray[np.bool_]
Along = Callable[[Floats, Floats], list[Floats]]


def kept_runs(pieces: Sequence[Floats], kept: Bools) -> list[list[Floats]]:
    """A closed contour's pieces, (4, 2) each and cut wherever they pass the cut, as runs that lie on the side
    that is kept."""
    seen: list[bool] = kept.tolist()
    if all(seen) or not any(seen):
        return [list(pieces)] if all(seen) else []
    # Begun where a run begins, so that none is broken at the contour's own start.
    first = next(index for index, here in enumerate(seen) if here and not seen[index - 1])
    runs: list[list[Floats]] = []
    for index in (*range(first, len(pieces)), *range(first)):
        if seen[index]:
            if not seen[index - 1]:
                runs.append([])
            runs[-1].append(pieces[index])
    return runs


def joined_along(runs: Sequence[list[Floats]], along: Along, *, even_odd: bool = False) -> list[Floats]:
    """Runs joined into closed contours, (k, 4, 2) each, by `along`, which leads from one place on the cut to
    another.

    Every end leads to the one with which it encloses nothing but artwork, so that no stretch of the cut is
    gone along twice: there and back are never quite the same once bent, and a hair would show.

    Parameters
    ----------
    runs : of all the contours of one shape, whose starts and ends lie on the cut; heights are their y.
    even_odd : whether that is the shape's filling rule: then runs may be gone along backwards.
    """
    partners = _partners(runs, even_odd)
    left = set(range(len(runs)))
    found = []
    while left:
        first = (min(left), False)
        at, pieces = first, list[Floats]()
        while True:
            left.discard(at[0])
            run, at = _run(runs, at), partners[at[0], not at[1]]
            pieces += [*run, *along(run[-1][3], _run(runs, at)[0][0])]
            if at == first:
                break
        found.append(np.array(pieces))
    return found


# A run's number, and whether its end is meant; or whether it is gone along backwards, from its end.
_End = tuple[int, bool]


def _run(runs: Sequence[list[Floats]], at: _End) -> list[Floats]:
    run, backwards = runs[at[0]], at[1]
    return [piece[::-1] for piece in reversed(run)] if backwards else run


def _partners(runs: Sequence[list[Floats]], even_odd: bool) -> dict[_End, _End]:
    """For each end of a run, the one that it leads to: neighbours by height where any two may meet, otherwise
    ends and starts matched like brackets."""
    places = [(float(run[-1][3, 1]), index, True) for index, run in enumerate(runs)]
    places += [(float(run[0][0, 1]), index, False) for index, run in enumerate(runs)]
    found: dict[_End, _End] = {}
    waiting: list[_End] = []
    for _, *end in sorted(places):
        this = (int(end[0]), bool(end[1]))
        if waiting and (even_odd or waiting[-1][1] != this[1]):
            other = waiting.pop()
            found[this], found[other] = other, this
        else:
            waiting.append(this)
    return found
