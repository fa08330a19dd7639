"""The work page of a sheet, gathered."""

from __future__ import annotations

from dataclasses import replace

from curlet.core.callouts import words_of
from curlet.core.drawing import Drawing
from curlet.core.errors import BadInput, CurletError
from curlet.core.measures import MM_PER_INCH, Scale
from curlet.core.tally.consumed import USUAL, Allowances
from curlet.core.trim import trimmed
from curlet.formats.schedule_table import all_tables
from curlet.formats.work_page import BrushShown, WorkPage, room_for_flat
from curlet.store.commands.callouts import AddCallOuts
from curlet.store.laying import lay_row
from curlet.store.records import RunRecord
from curlet.store.runs import laid_brush
from curlet.store.shades import colour_in, shown_colourway
from curlet.store.state import State
from curlet.studio.backgrounds import on_contrasting
from curlet.studio.callouts import SIZE, WIDEST, callout_groups, garment_box, shown_callouts
from curlet.studio.drawn_sheet import sheet_drawing
from curlet.studio.schedule import notes_of, schedule_of, shade_names
from curlet.studio.strips import strip_drawing
from curlet.studio.under_way import UNWATCHED, UnderWay

# Around what is drawn, sheet mm.
_AROUND = 2.0
# Beside the garment, ems: a call-out's text, and what is between it and the garment.
_BESIDE = WIDEST + 5.0
# A scale bar is about so long on the page, mm.
_BAR = 50.0


def work_page(
    state: State, paper: str = "a4", allowances: Allowances = USUAL, work: UnderWay = UNWATCHED
) -> WorkPage:
    """What is on a sheet's work page. Where nobody gave the sheet call-outs, every kind of seam gets one on
    it.

    Raises
    ------
    BadInput
        If nothing is laid on the sheet.
    """
    runs = [run for path in state.all("path") for run in state.runs_of(path["id"]) if state.seen(run)]
    if not runs:
        raise BadInput("Nothing is laid on this sheet yet, so there is nothing to sew. Lay a brush first.")
    schedule = schedule_of(state, allowances, work)
    larger = _larger(state, paper)
    flat = _flat(_called(state, runs), larger, runs, work)
    # Lines and call-outs may reach a little further than the garment's own paths.
    across, down = room_for_flat(paper)
    larger = min(larger, across / flat.width, down / flat.height)
    unit = state.sheet["unit"]
    return WorkPage(
        state.sheet["name"],
        tuple(notes_of(state, schedule, allowances)),
        flat,
        larger,
        _bar(state, larger),
        tuple(_brushes(state, runs)),
        *_shades(state),
        all_tables(schedule.seams, unit),
    )


def _called(state: State, runs: list[RunRecord]) -> State:
    """The sheet with its call-outs; where it has none, with one for all runs of which the same is said."""
    if state.all("callout"):
        return state
    draft = state.draft()
    AddCallOuts(kind="add-callouts", runs=[run["id"] for run in runs]).apply(draft)
    said: set[str] = set()
    for one in shown_callouts(draft):
        if one.text in said:
            draft.remove("callout", one.id)
        said.add(one.text)
    return draft


def _larger(state: State, paper: str) -> float:
    """How many times as large the sheet is shown, call-outs beside it being as large as ever; no larger than
    the garment."""
    left, top, right, foot = garment_box(state)
    across, down = room_for_flat(paper)
    beside = 2 * _BESIDE * SIZE
    return min(
        (across - beside) / (max(right - left, 1.0) + 2 * _AROUND),
        down / (max(foot - top, 1.0) + 2 * _AROUND),
        1 / state.scale.factor,
    )


def _flat(state: State, larger: float, runs: list[RunRecord], work: UnderWay) -> Drawing:
    drawing = sheet_drawing(state, with_lines=True, runs=runs, work=work)
    left, top, right, foot = garment_box(state)
    beside = _BESIDE * SIZE / larger
    within = left - beside, min(top, 0.0), right + beside, max(foot, state.sheet["height"])
    told = callout_groups(state, size=SIZE / larger, within=within)
    whole = replace(drawing, groups=(*drawing.groups, *told))
    return trimmed(whole, _AROUND)


def _bar(state: State, larger: float) -> tuple[str, float]:
    """A round length on the garment about as long as a scale bar should be, in words and on the sheet."""
    k, unit = state.scale.factor, state.sheet["unit"]
    mm = MM_PER_INCH if unit == "in" else 1.0
    wanted = _BAR / (k * larger) / mm
    ten = 10.0 ** len(str(int(wanted))) / 10 if wanted >= 1 else 0.1
    length = max(step * ten for step in (1, 2, 5) if step * ten <= max(wanted, ten))
    words = f"{length:g} {unit} on the garment; drawn at {state.sheet['scale']}"
    return words, length * mm * k


def _brushes(state: State, runs: list[RunRecord]) -> list[BrushShown]:
    """Each brush once, as the first run has it."""
    of_brush: dict[str, list[RunRecord]] = {}
    for run in runs:
        of_brush.setdefault(run["brush"], []).append(run)
    found = []
    for those in of_brush.values():
        brush = laid_brush(state, those[0])
        try:
            laid, _ = lay_row(state, those[0])
            words = words_of(laid, shade_names(state, those[0]), state.sheet["unit"])
        except CurletError as error:
            words = str(error)
        names = ", ".join(dict.fromkeys(state.get("path", run["path"])["name"] for run in those))
        drawing = on_contrasting(strip_drawing(brush, Scale()))
        found.append(BrushShown(brush.name, (words, f"On {names}"), drawing))
    return found


def _shades(state: State) -> tuple[tuple[str, ...], tuple[tuple[str, tuple[str, ...]], ...]]:
    """The colourways' names, and every shade with its colour in each; the one that is shown first."""
    shown = shown_colourway(state)
    ways = sorted(state.all("colourway"), key=lambda way: way["id"] != shown)
    ids = [way["id"] for way in ways] or [shown]
    shades = tuple((row["name"], tuple(colour_in(row, way) for way in ids)) for row in state.all("shade"))
    return tuple(way["name"] for way in ways), shades
