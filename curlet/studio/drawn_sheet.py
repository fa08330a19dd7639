"""A sheet's drawing: its cloths and lines as they came, its runs, its single repeats."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from contextlib import suppress
from dataclasses import replace
from functools import lru_cache
from typing import TypeVar

import numpy as np

from curlet.core.drawing import Drawing, Group, Laid, Outline, Paint, Shape, Solid, Spelled, Tiling
from curlet.core.dress.colour import lightness
from curlet.core.dress.relief import Light
from curlet.core.errors import CurletError
from curlet.core.lay.single import draw_single
from curlet.core.measures import MM_PER_INCH, Scale
from curlet.formats.as_drawn import DrawnPath, Filled, PictureFill, draw_as_drawn, drawn_id
from curlet.formats.brush_file import core_brush
from curlet.formats.cloth_doc import ClothDoc
from curlet.formats.content import Content
from curlet.formats.fill_doc import GradientFillDoc, PictureFillDoc
from curlet.formats.path_doc import FactsDoc
from curlet.formats.png_out import write_png
from curlet.formats.shade_refs import with_colours
from curlet.store.crops import cropped, run_group
from curlet.store.lettering import letters_of, spelled_of
from curlet.store.paths import core_path, element_of, is_drawn
from curlet.store.pictures import has_picture, png_of
from curlet.store.records import Json, PathRecord, RunRecord, SingleRecord
from curlet.store.runs import written_brush
from curlet.store.shades import shade_colours
from curlet.store.state import State
from curlet.studio.under_way import UNWATCHED, UnderWay

# Across a small picture, px.
_ACROSS = 480
_Of = TypeVar("_Of")
# Stands for the background that a sheet is seen on.
SHEETS_OWN = "sheet"
# Backgrounds lighter than this take dark marks.
_LIGHT = 0.55
_BACKGROUNDS = {"light": "#f7f4eb", "dark": "#2a2f3a"}


def sheet_drawing(
    state: State,
    *,
    with_lines: bool,
    runs: Sequence[RunRecord],
    singles: bool = True,
    only: Sequence[str] | None = None,
    work: UnderWay = UNWATCHED,
) -> Drawing:
    """The drawing that is exported: lines and fills if wanted, runs and single repeats, in their order.

    Parameters
    ----------
    only : the paths whose lines and fills are wanted; None for all.

    Raises
    ------
    Stopped
        Once `work` is to stop.
    """
    elements = None if only is None else {element_of(state.get("path", path)) for path in only}
    placed = list(as_drawn(state, elements)) if with_lines else []
    for run in work.each(runs, "Laying"):
        placed += [(run["position"], group) for group in _drawn(run_group, state, run)]
    if singles:
        rows = state.all("single")
        placed += [(row["position"], group) for row in rows for group in _drawn(single_group, state, row)]
    placed.sort(key=lambda item: item[0])
    sheet = state.sheet
    groups = tuple(group for _, group in placed)
    seen = {run["path"] for run in runs} | _seen_paths(state, elements if with_lines else set())
    return Drawing(sheet["width"], sheet["height"], groups, sheet["name"], texts=_texts(state, seen))


def _texts(state: State, paths: set[str]) -> tuple[Spelled, ...]:
    """What the texts say of which any letter is among some paths; none whose font is gone."""
    found = []
    for row in state.all("lettering"):
        if any(letter["id"] in paths for letter in letters_of(state, row["id"])):
            with suppress(CurletError):
                found.append(spelled_of(state, row["id"]))
    return tuple(found)


def _seen_paths(state: State, only: set[str] | None) -> set[str]:
    """The paths whose own lines or fills are drawn, of all elements or only of some."""
    every = [row for rows in _elements(state) for row in rows]
    return {row["id"] for row in every if only is None or element_of(row) in only}


def small_picture(state: State) -> bytes:
    """A PNG of a sheet on its background, 480 pixels at its longer side."""
    runs = [run for run in state.all("run") if state.seen(run)]
    drawing = on_background(state, sheet_drawing(state, with_lines=True, runs=runs))
    ppi = _ACROSS / max(drawing.width, drawing.height) * MM_PER_INCH
    return write_png(drawing, min(max(ppi, 1.0), 2_400.0))


def on_background(state: State, drawing: Drawing, colour: str = SHEETS_OWN) -> Drawing:
    """The drawing on a colour, or on the sheet's own background: its cloth, or the plain paper that it is
    seen on."""
    size, corner = (drawing.width, drawing.height), drawing.corner or (0.0, 0.0)
    sides = np.array([[0, 0], [1, 0], [1, 1], [0, 1]], dtype=float)
    corners = Outline("MLLLZ", sides * size + corner)
    own = _background(state) if colour == SHEETS_OWN else Solid(colour)
    background = Group("background", "", (Laid((Shape(corners, own),)),))
    return replace(drawing, groups=(background, *drawing.groups))


def _background(state: State) -> Paint:
    plain = _BACKGROUNDS.get(state.sheet["background"], _BACKGROUNDS["light"])
    return background_paint(state) or Solid(plain)


def as_drawn(state: State, only: set[str] | None = None) -> tuple[tuple[float, Group], ...]:
    """The paths' own lines and fills, for those that have any, with their positions; of all elements or only
    of some."""
    dressed = {run["path"] for run in state.all("run") if state.seen(run)}
    colours = shade_colours(state)
    wanted = [rows for rows in _elements(state) if only is None or element_of(rows[0]) in only]
    return tuple(
        (rows[0]["position"], cropped(state, rows[0], group))
        for rows in wanted
        for group in draw_as_drawn(_drawn_path(state, row, dressed, colours) for row in rows)
    )


def drawn_ids(state: State) -> list[str]:
    """The ids of the groups of `as_drawn`, in order."""
    return [drawn_id(rows[0]["id"]) for rows in _elements(state)]


def _elements(state: State) -> list[list[PathRecord]]:
    """The paths that show a line or a fill of their own, those of one shape together."""
    seen = (row for row in state.all("path") if not row["hidden"] and is_drawn(row))
    elements: dict[str, list[PathRecord]] = {}
    for row in seen:
        elements.setdefault(element_of(row), []).append(row)
    return list(elements.values())


def _drawn_path(state: State, row: PathRecord, dressed: set[str], colours: dict[str, str]) -> DrawnPath:
    filled = _filled(row["fill"], colours, state.scale.factor)
    facts = FactsDoc(**{**row["facts"], "element": element_of(row)})
    return DrawnPath(row["id"], row["name"], core_path(row), facts, row["id"] in dressed, filled)


def _filled(doc: Json, colours: dict[str, str], factor: float) -> Filled | None:
    """What fills a path; None where nothing does, or a picture that is lost."""
    kind = doc.get("kind")
    if kind == "gradient":
        return GradientFillDoc.model_validate(with_colours(doc, colours)).to_core()
    if kind != "picture":
        return cloth_paint(doc, colours, factor)
    fill = PictureFillDoc.model_validate(doc)
    if not has_picture(fill.picture):
        return None
    return PictureFill(png_of(fill.picture), fill.placed(), 1 - fill.fade / 100)


def background_paint(state: State) -> Paint | None:
    """The cloth behind everything; None where the background is plain."""
    sheet = state.sheet
    if sheet["background"] != "cloth":
        return None
    return cloth_paint(sheet["background_cloth"], shade_colours(state), state.scale.factor)


def background_tone(state: State) -> str:
    """Whether a sheet's background is "light" or "dark"."""
    paint = background_paint(state)
    mean = paint.colour if isinstance(paint, Solid) else paint.mean if isinstance(paint, Tiling) else None
    return str(state.sheet["background"]) if mean is None else tone_of(mean)


