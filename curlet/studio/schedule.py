"""The schedule of a sheet: every run that is drawn, as the core reckons it, by the names that it has here."""

from __future__ import annotations

from dataclasses import dataclass

from curlet.core.dress.colour_names import colour_name
from curlet.core.errors import CurletError
from curlet.core.sentence import Sentence
from curlet.core.tally.consumed import USUAL, Allowances
from curlet.core.tally.schedule import Named, Seam, seam
from curlet.formats.pointer import patched
from curlet.formats.shade_refs import OF_PATH, shade_of
from curlet.store.laying import lay_row
from curlet.store.records import RunRecord
from curlet.store.state import State
from curlet.studio.under_way import UNWATCHED, UnderWay


@dataclass(frozen=True)
class Schedule:
    """A sheet's runs in the order in which paths and runs are listed, and those that cannot be laid: the
    path's name, and why."""

    seams: tuple[Seam, ...]
    left_out: tuple[tuple[str, str], ...]


def schedule_of(state: State, allowances: Allowances = USUAL, work: UnderWay = UNWATCHED) -> Schedule:
    """What every run of a sheet that is drawn comes to."""
    allowances.check()
    seams, left_out = [], []
    for run in work.each(_in_order(state), "Laying"):
        try:
            laid, _ = lay_row(state, run)
        except CurletError as error:
            left_out.append((state.get("path", run["path"])["name"], str(error)))
            continue
        seams.append(seam(laid, _named(state, run), allowances))
    return Schedule(tuple(seams), tuple(left_out))


def _in_order(state: State) -> list[RunRecord]:
    """Runs by seam group, topmost path first, as they are listed on the page."""
    groups = {row["id"]: at for at, row in enumerate(state.all("group"))}
    seen = [run for run in state.all("run") if state.seen(run)]

    def place(run: RunRecord) -> tuple[int, float, float]:
        path = state.get("path", run["path"])
        return groups.get(path["group"] or "", len(groups)), -path["position"], run["position"]

    return sorted(seen, key=place)


def _named(state: State, run: RunRecord) -> Named:
    path = state.get("path", run["path"])
    group = state.get("group", path["group"])["name"] if path["group"] else ""
    return Named(run["id"], path["id"], path["name"], group, shade_names(state, run))


def shade_names(state: State, run: RunRecord) -> tuple[str, ...]:
    """What each thread of a run's brush is called: its shade, or else what its colour may be called."""
    doc = state.get("brush", run["brush"])["doc"]
    look = (doc.get("look") or {}).get("shades", {})
    threads = patched(doc, run["own"])["threads"]
    return tuple(
        look[pointer] if pointer in look and pointer not in run["own"] else _shade(state, value)
        for pointer, value in ((f"/threads/{index}", value) for index, value in enumerate(threads))
    )


def _shade(state: State, value: str) -> str:
    shade = shade_of(value)
    if shade is not None:
        row = state.rows["shade"].get(shade)
        return str(row["name"]) if row else "no shade"
    return "the path's colour" if value == OF_PATH else colour_name(value)


def notes_of(state: State, schedule: Schedule, allowances: Allowances) -> list[str]:
    """What is to be known of a schedule: its scale, how its thread and trim are reckoned, what is missing."""
    ends = Sentence("{}", allowances.ends).told_in(state.sheet["unit"])
    notes = [
        f"All measures are on the garment; the sheet is drawn at {state.sheet['scale']}.",
        f"Thread is the seam's length × its stitch class's usual ratio, handwork twice what shows; "
        f"{allowances.waste:g} % is added for starts, ends and joins.",
        f"Trim to cut includes mitres and {ends} at each end.",
    ]
    return [*notes, *(f"{name} is not in it: {why}" for name, why in schedule.left_out)]
