"""A sheet's state in memory: rows by kind, and the changes made to them."""

from __future__ import annotations

import secrets
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from threading import Lock
from typing import Any, Literal, cast, overload

from cachetools import LRUCache
from peewee import chunked

from curlet.core.dress.relief import Light
from curlet.core.measures import Scale
from curlet.store.errors import Missing
from curlet.store.models import (
    Area,
    Brush,
    CallOut,
    CheckMark,
    Colourway,
    GuidePicture,
    Lettering,
    Run,
    SeamGroup,
    Shade,
    Sheet,
    SheetPath,
    Single,
    Table,
)
from curlet.store.read_rows import read_rows, read_sheet_rows
from curlet.store.records import (
    AreaRecord,
    BrushRecord,
    CallOutRecord,
    ColourwayRecord,
    GroupRecord,
    GuideRecord,
    Json,
    LetteringRecord,
    MarkRecord,
    PathRecord,
    RunRecord,
    ShadeRecord,
    SheetRecord,
    SingleRecord,
)
from curlet.store.unreadable import Rows, SetAside, set_aside

KINDS: dict[str, type[Table]] = {
    "sheet": Sheet,
    "colourway": Colourway,
    "shade": Shade,
    "brush": Brush,
    "group": SeamGroup,
    "lettering": Lettering,
    "area": Area,
    "path": SheetPath,
    "run": Run,
    "guide": GuidePicture,
    "single": Single,
    "mark": CheckMark,
    "callout": CallOut,
}
# Those that lie on one sheet, parents before children.
OF_SHEET = tuple(kind for kind in KINDS if kind not in ("sheet", "brush"))
# Those that are painted: their positions are one order, bottom to top.
PAINTED = ("guide", "path", "run", "single")
# Nearer positions than this have no room between them in a number.
_ROOM = 1e-6
# Rows that are asked for by their ids in one query.
_AT_ONCE = 500
# By sheet: the rows that were last found readable together.
_READABLE: LRUCache[str, Rows] = LRUCache(8)
_ALONE = Lock()
_WORDS = {
    **{kind: kind for kind in KINDS},
    "group": "seam group",
    "guide": "guide picture",
    "single": "single repeat",
    "mark": "check mark",
    "callout": "call-out",
}


@dataclass(frozen=True)
class Change:
    """One row before and after; None where it is not there."""

    kind: str
    id: str
    before: Json | None
    after: Json | None


