"""Call-outs as they are kept, and where their leaders end."""

from __future__ import annotations

from curlet.core.errors import BadInput
from curlet.core.path.measuring import length_at
from curlet.formats.callout_doc import CallOutDoc
from curlet.store.paths import core_path
from curlet.store.state import State


def end_of(state: State, doc: CallOutDoc) -> tuple[float, float]:
    """Where a call-out's leader ends, sheet mm: at its place on the path, or halfway along where the nodes
    that it lay between are gone."""
    path = core_path(state.get("path", state.get("run", doc.run)["path"]))
    try:
        s = length_at(path, doc.anchor)
    except BadInput:
        s = path.length / 2
    x, y = path.arc.points([s])[0].tolist()
    return x, y
