"""The demo: every sheet can be laid, and it shows what the library hold."""

from __future__ import annotations

import pytest

from curlet.core.lay import lay
from curlet.core.measures import Scale
from curlet.core.tally import tally
from curlet.demo.brushes import BRUSHES
from curlet.demo.drawn import DemoSheet
from curlet.demo.load import SHEETS
from curlet.formats.brush_file import read_brush
from curlet.formats.path_doc import to_path


def stitched(sheet: DemoSheet) -> dict[str, str]:
    return {path.name: path.brush for path in sheet.paths() if path.brush}


@pytest.mark.parametrize("sheet", SHEETS, ids=lambda sheet: sheet.id)
def test_everything_on_a_sheet_is_laid_within_it(sheet: DemoSheet) -> None:
    scale = Scale.read(sheet.size["scale"])
    for path in sheet.paths():
        at = to_path(path.nodes, path.closed)
        assert at.points.min() >= 0
        assert (at.points <= (sheet.size["width"], sheet.size["height"])).all()
        assert path.group in sheet.groups
        if path.brush:
            run = lay(at, read_brush(BRUSHES[path.brush]).to_core(), scale)
            codes = {warning.code for warning in tally(run).warnings}
            assert not codes & {"leg-too-short", "open-step", "solid-line", "unusual"}, (path.name, codes)


def test_the_sheets_wear_at_least_fifteen_brushes_of_every_kind() -> None:
    brushes = {brush for sheet in SHEETS for brush in stitched(sheet).values()}
    assert len(brushes) >= 15
    assert {BRUSHES[brush]["kind"] for brush in brushes} == {"stitch", "rope", "chain", "trim", "border"}
