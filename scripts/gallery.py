"""Contact sheets to be looked at: `make gallery` writes one for each corner manner, and the built-in brushes
on the proof board, on hearts and on rounded rectangles, at 1:1 and at 4:1, to build/gallery/*.png."""

from __future__ import annotations

import math
from dataclasses import replace
from pathlib import Path as FilePath

import numpy as np

from curlet.core.brush import Brush, CornerRule, Piece, Pieces, Row
from curlet.core.drawing import Drawing, Group, Item, Laid, Outline, Shape, Solid, Stamps
from curlet.core.dress.colour import ColourRole
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families import KINDS, ArtShape, Artwork, Running
from curlet.core.path import Path
from curlet.core.proof import PROOFS, prove
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import read_brush
from curlet.formats.png_out import write_png

TARGET = FilePath(__file__).parents[1] / "build/gallery"
# A manner, and how its corner is made from the repeat where no artwork is given.
SHEETS = (
    ("carry", ""),
    ("pivot", ""),
    ("mitre", ""),
    ("piece", ""),
    ("piece", "folded"),
    ("piece", "turned"),
    ("piece", "gathered"),
    ("stop", ""),
)
TURNS = (15, 30, 60, 90, 120, 150, 175)
SIDES = (1, -1)
CELL, LEG, PPI = 70.0, 26.0, 60.0


def chevrons() -> Artwork:
    """A motif that shows its direction, its width and where it is cut."""
    shapes = (
        ArtShape("M0 -4L8 -4L8 4L0 4Z", fill=ColourRole(1)),
        ArtShape("M1 -3L5 0L1 3", stroke=ColourRole(2), weight=1.0),
    )
    return Artwork(shapes, 8, 8)


def corner_art() -> Artwork:
    shapes = (
        ArtShape("M0 -4L16 -4L16 12L8 12L8 4L0 4Z", fill=ColourRole(3)),
        ArtShape("M12 -2L14 0L12 2L10 0Z", fill=ColourRole(2)),
    )
    return Artwork(shapes, 12, 8)


def brushes(manner: str, made: str) -> tuple[Brush, Brush]:
    rule = CornerRule(manner, 10, 6.0, Measure(3.0), made or "mitred")
    threads = ("#dcc594", "#7c4a63", "#a8d4de")
    pieces = Pieces() if made else Pieces(corner_outside=Piece(corner_art(), Measure(12.0)))
    art = Row(chevrons(), Measure(8.0), Measure(0.0), hold="bend", pieces=pieces)
    stitch = Row(Running(Measure(0.8)), Measure(5.0), Measure(2.0), offset=Measure(7.0))
    return Brush(courses=(art,), corners=rule, threads=threads), Brush(courses=(stitch,), corners=rule)


def wedge(degrees: float, closed: bool, x: float, y: float) -> Path:
    angle = math.radians(degrees)
    a, b = np.array([-LEG, 0.0]), np.array([LEG * math.cos(angle), LEG * math.sin(angle)])
    points = [a, np.zeros(2), b]
    if closed:
        points.append((a + b) / 2 + np.array([-4.0, math.copysign(22, degrees)]))
    placed = np.array(points) + (x, y)
    return Path.make([f"n{i}" for i in range(len(placed))], placed, placed, placed, closed)


def sheet(manner: str, made: str) -> Drawing:
    groups: list[Group] = []
    for row, (side, closed) in enumerate((s, c) for s in SIDES for c in (False, True)):
        for column, turn in enumerate(TURNS):
            path = wedge(side * turn, closed, (column + 0.5) * CELL, (row + 0.5) * CELL)
            for number, brush in enumerate(brushes(manner, made)):
                groups.append(draw_run(lay(path, brush, Scale()), f"g{row}-{column}-{number}", ""))
    return Drawing(CELL * len(TURNS), CELL * 4, tuple(groups))


BOARD_CELL = (60.0, 50.0)


def board(kind: str) -> Drawing:
    """Every built-in brush of a kind on the proof board, a row each, on a cloth colour."""
    docs = [doc for doc in BRUSHES.values() if doc["kind"] == kind]
    wide, high = BOARD_CELL
    width, height = wide * len(PROOFS), high * len(docs)
    cloth = Outline("MLLLZ", np.array([[0, 0], [width, 0], [width, height], [0, height]], dtype=float))
    groups = [Group("cloth", "", (Laid((Shape(cloth, fill=Solid("#66757d")),)),))]
    for row, doc in enumerate(docs):
        for column, proof in enumerate(prove(read_brush(doc).to_core(), Scale())):
            left, top, across, down = proof.box
            k = min(0.92 * wide / across, 0.92 * high / down, 1.0)
            middle = ((column + 0.5) * wide, (row + 0.5) * high)
            shift = (middle[0] - k * (left + across / 2), middle[1] - k * (top + down / 2))
            groups.append(scaled(draw_run(proof.run, f"p{row}-{column}", doc["name"]), k, shift))
    return Drawing(width, height, tuple(groups))


