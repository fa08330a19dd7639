"""Sheet files as bytes: the same each time, one or a pack, and hostile ones refused with a reason."""

from __future__ import annotations

import io
import json
import zipfile
from typing import Any

import pytest

from curlet.core.errors import BadInput, TooMuch
from curlet.formats import sheet_file as module
from curlet.formats.fonts import FOLDER, read_font
from curlet.formats.png_in import picture_id
from curlet.formats.sheet_file import (
    SheetFile,
    put_together,
    read_sheet_files,
    write_sheet_file,
    write_sheet_pack,
)
from tests import pixels as px

PNG = px.encoded(px.canvas(4, 3))
KEY = picture_id(PNG)


def made(name: str = "Curtain") -> SheetFile:
    return SheetFile(
        rows={"sheet": [{"id": "s1", "name": name}], "path": [{"id": "p1"}]},
        steps=[{"label": "Draw"}],
        pictures={KEY: PNG},
    )


def unpacked(data: bytes) -> dict[str, bytes]:
    with zipfile.ZipFile(io.BytesIO(data)) as pack:
        return {name: pack.read(name) for name in pack.namelist()}


def packed(files: dict[str, bytes | dict[str, Any]]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as pack:
        for name, data in files.items():
            pack.writestr(name, data if isinstance(data, bytes) else json.dumps(data))
    return out.getvalue()


def head(**values: Any) -> dict[str, Any]:
    return {"curlet": "sheet", "version": 1, "fonts": {}, "rows": made().rows, **values}


def test_a_file_is_read_as_it_was_written_and_is_the_same_each_time() -> None:
    data = write_sheet_file(made())
    assert data == write_sheet_file(made())
    assert read_sheet_files("curtain.zip", data) == [made()]
    assert sorted(unpacked(data)) == ["history.json", f"pictures/{KEY}.png", "sheet.json"]


def test_a_font_comes_along_made_safe() -> None:
    name, plain = read_font((FOLDER / "graduate.woff2").read_bytes())
    file = SheetFile(made().rows, fonts={"f1": (name, plain)})
    ((found,),) = [read_sheet_files("a.zip", write_sheet_file(file))]
    assert found.fonts["f1"][0] == name
    assert read_font(found.fonts["f1"][1])


def test_several_sheets_of_one_name_lie_in_one_pack() -> None:
    data = write_sheet_pack([made(), made(), made("Pelmet")])
    assert list(unpacked(data)) == [
        "Curtain.curlet-sheet.zip",
        "Curtain 2.curlet-sheet.zip",
        "Pelmet.curlet-sheet.zip",
    ]
    assert [file.name for file in read_sheet_files("all.zip", data)] == ["Curtain", "Curtain", "Pelmet"]


def test_an_older_file_is_brought_to_this_version_step_by_step(monkeypatch: pytest.MonkeyPatch) -> None:
    def renamed(old: dict[str, Any]) -> dict[str, Any]:
        return {**old, "rows": {"sheet" if kind == "page" else kind: r for kind, r in old["rows"].items()}}

    def titled(old: dict[str, Any]) -> dict[str, Any]:
        (row,) = old["rows"]["sheet"]
        return {**old, "rows": {**old["rows"], "sheet": [{**row, "name": f"{row['title']}!"}]}}

    monkeypatch.setattr(module, "UPGRADES", (renamed, titled))
    oldest = packed({"sheet.json": head(version=1, rows={"page": [{"id": "s1", "title": "Old"}]})})
    older = packed({"sheet.json": head(version=2, rows={"sheet": [{"id": "s1", "title": "Old"}]})})
    for data in (oldest, older):
        assert read_sheet_files("a.zip", data)[0].name == "Old!"
    assert read_sheet_files("a.zip", packed({"sheet.json": head(version=3)}))[0].name == "Curtain"


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"<svg/>", "is not a sheet file. Choose one that ends in .curlet-sheet.zip"),
        (b"PK\x03\x04 and no more", "damaged zip"),
        (write_sheet_file(made())[:-30], "damaged zip"),
        (packed({"letter.txt": b"Hello"}), "holds no sheet"),
        (packed({"sheet.json": b"{"}), "sheet.json cannot be read"),
        (packed({"sheet.json": b"[" * 400 + b"]" * 400}), "sheet.json cannot be read"),
        (packed({"sheet.json": b'{"a":' * 300 + b"1" + b"}" * 300}), "sheet.json cannot be read"),
        (packed({"sheet.json": {"curlet": "brush", "version": 1}}), "not a sheet file"),
        (packed({"sheet.json": head(version=2)}), "newer Curlet. Update Curlet"),
        (packed({"sheet.json": head(version=0)}), "not a sheet file"),
        (packed({"sheet.json": head(version=True)}), "not a sheet file"),
        (packed({"sheet.json": head(rows=[])}), "damaged"),
        (packed({"sheet.json": head(rows={"sheet": []})}), "holds no sheet"),
        (packed({"sheet.json": head(rows={"sheet": [{}, {}]})}), "holds no sheet"),
        (packed({"sheet.json": head(rows={"sheet": [1]})}), "damaged"),
        (packed({"sheet.json": head(), "history.json": {"steps": {}}}), "damaged"),
        (packed({"sheet.json": head(fonts={"f1": "Gone"})}), "font of “a.zip” is missing"),
        (packed({"sheet.json": head(fonts={"f1": "Bad"}), "fonts/f1": b"no font"}), "font cannot be read"),
        (packed({"sheet.json": head(), "pictures/x.png": PNG}), "picture in “a.zip” was changed"),
        (packed({"sheet.json": head(), f"pictures/{KEY}.png": PNG[:-9]}), "cut short|broken"),
        (packed({"a.curlet-sheet.zip": b"nothing"}), "damaged zip"),
        (packed({"a.curlet-sheet.zip": packed({"b.txt": b""})}), "holds no sheet"),
    ],
)
def test_what_is_no_sheet_file_is_refused_with_a_reason(data: bytes, says: str) -> None:
    with pytest.raises(BadInput, match=says):
        read_sheet_files("a.zip", data)


