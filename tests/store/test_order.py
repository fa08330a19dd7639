"""The order in which what lies on a sheet is painted: moved by hand, kept with what belongs together."""

from __future__ import annotations

import shutil
import sqlite3
from pathlib import Path as FilePath

import pytest
from pydantic import TypeAdapter

from curlet.core.errors import BadInput
from curlet.demo.load import SHEETS
from curlet.store import journal
from curlet.store.commands import AnyIntent
from curlet.store.database import MIGRATIONS, _one_order, open_database, writing
from curlet.store.models import SheetPath, database
from curlet.store.state import KINDS, State
from curlet.studio.drawn_sheet import as_drawn

SHEET = "waistcoat"
FRONT, HEM = "waistcoat-front-r", "waistcoat-hem-r"
RUN = f"run-{HEM}"
_INTENT = TypeAdapter(AnyIntent)


def do(kind: str, **values: object) -> State:
    intent = _INTENT.validate_python({"kind": kind, **values})
    return journal.do(SHEET, journal.current_revision(SHEET), intent)


def reorder(to: str, *items: tuple[str, str], of: tuple[str, str] | None = None) -> State:
    def named(item: tuple[str, str]) -> dict[str, str]:
        return {"kind": item[0], "id": item[1]}

    return do("reorder", items=[named(item) for item in items], to=to, of=of and named(of))


def order(state: State) -> list[str]:
    return [row["id"] for _, row in state.painted()]


def test_a_sheet_begins_with_fills_under_runs_under_single_repeats(store: FilePath) -> None:
    kinds = [kind for kind, _ in journal.find_sheet("programme").painted()]
    ranks = [("guide", "path", "run", "single").index(kind) for kind in kinds]
    assert ranks == sorted(ranks)


def test_no_two_things_of_the_demo_are_painted_in_no_order(demo: FilePath, tmp_path: FilePath) -> None:
    """Their ids differ from one loading to the next, so an order by ids would too."""
    open_database(FilePath(shutil.copy(demo, tmp_path)))
    for sheet in SHEETS:
        painted = [row["position"] for _, row in journal.find_sheet(sheet.id).painted()]
        assert len(set(painted)) == len(painted) > 10, sheet.name
    database.close()


def test_a_path_goes_to_the_front_with_its_runs_and_back_by_undo(store: FilePath) -> None:
    before = order(journal.find_sheet(SHEET))
    after = order(reorder("front", ("path", HEM)))
    assert after[-2:] == [HEM, RUN]
    assert [item for item in after if item not in (HEM, RUN)] == [i for i in before if i not in (HEM, RUN)]
    journal.undo(SHEET, journal.current_revision(SHEET))
    assert order(journal.find_sheet(SHEET)) == before


def test_a_run_goes_under_the_fill_of_another_path(store: FilePath) -> None:
    after = order(reorder("below", ("run", RUN), of=("path", FRONT)))
    assert after.index(RUN) + 1 == after.index(FRONT)
    assert after.index(HEM) > after.index(FRONT)


def test_several_keep_their_own_order_wherever_they_go(store: FilePath) -> None:
    before = order(journal.find_sheet(SHEET))
    block = [item for item in before if item in (HEM, RUN, FRONT)]
    assert order(reorder("back", ("path", HEM), ("path", FRONT)))[:3] == block
    above = order(reorder("above", ("path", HEM), ("path", FRONT), of=("path", "waistcoat-front-l")))
    at = above.index("waistcoat-front-l")
    assert above[at + 1 : at + 4] == block


def test_one_step_is_over_the_next_thing_that_is_seen(store: FilePath) -> None:
    """Seam lines without a line of their own lie between: a step over them would show nothing."""
    before = order(journal.find_sheet(SHEET))
    state = reorder("front", ("path", FRONT))
    drawn = [i for i in order(state) if i in state.rows["path"] and state.get("path", i)["facts"].get("fill")]
    assert drawn[-1] == FRONT
    state = reorder("below", ("path", FRONT))
    run = next(item for item in reversed(before) if item in state.rows["run"])
    assert order(state).index(FRONT) == order(state).index(run) - 1
    assert order(reorder("above", ("path", FRONT)))[-1] == FRONT


def test_a_single_repeat_is_seen_so_one_step_is_over_it_alone(store: FilePath) -> None:
    reorder("front", ("path", FRONT))
    one = do("place-single", brush="rope", x=100, y=80).all("single")[-1]["id"]
    reorder("front", ("path", "waistcoat-front-l"))
    after = order(reorder("above", ("path", FRONT)))
    assert after.index(one) + 1 == after.index(FRONT) < after.index("waistcoat-front-l")


def test_putting_things_between_the_same_two_again_and_again_finds_room(store: FilePath) -> None:
    items = [("path", HEM), ("path", FRONT), ("path", "waistcoat-hem-l")]
    for turn in range(60):
        moved, other = items[turn % 2], items[(turn + 1) % 2]
        after = order(reorder("above", moved, of=items[2]))
        at = after.index(items[2][1])
        assert after[at + 1] == moved[1]
        assert after.index(other[1]) > at or turn == 0


def test_what_is_there_already_says_so_and_new_things_lie_on_top(store: FilePath) -> None:
    reorder("front", ("path", HEM))
    with pytest.raises(BadInput, match="at the front already"):
        reorder("front", ("path", HEM))
    with pytest.raises(BadInput, match="above or below itself"):
        reorder("above", ("path", HEM), of=("run", RUN))
    state = do("lay-brush", paths=[FRONT], brush="rope")
    assert state.get("run", order(state)[-1])["path"] == FRONT
    state = do("place-single", brush="rope", x=10, y=10)
    assert order(state)[-1] in state.rows["single"]