def tone_of(colour: str) -> str:
    """Whether a colour is "light" or "dark": what lies on it is dark or light."""
    return "light" if lightness(colour) > _LIGHT else "dark"


def cloth_paint(doc: Json, colours: dict[str, str], factor: float) -> Paint | None:
    """A kept cloth as a paint, with its shades' colours; the same object for the same cloth, so that it is
    drawn once."""
    return _cloth(Content(with_colours(doc, colours)), factor) if doc else None


@lru_cache(maxsize=256)
def _cloth(doc: Content, factor: float) -> Paint:
    return ClothDoc.model_validate(doc.value).to_core().paint(factor)


def single_group(state: State, row: SingleRecord) -> Group:
    """A single repeat's part of the drawing."""
    brush = written_brush(state, row)
    at = row["x"], row["y"]
    group = _single(brush, state.scale, at, row["turn"], row["size"], row["id"], state.light)
    return cropped(state, row, group)


@lru_cache(maxsize=1024)
def _single(
    brush: Content, scale: Scale, at: tuple[float, float], turn: float, size: float, name: str, light: Light
) -> Group:
    return draw_single(core_brush(brush), scale, at, turn, size, f"single-{name}", light)


def _drawn(draw: Callable[[State, _Of], Group], state: State, row: _Of) -> list[Group]:
    """What a row draws; one that cannot be drawn says so on the Table, and keeps no other from being so."""
    try:
        return [draw(state, row)]
    except CurletError:
        return []
