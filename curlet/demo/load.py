"""Putting the demo into a store that does not have it yet."""

from __future__ import annotations

import base64
from typing import Any

from curlet.demo.brushes import BRUSHES
from curlet.demo.coat import COAT
from curlet.demo.curtain import CURTAIN
from curlet.demo.drawn import DemoArea, DemoPath, DemoPicture, DemoSheet, DemoText
from curlet.demo.looks import LOOKS
from curlet.demo.motifs import MOTIFS
from curlet.demo.programme import PROGRAMME
from curlet.demo.satchel import SATCHEL
from curlet.demo.waistcoat import WAISTCOAT
from curlet.formats.area_doc import AreaDoc, MemberDoc
from curlet.formats.brush_file import BrushDoc
from curlet.formats.fill_doc import Fill, PictureFillDoc
from curlet.formats.half_doc import HalfDoc
from curlet.formats.png_out import write_png
from curlet.formats.shade_refs import replaced, shade_of, shade_ref
from curlet.store.areas import add_area
from curlet.store.commands.runs import LayBrush
from curlet.store.database import writing
from curlet.store.halves import link
from curlet.store.lettering import letters_of, put_lettering
from curlet.store.models import (
    Brush,
    Colourway,
    Motif,
    Run,
    SeamGroup,
    Shade,
    Sheet,
    SheetPath,
    Single,
    keep_picture_text,
)
from curlet.store.names import other_half
from curlet.store.rows import write_changes
from curlet.store.state import State, load_state

SHEETS = (WAISTCOAT, PROGRAMME, SATCHEL, COAT, CURTAIN)
# Enough for its size in print.
_PICTURE_PPI = 400.0
# Paths' positions are so far apart. What is painted in a sheet's order: each path under its run, text over
# all paths, single repeats over all.
_EACH = 10


def load_demo() -> None:
    """Add the built-in brushes and the demo's sheets; sheets that are there already are left as they are.
    Its motifs and looks are added to a new store only: what is taken out of the Library stays out."""
    with writing():
        fresh = not Sheet.select().exists()
        if fresh:
            for position, (motif_id, kept) in enumerate(MOTIFS.items()):
                Motif.create(id=motif_id, doc=kept.model_dump(mode="json"), position=position)
        for position, (brush_id, doc) in enumerate(BRUSHES.items()):
            _put_builtin(id=brush_id, doc=doc, position=position)
        if fresh:
            for position, (look_id, look) in enumerate(LOOKS.items(), len(BRUSHES)):
                _put_look(look_id, look, position)
        for position, sheet in enumerate(SHEETS):
            if Sheet.get_or_none(Sheet.id == sheet.id) is None:
                _add_sheet(sheet, position)


def _put_builtin(**values: Any) -> None:
    """Built-ins are read-only, so that a newer version's are put in place of an older one's."""
    Brush.insert(builtin=True, **values).on_conflict(
        conflict_target=[Brush.id], preserve=[Brush.doc, Brush.position]
    ).execute()


def _put_look(look_id: str, look: BrushDoc, position: int) -> None:
    Brush.create(id=look_id, doc=look.model_dump(mode="json"), builtin=False, position=position)


def _add_sheet(sheet: DemoSheet, position: int) -> None:
    ways = [_id(sheet, f"way-{way}") for way in sheet.ways]
    cloth = {"background": "cloth", "background_cloth": _fill(sheet, sheet.background)}
    Sheet.create(
        id=sheet.id,
        name=sheet.name,
        position=position,
        colourway=ways[0],
        **sheet.size,
        **(cloth if sheet.background else {}),
    )
    for place, (way, name) in enumerate(zip(ways, sheet.ways, strict=True)):
        Colourway.create(id=way, sheet=sheet.id, name=name, position=place)
    for place, (name, colours) in enumerate(sheet.shades.items()):
        by_way = dict(zip(ways, colours, strict=True))
        Shade.create(id=_shade(sheet, name), sheet=sheet.id, name=name, colours=by_way, position=place)
    for place, (name, mark) in enumerate(sheet.groups.items()):
        SeamGroup.create(id=_id(sheet, name), sheet=sheet.id, name=name, mark=mark, position=place)
    for place, path in enumerate(sheet.paths()):
        _add_path(sheet, path, place)
    _add_what_follows(sheet)
    over = load_state(sheet.id).next_position("single")
    for place, one in enumerate(sheet.singles):
        own = {"own": _named(sheet, one.own), "position": over + place}
        at = {"x": one.x, "y": one.y, "turn": one.turn, "size": one.size}
        Single.create(id=f"{sheet.id}-one-{place}", sheet=sheet.id, brush=one.brush, **at, **own)


