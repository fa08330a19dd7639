"""Call-outs as they are shown and exported: their texts, set and placed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from curlet.core.callouts import CallOut, PlacedCallOut, place_callouts, words_of
from curlet.core.drawing import Group, Laid, Outline, Shape, Solid, Stroke, Words
from curlet.core.errors import CurletError
from curlet.core.outlines import disc
from curlet.core.path.outline import outline_of
from curlet.formats.callout_doc import CallOutDoc
from curlet.formats.plain_text import LINE_PITCH, text_outline, text_width, wrapped
from curlet.store.callouts import end_of
from curlet.store.laying import lay_row
from curlet.store.paths import core_path
from curlet.store.state import State
from curlet.studio.schedule import shade_names

# mm on the sheet: to the em, the widest line, the leader's weight and the dot at its end.
SIZE, _WIDEST, _HAIR, _DOT = 2.8, 48.0, 0.18, 0.45
# How far below a line's top its baseline is, in ems.
_BASELINE = 0.95
INK, CHALK = "#1f2a44", "#f1ead9"


@dataclass(frozen=True)
class ShownCallOut:
    """A call-out as it is shown: its text, whether somebody wrote it, and its lines, each where it begins."""

    id: str
    run: str
    text: str
    written: bool
    moved: bool
    lines: tuple[Words, ...]
    placed: PlacedCallOut


def shown_callouts(state: State) -> list[ShownCallOut]:
    """Every call-out of a run that is seen, placed."""
    rows = [row for row in state.all("callout") if _is_seen(state, row["doc"]["run"])]
    docs = [CallOutDoc.model_validate(row["doc"]) for row in rows]
    texts = [doc.text or _words(state, doc.run) for doc in docs]
    lines = [wrapped(text, _WIDEST, SIZE) for text in texts]
    callouts = [_sized(state, doc, of) for doc, of in zip(docs, lines, strict=True)]
    sheet = state.sheet
    placed = place_callouts(callouts, _garment(state), sheet["width"], sheet["height"]) if callouts else []
    return [
        ShownCallOut(row["id"], doc.run, text, doc.text is not None, doc.away is not None, _set(of, at), at)
        for row, doc, text, of, at in zip(rows, docs, texts, lines, placed, strict=True)
    ]


def callout_groups(
    state: State, tone: str = "light", runs: Sequence[str] | None = None, *, halo: bool = True
) -> list[Group]:
    """Call-outs as they are drawn in files, of all runs that are seen or only of some.

    Parameters
    ----------
    tone : of what they are read on, "light" or "dark".
    halo : whether leaders have edges of the other tone, so that they are seen on what is drawn too.
    """
    wanted = None if runs is None else set(runs)
    colour, other = (INK, CHALK) if tone == "light" else (CHALK, INK)
    shown = shown_callouts(state)
    return [
        _group(one, colour, other if halo else None) for one in shown if wanted is None or one.run in wanted
    ]


def _is_seen(state: State, run: str) -> bool:
    return run in state.rows["run"] and state.seen(state.get("run", run))


def _words(state: State, run_id: str) -> str:
    run = state.get("run", run_id)
    try:
        laid, _ = lay_row(state, run)
    except CurletError:
        # It says itself why it cannot be laid.
        return str(state.get("brush", run["brush"])["doc"]["name"])
    return words_of(laid, shade_names(state, run), state.sheet["unit"])


def _sized(state: State, doc: CallOutDoc, lines: list[str]) -> CallOut:
    x, y = end_of(state, doc)
    corner = (x + doc.away[0], y + doc.away[1]) if doc.away else None
    width = max(text_width(line, SIZE) for line in lines)
    return CallOut((x, y), width, len(lines) * LINE_PITCH * SIZE, corner)


def _set(lines: list[str], placed: PlacedCallOut) -> tuple[Words, ...]:
    """Lines one below the other; they end together where the leader begins at their ends."""
    left, top, right, _ = placed.box
    at_end = placed.leader[0][0] > right
    return tuple(
        Words(
            line,
            right - text_width(line, SIZE) if at_end else left,
            top + (at * LINE_PITCH + _BASELINE) * SIZE,
            SIZE,
        )
        for at, line in enumerate(lines)
    )


def _garment(state: State) -> tuple[float, float, float, float]:
    """Around all paths that are seen."""
    outlines = [outline_of(core_path(row)).points for row in state.all("path") if not row["hidden"]]
    points = np.concatenate(outlines)
    (left, top), (right, foot) = points.min(axis=0).tolist(), points.max(axis=0).tolist()
    return left, top, right, foot


def _group(one: ShownCallOut, colour: str, halo: str | None) -> Group:
    paint = Solid(colour)
    line, end = Outline("ML", np.array(one.placed.leader)), one.placed.leader[1]
    lines: list[Shape] = []
    if halo is not None:
        # On cloth of its own colour a leader would not be seen.
        around = Solid(halo)
        lines += [Shape(line, stroke=Stroke(around, 3 * _HAIR)), Shape(_disc(end, 1.6 * _DOT), around)]
    lines += [Shape(line, stroke=Stroke(paint, _HAIR)), Shape(_disc(end, _DOT), paint)]
    texts = [Group("", line.text, (_letters(line, paint),), words=line) for line in one.lines]
    return Group(f"callout-{one.id}", one.text, (Laid(tuple(lines)), *texts))


def _disc(middle: tuple[float, float], radius: float) -> Outline:
    return disc(*middle, radius)


def _letters(line: Words, paint: Solid) -> Laid:
    return Laid((Shape(text_outline(line.text, line.x, line.y, line.size), paint),))
