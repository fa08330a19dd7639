"""Brush files in and out: one, many in a zip, and hostile ones, which are refused whole."""

from __future__ import annotations

import io
import zipfile

import orjson
import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.brush_pack import MAX_BYTES, read_pack, write_brush
from curlet.store.edits.recipes import brush_of

DOC = brush_of("guilloche")
FILE = write_brush(DOC)


def changed(**values: object) -> bytes:
    return orjson.dumps({**orjson.loads(FILE), **values})


def zipped(files: dict[str, bytes]) -> bytes:
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as pack:
        for name, data in files.items():
            pack.writestr(name, data)
    return packed.getvalue()


def test_a_brush_comes_back_as_it_went() -> None:
    assert read_pack("a.json", FILE) == [("a.json", DOC)]


def test_many_come_in_one_zip_with_their_names() -> None:
    other = brush_of("key")
    pack = zipped({"one.json": FILE, "two.json": write_brush(other)})
    assert read_pack("pack.zip", pack) == [("one.json", DOC), ("two.json", other)]


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "not JSON"),
        (b"<svg/>", "not JSON"),
        (FILE[:200], "not JSON"),
        (b"[1, 2]", "not a Curlet brush file"),
        (b'{"format": "other"}', "not a Curlet brush file"),
        (changed(version=2), "newer Curlet"),
        (changed(colour="red"), "colour: Extra inputs"),
        (changed(courses=[]), "courses"),
        (changed(courses=[{"course": "row", "motif": {"family": "woven"}}]), "courses"),
        (changed(threads=["javascript:alert(1)"]), "threads"),
        (b"PK\x03\x04 but no zip", "damaged zip"),
        (zipped({"one.json": FILE})[:-40], "damaged zip"),
    ],
)
def test_what_is_no_brush_is_refused_with_its_name(data: bytes, says: str) -> None:
    with pytest.raises(BadInput) as refused:
        read_pack("../../my brush.json", data)
    assert says in str(refused.value)
    assert "my brush.json" in str(refused.value)
    assert ".." not in str(refused.value)


def test_zero_sized_cells_are_refused() -> None:
    shape = {"d": "M0 0L1 1", "stroke": {"thread": 1}}
    motif = {"family": "artwork", "shapes": [shape], "length": 0, "width": 4}
    with pytest.raises(BadInput, match="cell's length"):
        read_pack("a.json", changed(courses=[{"course": "row", "motif": motif, "length": {"mm": 1}}]))


def test_bombs_are_refused_before_they_are_unpacked() -> None:
    with pytest.raises(TooMuch):
        read_pack("big.json", b" " * (MAX_BYTES + 1))
    with pytest.raises(TooMuch):
        read_pack("bomb.zip", zipped({f"{i}.json": b" " * 2_000_000 for i in range(40)}))
    with pytest.raises(TooMuch):
        read_pack("many.zip", zipped({f"{i}.json": b"" for i in range(501)}))