def test_bombs_are_refused_before_they_are_unpacked(monkeypatch: pytest.MonkeyPatch) -> None:
    with pytest.raises(TooMuch, match="more than 5,000 files"):
        read_sheet_files("a.zip", packed({f"{i}.txt": b"" for i in range(5_001)}))
    monkeypatch.setattr(module, "MAX_ROWS", 2)
    rows = {"sheet": [{"id": "s"}], "path": [{"id": "a"}, {"id": "b"}]}
    with pytest.raises(TooMuch, match="more than 2 rows"):
        read_sheet_files("a.zip", packed({"sheet.json": head(rows=rows)}))
    monkeypatch.setattr(module, "MAX_CHANGES", 1)
    history = {"steps": [{"changes": [1, 2]}]}
    with pytest.raises(TooMuch, match="or 1 changes"):
        read_sheet_files("a.zip", packed({"sheet.json": head(), "history.json": history}))
    monkeypatch.setattr(module, "MAX_UNPACKED", 3_000_000)
    large = packed({"sheet.json": b" " * 2_000_000})
    with pytest.raises(TooMuch, match="or 2 MB"):
        read_sheet_files("a.zip", packed({"sheet.json": b" " * 3_000_001}))
    # What lies within counts together.
    with pytest.raises((TooMuch, BadInput), match=r"or 0 MB|cannot be read"):
        read_sheet_files("a.zip", packed({f"{i}.curlet-sheet.zip": large for i in range(2)}))
    monkeypatch.setattr(module, "MAX_BYTES", 100)
    with pytest.raises(TooMuch, match="larger than a sheet file can be"):
        read_sheet_files("a.zip", b"P" * 101)


def test_a_picture_that_a_brush_names_and_the_file_lacks_is_said() -> None:
    brush = {"doc": {"courses": [{"motif": {"family": "picture", "png": "0123"}}]}}
    with pytest.raises(BadInput, match="picture of this sheet file is missing"):
        put_together(SheetFile({"sheet": [{}], "brush": [brush]}))
