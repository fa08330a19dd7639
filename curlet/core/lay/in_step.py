"""A row in step with its path, at corners: beside the path it ends where its own lines meet, not where the
path turns. The inner needle of two rests near the corner; the outer one sews on to it."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush.courses import Row
from curlet.core.lay.corners.cut import Cuts
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.lay.rooms import Room
from curlet.core.measures import Scale

Floats = NDArray[np.float64]

# A stitch is not cut to less than this share of itself: the one before it is drawn on to the corner.
MIN = 1 / 3
_SAME = 1e-9


def to_the_corners(laid: Repeats, room: Room, cuts: Cuts, row: Row, scale: Scale) -> Repeats:
    """One leg's repeats, ended where the row's lines meet at its corners; where corners cut or take what lies
    there, as it is."""
    for at_end, turning in ((False, room.start), (True, room.stop)):
        cut = cuts.get((room.leg, at_end))
        if cut is None or turning.cut or turning.take > 0 or not len(laid):
            continue
        place = float(cut.at(np.array(row.drawn_offset(scale))))
        laid = _ended(laid if at_end else _mirrored(laid), place if at_end else -place, row, scale)
        laid = laid if at_end else _mirrored(laid)
    return laid


def _ended(laid: Repeats, place: float, row: Row, scale: Scale) -> Repeats:
    """Ended at a place past the last repeat or before it."""
    last = float(laid.end.max())
    if place < last - _SAME:
        return _stopped(laid, place)
    pitch = row.drawn_length(scale) + row.drawn_gap(scale)
    more = round((place - last) / pitch)
    if more < 1:
        return _drawn_on(laid, place) if place > last + _SAME else laid
    step = (place - last) / more
    gap = row.drawn_gap(scale) * step / pitch
    ends = np.asarray(last + step * np.arange(1, more + 1), dtype=np.float64)
    alike = np.full(more, laid.leg[0]), int(laid.number.max()) + 1 + np.arange(more)
    added = make_repeats(ends - step + gap, ends, *alike, np.resize(laid.motif[-1:], more))
    return laid.then(added.changed(counted=np.zeros(more, dtype=bool)))


def _stopped(laid: Repeats, place: float) -> Repeats:
    """Those past a place left out, the last one ended there."""
    kept = laid.take(np.flatnonzero(laid.start < place - _SAME))
    if not len(kept):
        return kept
    last = int(np.argmax(kept.end))
    length = float(kept.end[last] - kept.start[last])
    if kept.end[last] > place and place - kept.start[last] < MIN * length and len(kept) > 1:
        kept = kept.take(np.delete(np.arange(len(kept)), last))
    return _drawn_on(kept, place)


def _drawn_on(laid: Repeats, place: float) -> Repeats:
    """The last repeat ended at a place."""
    end = laid.end.copy()
    end[int(np.argmax(end))] = place
    return laid.changed(end=end)


def _mirrored(laid: Repeats) -> Repeats:
    """Seen from the other end."""
    return laid.changed(start=-laid.end, end=-laid.start)
