"""Reading DXF: drawings, and pattern pieces as ASTM D6673 and AAMA lay them out, in mm at their true size.

A file of pattern pieces has a block for each piece, and numbered layers that say what its lines are (from
memory of ASTM D6673, which AAMA's older convention shares).
"""

from __future__ import annotations

import io
import math
import re
import tempfile
from collections import Counter
from collections.abc import Iterator
from dataclasses import replace
from typing import TYPE_CHECKING, Any

import numpy as np

from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.core.path.rework import moved
from curlet.formats.dxf_entities import Found, Gathered
from curlet.formats.imported import Counted, ImportedDrawing, ImportedPath, path_of_contour
from curlet.formats.names import MAX_LETTERS, seen
from curlet.formats.output import Tell, untold
from curlet.formats.path_data import Contour, read_contours
from curlet.formats.path_doc import FactsDoc

if TYPE_CHECKING:
    from ezdxf.document import Drawing as Dxf

MAX_BYTES = 40 * 1024 * 1024
# Left around the drawing, mm, and how heavy a line is drawn that does not say, mm.
_AROUND, _WEIGHT = 10.0, 0.25
_FURTHEST = 20_000.0
# So many cubics to a circle: within a hundredth of a mm of one of 1 m.
_OF_CIRCLE = 8
# ASTM D6673's layers (from memory): what the lines on each are.
PIECE_LAYERS = {
    "1": "Cut line",
    "2": "Turn points",
    "3": "Curve points",
    "4": "Notch",
    "6": "Grade reference",
    "7": "Grain line",
    "8": "Internal line",
    "9": "Stripe line",
    "10": "Plaid line",
    "11": "Cut-out",
    "13": "Drill hole",
    "14": "Sew line",
    "80": "T notch",
    "81": "Castle notch",
    "82": "Check notch",
    "83": "U notch",
    "84": "Turn of cloth",
    "85": "Stitch line",
    "86": "Fold line",
    "87": "Validation curve",
}
_BOUNDARY, _NOTCHES = "1", ("4", "80", "81", "82", "83")
# Points alone become marks so large, mm: notches across the edge, drill holes as crosses.
_MARK = 3.0
_UNITS = re.compile(r"^[ \t]*UNITS[ \t]*:[ \t]*(METRIC|ENGLISH)[ \t]*$", re.IGNORECASE | re.MULTILINE)


def read_dxf(data: bytes, tell: Tell = untold) -> ImportedDrawing:
    """The lines of a DXF drawing, y turned downward; every one as large as the file says.

    Raises
    ------
    BadInput
        If it is no DXF, is damaged, or has no lines.
    TooMuch
        If it is too large, or has too many entities.
    """
    if len(data) > MAX_BYTES:
        raise TooMuch(f"This DXF is larger than {MAX_BYTES // 1024**2} MB. Export a part of it.")
    tell(0.0, "Opening the file")
    document = _opened(data)
    notes: list[str] = []
    gathered = Gathered(document.modelspace())
    per_unit = _mm_per_unit(document, "\n".join(gathered.texts), notes)
    tell(0.5, "Reading its lines")
    paths = list(_paths(document, gathered.found, per_unit, notes, tell))
    if not paths:
        raise BadInput("This DXF has no lines that can be followed. Export outlines as lines or polylines.")
    notes += [f"{count:,} × {what} left out." for what, count in sorted(gathered.left_out.items())]
    return _placed(paths, tuple(dict.fromkeys(notes)))


def is_binary_dxf(data: bytes) -> bool:
    """Binary DXF says so in its first line (DXF Reference, binary DXF files)."""
    return data[14:20] == b" DXF\r\n"


def _opened(data: bytes) -> Dxf:
    # Slow to be read in, and needed for nothing else.
    from ezdxf import recover
    from ezdxf.filemanagement import readfile
    from ezdxf.lldxf.const import DXFError

    try:
        if is_binary_dxf(data):
            # The library reads it from files only.
            with tempfile.NamedTemporaryFile(suffix=".dxf") as file:
                file.write(data)
                file.flush()
                return readfile(file.name)
        document, _ = recover.read(io.BytesIO(data))
    except (DXFError, OSError, ValueError, KeyError, IndexError, TypeError, AttributeError, RecursionError):
        raise BadInput("This is no SVG, DXF or PDF that can be read. Export the drawing again.") from None
    return document


def _mm_per_unit(document: Dxf, texts: str, notes: list[str]) -> float:
    """By $INSUNITS; in a file of pieces by what it writes; else by $MEASUREMENT (DXF Reference, HEADER)."""
    from ezdxf.enums import InsertUnits
    from ezdxf.units import conversion_factor

    said = int(document.header.get("$INSUNITS", 0))
    if said:
        try:
            return float(conversion_factor(InsertUnits(said), InsertUnits.Millimeters))
        except (ValueError, TypeError, KeyError):
            notes.append("Its unit is not known, so it is read as mm.")
            return 1.0
    written = _UNITS.search(texts)
    if written:
        return MM_PER_INCH if written[1].upper() == "ENGLISH" else 1.0
    if int(document.header.get("$MEASUREMENT", 1)) == 0:
        notes.append("It does not say its unit: as it is imperial it is read as inches.")
        return MM_PER_INCH
    notes.append("It does not say its unit, so it is read as mm.")
    return 1.0


