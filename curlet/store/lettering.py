"""Lettering on the sheet: the paths that it owns are made anew whenever it, or the path under it, changes."""

from __future__ import annotations

import numpy as np

from curlet.core.drawing import Spelled
from curlet.core.errors import BadInput
from curlet.core.path.path import Path
from curlet.formats.lettering_doc import LetteringDoc
from curlet.formats.path_doc import node_rows
from curlet.store.fonts import find_font
from curlet.store.paths import add_path, check_unlocked, core_path, element_of
from curlet.store.records import Json, PathRecord
from curlet.store.state import State, new_id

# What a new letter has as the first one does.
_ALIKE = ("hidden", "locked", "facts", "fill", "crop")


def put_lettering(state: State, lettering_id: str, doc: LetteringDoc, group: str | None = None) -> None:
    """Write, or write anew. Letters that stay keep their paths and what those wear; new ones wear, and are
    filled with, what the first one is."""
    row = state.rows["lettering"].get(lettering_id)
    position = row["position"] if row else state.next_position("lettering")
    pieces = doc.write(find_font(doc.font), _along(state, doc))
    kept = {"id": lettering_id, "sheet": state.sheet["id"], "doc": doc.model_dump(mode="json")}
    state.put("lettering", {**kept, "position": position})
    there = {path["part"]: path for path in letters_of(state, lettering_id)}
    for path in there.values():
        check_unlocked(path)
    pattern = next(iter(there.values()), None)
    for piece in pieces:
        old = there.pop(piece.key, None)
        if old:
            nodes = node_rows(piece.path)
            state.update("path", old["id"], nodes=nodes, closed=piece.path.closed)
            continue
        owned = {"lettering": lettering_id, "part": piece.key}
        kin: Json = {key: value for key, value in pattern.items() if key in _ALIKE} if pattern else {}
        if not piece.path.closed:
            kin |= {"fill": {}}
        within = pattern["group"] if pattern else group
        new = add_path(state, _name(doc, piece.key), piece.path, within, **owned, **kin)
        if pattern:
            _dress_alike(state, pattern["id"], new)
    for gone in there.values():
        state.remove("path", gone["id"])


def letters_of(state: State, lettering_id: str) -> list[PathRecord]:
    """The paths that a piece of lettering owns, in order."""
    return [path for path in state.all("path") if path.get("lettering") == lettering_id]


def spelled_of(state: State, lettering_id: str) -> Spelled:
    """What a text's letters say; BadInput where its font is gone."""
    doc = LetteringDoc(**state.get("lettering", lettering_id)["doc"])
    font = find_font(doc.font)
    return Spelled(doc.spell(font, _along(state, doc)), font.file)


def extent_of(state: State, lettering_id: str) -> tuple[float, float, float, float]:
    """Left, top, right and foot of a text's nodes and handles, sheet mm; it has a letter at least."""
    cubics = [core_path(row).segments.reshape(-1, 2) for row in letters_of(state, lettering_id)]
    (left, top), (right, foot) = (edge(np.concatenate(cubics), axis=0).tolist() for edge in (np.min, np.max))
    return left, top, right, foot


def follow_paths(state: State) -> None:
    """Write anew what stands on a path that has changed; where the path is gone it stays, as nodes."""
    changed = {change.id for change in state.changes if change.kind == "path"}
    for row in state.all("lettering"):
        along = row["doc"]["along"]
        if along not in changed:
            continue
        if along in state.rows["path"]:
            put_lettering(state, row["id"], LetteringDoc(**row["doc"]))
        else:
            free_lettering(state, row["id"])


def free_lettering(state: State, lettering_id: str) -> None:
    """Make plain paths of lettering."""
    for path in letters_of(state, lettering_id):
        facts = {**path["facts"], "element": element_of(path)}
        state.update("path", path["id"], lettering=None, part="", facts=facts)
    state.remove("lettering", lettering_id)


def copy_lettering(state: State, lettering_id: str, copies: dict[str, str], aside: float) -> None:
    """Make a text of copied letters: `copies` names the copy of each path. Unless all letters are copied, the
    copies stay plain paths.

    Parameters
    ----------
    aside : how far the copy lies to the right and below, or off the path that both stand on, sheet mm.
    """
    letters = letters_of(state, lettering_id)
    if any(letter["id"] not in copies for letter in letters):
        return
    doc, text = LetteringDoc(**state.get("lettering", lettering_id)["doc"]), new_id()
    if doc.along in copies:
        doc = doc.model_copy(update={"along": copies[doc.along]})
    elif doc.along:
        doc = doc.model_copy(update={"rise": doc.rise + aside})
    else:
        doc = doc.model_copy(update={"x": doc.x + aside, "y": doc.y + aside})
    for letter in letters:
        copy = copies[letter["id"]]
        state.update("path", copy, lettering=text, part=letter["part"], name=letter["name"])
    put_lettering(state, text, doc)


def free_standing(state: State, lettering_id: str) -> LetteringDoc:
    """Lettering that can be moved and turned.

    Raises
    ------
    BadInput
        If it stands on a path.
    """
    doc = LetteringDoc(**state.get("lettering", lettering_id)["doc"])
    if doc.along:
        raise BadInput("This lettering stands on a path: move that, or change how far along it stands.")
    return doc


def shift_lettering(state: State, lettering_id: str, x: float, y: float) -> None:
    """Move lettering by a distance in sheet mm; BadInput as `free_standing`."""
    doc = free_standing(state, lettering_id)
    put_lettering(state, lettering_id, doc.model_copy(update={"x": doc.x + x, "y": doc.y + y}))


def _along(state: State, doc: LetteringDoc) -> Path | None:
    if doc.along is None:
        return None
    row = state.get("path", doc.along)
    if row.get("lettering"):
        raise BadInput("Lettering stands on a path of its own. Choose a path that is not lettering.")
    return core_path(row)


def _name(doc: LetteringDoc, key: str) -> str:
    line, cluster, contour = key.split(".")
    letter = doc.text.split("\n")[int(line)][int(cluster.split("-")[0])]
    return f"“{letter}” of {' '.join(doc.text.split())[:40]}" + (
        f", {int(contour) + 1}" if contour != "0" else ""
    )


def _dress_alike(state: State, pattern: str, path_id: str) -> None:
    for run in state.runs_of(pattern):
        position = state.next_position("run")
        state.put("run", {**run, "id": new_id(), "path": path_id, "places": {}, "position": position})
