"""Work under way says how far it is, and what is stopped leaves all as it was."""

from __future__ import annotations

from pathlib import Path as FilePath

import pytest

from curlet.core.motif.tracing import Stopped
from curlet.store import journal
from curlet.store.commands.runs import LayBrush
from curlet.studio import exports, sheets
from curlet.studio.drawn_sheet import sheet_drawing
from curlet.studio.under_way import UnderWay

SHEET = "waistcoat"


def lay(work: UnderWay) -> None:
    paths = tuple(row["id"] for row in journal.find_sheet(SHEET).all("path"))
    intent = LayBrush(kind="lay-brush", paths=paths, brush="rope")
    with sheets.doing(SHEET, journal.current_revision(SHEET), intent, work):
        pass


def test_a_step_counts_the_runs_that_it_lays(store: FilePath) -> None:
    work = UnderWay()
    lay(work)
    assert (work.done, work.total, work.doing) == (11, 12, "Laying")


@pytest.mark.parametrize("asked", [1, 2, 12])
def test_a_stopped_step_leaves_the_sheet_as_it_was(store: FilePath, asked: int) -> None:
    looks = iter([False] * (asked - 1) + [True])
    before = journal.find_sheet(SHEET)
    with pytest.raises(Stopped):
        lay(UnderWay(lambda: next(looks)))
    after = journal.find_sheet(SHEET)
    assert after.sheet["revision"] == before.sheet["revision"]
    assert after.all("run") == before.all("run")
    assert journal.undo_labels(SHEET) == (None, None)


def test_a_step_that_is_asked_to_stop_stops_at_its_next_run(store: FilePath) -> None:
    work, laid = UnderWay(), []

    def lay_all() -> None:
        for number in work.each(range(500), "Laying"):
            laid.append(number)
            if number == 3:
                work.stop()

    with pytest.raises(Stopped):
        lay_all()
    assert laid == [0, 1, 2, 3]


def test_a_file_that_is_made_says_which_of_its_parts_is_drawn(store: FilePath) -> None:
    told: list[tuple[int, int, str]] = []

    class Watched(UnderWay):
        def is_to_stop(self) -> bool:
            told.append((self.done, self.total, self.doing))
            return False

    state = journal.find_sheet("curtain")
    drawing = sheet_drawing(state, with_lines=True, runs=state.all("run"))
    exports.export("Sheet", [drawing], "png", work=Watched())
    parts = len(drawing.groups)
    assert {(total, doing) for _, total, doing in told if doing} == {(parts, "Drawing")}
    assert [done for done, _, _ in told] == sorted(done for done, _, _ in told)


def test_a_sheet_is_not_laid_on_for_a_file_that_is_to_stop(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    with pytest.raises(Stopped):
        sheet_drawing(state, with_lines=True, runs=state.all("run"), work=UnderWay(lambda: True))


def test_work_that_has_not_begun_has_done_nothing() -> None:
    work = UnderWay()
    assert (work.done, work.total, work.doing, work.is_to_stop()) == (0, 0, "", False)