def test_contours_of_one_shape_are_moved_together(store: FilePath) -> None:
    """A ring is drawn of both its contours: one alone in front would fill its hole."""
    facts = {**journal.find_sheet(SHEET).get("path", FRONT)["facts"], "element": "ring"}
    SheetPath.update(facts=facts).where(SheetPath.id.in_([FRONT, HEM])).execute()
    state = reorder("back", ("path", FRONT))
    assert set(order(state)[:3]) == {FRONT, HEM, RUN}
    assert next(group.id for _, group in as_drawn(state)) in (f"path-{FRONT}", f"path-{HEM}")


def test_sheets_of_before_look_as_they_did_and_their_steps_still_go_back(store: FilePath) -> None:
    """Each kind was in an order of its own, paths under runs under single repeats."""
    do("place-single", brush="rope", x=10, y=10)
    do("delete-paths", paths=[HEM])
    kinds = {"sheet_path": "path", "run": "run", "single": "single"}
    before = {kind: [row["id"] for row in journal.find_sheet(SHEET).all(kind)] for kind in kinds.values()}
    database.close()
    with sqlite3.connect(store) as db:
        for table in kinds:
            below = f"SELECT count(*) FROM {table} other WHERE other.position < {table}.position"
            db.execute(f"UPDATE {table} SET position = ({below})")
        db.execute(f"PRAGMA user_version = {MIGRATIONS.index(_one_order)}")
    db.close()
    open_database(store)
    state = journal.find_sheet(SHEET)
    assert {kind: [row["id"] for row in state.all(kind)] for kind in kinds.values()} == before
    ranks = [("path", "run", "single").index(kind) for kind, _ in state.painted()]
    assert ranks == sorted(ranks)
    back = journal.undo(SHEET, journal.current_revision(SHEET))
    painted = [kind for kind, _ in back.painted()]
    assert painted.index("run") > max(i for i, kind in enumerate(painted) if kind == "path")


def test_a_path_goes_into_anothers_group_and_place_in_one_step(store: FilePath) -> None:
    before = journal.find_sheet(SHEET)
    others = {"to": "below", "of": {"kind": "path", "id": FRONT}, "grouped_with": FRONT}
    after = do("reorder", items=[{"kind": "path", "id": HEM}], **others)
    assert after.get("path", HEM)["group"] == before.get("path", FRONT)["group"]
    assert order(after).index(HEM) < order(after).index(FRONT)
    # There already, but for its group: that is a step all the same.
    do("group-paths", paths=[HEM], group=before.get("path", HEM)["group"])
    again = do("reorder", items=[{"kind": "path", "id": HEM}], **others)
    assert again.get("path", HEM)["group"] == before.get("path", FRONT)["group"]
    for _ in range(3):
        journal.undo(SHEET, journal.current_revision(SHEET))
    assert journal.find_sheet(SHEET).all("path") == before.all("path")


def test_what_is_cropped_to_a_shape_or_an_area_goes_with_it(store: FilePath) -> None:
    hem_l, dart = "waistcoat-hem-l", "waistcoat-dart-r"
    do("crop-paths", paths=[HEM], to={"kind": "path", "id": FRONT})
    do("crop-paths", paths=[dart], to={"kind": "path", "id": FRONT})
    after = order(reorder("front", ("path", FRONT)))
    assert set(after[-4:]) == {FRONT, HEM, RUN, dart}
    members = [{"kind": "path", "id": "waistcoat-front-l"}, {"kind": "path", "id": "waistcoat-welt-pocket-l"}]
    state = do("make-area", members=members, way="cut")
    edges = [path["id"] for path in state.all("path") if path["area"]]
    assert len(edges) == 2
    do("crop-paths", paths=[hem_l], to={"kind": "area", "id": state.all("area")[0]["id"]})
    before = order(journal.find_sheet(SHEET))
    moved = order(reorder("back", ("path", edges[0])))
    assert set(moved[:3]) == {*edges, hem_l}
    assert [item for item in moved if item in (*edges, hem_l)] == [i for i in before if i in (*edges, hem_l)]


def test_between_two_that_lay_level_there_is_a_place_again(store: FilePath) -> None:
    """As older versions could leave them."""
    before = order(journal.find_sheet(SHEET))
    low, high = before[2], before[3]
    with writing():
        kinds = {row["id"]: kind for kind, row in journal.find_sheet(SHEET).painted()}
        for item in (low, high):
            KINDS[kinds[item]].update(position=2.5).where(KINDS[kinds[item]].id == item).execute()
    level = order(journal.find_sheet(SHEET))
    first, second = level[2:4]
    assert {first, second} == {low, high}
    after = order(reorder("above", ("run", RUN), of=(kinds[first], first)))
    assert after[after.index(first) : after.index(first) + 3] == [first, RUN, second]


def test_where_no_room_is_left_everything_over_a_place_moves_up(store: FilePath) -> None:
    state = journal.find_sheet(SHEET)
    before = order(state)
    low = state.get("path", FRONT)["position"]
    above = next(row for _, row in state.painted() if row["position"] > low)
    state.update("path", above["id"], position=low + 1e-7)
    there = state.positions_above(low, 3)
    assert [low, *there] == sorted({low, *there})
    assert order(state) == before
    assert state.get("path", above["id"])["position"] > there[-1]
    # With room, nothing moves.
    changes = len(state.changes)
    assert low < state.positions_above(low, 2)[0]
    assert len(state.changes) == changes
