"""Where call-outs stand: in columns beside the garment, their leaders not crossing one another.

Of two straight leaders that cross, the two that come of changing their texts' places are shorter together
(the triangle inequality), so changing places until none cross comes to an end.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import combinations

Spot = tuple[float, float]
Box = tuple[float, float, float, float]

# mm on the sheet: from the sheet's edge, from the garment, between texts, and from a text to its leader.
_EDGE, _AWAY, _APART, _BESIDE = 4.0, 7.0, 2.5, 1.2
_MAX_ROUNDS = 200


@dataclass(frozen=True)
class CallOut:
    """A call-out to be placed.

    Attributes
    ----------
    at : the place on the seam that its leader ends at, sheet mm.
    width, height : of its text.
    corner : the left and top of its text where somebody put it; None where it is placed by itself.
    """

    at: Spot
    width: float
    height: float
    corner: Spot | None = None


@dataclass(frozen=True)
class PlacedCallOut:
    """Where a call-out stands: its text's left, top, right and foot, and its leader from text to seam."""

    box: Box
    leader: tuple[Spot, Spot]


def place_callouts(callouts: Sequence[CallOut], garment: Box, within: Box) -> list[PlacedCallOut]:
    """Where call-outs stand.

    Those placed by themselves stand beside the garment, left of it or right as they are nearer, below one
    another in the order of the seams that they are about; they lie on the garment only where the sheet has no
    room beside it. No two leaders of a side cross.

    Parameters
    ----------
    garment : left, top, right and foot of everything that is drawn, sheet mm.
    within : of the sheet.
    """
    fixed = [_box(callout, callout.corner) for callout in callouts if callout.corner]
    placed = {at: _placed(callout, callout.corner) for at, callout in enumerate(callouts) if callout.corner}
    for right, column in enumerate(_sides(callouts, garment, within)):
        lefts = {at: _left(callouts[at], bool(right), garment, within) for at in column}

        def stacked(order: list[int], lefts: dict[int, float] = lefts) -> dict[int, PlacedCallOut]:
            tops = _stacked([(callouts[at], lefts[at]) for at in order], within, fixed)
            return {at: _placed(callouts[at], (lefts[at], top)) for at, top in zip(order, tops, strict=True)}

        order = sorted(column, key=lambda at: (callouts[at].at[1], callouts[at].at[0]))
        placed |= _untangled(order, stacked)
    return [placed[at] for at in range(len(callouts))]


def _sides(callouts: Sequence[CallOut], garment: Box, within: Box) -> tuple[list[int], list[int]]:
    """Which call-outs stand left of the garment and which right. Of more than there is room for on one side,
    those nearest to the middle go to the other, while there is more room there."""
    middle = (garment[0] + garment[2]) / 2
    sides: tuple[list[int], list[int]] = ([], [])
    for at, callout in enumerate(callouts):
        if not callout.corner:
            sides[callout.at[0] > middle].append(at)

    def tall(column: list[int]) -> float:
        return sum(callouts[at].height + _APART for at in column)

    for full, other in (sides, sides[::-1]):
        while tall(full) > within[3] - within[1] - 2 * _EDGE:
            nearest = min(full, key=lambda at: abs(callouts[at].at[0] - middle))
            if tall(other) + callouts[nearest].height > tall(full):
                break
            full.remove(nearest)
            other.append(nearest)
    return sides


def _box(callout: CallOut, corner: Spot) -> Box:
    x, y = corner
    return x, y, x + callout.width, y + callout.height


def _placed(callout: CallOut, corner: Spot) -> PlacedCallOut:
    """The leader begins at the middle of the text's side that is nearer to the seam."""
    left, top, right, foot = box = _box(callout, corner)
    x, y = callout.at
    middle = (top + foot) / 2
    if x > right:
        start = right + _BESIDE, middle
    elif x < left:
        start = left - _BESIDE, middle
    else:
        start = (left + right) / 2, foot + _BESIDE if y > middle else top - _BESIDE
    return PlacedCallOut(box, (start, callout.at))


def _stacked(column: Sequence[tuple[CallOut, float]], within: Box, fixed: list[Box]) -> list[float]:
    """The tops of texts below one another, each as near to its seam's height as the others let it."""
    tops: list[float] = []
    foot = within[1] + _EDGE - _APART
    for callout, left in column:
        top = max(foot + _APART, callout.at[1] - callout.height / 2)
        top = _clear(callout, left, top, fixed)
        tops.append(top)
        foot = top + callout.height
    # Those that stand below the sheet's foot push the others up.
    limit = within[3] - _EDGE
    for place in range(len(column) - 1, -1, -1):
        tops[place] = min(tops[place], limit - column[place][0].height)
        limit = tops[place] - _APART
    return tops


def _left(callout: CallOut, right: bool, garment: Box, within: Box) -> float:
    """Beside the garment, and on the sheet."""
    wanted = garment[2] + _AWAY if right else garment[0] - _AWAY - callout.width
    return max(within[0] + _EDGE, min(wanted, within[2] - _EDGE - callout.width))


def _clear(callout: CallOut, left: float, top: float, fixed: list[Box]) -> float:
    """The first height from `top` down at which a text lies on none that somebody put there."""
    for box in sorted(fixed, key=lambda each: each[1]):
        beside = box[0] < left + callout.width and left < box[2]
        if beside and box[1] - _APART < top + callout.height and top < box[3] + _APART:
            top = box[3] + _APART
    return top


def _untangled(
    order: list[int], stacked: Callable[[list[int]], dict[int, PlacedCallOut]]
) -> dict[int, PlacedCallOut]:
    """Texts below one another in the order in which fewest leaders cross, none where that is possible."""
    best, fewest = stacked(order), len(order) ** 2
    for _ in range(_MAX_ROUNDS):
        now = stacked(order)
        crossing = [
            (one, other)
            for one, other in combinations(range(len(order)), 2)
            if _cross(now[order[one]].leader, now[order[other]].leader)
        ]
        if len(crossing) < fewest:
            best, fewest = now, len(crossing)
        if not crossing:
            break
        one, other = crossing[0]
        order = [*order]
        order[one], order[other] = order[other], order[one]
    return best


def _cross(one: tuple[Spot, Spot], other: tuple[Spot, Spot]) -> bool:
    """Whether two straight lines cross within."""

    def side(a: Spot, b: Spot, c: Spot) -> float:
        return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])

    (a, b), (c, d) = one, other
    return side(a, b, c) * side(a, b, d) < 0 and side(c, d, a) * side(c, d, b) < 0