@dataclass
class State:
    """Rows of one sheet, and the brushes. Rows are replaced, never changed in place."""

    rows: dict[str, dict[str, Json]]
    # Rows that cannot be read are not among them.
    set_aside: tuple[SetAside, ...] = ()
    changes: list[Change] = field(default_factory=list)
    _last: dict[str, float] = field(default_factory=dict)
    _in_order: dict[str, list[Any]] = field(default_factory=dict)

    @property
    def sheet(self) -> SheetRecord:
        return cast(SheetRecord, next(iter(self.rows["sheet"].values())))

    @property
    def scale(self) -> Scale:
        return Scale.read(self.sheet["scale"])

    @property
    def light(self) -> Light:
        """Where the sheet's light comes from."""
        return Light(self.sheet["light_azimuth"], self.sheet["light_elevation"])

    def draft(self) -> State:
        """A copy to try changes on."""
        return State({kind: dict(rows) for kind, rows in self.rows.items()}, self.set_aside)

    @overload
    def get(self, kind: Literal["sheet"], row_id: str) -> SheetRecord: ...

    @overload
    def get(self, kind: Literal["colourway"], row_id: str) -> ColourwayRecord: ...

    @overload
    def get(self, kind: Literal["shade"], row_id: str) -> ShadeRecord: ...

    @overload
    def get(self, kind: Literal["brush"], row_id: str) -> BrushRecord: ...

    @overload
    def get(self, kind: Literal["group"], row_id: str) -> GroupRecord: ...

    @overload
    def get(self, kind: Literal["lettering"], row_id: str) -> LetteringRecord: ...

    @overload
    def get(self, kind: Literal["area"], row_id: str) -> AreaRecord: ...

    @overload
    def get(self, kind: Literal["path"], row_id: str) -> PathRecord: ...

    @overload
    def get(self, kind: Literal["run"], row_id: str) -> RunRecord: ...

    @overload
    def get(self, kind: Literal["guide"], row_id: str) -> GuideRecord: ...

    @overload
    def get(self, kind: Literal["single"], row_id: str) -> SingleRecord: ...

    @overload
    def get(self, kind: Literal["mark"], row_id: str) -> MarkRecord: ...

    @overload
    def get(self, kind: Literal["callout"], row_id: str) -> CallOutRecord: ...

    @overload
    def get(self, kind: str, row_id: str) -> Any: ...

    def get(self, kind: str, row_id: str) -> Any:
        """A row, or Missing."""
        try:
            return self.rows[kind][row_id]
        except KeyError:
            raise Missing(
                f"That {_WORDS[kind]} is no longer on this sheet. It may have been deleted in another page."
            ) from None

    @overload
    def all(self, kind: Literal["sheet"]) -> list[SheetRecord]: ...

    @overload
    def all(self, kind: Literal["colourway"]) -> list[ColourwayRecord]: ...

    @overload
    def all(self, kind: Literal["shade"]) -> list[ShadeRecord]: ...

    @overload
    def all(self, kind: Literal["brush"]) -> list[BrushRecord]: ...

    @overload
    def all(self, kind: Literal["group"]) -> list[GroupRecord]: ...

    @overload
    def all(self, kind: Literal["lettering"]) -> list[LetteringRecord]: ...

    @overload
    def all(self, kind: Literal["area"]) -> list[AreaRecord]: ...

    @overload
    def all(self, kind: Literal["path"]) -> list[PathRecord]: ...

    @overload
    def all(self, kind: Literal["run"]) -> list[RunRecord]: ...

    @overload
    def all(self, kind: Literal["guide"]) -> list[GuideRecord]: ...

    @overload
    def all(self, kind: Literal["single"]) -> list[SingleRecord]: ...

    @overload
    def all(self, kind: Literal["mark"]) -> list[MarkRecord]: ...

    @overload
    def all(self, kind: Literal["callout"]) -> list[CallOutRecord]: ...

    @overload
    def all(self, kind: str) -> list[Any]: ...

    def all(self, kind: str) -> list[Any]:
        """Rows of a kind in their order."""
        if kind not in self._in_order:
            rows = self.rows[kind].values()
            self._in_order[kind] = sorted(rows, key=_place)
        return list(self._in_order[kind])

    def put(self, kind: str, row: Mapping[str, Any]) -> None:
        before = self.rows[kind].get(row["id"])
        if before != row:
            after = dict(row)
            self._in_order.pop(kind, None)
            self.rows[kind][row["id"]] = after
            if (order := _order_of(kind)) in self._last:
                self._last[order] = max(self._last[order], row.get("position", 0))
            self.changes.append(Change(kind, row["id"], before, after))

    def update(self, kind: str, row_id: str, **values: Any) -> None:
        self.put(kind, {**self.get(kind, row_id), **values})

    def remove(self, kind: str, row_id: str) -> None:
        """Take a row out, and what hangs on it."""
        row = self.get(kind, row_id)
        if kind == "path":
            for run in [r for r in self.all("run") if r["path"] == row_id]:
                self.remove("run", run["id"])
            for mark in [m for m in self.all("mark") if m["doc"]["path"] == row_id]:
                self.remove("mark", mark["id"])
        if kind == "run":
            for callout in [c for c in self.all("callout") if c["doc"]["run"] == row_id]:
                self.remove("callout", callout["id"])
        if kind == "group":
            for path in [p for p in self.all("path") if p["group"] == row_id]:
                self.update("path", path["id"], group=None)
        del self.rows[kind][row_id]
        self._in_order.pop(kind, None)
        self.changes.append(Change(kind, row_id, row, None))

    def next_position(self, kind: str) -> float:
        """A place behind everything of a kind; over everything that is painted, for what is."""
        order = _order_of(kind)
        if order not in self._last:
            kinds = PAINTED if kind in PAINTED else (kind,)
            every = (row["position"] for each in kinds for row in self.rows[each].values())
            self._last[order] = max(every, default=-1)
        return self._last[order] + 1

    def positions_above(
        self, position: float, count: int = 1, over: Sequence[tuple[str, Json]] | None = None
    ) -> list[float]:
        """Places right above what is painted at a position, bottom to top. Where there is no room for them,
        everything over it moves up.

        Parameters
        ----------
        over : what is to lie over them, bottom to top; else all that lies higher. Older versions could leave
            two things level.
        """
        if over is None:
            over = [(kind, row) for kind, row in self.painted() if row["position"] > position]
        high = over[0][1]["position"] if over else position + count + 1
        step = (high - position) / (count + 1)
        if step < _ROOM:
            step = 1.0
            for kind, row in over:
                self.update(kind, row["id"], position=row["position"] + count + 1)
        return [position + number * step for number in range(1, count + 1)]

    def first_position(self) -> float:
        """A place under everything that is painted."""
        every = (row["position"] for kind in PAINTED for row in self.rows[kind].values())
        return min(every, default=1) - 1

    def painted(self) -> list[tuple[str, Json]]:
        """Everything that is painted as its kind and its row, bottom to top."""
        rows = [(kind, row) for kind in PAINTED for row in self.rows[kind].values()]
        return sorted(rows, key=lambda item: (item[1]["position"], PAINTED.index(item[0]), item[1]["id"]))

    def seen(self, run: RunRecord) -> bool:
        """Whether a run is drawn: neither it nor its path is hidden."""
        return bool(run["shown"]) and not self.get("path", run["path"])["hidden"]

    def runs_of(self, path_id: str) -> list[RunRecord]:
        runs = [cast(RunRecord, run) for run in self.rows["run"].values() if run["path"] == path_id]
        return sorted(runs, key=_place)


