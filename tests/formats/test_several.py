"""Several drawings in one zip: a file each, under names that any system takes, with their places."""

from __future__ import annotations

import io
import json
import zipfile
from dataclasses import replace

import numpy as np

from curlet.core.drawing import Drawing, Group, Laid, Outline, Shape, Solid
from curlet.core.trim import trimmed
from curlet.formats.several import make_file

SQUARE = Outline("MLLLZ", np.array([[5.0, 5], [15, 5], [15, 9], [5, 9]]))
DRAWING = Drawing(20, 10, (Group("a", "", (Laid((Shape(SQUARE, Solid("#c03020")),)),)),), "Square")


def unpacked(drawings: list[Drawing], form: str = "svg") -> dict[str, bytes]:
    made = make_file("All", form, drawings)
    assert (made.name, made.type) == ("All.zip", "application/zip")
    with zipfile.ZipFile(io.BytesIO(made.data)) as packed:
        assert packed.testzip() is None
        return {name: packed.read(name) for name in packed.namelist()}


def test_one_drawing_is_a_file_of_its_own() -> None:
    made = make_file("Back: 1/2", "svg", [DRAWING])
    assert (made.name, made.type) == ("Back 12.svg", "image/svg+xml")
    assert made.data.startswith(b"<?xml")


def test_several_are_files_that_do_not_write_over_each_other() -> None:
    files = unpacked([replace(DRAWING, title=title) for title in ("Hem", "HEM", "../Hem", "Hem 2")])
    assert len({name.casefold() for name in files}) == 4
    assert all("/" not in name and name.endswith(".svg") for name in files)
    assert b"<title>HEM</title>" in files["HEM 2.svg"]


def test_trimmed_ones_come_with_their_places() -> None:
    moved = replace(DRAWING, title="Square 2", groups=())
    files = unpacked([trimmed(DRAWING, 1.0), moved])
    places = json.loads(files["places.json"])
    assert places == {
        "unit": "mm",
        "files": {"Square.svg": {"left": 4.0, "top": 4.0, "width": 12.0, "height": 6.0}},
    }
    assert "places.json" not in unpacked([DRAWING, moved])


def test_the_same_drawings_are_the_same_bytes_and_it_tells_how_far_it_is() -> None:
    told: list[float] = []
    both = [DRAWING, replace(DRAWING, title="Other")]
    one = make_file("All", "png", both, tell=lambda share, doing: told.append(share))
    assert one.data == make_file("All", "png", both).data
    assert told == sorted(told)
    assert told[-1] == 1.0
