"""What of a sheet is exported, and how it looks: the drawings that files are made of."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from curlet.core.choice import chosen
from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput
from curlet.core.trim import trimmed
from curlet.formats.several import EACH
from curlet.formats.tintable import COLOURS
from curlet.store.records import RunRecord
from curlet.store.state import State
from curlet.studio.callouts import callout_groups
from curlet.studio.drawn_sheet import (
    SHEETS_OWN,
    background_tone,
    on_background,
    sheet_drawing,
    tone_of,
)
from curlet.studio.under_way import UNWATCHED, UnderWay

_OF_SOME = ("group", "path")
# What is read on where there is no background.
PAPER = "#ffffff"


@dataclass(frozen=True)
class Exported:
    """What is exported of a sheet, and how it looks.

    Attributes
    ----------
    lines : whether paths' own lines and fills are, too.
    run : the only run that is; None for all that are seen.
    paths : the paths that are, with their runs; None for all.
    group, area : the seam group or the area whose paths are; None for any.
    each : what each drawing holds, by its name in `EACH`.
    colourway : the colourway that it has; None for the one that is shown.
    background : "" for none, "sheet" for the sheet's own, or a colour.
    colours : what its colours are, by their name in `COLOURS`.
    callouts : whether call-outs of its runs are in it.
    margin : what is left around the artwork that it is trimmed to, mm; None where it is not trimmed.
    """

    lines: bool = True
    run: str | None = None
    paths: tuple[str, ...] | None = None
    group: str | None = None
    area: str | None = None
    each: str = "sheet"
    colourway: str | None = None
    background: str = ""
    colours: str = "drawn"
    margin: float | None = None
    callouts: bool = False

    def __post_init__(self) -> None:
        chosen(EACH, self.each, "way of making files")
        chosen(COLOURS, self.colours, "kind of colours")


@dataclass(frozen=True)
class _Part:
    """What one drawing holds: of a state, some paths or all, with its runs and with single repeats or not."""

    state: State
    title: str
    paths: tuple[str, ...] | None
    runs: tuple[RunRecord, ...]
    singles: bool


def drawings(
    state: State, asked: Exported, per_mm: float | None = None, work: UnderWay = UNWATCHED
) -> list[Drawing]:
    """The drawings that are exported, each with its title.

    Parameters
    ----------
    per_mm : pixels to the mm, at whole ones of which what is trimmed lies; None where there are none.

    Raises
    ------
    BadInput
        If nothing is drawn where that is needed.
    Missing
        If something is asked for that is not on the sheet.
    Stopped
        Once `work` is to stop.
    """
    made = []
    for part in _parts(state, asked):
        drawing = sheet_drawing(
            part.state,
            with_lines=asked.lines and not asked.run,
            runs=part.runs,
            singles=part.singles,
            only=part.paths,
            work=work,
        )
        if asked.callouts:
            runs = [run["id"] for run in part.runs]
            told = callout_groups(part.state, _tone(state, asked), runs, halo=asked.colours == "drawn")
            drawing = replace(drawing, groups=(*drawing.groups, *told))
        if drawing.groups or asked.each not in _OF_SOME:
            made.append(_finished(part.state, replace(drawing, title=part.title), asked, per_mm))
    if not made:
        raise BadInput("Nothing of this sheet is seen, so there is no file to make. Show something first.")
    return made


def exported_runs(state: State, asked: Exported) -> list[RunRecord]:
    """The runs that are exported, each once."""
    return list({run["id"]: run for part in _parts(state, asked) for run in part.runs}.values())


def _tone(state: State, asked: Exported) -> str:
    """What call-outs are read on, "light" or "dark"."""
    if asked.background == SHEETS_OWN:
        return background_tone(state)
    return tone_of(asked.background or PAPER)


def _finished(state: State, drawing: Drawing, asked: Exported, per_mm: float | None) -> Drawing:
    drawing = COLOURS[asked.colours].make(drawing)
    if asked.margin is not None:
        drawing = trimmed(drawing, asked.margin, per_mm)
    return on_background(state, drawing, asked.background) if asked.background else drawing


def _parts(state: State, asked: Exported) -> Iterator[_Part]:
    name = state.sheet["name"]
    paths = _paths(state, asked)
    runs = _runs(state, asked.run, paths)
    whole = _Part(state, name, paths, runs, singles=paths is None and not asked.run)
    if asked.each == "colourway":
        ways = state.all("colourway")
        if not ways:
            yield whole
        for way in ways:
            yield replace(whole, state=_in_colourway(state, way["id"]), title=f"{name}, {way['name']}")
    elif asked.each in _OF_SOME:
        yield from _of_some(whole, asked.each)
    else:
        shown = state if asked.colourway is None else _in_colourway(state, asked.colourway)
        yield replace(whole, state=shown)


def _of_some(whole: _Part, each: str) -> Iterator[_Part]:
    """A part for each seam group or path, and one for the single repeats."""
    state = whole.state
    wanted = None if whole.paths is None else set(whole.paths)
    paths = [row for row in state.all("path") if wanted is None or row["id"] in wanted]
    sets: dict[str, tuple[str, list[str]]] = {}
    for row in paths:
        key, title = row["id"], row["name"]
        if each == "group":
            key = row["group"] or ""
            title = state.get("group", key)["name"] if key else "no seam group"
        sets.setdefault(key, (title, []))[1].append(row["id"])
    for title, ids in sets.values():
        runs = tuple(run for run in whole.runs if run["path"] in ids)
        yield replace(whole, title=f"{whole.title}, {title}", paths=tuple(ids), runs=runs, singles=False)
    if whole.singles and state.rows["single"]:
        yield replace(whole, title=f"{whole.title}, single repeats", paths=(), runs=())


def _paths(state: State, asked: Exported) -> tuple[str, ...] | None:
    """The paths that are exported; None for all."""
    found = asked.paths
    for kind in ("group", "area"):
        belongs = getattr(asked, kind)
        if belongs:
            state.get(kind, belongs)
            found = tuple(row["id"] for row in state.all("path") if row[kind] == belongs)
    return found


def _runs(state: State, only: str | None, paths: tuple[str, ...] | None) -> tuple[RunRecord, ...]:
    if only:
        return (state.get("run", only),)
    wanted = None if paths is None else set(paths)
    seen = (run for run in state.all("run") if state.seen(run))
    return tuple(run for run in seen if wanted is None or run["path"] in wanted)


def _in_colourway(state: State, way: str) -> State:
    state.get("colourway", way)
    draft = state.draft()
    draft.update("sheet", draft.sheet["id"], colourway=way)
    return draft
