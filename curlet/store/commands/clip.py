"""Copying paths with their runs, and pasting them on the same sheet or on another."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

import numpy as np
from pydantic import ValidationError

from curlet.core.errors import BadInput
from curlet.core.path.path import Path
from curlet.formats.clip_doc import ClipCrop, ClipDoc, ClipGroup, ClipPath, ClipRun
from curlet.formats.crop_doc import CropDoc
from curlet.formats.fill_doc import PictureFillDoc
from curlet.formats.path_doc import FactsDoc, node_rows, to_path
from curlet.store.area_edges import crop_paths
from curlet.store.commands.intent import BaseIntent
from curlet.store.commands.paths import add_group
from curlet.store.fills import moved_fill
from curlet.store.paths import add_path, element_of
from curlet.store.pictures import has_picture
from curlet.store.records import Json, PathRecord, part_of
from curlet.store.runs import run_brush
from curlet.store.shades_brought import add_look_shades, at_home, brought_by
from curlet.store.state import State, new_id

# On the sheet that it was copied from a copy lies so far aside, mm.
_ASIDE = 5.0


def copied(state: State, paths: Sequence[str]) -> ClipDoc:
    """Paths as they are, to be pasted later; Missing if one is gone."""
    rows = [state.get("path", path_id) for path_id in paths]
    clipped = [_clip_path(state, row, paths) for row in rows]
    named = [value for path in clipped for value in (path.fill and path.fill.model_dump(), *_owns(path))]
    shades = brought_by(state, *named)
    return ClipDoc(sheet=state.sheet["id"], factor=state.scale.factor, paths=clipped, shades=shades)


def _owns(path: ClipPath) -> list[Json]:
    return [run.own for run in path.runs]


def _clip_path(state: State, row: PathRecord, paths: Sequence[str]) -> ClipPath:
    keys = ("name", "closed", "nodes", "swell", "hidden", "locked", "position")
    group = state.get("group", row["group"]) if row["group"] else None
    return ClipPath.model_validate(
        {
            **part_of(row, *keys),
            "facts": _clip_facts(row),
            "figure": row["figure"] or None,
            "fill": row["fill"] or None,
            "crop": _clip_crop(state, row["crop"], paths),
            "group": group and {"name": group["name"], "mark": group["mark"]},
            "runs": [
                {
                    **part_of(run, "brush", "own", "backwards", "places", "shown", "position"),
                    "crop": _clip_crop(state, run["crop"], paths),
                }
                for run in state.runs_of(row["id"])
            ],
        }
    )


def _clip_facts(row: PathRecord) -> Json:
    element = element_of(row)
    return row["facts"] if element == row["id"] else {**row["facts"], "element": element}


def _clip_crop(state: State, crop: Json, paths: Sequence[str]) -> Json | None:
    """What something is cropped to: a shape of several edges is known by its outer one."""
    if not crop:
        return None
    shape = next((path["id"] for path in crop_paths(state, CropDoc(**crop))), "")
    return {"crop": crop, "place": paths.index(shape) if shape in paths else None}


class Paste(BaseIntent):
    """Put copied paths on the sheet, with their runs and in seam groups of the same names; on a sheet of
    another scale as large on the garment as they were. A run whose brush, and a fill whose
    picture, is no longer there is left out."""

    kind: Literal["paste"]
    clip: ClipDoc

    def apply(self, state: State) -> str:
        larger = state.scale.factor / self.clip.factor
        lines = [_scaled(to_path(path.nodes, path.closed), larger) for path in self.clip.paths]
        aside = _aside(state, lines, same=self.clip.sheet == state.sheet["id"])
        shapes, groups = dict[str, str](), dict[ClipGroup | None, str | None]()
        placed: list[tuple[float, str, str, ClipCrop | None]] = []
        for path, line in zip(self.clip.paths, lines, strict=True):
            if path.group not in groups:
                groups[path.group] = _group(state, path.group)
            path_id = _paste_path(
                state,
                path,
                _scaled(line, 1.0, aside),
                larger,
                groups[path.group],
                shapes,
                at_home(state, _fill(path, _scaled(line, 1.0, aside)), self.clip.shades),
            )
            placed.append((path.position, "path", path_id, path.crop))
            placed += [
                (run.position, "run", _paste_run(state, path_id, run, self.clip), run.crop)
                for run in path.runs
                if run.brush in state.rows["brush"]
            ]
        # They lie over everything, and to one another as they did.
        new = [row_id for _, kind, row_id, _ in placed if kind == "path"]
        for _, kind, row_id, crop in sorted(placed, key=lambda each: each[:3]):
            state.update(kind, row_id, position=state.next_position(kind), crop=self._crop(state, crop, new))
        return f"Paste {self.clip.paths[0].name if len(lines) == 1 else f'{len(lines)} paths'}"

    def _crop(self, state: State, crop: ClipCrop | None, new: Sequence[str]) -> Json:
        """What a copy is cropped to: the copy of what was copied with it, or, on the same sheet, the same."""
        if crop is None:
            return {}
        if crop.place is not None and crop.place < len(new):
            return {"kind": "path", "id": new[crop.place], "outside": crop.crop.outside}
        there = self.clip.sheet == state.sheet["id"] and crop.crop.id in state.rows[crop.crop.kind]
        return crop.crop.model_dump(mode="json") if there else {}


def _scaled(path: Path, larger: float, aside: tuple[float, float] = (0.0, 0.0)) -> Path:
    points, into, out = (side * larger + np.array(aside) for side in (path.points, path.into, path.out))
    return Path.make(path.node_ids, points, into, out, path.closed)


def _aside(state: State, lines: list[Path], *, same: bool) -> tuple[float, float]:
    """How far from where they were they are pasted: a little on their own sheet; elsewhere as they lay, or in
    the sheet's middle if they would lie outside it."""
    if same:
        return _ASIDE, _ASIDE
    points = np.concatenate([line.points for line in lines])
    low, high = points.min(axis=0), points.max(axis=0)
    size = np.array([state.sheet["width"], state.sheet["height"]])
    if (low < 0).any() or (high > size).any():
        x, y = (size / 2 - (low + high) / 2).tolist()
        return x, y
    return 0.0, 0.0


