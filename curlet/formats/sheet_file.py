"""Sheet files: a sheet by itself in a zip, with everything that it needs, to be kept or handed on.

`sheet.json` holds the rows as they are kept, `history.json` the steps that can be undone and the versions of
the brushes; pictures and fonts lie beside them, each once, under the names by which the rows call them.
"""

from __future__ import annotations

import io
import zipfile
from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

import orjson

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.file_names import unlike_names
from curlet.formats.fonts import read_font
from curlet.formats.pictures_apart import each_picture
from curlet.formats.png_in import check_kept_png, from_base64, picture_id, to_base64
from curlet.formats.zips import Zip, entry, is_zip

Json = dict[str, Any]

ENDING = "curlet-sheet.zip"
MAX_BYTES, MAX_UNPACKED = 256 * 1024 * 1024, 512 * 1024 * 1024
MAX_SHEETS, _MAX_ENTRIES = 500, 5_000
# Rows, and what steps changed: ten times as many as the largest sheet that is worked on.
MAX_ROWS, MAX_CHANGES = 100_000, 500_000
_SHEET, _HISTORY, _PICTURES, _FONTS = "sheet.json", "history.json", "pictures/", "fonts/"

# What brings a file of each older version to the next.
UPGRADES: tuple[Callable[[Json], Json], ...] = ()


@dataclass(frozen=True)
class SheetFile:
    """A sheet to be kept by itself.

    Attributes
    ----------
    rows : as they are kept, by their kind. In brushes each picture is a key of `pictures`.
    versions, steps : of its brushes and of the sheet, as they are kept; pictures as in `rows`.
    pictures : PNGs by their keys.
    fonts : each font's name and bytes by its key.
    """

    rows: dict[str, list[Json]]
    versions: list[Json] = field(default_factory=list)
    steps: list[Json] = field(default_factory=list)
    pictures: dict[str, bytes] = field(default_factory=dict)
    fonts: dict[str, tuple[str, bytes]] = field(default_factory=dict)

    @property
    def name(self) -> str:
        return str(self.rows["sheet"][0].get("name", "Sheet"))


def parted(file: SheetFile) -> SheetFile:
    """A sheet file whose documents still hold their pictures, with these taken out."""
    pictures = dict(file.pictures)

    def key_of(text: str) -> str:
        png = from_base64(text)
        pictures[picture_id(png)] = png
        return picture_id(png)

    rows, versions, steps = (each_picture(part, key_of) for part in (file.rows, file.versions, file.steps))
    return replace(file, rows=rows, versions=versions, steps=steps, pictures=pictures)


def put_together(file: SheetFile) -> SheetFile:
    """The other way round: documents with their pictures in them. BadInput where one is missing."""

    def text_of(key: str) -> str:
        if key not in file.pictures:
            raise BadInput("A picture of this sheet file is missing. Export the sheet again.")
        return to_base64(file.pictures[key])

    rows, versions, steps = (each_picture(part, text_of) for part in (file.rows, file.versions, file.steps))
    return replace(file, rows=rows, versions=versions, steps=steps)


def write_sheet_file(file: SheetFile) -> bytes:
    """A sheet as a file; the same sheet makes the same bytes."""
    apart = parted(file)
    fonts = {key: name for key, (name, _) in apart.fonts.items()}
    head = {"curlet": "sheet", "version": _newest(), "fonts": fonts, "rows": apart.rows}
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        packed.writestr(entry(_SHEET), orjson.dumps(head, option=orjson.OPT_INDENT_2))
        if apart.steps or apart.versions:
            history = {"versions": apart.versions, "steps": apart.steps}
            packed.writestr(entry(_HISTORY), orjson.dumps(history, option=orjson.OPT_INDENT_2))
        for key, png in sorted(apart.pictures.items()):
            packed.writestr(entry(f"{_PICTURES}{key}.png", packed=False), png)
        for key, (_, data) in sorted(apart.fonts.items()):
            packed.writestr(entry(f"{_FONTS}{key}"), data)
    return out.getvalue()


