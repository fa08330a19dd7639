"""Curlet in Python: a flat is read, its lines get brushes by measure, what was laid is measured and written.

>>> import curlet
>>> flat = curlet.read_flat(b'''<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="60mm"
...     viewBox="0 0 80 60"><path id="hem" stroke="#c00" fill="none" d="M10 50H70"/></svg>''')
>>> [line.name for line in flat.lines]
['hem']
>>> laid = flat.dress([curlet.Rule("topstitch", "stroke=#c00", {"/courses/0/length": "8 spi"})], scale="1:2")
>>> [(run.line.name, run.tally.facts.repeats) for run in laid.runs]
[('hem', 38)]
>>> laid.to_bytes("svg")[:5]
b'<?xml'
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, field
from fnmatch import fnmatchcase
from functools import cached_property
from pathlib import Path as FilePath
from typing import Any

from curlet.core.brush import Brush
from curlet.core.drawing import Drawing, Group
from curlet.core.dress.colour import read_colour
from curlet.core.errors import BadInput
from curlet.core.lay import LaidRun
from curlet.core.lay import lay as lay_brush
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Scale
from curlet.core.tally import Tally, tally
from curlet.demo.brushes import BRUSHES
from curlet.formats.as_drawn import DrawnPath, draw_as_drawn
from curlet.formats.brush_file import BrushDoc, read_brush
from curlet.formats.brush_pack import read_pack
from curlet.formats.imported import ImportedDrawing, ImportedPath
from curlet.formats.output import FileSettings
from curlet.formats.outputs import write
from curlet.formats.pointer import patched
from curlet.formats.report import run_report
from curlet.formats.svg_in import read_svg
from curlet.store.edits.settings import read_setting

# What a line is told by.
_TOLD_BY = ("layer", "stroke", "fill", "id", "style")


def read_brush_of(source: str | FilePath) -> BrushDoc:
    """A built-in brush by its id, or a brush file.

    Raises
    ------
    BadInput
        If it is neither.

    >>> read_brush_of("topstitch").name
    'Topstitch, 3 + 1 mm'
    """
    if str(source) in BRUSHES:
        return read_brush(BRUSHES[str(source)])
    file = FilePath(source)
    if not file.is_file():
        raise BadInput(
            f"“{source}” is neither a brush file nor a built-in brush. Built in are {', '.join(BRUSHES)}."
        )
    found = read_pack(file.name, file.read_bytes())
    if len(found) != 1:
        raise BadInput(f"{file} holds {len(found)} brushes. Name a file with one.")
    return found[0][1]


@dataclass(frozen=True)
class Rule:
    """Which lines get which brush.

    Attributes
    ----------
    brush : a built-in brush's id, a brush file, or a brush.
    lines : what tells them, all of it: "layer=Seams, stroke=#c00, id=hem*, fill=none, style=dashed"; * and ?
        stand for letters. "" for every line.
    settings : own settings by their pointers in the brush file, as they are entered: {"/courses/0/length":
        "8 spi"}.
    """

    brush: str | FilePath | Brush
    lines: str = ""
    settings: Mapping[str, Any] = field(default_factory=dict)

    def to_core(self, scale: Scale) -> Brush:
        """The brush with its own settings; BadInput where one does not suit it."""
        if isinstance(self.brush, Brush):
            if self.settings:
                raise BadInput("Own settings are of a built-in brush or a brush file.")
            self.brush.check(scale)
            return self.brush
        doc = read_brush_of(self.brush)
        whole = doc.model_dump(mode="json")
        put = {pointer: read_setting(doc, pointer, value, scale) for pointer, value in self.settings.items()}
        brush = read_brush(patched(whole, put) if put else whole).to_core()
        brush.check(scale)
        return brush

    def takes(self, line: ImportedPath) -> bool:
        """Whether a line is one of them; BadInput where what tells them is not known."""
        parts = [part.strip() for part in self.lines.split(",") if part.strip()]
        return all(_is(line, *_asked(part)) for part in parts)


def _asked(part: str) -> tuple[str, str]:
    name, equals, wanted = (text.strip() for text in part.partition("="))
    if not equals or name not in _TOLD_BY:
        raise BadInput(f"Lines are told by {', '.join(_TOLD_BY)}, as in “layer=Seams”, not by “{part[:60]}”.")
    return name, _colour(wanted) if name in ("stroke", "fill") else wanted


def _is(line: ImportedPath, name: str, wanted: str) -> bool:
    facts = line.facts
    if name == "style":
        return ("dashed" if facts.dashes else "solid" if facts.stroke else "none") == wanted
    own = {"layer": line.layer, "id": line.name, "stroke": facts.stroke, "fill": facts.fill}[name]
    own = _colour(own or "none") if name in ("stroke", "fill") else own or ""
    return fnmatchcase(own.casefold(), wanted.casefold())


def _colour(text: str) -> str:
    """A colour as "#rrggbb"; "none", and what has letters left open, as it is."""
    return text if text == "none" or {"*", "?"} & set(text) else read_colour(text)


@dataclass(frozen=True, eq=False)
class Flat:
    """A drawing of lines, as it was read.

    Attributes
    ----------
    width, height : mm.
    lines : its contours, with how they were drawn.
    notes : what was left out, in words.
    """

    drawing: ImportedDrawing
    name: str = "Flat"

    @property
    def width(self) -> float:
        return self.drawing.width

    @property
    def height(self) -> float:
        return self.drawing.height

    @property
    def lines(self) -> tuple[ImportedPath, ...]:
        return self.drawing.paths

    @property
    def notes(self) -> tuple[str, ...]:
        return self.drawing.notes

    def dress(
        self, rules: Sequence[Rule], *, scale: str | Scale = "1:1", keep_lines: bool = True
    ) -> DressedFlat:
        """Lay brushes on lines: on each that of the first rule that takes it.

        Parameters
        ----------
        scale : of the flat, such as "1:4".
        keep_lines : whether fills, and lines without a brush, stay.

        Raises
        ------
        BadInput
            If a rule cannot be read, or its brush does not suit the scale.
        """
        at = scale if isinstance(scale, Scale) else Scale.read(scale)
        brushes = [(rule, rule.to_core(at)) for rule in rules]
        runs = []
        for name, line in zip(_unlike(line.name for line in self.lines), self.lines, strict=True):
            brush = next((brush for rule, brush in brushes if rule.takes(line)), None)
            if brush is not None:
                runs.append(Run(name, line, lay_brush(line.path, brush, at)))
        return DressedFlat(self, tuple(runs), keep_lines)


@dataclass(frozen=True, eq=False)
class Run:
    """A brush laid along a line, under a name that no other has."""

    name: str
    line: ImportedPath
    laid: LaidRun

    @cached_property
    def tally(self) -> Tally:
        """Its measured facts and warnings."""
        return tally(self.laid)


@dataclass(frozen=True, eq=False)
class DressedFlat:
    """A flat with brushes on its lines. It shows itself as a picture in notebooks."""

    flat: Flat
    runs: tuple[Run, ...]
    keep_lines: bool = True

    @cached_property
    def drawing(self) -> Drawing:
        """All of it as one drawing, in mm."""
        groups: list[Group] = []
        if self.keep_lines:
            dressed = {id(run.line) for run in self.runs}
            names = _unlike(line.name for line in self.flat.lines)
            drawn = draw_as_drawn(
                DrawnPath(name, line.name, line.path, line.facts, id(line) in dressed)
                for name, line in zip(names, self.flat.lines, strict=True)
            )
            groups += [group for group in drawn if group.items]
        groups += [
            draw_run(run.laid, f"run-{run.name}", f"{run.line.name}, {run.laid.brush.name}")
            for run in self.runs
        ]
        return Drawing(self.flat.width, self.flat.height, tuple(groups), self.flat.name)

    def report(self, *, placements: bool = False) -> dict[str, Any]:
        """What was laid, measured, as the command line writes it."""
        runs = [run_report(run.name, run.laid, run.tally, placements=placements) for run in self.runs]
        return {"unit": "mm", "runs": runs}

    def to_bytes(self, form: str, settings: FileSettings | None = None) -> bytes:
        """A file in a format, by the ending of its name: "svg", "pdf", "png" …; raises as the format does."""
        return write(form, [self.drawing], settings)

    def save(self, file: str | FilePath, settings: FileSettings | None = None) -> None:
        """Write a file in the format that its name's ending says."""
        file = FilePath(file)
        file.write_bytes(self.to_bytes(file.suffix.lower().removeprefix("."), settings))

    def _repr_svg_(self) -> str:
        return self.to_bytes("svg").decode()


def read_flat(source: str | FilePath | bytes, name: str = "") -> Flat:
    """A flat from an SVG file, or from its bytes.

    Raises
    ------
    BadInput, TooMuch
        If it is broken, hostile, empty or too large.
    """
    if isinstance(source, bytes):
        return Flat(read_svg(source), name or "Flat")
    file = FilePath(source)
    return Flat(read_svg(file.read_bytes()), name or file.stem)


def _unlike(names: Iterable[str]) -> list[str]:
    """Ids from names; a repeated one is numbered."""
    seen: dict[str, int] = {}
    out = []
    for name in names:
        seen[name] = seen.get(name, 0) + 1
        out.append(name if seen[name] == 1 else f"{name}-{seen[name]}")
    return out