def _add_what_follows(sheet: DemoSheet) -> None:
    """Live halves, areas, and text along paths."""
    if sheet.halves:
        _link_halves(sheet)
    for area in sheet.areas:
        _add_area(sheet, area)
    for number, text in enumerate(sheet.texts, 1):
        _write_along(sheet, text, number)


def _link_halves(sheet: DemoSheet) -> None:
    state = load_state(sheet.id)
    named = {path["name"]: path["id"] for path in state.all("path")}
    for name, path in named.items():
        half = named.get(other_half(name) or "") if name.endswith("R") else None
        if half:
            link(state, half, HalfDoc(of=path, x=state.sheet["width"] / 2, y=0.0))
    write_changes(state.changes)


def _add_area(sheet: DemoSheet, area: DemoArea) -> None:
    """Its edges belong to the group of the first of its paths."""
    state = load_state(sheet.id)
    members = tuple(MemberDoc(kind="run", id=f"run-{_id(sheet, path)}", use=use) for path, use in area.runs)
    doc = AreaDoc(way=area.way, members=members, clean=area.clean)
    above = max(run["position"] for run in state.runs_of(_id(sheet, area.above)))
    look = {
        "fill": _fill(sheet, area.fill),
        "group": state.get("path", _id(sheet, area.runs[0][0]))["group"],
    }
    add_area(state, _id(sheet, area.name), doc, area.name, above, **look)
    write_changes(state.changes)


def _write_along(sheet: DemoSheet, text: DemoText, number: int) -> None:
    """Text along a path, dressed."""
    state, line = load_state(sheet.id), _id(sheet, text.along)
    name = f"{sheet.id}-text-{number}"
    put_lettering(state, name, text.make(line), state.get("path", line)["group"])
    letters = [path["id"] for path in letters_of(state, name)]
    for letter in letters:
        state.update("path", letter, fill=_fill(sheet, text.fill))
    if text.brush:
        LayBrush(kind="lay-brush", paths=letters, brush=text.brush).apply(state)
    _over_all(state, letters, _named(sheet, text.own))
    write_changes(state.changes)


def _over_all(state: State, letters: list[str], own: Any) -> None:
    for letter in letters:
        state.update("path", letter, position=state.next_position("path"))
        for run in state.runs_of(letter):
            state.update("run", run["id"], own=own, position=state.next_position("run"))


def _id(sheet: DemoSheet, name: str) -> str:
    return f"{sheet.id}-" + name.lower().replace(" ", "-")


def _shade(sheet: DemoSheet, name: str) -> str:
    return _id(sheet, f"shade-{name}")


def _named(sheet: DemoSheet, value: Any) -> Any:
    """A document with the ids of the shades that it names."""
    return replaced(value, lambda ref: shade_ref(_shade(sheet, shade_of(ref) or "")))


def _fill(sheet: DemoSheet, fill: Fill | DemoPicture | None) -> Any:
    if isinstance(fill, DemoPicture):
        fill = _kept(fill)
    return _named(sheet, fill.model_dump(mode="json")) if fill else {}


def _kept(picture: DemoPicture) -> PictureFillDoc:
    drawing = picture.draw()
    png = write_png(drawing, _PICTURE_PPI)
    return PictureFillDoc(
        kind="picture",
        picture=keep_picture_text(base64.b64encode(png).decode()),
        name=picture.name,
        x=picture.x,
        y=picture.y,
        width=picture.width,
        height=picture.width * drawing.height / drawing.width,
    )


def _add_path(sheet: DemoSheet, path: DemoPath, place: int) -> None:
    path_id = _id(sheet, path.name)
    crop = {"kind": "path", "id": _id(sheet, path.crop), "outside": path.outside} if path.crop else {}
    SheetPath.create(
        id=path_id,
        sheet=sheet.id,
        group=_id(sheet, path.group),
        name=path.name,
        closed=path.closed,
        nodes=[node.model_dump(mode="json") for node in path.nodes],
        facts=path.facts.model_dump(mode="json") if path.facts else {},
        fill=_fill(sheet, path.fill),
        crop=crop,
        hidden=path.hidden,
        position=_EACH * place,
    )
    if path.brush:
        Run.create(
            id=f"run-{path_id}",
            sheet=sheet.id,
            path=path_id,
            brush=path.brush,
            own=_named(sheet, path.own),
            places=path.places,
            crop=crop,
            position=_EACH * place + 1,
        )