def write_sheet_pack(files: Sequence[SheetFile]) -> bytes:
    """Several sheets in one zip, a sheet file each."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        names = unlike_names([file.name for file in files], ENDING)
        for name, file in zip(names, files, strict=True):
            packed.writestr(entry(name, packed=False), write_sheet_file(file))
    return out.getvalue()


def read_sheet_files(name: str, data: bytes) -> list[SheetFile]:
    """The sheets in a file: one, or a pack's. Its documents are not looked into here.

    Raises
    ------
    BadInput
        If it is no sheet file, is damaged, or was made by a newer version.
    TooMuch
        If it is too large, packed or unpacked.
    """
    short = name.replace("\\", "/").rsplit("/", 1)[-1][:80]
    if len(data) > MAX_BYTES:
        raise TooMuch(f"“{short}” is larger than a sheet file can be ({MAX_BYTES // 1024**2} MB).")
    if not is_zip(data):
        raise BadInput(f"“{short}” is not a sheet file. Choose one that ends in .{ENDING}.")
    with Zip(short, data, _MAX_ENTRIES, MAX_UNPACKED) as pack:
        if _SHEET in pack.names:
            return [_read(short, pack)]
        within = [each for each in pack.names if each.endswith(f".{ENDING}")]
        if not within or len(within) > MAX_SHEETS:
            raise BadInput(f"“{short}” holds no sheet. Choose a file that ends in .{ENDING}.")
        # What is packed within counts toward the same bound.
        left, found = MAX_UNPACKED, []
        for each in within:
            with Zip(each, pack.read(each), _MAX_ENTRIES, left) as single:
                left -= single.size
                found.append(_read(each, single))
        return found


def _read(name: str, pack: Zip) -> SheetFile:
    if _SHEET not in pack.names:
        raise BadInput(f"“{name}” holds no sheet. Nothing was imported.")
    head = _upgraded(name, _json(name, pack, _SHEET))
    history = _json(name, pack, _HISTORY) if _HISTORY in pack.names else {}
    rows = {kind: _rows(name, of_kind) for kind, of_kind in _dict(name, head.get("rows")).items()}
    if len(rows.get("sheet", ())) != 1:
        raise BadInput(f"“{name}” holds no sheet. Nothing was imported.")
    versions, steps = (_rows(name, history.get(part, [])) for part in ("versions", "steps"))
    changes = sum(len(step["changes"]) for step in steps if isinstance(step.get("changes"), list))
    if sum(map(len, rows.values())) > MAX_ROWS or changes > MAX_CHANGES:
        raise TooMuch(f"“{name}” holds more than {MAX_ROWS:,} rows or {MAX_CHANGES:,} changes.")
    fonts = {key: _font(name, pack, key) for key in _dict(name, head.get("fonts", {}))}
    return SheetFile(rows, versions, steps, _pictures(name, pack), fonts)


def _newest() -> int:
    """The version that is written: one more than there are steps to it."""
    return len(UPGRADES) + 1


def _upgraded(name: str, head: Json) -> Json:
    version = head.get("version")
    if head.get("curlet") != "sheet" or type(version) is not int or version < 1:
        raise BadInput(f"“{name}” is not a sheet file. Nothing was imported.")
    if version > _newest():
        raise BadInput(f"“{name}” was made by a newer Curlet. Update Curlet to open it.")
    for upgrade in UPGRADES[version - 1 :]:
        head = upgrade(head)
    return head


def _json(name: str, pack: Zip, part: str) -> Json:
    try:
        document = orjson.loads(pack.read(part))
        # What is nested too deep to be written is too deep to be gone through.
        orjson.dumps(document)
    except (orjson.JSONDecodeError, orjson.JSONEncodeError):
        raise BadInput(f"“{name}” is damaged: {part} cannot be read. Nothing was imported.") from None
    return _dict(name, document)


def _dict(name: str, value: object) -> Json:
    if not isinstance(value, dict):
        raise BadInput(f"“{name}” is damaged. Nothing was imported.")
    return value


def _rows(name: str, value: object) -> list[Json]:
    if not isinstance(value, list):
        raise BadInput(f"“{name}” is damaged. Nothing was imported.")
    return [_dict(name, row) for row in value]


def _pictures(name: str, pack: Zip) -> dict[str, bytes]:
    found = {}
    for each in pack.names:
        if each.startswith(_PICTURES):
            png = pack.read(each)
            check_kept_png(png)
            key = picture_id(png)
            if each != f"{_PICTURES}{key}.png":
                raise BadInput(f"A picture in “{name}” was changed. Export the sheet again.")
            found[key] = png
    return found


def _font(name: str, pack: Zip, key: str) -> tuple[str, bytes]:
    if f"{_FONTS}{key}" not in pack.names:
        raise BadInput(f"A font of “{name}” is missing. Export the sheet again.")
    return read_font(pack.read(f"{_FONTS}{key}"))
