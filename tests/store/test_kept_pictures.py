"""Pictures of motifs in the database: kept once, whatever becomes of the brush."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.dress.colour import ColourRole
from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.motif.families import ArtShape, Artwork
from curlet.core.proof import prove
from curlet.demo.brushes import BRUSHES
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.brush_motifs import PictureDoc
from curlet.formats.brush_pack import read_pack, write_brush
from curlet.formats.pictures import picture_motif
from curlet.store import bench
from curlet.store.edits.artwork_places import with_artwork
from curlet.store.edits.courses import Entered, SetOnBrush, StretchOrRepeat
from curlet.store.edits.recipes import brush_of
from curlet.store.models import BrushVersion, Picture, database
from tests import pixels as px
from tests.shapes import line


def bead() -> PictureDoc:
    pixels = px.paint(px.canvas(40, 40), px.disc(20, 20, 18), (160, 40, 60))
    pixels[..., 3] = np.where(pixels[..., 1] < 250, 255, 0)
    return picture_motif(pixels, 4.0)


def beaded() -> BrushDoc:
    return with_artwork(brush_of("bead", "Photographed beads"), 0, "repeat", bead())


def gap(entered: str) -> bench.Edit:
    return SetOnBrush(kind="set", settings=[Entered(pointer="/courses/0/gap", entered=entered)]).apply


def test_a_picture_is_kept_once_over_all_versions(store: object) -> None:
    now = bench.add(beaded())
    for entered in ("1 mm", "2 mm", "3 mm"):
        now = bench.change(now.id, now.version, gap(entered))
    assert now.doc.courses[0].motif == bead()  # type: ignore[union-attr]
    assert Picture.select().count() == 1
    cursor = database.execute_sql("SELECT doc FROM brush_version WHERE brush_id = ?", (now.id,))
    rows = [text for (text,) in cursor.fetchall()]
    assert len(rows) == BrushVersion.select().where(BrushVersion.brush == now.id).count() == 4
    assert all(bead().png not in text for text in rows)
    assert bench.undo(now.id, now.version).doc.courses[0].motif == bead()  # type: ignore[union-attr]


def test_a_picture_goes_out_and_comes_in_with_its_brush(store: object) -> None:
    data = write_brush(beaded())
    ((_, doc),) = read_pack("beads.json", data)
    assert doc == beaded()
    assert bench.look(bench.add(doc).id).doc.courses[0].motif == bead()  # type: ignore[union-attr]


def test_a_picture_rides_and_is_not_stretched() -> None:
    doc = beaded()
    run = lay(line(40), doc.to_core(), Scale())
    (item,) = draw_run(run, "run", "").items
    placements = item.placements  # type: ignore[union-attr]
    assert len(placements) == len(run.main.repeats) if run.main else False
    # Each lies over its whole cell: as long and as wide, its corner half its width above the path.
    assert placements[:, 0] == pytest.approx(np.full(len(placements), 3.6), rel=0.05)
    assert placements[:, 3] == pytest.approx(np.full(len(placements), bead().width))
    assert placements[:, 5] == pytest.approx(np.full(len(placements), -bead().width / 2))
    span = StretchOrRepeat(kind="stretch-or-repeat", course=0).apply(doc)[0].to_core()
    with pytest.raises(BadInput, match="cannot be stretched"):
        span.check(Scale())


def test_a_bending_row_rides_once_its_motif_is_a_picture() -> None:
    bends = brush_of("lace")
    assert bends.courses[0].hold == "bend"  # type: ignore[union-attr]
    assert with_artwork(bends, 0, "repeat", bead()).courses[0].hold == "rigid"  # type: ignore[union-attr]
    drawn = Artwork((ArtShape("M0 -1L4 -1L4 1L0 1Z", fill=ColourRole()),), 4, 2)
    assert with_artwork(bends, 0, "repeat", drawn).courses[0].hold == "bend"  # type: ignore[union-attr]
    forced = with_artwork(bends, 0, "repeat", bead()).model_dump(mode="json")
    forced["courses"][0]["hold"] = "bend"
    run = lay(line(40), read_brush(forced).to_core(), Scale())
    assert draw_run(run, "run", "").items


@pytest.mark.parametrize("name", ["topstitch", "saddle", "zigzag", "rope", "belcher", "key", "cover", "vine"])
def test_any_rows_repeat_can_be_a_picture_on_every_proof(name: str) -> None:
    doc = read_brush(BRUSHES[name])
    index = next(i for i, course in enumerate(doc.courses) if course.course == "row")
    brush = with_artwork(doc, index, "repeat", bead()).to_core()
    for proof in prove(brush, Scale()):
        assert draw_run(proof.run, "run", "").items
