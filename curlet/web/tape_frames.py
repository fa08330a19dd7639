"""A part of a run's Tape as the page draws it."""

from __future__ import annotations

from curlet.core.lay.draw import draw_run
from curlet.core.lay.unrolled import unrolled
from curlet.formats.screen import Packer, group_json
from curlet.store.laying import lay_row
from curlet.store.state import State

# Bent artwork lies within this of where it should on a straight line anyway, drawn mm.
_TOLERANCE = 0.05


def tape_frame(state: State, run_id: str, low: float, high: float) -> bytes:
    """A run unrolled between two places along it, garment mm.

    Raises
    ------
    CurletError
        If there is no such run, or it cannot be laid.
    """
    laid, _ = lay_row(state, state.get("run", run_id))
    k = laid.scale.factor
    packer = Packer()
    part = draw_run(unrolled(laid, low * k, high * k), "tape", "", _TOLERANCE, state.light)
    return packer.pack({"run": run_id, "low": low, "high": high, "group": group_json(part, packer)})