# Pixels to the inch at which a sheet is seen at 1:1 on a screen, and at 4:1.
SIZES = {"1-1": 96.0, "4-1": 384.0}
SIDE, AROUND, PER_ROW = 50.0, 20.0, 3


def heart(x: float, y: float) -> Path:
    """The commonest path of all: its point turns 95°, its notch 157°."""
    at = np.array([(0.5, 0.95), (0, 0.31), (0.25, 0), (0.5, 0.27), (0.75, 0), (1, 0.31)])
    into = np.array([(0.62, 0.82), (0, 0.52), (0.1, 0), (0.465, 0.1), (0.6, 0), (1, 0.11)])
    out = np.array([(0.38, 0.82), (0, 0.11), (0.4, 0), (0.535, 0.1), (0.9, 0), (1, 0.52)])
    return _placed(at, into, out, x, y)


def rounded(x: float, y: float) -> Path:
    """A rectangle with round corners."""
    r, k = 0.2, 0.2 * (1 - 0.5522847498)
    at = [(r, 0), (1 - r, 0), (1, r), (1, 1 - r), (1 - r, 1), (r, 1), (0, 1 - r), (0, r)]
    into = [(k, 0), (1 - r, 0), (1, k), (1, 1 - r), (1 - k, 1), (r, 1), (0, 1 - k), (0, r)]
    out = [(r, 0), (1 - k, 0), (1, r), (1, 1 - k), (1 - r, 1), (k, 1), (0, 1 - r), (0, k)]
    return _placed(np.array(at), np.array(into), np.array(out), x, y)


def _placed(at: np.ndarray, into: np.ndarray, out: np.ndarray, x: float, y: float) -> Path:
    points, before, after = (part * SIDE + (x, y) for part in (at, into, out))
    return Path.make([f"n{i}" for i in range(len(at))], points, before, after, closed=True)


def shown(kind: str) -> Drawing:
    """Every built-in brush of a kind on a heart and on a rounded rectangle."""
    docs = [doc for doc in BRUSHES.values() if doc["kind"] == kind]
    cell = SIDE + 2 * AROUND
    groups = []
    for number, doc in enumerate(docs):
        left, top = (number % PER_ROW) * 2 * cell + AROUND, number // PER_ROW * cell + AROUND
        for place, path in enumerate((heart(left, top), rounded(left + cell, top))):
            run = lay(path, read_brush(doc).to_core(), Scale())
            groups.append(draw_run(run, f"h{number}-{place}", doc["name"]))
    return Drawing(2 * PER_ROW * cell, cell * math.ceil(len(docs) / PER_ROW), tuple(groups))


def scaled(item: Group, k: float, shift: tuple[float, float]) -> Group:
    """A group made smaller and moved."""
    return replace(
        item,
        items=tuple(_scaled(inner, k, shift) for inner in item.items),
        clip=item.clip and _outline(item.clip, k, shift),
    )


def _scaled(item: Item, k: float, shift: tuple[float, float]) -> Item:
    if isinstance(item, Group):
        return scaled(item, k, shift)
    if isinstance(item, Stamps):
        placements = item.placements * k
        placements[:, 4:] += shift
        return Stamps(tuple(_lines(shape, k) for shape in item.shapes), placements)
    assert isinstance(item, Laid)
    shapes = (replace(_lines(shape, k), outline=_outline(shape.outline, k, shift)) for shape in item.shapes)
    return Laid(tuple(shapes))


def _lines(shape: Shape, k: float) -> Shape:
    return replace(shape, stroke=shape.stroke and replace(shape.stroke, weight=shape.stroke.weight * k))


def _outline(outline: Outline, k: float, shift: tuple[float, float]) -> Outline:
    return Outline(outline.commands, outline.points * k + shift)


def main() -> None:
    TARGET.mkdir(parents=True, exist_ok=True)
    for manner, made in SHEETS:
        file = TARGET / f"{manner}{'-' if made else ''}{made}.png"
        file.write_bytes(write_png(sheet(manner, made), PPI))
        print(file)
    for kind in KINDS:
        drawings = {"board": board(kind), "shown": shown(kind)}
        for name, drawing in drawings.items():
            for size, ppi in SIZES.items():
                file = TARGET / f"{name}-{kind}-{size}.png"
                file.write_bytes(write_png(drawing, ppi))
                print(file)


if __name__ == "__main__":
    main()
