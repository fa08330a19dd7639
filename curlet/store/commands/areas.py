"""Intents on areas."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from curlet.core.area.ways import WAYS
from curlet.core.errors import BadInput
from curlet.core.measures import read_measure
from curlet.formats.area_doc import MOST_MEMBERS, AreaDoc, MemberDoc
from curlet.formats.choices import UseName, WayName
from curlet.formats.clean_doc import CleanDoc
from curlet.formats.crop_doc import CropDoc
from curlet.store.area_edges import crop_paths, edge_paths
from curlet.store.areas import add_area, free_area, put_area
from curlet.store.commands.intent import BaseIntent, Entered, Id, garment_length
from curlet.store.names import names_of, unlike
from curlet.store.records import Json
from curlet.store.state import State, new_id

# What an area is filled with where none of its shapes has a fill.
_PLAIN: Json = {"weave": "colour", "warp": "#8a93a0", "weft": "#8a93a0"}


class MakeArea(BaseIntent):
    """Make an area of closed paths, runs and other areas, filled as the first of them that has a fill. It
    lies over all of them; or, where they are hidden, in the place of the first.

    Parameters
    ----------
    hide : whether the paths that it is made of are hidden; paths whose runs belong to it stay.
    """

    kind: Literal["make-area"]
    members: Annotated[tuple[MemberDoc, ...], Field(min_length=1, max_length=MOST_MEMBERS)]
    way: WayName = "join"
    hide: bool = False

    def apply(self, state: State) -> str:
        doc = AreaDoc(way=self.way, members=self.members)
        rows = [state.get("path", path) for path in _paths_of(state, doc)]
        name = unlike("Area", (path["name"] for path in state.all("path")))
        fill = next((row["fill"] for row in rows if row["fill"]), _PLAIN)
        under = rows[:1] if self.hide else rows
        above = max(row["position"] for row in under)
        add_area(state, new_id(), doc, name, above, fill=fill, group=rows[0]["group"])
        if self.hide:
            for member in self.members:
                if member.kind != "run":
                    for path in _paths_of(state, AreaDoc(members=(member,))):
                        state.update("path", path, hidden=True)
        return f"{WAYS[self.way].label} as {name}"


class SetArea(BaseIntent):
    """Make an area in another way or of more shapes, or use one of them otherwise, first, or no longer; or
    clean its edges.

    Parameters
    ----------
    gaps, grow : lengths on the garment, as entered: what is narrower is closed, and how far its edges are
        moved outwards.
    least : mm² on the sheet, as entered: what is smaller is dropped.
    """

    kind: Literal["set-area"]
    area: Id
    way: WayName | None = None
    member: Id | None = None
    use: UseName | None = None
    first: bool = False
    leave_out: bool = False
    gaps: Entered | None = None
    grow: Entered | None = None
    round: bool | None = None
    least: Entered | None = None
    add: Annotated[tuple[MemberDoc, ...], Field(max_length=MOST_MEMBERS)] = ()

    def apply(self, state: State) -> str:
        doc = AreaDoc(**state.get("area", self.area)["doc"])
        there = {(each.kind, each.id) for each in doc.members}
        members = [*doc.members, *(each for each in self.add if (each.kind, each.id) not in there)]
        if self.member is not None:
            index = next((i for i, each in enumerate(members) if each.id == self.member), None)
            if index is None:
                raise BadInput("This shape is no longer part of the area. Choose another one.")
            changed = members.pop(index)
            if self.use is not None:
                changed = changed.model_copy(update={"use": self.use})
            if not self.leave_out:
                members.insert(0 if self.first else index, changed)
        if not members:
            raise BadInput("An area is made of one shape at least. Delete the area instead.")
        changed_doc = AreaDoc(way=self.way or doc.way, members=tuple(members), clean=self._clean(state, doc))
        put_area(state, self.area, changed_doc)
        return f"Change {edge_paths(state, self.area)[0]['name']}"

    def _clean(self, state: State, doc: AreaDoc) -> CleanDoc:
        changed: dict[str, float | bool] = {} if self.round is None else {"round": self.round}
        for name, entered in (("gaps", self.gaps), ("grow", self.grow)):
            if entered is not None:
                changed[name] = garment_length(entered, state)
        if self.least is not None:
            changed["least"] = read_measure(self.least.replace("mm²", ""), accepts=("",)).value
        return doc.clean.model_copy(update=changed)


MaybeIds = Annotated[tuple[Id, ...], Field(max_length=10_000)]


class CropPaths(BaseIntent):
    """Crop paths with their runs, guide pictures and single repeats to the inside or the outside of a closed
    path or an area, or show all of them again."""

    kind: Literal["crop-paths"]
    paths: MaybeIds = ()
    guides: MaybeIds = ()
    singles: MaybeIds = ()
    to: CropDoc | None = None

    def apply(self, state: State) -> str:
        what = self._what(state)
        target = ""
        if self.to is not None:
            state.get(self.to.kind, self.to.id)
            shape = crop_paths(state, self.to)[0]
            if not shape["closed"]:
                raise BadInput(f"{shape['name']} is open, so it has no inside. Close it first.")
            target = shape["name"]
        crop = self.to.model_dump(mode="json") if self.to else {}
        for path in self.paths:
            state.update("path", path, crop=crop)
            for run in state.runs_of(path):
                state.update("run", run["id"], crop=crop)
        for guide in self.guides:
            state.update("guide", guide, crop=crop)
        for single in self.singles:
            state.update("single", single, crop=crop)
        return f"Crop {what} to {target}" if self.to else f"Show all of {what}"

    def _what(self, state: State) -> str:
        if self.paths:
            return names_of(state, self.paths)
        if self.guides:
            return str(state.get("guide", self.guides[0])["name"])
        if self.singles:
            return "a single repeat"
        raise BadInput("Choose what is to be cropped.")


class FreeArea(BaseIntent):
    """Make plain paths of an area's edges, which no longer follow its shapes."""

    kind: Literal["free-area"]
    area: Id

    def apply(self, state: State) -> str:
        state.get("area", self.area)
        name = edge_paths(state, self.area)[0]["name"]
        free_area(state, self.area)
        return f"Convert {name} to paths"


def _paths_of(state: State, doc: AreaDoc) -> list[str]:
    """The paths that an area's shapes are, or lie along."""
    found: list[str] = []
    for member in doc.members:
        if member.kind == "area":
            state.get("area", member.id)
            found += [path["id"] for path in edge_paths(state, member.id)]
        elif member.kind == "run":
            found.append(state.get("run", member.id)["path"])
        else:
            found.append(member.id)
    return found
