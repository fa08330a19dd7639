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

Box = tuple[float, float, float, float]

# To the em, mm on the sheet; and in ems the widest line, the leader's weight and the dot at its end.
SIZE = 2.8
WIDEST, _HAIR, _DOT = 17.0, 0.065, 0.16
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


def shown_callouts(state: State, size: float = SIZE, within: Box | None = None) -> list[ShownCallOut]:
    """Every call-out of a run that is seen, placed.

    Parameters
    ----------
    size : of its text, sheet mm to the em.
    within : left, top, right and foot of where those that are placed by themselves may stand; None for the
        sheet.
    """
    rows = [row for row in state.all("callout") if _is_seen(state, row["doc"]["run"])]
    docs = [CallOutDoc.model_validate(row["doc"]) for row in rows]
    texts = [doc.text or _words(state, doc.run) for doc in docs]
    lines = [wrapped(text, WIDEST * size, size) for text in texts]
    callouts = [_sized(state, doc, of, size) for doc, of in zip(docs, lines, strict=True)]
    within = within or (0.0, 0.0, state.sheet["width"], state.sheet["height"])
    placed = place_callouts(callouts, garment_box(state), within) if callouts else []
    return [
        ShownCallOut(
            row["id"], doc.run, text, doc.text is not None, doc.away is not None, _set(of, at, size), at
        )
        for row, doc, text, of, at in zip(rows, docs, texts, lines, placed, strict=True)
    ]


def callout_groups(
    state: State,
    tone: str = "light",
    runs: Sequence[str] | None = None,
    *,
    halo: bool = True,
    size: float = SIZE,
    within: Box | None = None,
) -> list[Group]:
    """Call-outs as they are drawn in files, of all runs that are seen or only of some.

    Parameters
    ----------
    tone : of what they are read on, "light" or "dark".
    halo : whether leaders have edges of the other tone, so that they are seen on what is drawn too.
    size, within : as `shown_callouts` has them.
    """
    wanted = None if runs is None else set(runs)
    colour, other = (INK, CHALK) if tone == "light" else (CHALK, INK)
    shown = shown_callouts(state, size, within)
    return [
        _group(one, colour, other if halo else None, size)
        for one in shown
        if wanted is None or one.run in wanted
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


def _sized(state: State, doc: CallOutDoc, lines: list[str], size: float) -> CallOut:
    x, y = end_of(state, doc)
    corner = (x + doc.away[0], y + doc.away[1]) if doc.away else None
    width = max(text_width(line, size) for line in lines)
    return CallOut((x, y), width, len(lines) * LINE_PITCH * size, corner)


def _set(lines: list[str], placed: PlacedCallOut, size: float) -> tuple[Words, ...]:
    """Lines one below the other; they end together where the leader begins at their ends."""
    left, top, right, _ = placed.box
    at_end = placed.leader[0][0] > right
    return tuple(
        Words(
            line,
            right - text_width(line, size) if at_end else left,
            top + (at * LINE_PITCH + _BASELINE) * size,
            size,
        )
        for at, line in enumerate(lines)
    )


def garment_box(state: State) -> Box:
    """Around all paths that are seen."""
    outlines = [outline_of(core_path(row)).points for row in state.all("path") if not row["hidden"]]
    points = np.concatenate(outlines)
    (left, top), (right, foot) = points.min(axis=0).tolist(), points.max(axis=0).tolist()
    return left, top, right, foot


def _group(one: ShownCallOut, colour: str, halo: str | None, size: float) -> Group:
    hair, dot = _HAIR * size, _DOT * size
    paint = Solid(colour)
    line, end = Outline("ML", np.array(one.placed.leader)), one.placed.leader[1]
    lines: list[Shape] = []
    if halo is not None:
        # On cloth of its own colour a leader would not be seen.
        around = Solid(halo)
        lines += [Shape(line, stroke=Stroke(around, 3 * hair)), Shape(disc(*end, 1.6 * dot), around)]
    lines += [Shape(line, stroke=Stroke(paint, hair)), Shape(disc(*end, dot), paint)]
    texts = [Group("", line.text, (_letters(line, paint),), words=line) for line in one.lines]
    return Group(f"callout-{one.id}", one.text, (Laid(tuple(lines)), *texts))


def _letters(line: Words, paint: Solid) -> Laid:
    return Laid((Shape(text_outline(line.text, line.x, line.y, line.size), paint),))