def _group(state: State, group: ClipGroup | None) -> str | None:
    """The sheet's seam group of a name, or a new one; None for none."""
    if group is None:
        return None
    same = next((row["id"] for row in state.all("group") if row["name"] == group.name), None)
    return same or add_group(state, group.name, group.mark)


def _paste_path(
    state: State,
    path: ClipPath,
    line: Path,
    larger: float,
    group: str | None,
    shapes: dict[str, str],
    fill: Json,
) -> str:
    facts = path.facts
    if facts != FactsDoc():
        dashes = tuple(dash * larger for dash in facts.dashes)
        element = shapes.setdefault(facts.element, new_id()) if facts.element else ""
        facts = facts.model_copy(
            update={"weight": facts.weight * larger, "dashes": dashes, "element": element}
        )
    return add_path(
        state,
        path.name,
        line,
        group,
        facts=facts.model_dump(mode="json", exclude_defaults=True),
        swell=[point.model_dump(mode="json") for point in path.swell],
        fill=fill,
        hidden=path.hidden,
        locked=path.locked,
    )


def _fill(path: ClipPath, line: Path) -> Json:
    """What fills a copy; nothing where it is a picture that is not kept here."""
    if path.fill is None or (isinstance(path.fill, PictureFillDoc) and not has_picture(path.fill.picture)):
        return {}
    nodes = [node.model_dump(mode="json") for node in path.nodes]
    return moved_fill(path.fill.model_dump(mode="json"), nodes, node_rows(line))


def _paste_run(state: State, path_id: str, run: ClipRun, clip: ClipDoc) -> str:
    add_look_shades(state, state.get("brush", run.brush)["doc"])
    row = {
        "id": new_id(),
        "sheet": state.sheet["id"],
        "path": path_id,
        "brush": run.brush,
        "own": at_home(state, run.own, clip.shades),
        "backwards": run.backwards,
        "places": run.places.model_dump(mode="json", exclude_defaults=True),
        "shown": run.shown,
        "position": state.next_position("run"),
    }
    state.put("run", row)
    # What was copied comes from outside: its settings are checked as if they were entered.
    try:
        run_brush(state, state.get("run", str(row["id"]))).to_core().check(state.scale)
    except ValidationError:
        raise BadInput("This copy has settings that no brush has. Copy the paths again.") from None
    return str(row["id"])
