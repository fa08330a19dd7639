"""Links at sharp turns, where they reach past their neighbours' middles and two layers do not suffice."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np
from numpy.typing import NDArray

from curlet.core.drawing import Group, Item, Outline
from curlet.core.lay.paint_row import Painter
from curlet.core.outlines import lines

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

# Links that turn by more than this from one to the next are painted one over another, each by itself, and
# where they turn by more than that the next lies over the last on both its sides.
_SHARP, _SHARPEST = np.cos(np.radians((20.0, 60.0)))
# So many links before and after a sharp turn may reach over one another across it.
_BESIDE = 4


def piles(painter: Painter) -> list[Ints]:
    """The links about each sharp turn, in order along the path."""
    if painter.at is None or not all(motif.interlinked for motif in painter.row.motifs):
        return []
    return list(_stretches(_turns(painter), painter.row.line.path.closed))


def painted_in_piles(painter: Painter, some: list[Ints]) -> list[Item]:
    """What goes between the two layers of the other links: these whole, every one over the last, and then,
    from the last to the first, each again on the side where it passes over the next."""
    if not some:
        return []
    items: list[Item] = []
    turns = _turns(painter)
    for pile in some:
        for links in np.split(pile, 1 + np.flatnonzero(turns[pile[1:]] < _SHARPEST)):
            items += [item for link in links for item in painter.paint(link[None])]
            for link, after in reversed(list(zip(links[:-1], links[1:], strict=True))):
                again = tuple(painter.paint(link[None]))
                items.append(Group(f"link-{link}", "", again, clip=_side(painter, link, after)))
    return items


def _turns(painter: Painter) -> Floats:
    """(n,) cosine of each link's turn from the one before it."""
    assert painter.at is not None
    along = painter.at.along
    return np.asarray((along * np.roll(along, 1, axis=0)).sum(axis=1))


def _stretches(turns: Floats, closed: bool) -> Iterator[Ints]:
    """Runs of links about sharp turns; on a closed path one may run on past its last link."""
    count = len(turns)
    beside = np.arange(-_BESIDE - 1, _BESIDE + 1)
    sharp = np.flatnonzero(turns < _SHARP)
    if not closed:
        near = (sharp[sharp > 0, None] + beside).ravel()
        near = np.unique(near[(near >= 0) & (near < count)])
        yield from (run for run in np.split(near, np.flatnonzero(np.diff(near) > 1) + 1) if len(run) > 1)
        return
    near = np.zeros(count, dtype=bool)
    near[(sharp[:, None] + beside) % count] = True
    if near.all():
        # A ring of sharp turns is opened at the link that turns least from both its neighbours.
        near[np.argmax(np.minimum(turns, np.roll(turns, -1)))] = False
    first = int(np.argmin(near))
    at = first + np.flatnonzero(np.roll(near, -first))
    yield from (run % count for run in np.split(at, np.flatnonzero(np.diff(at) > 1) + 1) if len(run) > 1)


def _side(painter: Painter, link: np.intp, after: np.intp) -> Outline:
    """The side of the chain on which a link passes over the next one: along the link and, past its end,
    along what halves the turn there."""
    at, far = painter.at, painter.far
    assert at is not None
    here = far * at.along[link]
    across = np.array([-here[1], here[0]]) * (1.0 if painter.local.mirrored[link] else -1.0)
    on = at.along[link] + at.along[after]
    on *= far / float(np.hypot(*on))
    start, end = at.start[link], at.start[after]
    return lines([start - here, end, end + on, end + on + across, start - here + across], closed=True)
