"""What is done on a sheet must be possible to lay."""

from __future__ import annotations

from curlet.core.lay.size import check_sheet
from curlet.store.laying import lay_row, points_drawn
from curlet.store.state import State
from curlet.studio.touched import Touched
from curlet.studio.under_way import UNWATCHED, UnderWay


def check_runs(state: State, work: UnderWay = UNWATCHED) -> None:
    """Lay every run that a draft's changes touch; what cannot be laid raises."""
    touched = Touched(state).runs()
    for run in work.each(touched, "Laying"):
        lay_row(state, run)
    if touched:
        check_sheet(sum(points_drawn(state, run) for run in state.all("run")))