def _paths(
    document: Dxf, found: list[Found], per_unit: float, notes: list[str], tell: Tell
) -> Iterator[ImportedPath]:
    pieces = _are_pieces(found)
    counts: Counter[str] = Counter()
    counted = Counted("DXF")
    for at, one in enumerate(found):
        if at % 500 == 0:
            tell(0.5 + 0.5 * at / len(found), f"{counted.lines:,} paths")
        name = PIECE_LAYERS.get(one.layer, one.layer) if pieces else one.layer
        group = one.piece if pieces else one.layer
        facts = _facts(document, one)
        for contour in _contours(one, per_unit, pieces, notes):
            path = path_of_contour(contour, notes)
            if path is None:
                continue
            counted.add(path)
            counts[f"{group}/{name}"] += 1
            number = counts[f"{group}/{name}"]
            called = name if pieces and number == 1 else f"{name} {number}"
            element = facts.model_copy(update={"element": f"e{at}"})
            yield ImportedPath(_shown(called), path, element, layer=_shown(group))


def _are_pieces(found: list[Found]) -> bool:
    """Whether a file is of pattern pieces: lines within blocks, on numbered layers, with a cut line."""
    inserted = [one for one in found if one.piece]
    numbered = [one for one in inserted if one.layer.isdigit()]
    return (
        bool(inserted) and len(numbered) == len(inserted) and any(one.layer == _BOUNDARY for one in numbered)
    )


def _shown(name: str) -> str:
    return str(seen(name)).strip()[:MAX_LETTERS] or "Line"


def _contours(one: Found, per_unit: float, pieces: bool, notes: list[str]) -> tuple[Contour, ...]:
    if one.entity.dxftype() == "POINT":
        return _mark(one, per_unit) if pieces and one.layer in (*_NOTCHES, "13") else ()
    from ezdxf.path import make_path

    try:
        path = make_path(one.entity, segments=_OF_CIRCLE)
        data = "".join(_data(part, per_unit) for part in path.sub_paths())
        return read_contours(data, one.layer)
    except (BadInput, ValueError, TypeError, ZeroDivisionError, ArithmeticError, IndexError, KeyError):
        notes.append(f"A line on layer {one.layer} is damaged and was left out.")
        return ()


def _data(path: Any, per_unit: float) -> str:
    """One part of a path as SVG path data in mm, y downward."""

    def spot(point: Any) -> str:
        x, y = float(point.x) * per_unit, -float(point.y) * per_unit
        if not (math.isfinite(x) and math.isfinite(y)) or max(abs(x), abs(y)) > 1e8:
            raise ValueError("a point out of bounds")
        return f"{x:.6f} {y:.6f}"

    from ezdxf.path import Command

    parts = [f"M{spot(path.start)}"]
    for step in path.commands():
        if step.type == Command.LINE_TO:
            parts.append(f"L{spot(step.end)}")
        elif step.type == Command.CURVE3_TO:
            parts.append(f"Q{spot(step.ctrl)} {spot(step.end)}")
        elif step.type == Command.CURVE4_TO:
            parts.append(f"C{spot(step.ctrl1)} {spot(step.ctrl2)} {spot(step.end)}")
    return "".join(parts) + ("Z" if path.is_closed else "")


def _mark(one: Found, per_unit: float) -> tuple[Contour, ...]:
    """A notch or a drill hole that is only a point, as a small cross."""
    at = one.entity.dxf.location
    x, y, half = float(at.x) * per_unit, -float(at.y) * per_unit, _MARK / 2
    return read_contours(f"M{x - half} {y}H{x + half}M{x} {y - half}V{y + half}")


def _facts(document: Dxf, one: Found) -> FactsDoc:
    """How a line is drawn: its own colour and weight, or its layer's."""
    weight = one.entity.dxf.get("lineweight", -1)
    layer = document.layers.get(one.layer) if one.layer in document.layers else None
    if weight < 0 and layer is not None:
        weight = layer.dxf.get("lineweight", -3)
    heavy = weight / 100 if 0 < weight <= 211 else _WEIGHT
    return FactsDoc(stroke=_colour(one.entity, layer), weight=heavy)


def _colour(entity: Any, layer: Any) -> str:
    from ezdxf.colors import aci2rgb, int2rgb

    true = entity.dxf.get("true_color", None)
    if true is not None:
        return "#{:02x}{:02x}{:02x}".format(*int2rgb(true))
    number = entity.dxf.get("color", 256)
    if number in (0, 256):
        number = abs(layer.dxf.get("color", 7)) if layer is not None else 7
    # 7 is whatever is seen on the background.
    return (
        "#000000"
        if number in (7, 255) or not 0 < number < 256
        else "#{:02x}{:02x}{:02x}".format(*aci2rgb(number))
    )


def _placed(paths: list[ImportedPath], notes: tuple[str, ...]) -> ImportedDrawing:
    """The drawing with its left and top a margin from the sheet's."""
    every = np.concatenate(
        [np.concatenate([line.path.points, line.path.into, line.path.out]) for line in paths]
    )
    low, high = every.min(axis=0), every.max(axis=0)
    width, height = (high - low + 2 * _AROUND).tolist()
    if max(width, height) > _FURTHEST:
        raise BadInput(
            f"This DXF is {max(width, height) / 1000:,.0f} m large, which no sheet is. Check its unit: "
            "$INSUNITS in its header says it."
        )
    x, y = (_AROUND - low).tolist()
    there = tuple(replace(line, path=moved(line.path, x, y)) for line in paths)
    return ImportedDrawing(width, height, there, notes, on_garment=True)
