"""Brush files as they come and go: single ones, and packs of many in a zip."""

from __future__ import annotations

import orjson

from curlet.core.errors import BadInput, TooMuch
from curlet.core.measures import Scale
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.zips import Zip, is_zip

MAX_BYTES = 8 * 1024 * 1024
MAX_UNPACKED = 64 * 1024 * 1024
MAX_PACKED = 500


def write_brush(doc: BrushDoc) -> bytes:
    """A brush as a file to keep: UTF-8 JSON, indented."""
    return orjson.dumps(doc.model_dump(mode="json"), option=orjson.OPT_INDENT_2)


def read_pack(name: str, data: bytes) -> list[tuple[str, BrushDoc]]:
    """The brushes in a file: one, or those in a zip, with the names of their files.

    Raises
    ------
    BadInput
        If it is neither, or was made by a newer version, or has a setting that is not known.
    TooMuch
        If it is too large, packed or unpacked.
    """
    short = name.replace("\\", "/").rsplit("/", 1)[-1][:80]
    if is_zip(data):
        return _unpacked(short, data)
    return [(short, _read(short, data))]


def _read(name: str, data: bytes) -> BrushDoc:
    if len(data) > MAX_BYTES:
        raise TooMuch(f"“{name}” is larger than a brush file can be (8 MB).")
    try:
        document = orjson.loads(data)
    except orjson.JSONDecodeError:
        raise BadInput(f"“{name}” is not a brush file: it is not JSON. Nothing was imported.") from None
    if not isinstance(document, dict) or document.get("format") != "curlet-brush":
        raise BadInput(f"“{name}” is JSON, but not a Curlet brush file. Nothing was imported.")
    version = document.get("version")
    if isinstance(version, int) and version > 1:
        raise BadInput(f"“{name}” was made by a newer Curlet. Update Curlet to import it.")
    try:
        doc = read_brush(document)
        doc.to_core().check(Scale())
    except BadInput as error:
        raise BadInput(f"“{name}”: {error} Nothing was imported.") from None
    return doc


def _unpacked(name: str, data: bytes) -> list[tuple[str, BrushDoc]]:
    with Zip(name, data, MAX_PACKED, MAX_UNPACKED) as pack:
        return [(each, _read(each, pack.read(each))) for each in pack.names]
