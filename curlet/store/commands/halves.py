"""Intents on live halves of a garment."""

from __future__ import annotations

from typing import Annotated, Literal

import numpy as np
from pydantic import Field

from curlet.core.path.cubics import extent
from curlet.formats.half_doc import HalfDoc
from curlet.store.commands.intent import BaseIntent, Id, Ids
from curlet.store.halves import cut_loose, link, other_of
from curlet.store.names import names_of
from curlet.store.paths import core_path
from curlet.store.state import State


class LinkHalves(BaseIntent):
    """Make the second of two paths the live mirror image of the first, with its runs, about the line midway
    between them: upright where they lie side by side, level where one lies over the other."""

    kind: Literal["link-halves"]
    paths: Annotated[list[Id], Field(min_length=2, max_length=2)]

    def apply(self, state: State) -> str:
        first, second = (
            np.mean(extent(core_path(state.get("path", path)).segments), axis=0) for path in self.paths
        )
        across, down = np.abs(second - first).tolist()
        x, y = ((first + second) / 2).tolist()
        half = HalfDoc(of=self.paths[0], x=x, y=y, angle=90.0 if across >= down else 0.0)
        link(state, self.paths[1], half)
        return f"Mirror {state.get('path', self.paths[0])['name']} live"


class CutLoose(BaseIntent):
    """Let live halves be paths by themselves, as they are now."""

    kind: Literal["cut-loose"]
    paths: Ids

    def apply(self, state: State) -> str:
        for path_id in self.paths:
            state.get("path", path_id)
            if other_of(state, path_id):
                cut_loose(state, path_id)
        return f"Cut {names_of(state, self.paths)} loose"
