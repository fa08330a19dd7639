"""A clean outline as a file: how it is asked for, and every format of it."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from pydantic import BaseModel, ConfigDict, FiniteFloat

from curlet.core.area.edges import Edge, outline_of_edges
from curlet.core.area.outline import CleanOutline, clean_outline
from curlet.core.drawing import Drawing, Group
from curlet.core.errors import BadInput
from curlet.core.path.cubics import extent
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.dxf_out import write_dxf
from curlet.formats.numbers import number, numbers, outline_data, terse_data
from curlet.formats.output import Tell, untold
from curlet.formats.svg_out import escape

# A cutter follows the middle of a line, however thin: mm.
_HAIRLINE = 0.1
_NOTHING = "Nothing is drawn here that has an outline. Choose paths with a brush, a line or a fill."


class OutlineDoc(BaseModel):
    """How an outline is made of a drawing: how it is cleaned, how near it comes, and how many times larger
    than the sheet it is written. Lengths in sheet mm."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    clean: CleanDoc = CleanDoc()
    within: FiniteFloat = 0.05
    larger: FiniteFloat = 1.0
    splines: bool = False


class OutlineFacts(BaseModel):
    """What an outline has: its path data and the box around it in sheet mm, how many shapes, holes and nodes,
    and how long it is together, in mm as it is written."""

    d: str
    left: float
    top: float
    width: float
    height: float
    shapes: int
    holes: int
    nodes: int
    length: float


@dataclass(frozen=True)
class OutlineFile:
    """A format of outlines: what it is called, its media type, and what writes it."""

    label: str
    type: str
    write: Callable[[CleanOutline, Drawing, OutlineDoc], bytes]


def write_outline(drawing: Drawing, form: str, doc: OutlineDoc, tell: Tell = untold) -> bytes:
    """A drawing's outline as a file, by the name of a format.

    Raises
    ------
    BadInput
        If nothing is drawn, or a number is out of bounds.
    TooMuch
        If there are too many pieces.
    """
    found = _found(drawing, doc, tell)
    whole = replace(drawing, width=drawing.width * doc.larger, height=drawing.height * doc.larger)
    edges = tuple(Edge(edge.cubics * doc.larger, edge.names) for edge in found.edges)
    return OUTLINES[form].write(CleanOutline(edges), whole, doc)


def outline_facts(drawing: Drawing, doc: OutlineDoc, tell: Tell = untold) -> OutlineFacts:
    """What a drawing's outline has; raises as `write_outline`."""
    found = _found(drawing, doc, tell)
    low, high = extent(np.concatenate([edge.cubics for edge in found.edges]))
    (left, top), (width, height) = low.tolist(), (high - low).tolist()
    return OutlineFacts(
        left=left,
        top=top,
        width=width,
        height=height,
        d=terse_data(outline_of_edges(found.edges)),
        shapes=len(found.outer),
        holes=len(found.holes),
        nodes=found.nodes,
        length=found.length * doc.larger,
    )


def _found(drawing: Drawing, doc: OutlineDoc, tell: Tell) -> CleanOutline:
    groups: Sequence[Group] = drawing.groups
    count = max(len(groups), 1)
    found = clean_outline(
        groups, doc.clean.to_core(), doc.within, lambda done: tell(done / count, "Making the outline")
    )
    if not found.edges:
        raise BadInput(_NOTHING)
    return found


def _svg(outline: CleanOutline, drawing: Drawing, doc: OutlineDoc) -> bytes:
    """Each contour is one closed path with a hairline, holes first, so that they are cut first."""
    size = f'width="{number(drawing.width)}mm" height="{number(drawing.height)}mm"'
    paths = [
        f'<path id="{name}-{place}" d="{outline_data(edge.outline)}"/>\n'
        for name, edges in (("hole", outline.holes), ("outline", outline.outer))
        for place, edge in enumerate(edges, 1)
    ]
    return (
        '<?xml version="1.0" encoding="UTF-8"?>\n'
        f'<svg xmlns="http://www.w3.org/2000/svg" {size} '
        f'viewBox="{numbers((0, 0, drawing.width, drawing.height))}">\n'
        f"<title>{escape(drawing.title)}</title>\n"
        f'<g fill="none" stroke="#000000" stroke-width="{_HAIRLINE}">\n{"".join(paths)}</g>\n</svg>\n'
    ).encode()


def _dxf(outline: CleanOutline, drawing: Drawing, doc: OutlineDoc) -> bytes:
    return write_dxf(outline, drawing.height, splines=doc.splines, within=doc.within * doc.larger)


OutlineName = Literal["svg", "dxf"]
OUTLINES: dict[str, OutlineFile] = {
    "svg": OutlineFile("SVG", "image/svg+xml", _svg),
    "dxf": OutlineFile("DXF", "image/vnd.dxf", _dxf),
}
