"""Pieces: artwork at a row's ends and where a closed path meets itself."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from curlet.core.brush.courses import Row
from curlet.core.brush.rules import Piece, Pieces
from curlet.core.lay.bartack import bartack
from curlet.core.lay.corners import CornerArt
from curlet.core.lay.frames import LegLine
from curlet.core.lay.repeats import Repeats, make_repeats
from curlet.core.lay.rooms import Room
from curlet.core.measures import Scale
from curlet.core.motif.motif import Motif

NO_PIECES = Pieces()


@dataclass(frozen=True, eq=False)
class CornerPlace:
    """A corner's artwork, which motif it is, and the leg that ends there."""

    art: CornerArt
    motif: int
    leg: int


@dataclass(frozen=True, eq=False)
class PieceSet:
    """A row's pieces: their motifs, those that lie like repeats, and those at corners."""

    motifs: tuple[Motif, ...]
    repeats: Repeats
    corners: tuple[CornerPlace, ...]


def piece_set(line: LegLine, row: Row, rooms: tuple[Room, ...], first: int, scale: Scale) -> PieceSet:
    """Lay a row's pieces; their motifs are numbered from `first`."""
    tack = bartack(row, scale)
    corners = _at_corners(rooms)
    if row.pieces == NO_PIECES and tack is None:
        return PieceSet((), _as_repeats(rooms, []), tuple(corners))
    motifs: list[Motif] = []
    spots: list[tuple[float, float, int, int]] = []
    for piece, room, begin in _at_ends(line, row, rooms, scale):
        length = piece.length.drawn(scale) * row.size / 100
        spots.append((begin, begin + length, room.leg, first + len(motifs)))
        motifs.append(piece.motif.make(scale).sized(row.size / 100, row.weight / 100))
    for begin, room in _tacked(line, rooms, tack):
        assert tack is not None
        spots.append((begin, begin + tack.length.mm, room.leg, first + len(motifs)))
        motifs.append(tack.motif.make(scale))
    for index, place in enumerate(corners):
        if place.art.piece is not None:
            corners[index] = replace(place, motif=first + len(motifs))
            motifs.append(place.art.piece.motif.make(scale).sized(row.size / 100, row.weight / 100))
    return PieceSet(tuple(motifs), _as_repeats(rooms, spots), tuple(corners))


def _at_ends(
    line: LegLine, row: Row, rooms: tuple[Room, ...], scale: Scale
) -> list[tuple[Piece, Room, float]]:
    """Pieces with the leg's room they belong to and where they begin on its own line."""
    pieces, size = row.pieces, row.size / 100
    first, last = rooms[0], rooms[-1]
    found = []
    if line.path.closed:
        if pieces.join is not None:
            found.append((pieces.join, first, -pieces.join.length.drawn(scale) * size / 2))
        return found
    if pieces.start is not None:
        length = pieces.start.length.drawn(scale) * size
        found.append((pieces.start, first, 0.0 if pieces.start.within else -length))
    if pieces.end is not None:
        length = pieces.end.length.drawn(scale) * size
        whole = last.line.length
        found.append((pieces.end, last, whole - length if pieces.end.within else whole))
    return found


def _tacked(line: LegLine, rooms: tuple[Room, ...], tack: Piece | None) -> list[tuple[float, Room]]:
    """Where bartacks begin: over both ends of an open path."""
    if tack is None or line.path.closed:
        return []
    first, last = rooms[0], rooms[-1]
    return [(0.0, first), (last.line.length - tack.length.mm, last)]


def _as_repeats(rooms: tuple[Room, ...], spots: list[tuple[float, float, int, int]]) -> Repeats:
    count = len(spots)
    begin, end = (np.array([spot[i] for spot in spots], dtype=np.float64) for i in (0, 1))
    leg, motif = (np.array([spot[i] for spot in spots], dtype=np.intp) for i in (2, 3))
    lines = {room.leg: room.line for room in rooms}
    start = np.array([lines[k].at(s) for k, s in zip(leg, begin, strict=True)])
    stop = np.array([lines[k].at(s) for k, s in zip(leg, end, strict=True)])
    laid = make_repeats(start, stop, leg, np.zeros(count, dtype=np.intp), motif)
    return laid.changed(counted=np.zeros(count, dtype=bool))


def _at_corners(rooms: tuple[Room, ...]) -> list[CornerPlace]:
    """Artwork at corners, taken for the row's own repeat; none where a leg beside it vanishes."""
    there = {room.leg for room in rooms if room.line.length > 0}
    return [
        CornerPlace(room.stop.art, 0, room.leg)
        for room in rooms
        if room.stop.art is not None and {room.leg, (room.leg + 1) % len(rooms)} <= there
    ]
