"""What a state's changes touch beyond the rows that changed."""

from __future__ import annotations

from collections.abc import Iterator
from functools import cached_property
from typing import Any

from curlet.store.crops import cropped_by
from curlet.store.names import other_half
from curlet.store.paths import element_of, is_drawn
from curlet.store.records import PathRecord, RunRecord
from curlet.store.shades import shades_of, takes_path_colour
from curlet.store.state import Change, State

# What a path of its own line or fill is shown by, besides its line.
_DRAWN_BY = ("hidden", "fill", "facts", "position")


class Touched:
    """What is to be laid, drawn or listed anew after a state's changes."""

    def __init__(self, state: State) -> None:
        self._state = state

    @cached_property
    def kinds(self) -> set[str]:
        """The kinds of rows that changed, or that are cropped to what changed."""
        found = {change.kind for change in self._state.changes}
        return found | {kind for kind in ("guide", "single") if self._cropped(kind)}

    @cached_property
    def sizes(self) -> bool:
        """Whether the sheet's scale or unit changed, in which everything is measured and told."""
        return any(_differs(change, ("scale", "unit")) for change in self._of("sheet"))

    @cached_property
    def light(self) -> bool:
        """Whether the sheet's light changed, which all that is raised is drawn by."""
        return any(_differs(change, ("light_azimuth", "light_elevation")) for change in self._of("sheet"))

    @cached_property
    def shades(self) -> set[str]:
        """The shades that are another colour than they were, or that came or went."""
        if "colourway" in self.kinds or any(_differs(change, ("colourway",)) for change in self._of("sheet")):
            return set(self._state.rows["shade"])
        return {change.id for change in self._of("shade") if _differs(change, ("colours", "name"))}

    def shaded(self, kind: str, row: Any) -> bool:
        """Whether a row uses a shade that changed."""
        return bool(self.shades) and bool(shades_of(self._state, kind, row) & self.shades)

    def paths(self) -> list[PathRecord]:
        """The paths that changed; with the scale, all."""
        changed = {change.id for change in self._of("path")}
        return [row for row in self._state.all("path") if self.sizes or row["id"] in changed]

    def runs(self) -> list[RunRecord]:
        """The runs that changed, or whose path, brush, other half or scale did."""
        if self.sizes:
            return self._state.all("run")
        changed = {(change.kind, change.id) for change in self._state.changes}
        halves, marked = set(self._halves()), self._marked_anew()
        clipped = {run["id"] for run in self._cropped("run")}

        def touched(run: RunRecord) -> bool:
            hangs = bool(changed & _hangs_on(run)) or run["path"] in halves or run["id"] in clipped
            if hangs or (self.light and self._raised(run)) or self.shaded("run", run):
                return True
            return run["path"] in marked and takes_path_colour(self._state, run)

        return [run for run in self._state.all("run") if touched(run)]

    def order(self, kind: str) -> bool:
        """Whether rows of a kind came, went or changed places, or may have as some cannot be read."""
        return bool(self._state.set_aside) or any(
            _differs(change, ("position",)) for change in self._of(kind)
        )

    @cached_property
    def drawn_order(self) -> bool:
        """Whether the paths' own lines and fills make other shapes than they did, or in another order."""
        return bool(self._state.set_aside) or any(_differs(change, _DRAWN_BY) for change in self._of("path"))

    def elements(self) -> set[str] | None:
        """The elements of drawings whose shapes are drawn anew; None for all, as with the scale of cloths."""
        if self.sizes:
            return None
        rows: list[Any] = [row for change in self._of("path") for row in (change.before, change.after) if row]
        rows += [row for row in map(self._path, self._dressed_anew()) if row]
        rows += [row for row in self._state.all("path") if row["fill"] and self.shaded("path", row)]
        rows += self._cropped("path")
        return {element_of(row) for row in rows if is_drawn(row)}

    def _cropped(self, kind: str) -> list[Any]:
        """The rows of a kind whose crop has another shape."""
        changed = {change.id for change in self._of("path")}
        return cropped_by(self._state, changed, kind) if changed else []

    def _raised(self, run: RunRecord) -> bool:
        """Whether a run may have relief, of its own or its brush's."""
        relief = self._state.get("brush", run["brush"])["doc"].get("relief", {})
        stands = relief.get("height") or relief.get("sunk")
        return bool(stands) or any(pointer.startswith("/relief") for pointer in run["own"])

    def _of(self, kind: str) -> list[Change]:
        return [change for change in self._state.changes if change.kind == kind]

    def _path(self, path_id: str) -> Any:
        return self._state.rows["path"].get(path_id)

    def _dressed_anew(self) -> set[str]:
        """The paths that got runs, lost them, or whose runs are shown or not."""
        changes = [change for change in self._of("run") if _differs(change, ("path", "shown"))]
        return {row["path"] for change in changes for row in (change.before, change.after) if row}

    def _marked_anew(self) -> set[str]:
        """The paths whose seam group got another mark."""
        groups = {change.id for change in self._of("group") if _differs(change, ("mark",))}
        return {row["id"] for row in self._state.all("path") if row["group"] in groups} if groups else set()

    def _halves(self) -> Iterator[str]:
        """The paths that are, or were, other halves of those that changed or whose runs did."""
        rows = [row for change in self._of("path") for row in (change.before, change.after) if row]
        runs = [row for change in self._of("run") for row in (change.before, change.after) if row]
        rows += [row for row in (self._path(run["path"]) for run in runs) if row]
        halves = {(other_half(row["name"]), row["group"]) for row in rows} - {(None, None)}
        for row in self._state.all("path"):
            if (row["name"], row["group"]) in halves:
                yield row["id"]


def _hangs_on(run: RunRecord) -> set[tuple[str, str]]:
    return {("run", run["id"]), ("path", run["path"]), ("brush", run["brush"])}


def _differs(change: Change, keys: tuple[str, ...]) -> bool:
    """Whether a row came, went, or changed in any of some respects."""
    before, after = change.before, change.after
    # A step from before there was such a column has nothing of it.
    return before is None or after is None or any(before.get(key) != after.get(key) for key in keys)
