"""Importing an SVG drawing as a motif: its shapes keep their fills and lines, at their physical size."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from curlet.core.drawing import Outline
from curlet.core.dress.colour import ColourRole, RoleGradient
from curlet.core.errors import BadInput, TooMuch
from curlet.core.motif.art import path_text
from curlet.core.motif.draw.combine import clipped_by
from curlet.core.motif.families.artwork import MAX_POINTS, ArtShape, Artwork, read_outline
from curlet.core.motif.pieces import fitted, turned
from curlet.core.path.booleans import line_as_area
from curlet.core.path.outline import outline_of
from curlet.formats.brush_motifs import ArtShapeDoc, ArtworkDoc, GradientDoc, RoleDoc, StopDoc
from curlet.formats.imported import ImportedPath
from curlet.formats.path_doc import FactsDoc
from curlet.formats.svg_in import read_svg

MAX_SHAPES = 500
# Points of a clip times those of what it cuts.
MAX_CUTTING = 1_000_000


def read_artwork(data: bytes, turn: float = 0.0) -> tuple[ArtworkDoc, tuple[str, ...]]:
    """An SVG drawing as artwork in the smallest cell that holds it, and what was left out, in words.

    Parameters
    ----------
    turn : clockwise, degrees, so that the drawing repeats to the right.

    Raises
    ------
    BadInput, TooMuch
        If the file is broken, hostile or empty; or has more than 500 shapes or 50,000 points.
    """
    taken = read_svg(data)
    by_element: dict[str, list[ImportedPath]] = {}
    for path in taken.paths:
        by_element.setdefault(path.facts.element, []).append(path)
    if len(by_element) > MAX_SHAPES:
        raise TooMuch(f"This drawing has more than {MAX_SHAPES} shapes. Import a part of it.")
    shapes = tuple(shape for paths in by_element.values() for shape in _shapes(paths))
    if not shapes:
        raise BadInput("Nothing of this drawing is seen: it is all clipped away. Import another.")
    if sum(shape.d.count(" ") for shape in shapes) > MAX_POINTS:
        raise TooMuch(f"This drawing has more than {MAX_POINTS:,} points. Simplify it first.")
    art = fitted(Artwork(shapes, 1.0, 1.0))
    return artwork_doc(turned(art, turn) if turn else art), taken.notes


def _cut(shape: ArtShape, clips: tuple[Outline, ...]) -> list[ArtShape]:
    """A shape cut by its clips.

    Raises
    ------
    TooMuch
        If they have so many points that cutting would take for ever.
    """
    size = shape.d.count(" ")
    if any(size * len(clip.points) > MAX_CUTTING for clip in clips):
        raise TooMuch("A clip of this drawing is too detailed to cut with. Simplify it, or remove it first.")
    return clipped_by(shape, clips)


def _shapes(paths: list[ImportedPath]) -> list[ArtShape]:
    """One element as shapes: its fill and its line apart where they are not alike, cut by its clips."""
    shape, facts = _shape(paths), paths[0].facts
    if facts.dashes and shape.stroke is not None and (dashed := _dashed(shape, facts)) is not None:
        filled = replace(shape, stroke=None, opacity=facts.fill_opacity)
        parts = [*([filled] if shape.fill is not None else []), dashed]
        return [part for each in parts for part in _cut(each, paths[0].clips)]
    apart = shape.fill is not None and shape.stroke is not None
    if apart and facts.fill_opacity != facts.stroke_opacity:
        filled = replace(shape, stroke=None, opacity=facts.fill_opacity)
        lined = replace(shape, fill=None, gradient=None, opacity=facts.stroke_opacity)
        return [part for each in (filled, lined) for part in _cut(each, paths[0].clips)]
    opacity = facts.fill_opacity if shape.fill is not None else facts.stroke_opacity
    return _cut(replace(shape, opacity=opacity), paths[0].clips)


def _dashed(shape: ArtShape, facts: FactsDoc) -> ArtShape | None:
    """A dashed line as the area that its dashes cover: artwork's own lines have none."""
    outline = read_outline(shape.d)
    area = line_as_area(
        outline, shape.weight, shape.ends, shape.joins, facts.dashes * (1 + len(facts.dashes) % 2)
    )
    if area is None:
        return None
    return ArtShape(path_text(area), fill=shape.stroke, opacity=facts.stroke_opacity)


def _shape(paths: list[ImportedPath]) -> ArtShape:
    """All contours of one element, so that inner ones stay holes; what is not painted is drawn as a line."""
    facts = paths[0].facts
    outlines = [outline_of(path.path) for path in paths]
    whole = Outline("".join(o.commands for o in outlines), np.concatenate([o.points for o in outlines]))
    fill = ColourRole(own=facts.fill) if facts.fill else None
    stroke = ColourRole(own=facts.stroke) if facts.stroke and facts.weight > 0 else None
    if fill is None and stroke is None:
        stroke = ColourRole(1)
    weight = facts.weight or 0.3
    return ArtShape(
        path_text(whole),
        fill,
        stroke,
        min(max(weight, 0.005), 1000),
        facts.ends,
        facts.joins,
        facts.even_odd,
        gradient=paths[0].gradient if fill else None,
    )


def artwork_doc(art: Artwork) -> ArtworkDoc:
    """A core artwork as its document."""
    shapes = tuple(
        ArtShapeDoc(
            d=shape.d,
            fill=_role(shape.fill),
            stroke=_role(shape.stroke),
            weight=shape.weight,
            ends=shape.ends,  # type: ignore[arg-type]
            joins=shape.joins,  # type: ignore[arg-type]
            even_odd=shape.even_odd,
            over=shape.over,
            gradient=_gradient(shape.gradient),
            opacity=shape.opacity,
            stands=shape.stands,  # type: ignore[arg-type]
        )
        for shape in art.shapes
    )
    size = {"length": round(art.length, 5), "width": round(max(art.width, 0.01), 5)}
    return ArtworkDoc(family="artwork", shapes=shapes, on=str(art.on), **size)  # type: ignore[arg-type]


def _gradient(gradient: RoleGradient | None) -> GradientDoc | None:
    if gradient is None:
        return None
    stops = tuple(
        StopDoc(offset=stop.offset, role=_known(stop.role), opacity=stop.opacity) for stop in gradient.stops
    )
    return GradientDoc(
        form=gradient.form,  # type: ignore[arg-type]
        start=gradient.start,
        end=gradient.end,
        stops=stops,
        matrix=gradient.matrix,
    )


def _role(role: ColourRole | None) -> RoleDoc | None:
    return _known(role) if role is not None else None


def _known(role: ColourRole) -> RoleDoc:
    return RoleDoc(thread=role.thread, own=role.own, lighter=role.lighter)