def _place(row: Any) -> tuple[float, str]:
    return row["position"], row["id"]


def _order_of(kind: str) -> str:
    return "painted" if kind in PAINTED else kind


def new_id() -> str:
    """A short id that is not taken."""
    return secrets.token_hex(5)


def new_node_id() -> str:
    return f"n{secrets.token_hex(3)}"


def load_state(sheet_id: str) -> State:
    """A sheet's rows from the database; Missing if there is none."""
    sheet = read_rows(Sheet, Sheet.id == sheet_id)
    if not sheet:
        raise Missing("There is no such sheet. Choose one from the list.")
    rows = {"sheet": sheet, "brush": read_rows(Brush)}
    for kind in OF_SHEET:
        rows[kind] = read_sheet_rows(KINDS[kind], sheet_id)
    with _ALONE:
        readable = _READABLE.get(sheet_id)
    state = State(rows, set_aside(rows, readable))
    if not state.set_aside:
        with _ALONE:
            _READABLE[sheet_id] = {kind: dict(of_kind) for kind, of_kind in rows.items()}
    return state


def reread(state: State, changed: Iterable[tuple[str, str]]) -> State:
    """A state with the rows that have changed, by kind and id, as the database now has them.

    Parameters
    ----------
    state : as it was loaded in this transaction, then changed, so that all else in it is as it is kept.
    """
    if state.set_aside:
        # What could not be read may be read beside what has changed.
        return load_state(state.sheet["id"])
    rows = {kind: dict(of_kind) for kind, of_kind in state.rows.items()}
    of_kind: dict[str, list[str]] = {"sheet": [state.sheet["id"]]}
    for kind, row_id in changed:
        of_kind.setdefault(kind, []).append(row_id)
    for kind, ids in of_kind.items():
        model = KINDS[kind]
        for some in chunked(ids, _AT_ONCE):
            rows[kind].update(read_rows(model, model.id.in_(some)))
    return State(rows, set_aside(rows, state.rows))
