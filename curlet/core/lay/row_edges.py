"""Edge check of a whole row: every place where its pieces meet."""

from __future__ import annotations

from dataclasses import dataclass, replace

from curlet.core.brush.courses import Row, Share
from curlet.core.brush.rules import Piece
from curlet.core.choice import chosen
from curlet.core.lay.hold import HOLDS
from curlet.core.measures import Scale
from curlet.core.motif.edges import Mismatch, compare, corner_exit, edge
from curlet.core.motif.families import Family
from curlet.core.motif.motif import Motif, reshaped


@dataclass(frozen=True)
class Joint:
    """Two pieces end to end, and what does not meet between them."""

    before: str
    after: str
    mismatches: tuple[Mismatch, ...]

    @property
    def step(self) -> float:
        """The largest step, mm: 0 where the two meet."""
        return max((m.size for m in self.mismatches if m.fault), default=0.0)


@dataclass(frozen=True)
class _Piece:
    name: str
    motif: Motif
    length: float

    def mirrored(self) -> _Piece:
        return replace(self, motif=reshaped(self.motif, lambda points: points * (1, -1)))

    def to(self, other: _Piece, *, alike: bool = False) -> Joint:
        leaving = edge(self.motif, self.length, at_end=True)
        entering = edge(other.motif, other.length, at_end=False)
        return Joint(self.name, other.name, compare(leaving, entering, alike=alike))


def joins(row: Row) -> bool:
    """Whether a row's repeats run on into one another: no gap, and artwork meant to meet."""
    families = [maker for maker in (row.motif, *(letter.motif for letter in row.more))]
    gap = row.gap.percent if isinstance(row.gap, Share) else row.gap.mm
    return gap <= 0 and all(maker.about.joins for maker in families if isinstance(maker, Family))


def check_edges(row: Row, scale: Scale) -> tuple[Joint, ...]:
    """Every joint of a row: repeat to repeat in its order, ends, corners. Links and gaps have none."""
    if not joins(row) or chosen(HOLDS, row.hold, "hold").chain:
        return ()
    # A change of shade is no step.
    row = replace(row, shades=())
    motifs, lengths = row.motifs(scale), row.drawn_lengths(scale)
    repeats = [
        _Piece("repeat" if len(motifs) == 1 else f"repeat {chr(ord('A') + i)}", motif, length)
        for i, (motif, length) in enumerate(zip(motifs, lengths, strict=True))
    ]
    order = row.sequence
    pairs = sorted(set(zip(order, (*order[1:], order[0]), strict=True)))
    first, last = repeats[order[0]], repeats[order[-1]]
    found = [repeats[a].to(repeats[b], alike=True) for a, b in pairs]
    if start := _made("start", row.pieces.start, row, scale):
        found.append(start.to(first))
    if end := _made("end", row.pieces.end, row, scale):
        found.append(last.to(end))
    for name, piece in (("corner", row.pieces.corner_outside), ("inner corner", row.pieces.corner_inside)):
        if corner := _made(name, piece, row, scale):
            if name == "inner corner":
                # It is drawn in a mirror.
                first, last = repeats[order[0]].mirrored(), repeats[order[-1]].mirrored()
            leaving = _Piece(name, corner_exit(corner.motif, corner.length), corner.length)
            found += [last.to(corner), leaving.to(first)]
    return tuple(found)


def _made(name: str, piece: Piece | None, row: Row, scale: Scale) -> _Piece | None:
    if piece is None:
        return None
    motif = piece.motif.make(scale).sized(row.size / 100, row.weight / 100)
    return _Piece(name, motif, piece.length.drawn(scale) * row.size / 100)
