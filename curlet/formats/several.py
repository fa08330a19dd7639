"""Several drawings: in one file where its format has pages, in a zip of files where it has none."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Sequence
from dataclasses import dataclass

from curlet.core.drawing import Drawing
from curlet.formats.file_names import file_name, unlike_names
from curlet.formats.output import FileSettings, Tell, untold
from curlet.formats.outputs import OUTPUTS, write
from curlet.formats.png_out import place_of
from curlet.formats.zips import entry

ZIP_TYPE = "application/zip"
# What each of them holds, as the page says it.
EACH = {
    "sheet": "All in one",
    "colourway": "One for each colourway",
    "group": "One for each seam group",
    "path": "One for each path",
}


@dataclass(frozen=True)
class MadeFile:
    """A file that was made: its name, its media type and its bytes."""

    name: str
    type: str
    data: bytes


def make_file(
    title: str,
    form: str,
    drawings: Sequence[Drawing],
    settings: FileSettings | None = None,
    tell: Tell = untold,
) -> MadeFile:
    """Drawings as one file of a format, by its name in `OUTPUTS`; raises as `write`."""
    if len(drawings) == 1 or (drawings and OUTPUTS[form].pages):
        return MadeFile(
            file_name(f"{title}.{form}"), OUTPUTS[form].type, write(form, drawings, settings, tell)
        )
    return MadeFile(file_name(f"{title}.zip"), ZIP_TYPE, _zipped(form, drawings, settings, tell))


def _zipped(form: str, drawings: Sequence[Drawing], settings: FileSettings | None, tell: Tell) -> bytes:
    names = unlike_names([drawing.title for drawing in drawings], form)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        for done, (name, drawing) in enumerate(zip(names, drawings, strict=True)):

            def told(share: float, doing: str, done: int = done) -> None:
                tell((done + share) / len(drawings), doing)

            data = write(form, [drawing], settings, told)
            packed.writestr(entry(name), data, compresslevel=1)
        places = {name: place_of(made) for name, made in zip(names, drawings, strict=True) if made.corner}
        if places:
            packed.writestr(entry("places.json"), json.dumps({"unit": "mm", "files": places}, indent=2))
    return out.getvalue()
