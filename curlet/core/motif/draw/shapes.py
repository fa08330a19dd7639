"""Some of an artwork's shapes: chosen, changed, ordered, lined up."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import replace

from curlet.core.drawing import Affine
from curlet.core.errors import BadInput, TooMuch
from curlet.core.motif.art import Box, around, box_of, moved, shifted
from curlet.core.motif.families.artwork import ArtShape, Artwork

MAX_SHAPES = 500

Edit = Callable[[ArtShape], ArtShape]


def chosen(art: Artwork, which: Sequence[int]) -> tuple[int, ...]:
    """Indices of shapes, in order and each once.

    Raises
    ------
    BadInput
        If none is chosen, or one is not there.
    """
    found = tuple(sorted(set(which)))
    if not found:
        raise BadInput("Choose the shapes first.")
    if found[0] < 0 or found[-1] >= len(art.shapes):
        raise BadInput("This artwork has no such shape any more. Choose again.")
    return found


def edited(art: Artwork, which: Sequence[int], edit: Edit) -> Artwork:
    """The chosen shapes changed."""
    some = set(chosen(art, which))
    return replace(art, shapes=tuple(edit(s) if i in some else s for i, s in enumerate(art.shapes)))


def moved_by(art: Artwork, which: Sequence[int], matrix: Affine) -> Artwork:
    return edited(art, which, lambda shape: moved(shape, matrix))


def added(art: Artwork, shapes: Sequence[ArtShape]) -> Artwork:
    """More shapes on top; the cell grows across where they reach beyond it.

    Raises
    ------
    TooMuch
        Past 500 shapes.
    """
    every = (*art.shapes, *shapes)
    if len(every) > MAX_SHAPES:
        raise TooMuch(f"A motif has {MAX_SHAPES} shapes at the most. Make fewer copies, or unite some.")
    reach = [box_of(shape) for shape in shapes]
    wide = max((max(-box.top, box.foot) for box in reach), default=0.0)
    return replace(art, shapes=every, width=max(art.width, 2 * wide))


def removed(art: Artwork, which: Sequence[int]) -> Artwork:
    some = set(chosen(art, which))
    left = tuple(shape for i, shape in enumerate(art.shapes) if i not in some)
    if not left:
        raise BadInput("A motif has at least one shape. Draw another before you remove this one.")
    return replace(art, shapes=left)


def ordered(art: Artwork, which: Sequence[int], up: bool, far: bool) -> Artwork:
    """The chosen shapes one higher or lower, or all the way."""
    some = set(chosen(art, which))
    order = list(range(len(art.shapes)))
    if far:
        rest = [i for i in order if i not in some]
        order = [*rest, *sorted(some)] if up else [*sorted(some), *rest]
    else:
        places = sorted(some, reverse=up)
        for index in places:
            at = order.index(index)
            other = at + (1 if up else -1)
            if 0 <= other < len(order) and order[other] not in some:
                order[at], order[other] = order[other], order[at]
    return replace(art, shapes=tuple(art.shapes[i] for i in order))


def box_around(art: Artwork, which: Sequence[int], *, line: bool = False) -> Box:
    """How far the chosen shapes reach together, with or without their lines."""
    return around(box_of(art.shapes[i], line=line) for i in chosen(art, which))


def placed_in(shape: ArtShape, box: Box, x: float, y: float, length: float, width: float) -> ArtShape:
    """A shape whose box has another middle and size; a size that it does not have stays none."""
    along = length / box.length if box.length > 1e-9 else 1.0
    across = width / box.width if box.width > 1e-9 else 1.0
    if not (along > 0 and across > 0):
        raise BadInput("A shape's length and width are above 0.")
    middle = box.middle
    return moved(shape, (along, 0.0, 0.0, across, x - along * middle[0], y - across * middle[1]))


def aligned(art: Artwork, which: Sequence[int], side: str, to_cell: bool) -> Artwork:
    """Shapes lined up by one of their sides or their middles, with the cell or with one another.

    Parameters
    ----------
    side : "start", "middle" or "end" along the cell; "top", "baseline" or "foot" across it.
    """
    some = chosen(art, which)
    cell = Box(0.0, -art.width / 2, art.length, art.width / 2)
    frame = cell if to_cell or len(some) == 1 else box_around(art, some)

    def place(box: Box) -> float:
        return {
            "start": box.left,
            "middle": box.middle[0],
            "end": box.right,
            "top": box.top,
            "baseline": box.middle[1],
            "foot": box.foot,
        }[side]

    goal = 0.0 if side == "baseline" and frame is cell else place(frame)
    along = side in ("start", "middle", "end")

    def align(shape: ArtShape) -> ArtShape:
        by = goal - place(box_of(shape, line=False))
        return moved(shape, shifted(by, 0.0) if along else shifted(0.0, by))

    return edited(art, some, align)
