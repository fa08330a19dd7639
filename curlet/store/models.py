"""The tables. Documents (nodes, own settings, brushes) are JSON text, see `documents`."""

from __future__ import annotations

from typing import Any

import orjson
from peewee import (
    BooleanField,
    CharField,
    DatabaseProxy,
    FloatField,
    ForeignKeyField,
    IntegerField,
    Model,
    TextField,
)

from curlet.core.dress.relief import LIGHT
from curlet.formats.area_doc import AreaDoc
from curlet.formats.brush_courses import SwellDoc
from curlet.formats.brush_file import BrushDoc, Thread
from curlet.formats.callout_doc import CallOutDoc
from curlet.formats.cloth_doc import KeptCloth
from curlet.formats.crop_doc import CropDoc
from curlet.formats.fill_doc import KeptFill
from curlet.formats.half_doc import HalfDoc
from curlet.formats.kept_motif import KeptMotifDoc
from curlet.formats.lettering_doc import LetteringDoc
from curlet.formats.mark_doc import MarkDoc
from curlet.formats.path_doc import FactsDoc, FigureDoc, Nodes
from curlet.formats.pictures_apart import each_picture
from curlet.formats.png_in import from_base64, picture_id
from curlet.formats.run_places import PlacesDoc
from curlet.store.documents import JsonField, Unreadable

database = DatabaseProxy()


class Table(Model):
    class Meta:
        database = database
        legacy_table_names = False


class Picture(Table):
    """A PNG, in base64, by the hash of its text."""

    id = CharField(primary_key=True)
    png = TextField()


class BrushField(JsonField):
    """A brush's or motif's document. Its pictures are kept once, beside it, so that every version of a brush
    does not hold them again."""

    def db_value(self, value: Any) -> str:
        if isinstance(value, Unreadable):
            return value.text
        # Read as a whole first, then with each picture's key in its place.
        super().db_value(value)
        return orjson.dumps(each_picture(value, keep_picture_text)).decode()

    def python_value(self, value: str) -> Any:
        try:
            whole = each_picture(orjson.loads(value), _fetch_picture)
        except orjson.JSONDecodeError as error:
            return Unreadable(value, f"It is damaged ({error}).")
        except LookupError as error:
            return Unreadable(value, str(error))
        fault = self.fault(orjson.dumps(whole).decode())
        return Unreadable(value, fault) if fault else whole


def keep_picture_text(text: str) -> str:
    """Keep a PNG in base64 once; its id, the hash of its text."""
    key = picture_id(from_base64(text))
    Picture.insert(id=key, png=text).on_conflict_ignore().execute()
    return key


def _fetch_picture(key: str) -> str:
    found = Picture.get_or_none(Picture.id == key)
    if found is None:
        raise LookupError("A picture of it is missing.")
    return str(found.png)


class Sheet(Table):
    id = CharField(primary_key=True)
    name = CharField()
    width = FloatField()
    height = FloatField()
    scale = CharField()
    background = CharField(default="light")
    background_cloth = JsonField(KeptCloth, default=dict)
    unit = CharField(default="mm")
    light_azimuth = FloatField(default=LIGHT.azimuth)
    light_elevation = FloatField(default=LIGHT.elevation)
    colourway = CharField(default="")
    removed = BooleanField(default=False)
    revision = IntegerField(default=1)
    position = IntegerField(default=0)


class Colourway(Table):
    """One full set of colours for a sheet's shades."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="colourways")
    name = CharField()
    position = IntegerField(default=0)


class Shade(Table):
    """A named colour of a sheet: "#rrggbb" by the colourway's id."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="shades")
    name = CharField()
    colours = JsonField(dict[str, Thread])
    position = IntegerField(default=0)


class SeamGroup(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="groups")
    name = CharField()
    mark = CharField()
    position = IntegerField(default=0)


class Lettering(Table):
    """Text on a sheet; the paths that it is made of name it."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="letterings")
    doc = JsonField(LetteringDoc)
    position = IntegerField(default=0)


class Area(Table):
    """An area; the paths along its edges name it."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="areas")
    doc = JsonField(AreaDoc)
    position = IntegerField(default=0)


class KeptFont(Table):
    """A font that somebody brought: its bytes, in base64, by their hash."""

    id = CharField(primary_key=True)
    name = CharField()
    data = TextField()


class SheetPath(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="paths")
    group = ForeignKeyField(SeamGroup, null=True, on_delete="SET NULL", backref="paths")
    name = CharField()
    closed = BooleanField()
    nodes = JsonField(Nodes)
    facts = JsonField(FactsDoc, default=dict)
    figure = JsonField(FigureDoc, default=dict)
    swell = JsonField(SwellDoc, default=list)
    fill = JsonField(KeptFill, default=dict)
    crop = JsonField(CropDoc, default=dict)
    half = JsonField(HalfDoc, default=dict)
    lettering = CharField(null=True)
    area = CharField(null=True)
    part = CharField(default="")
    hidden = BooleanField(default=False)
    locked = BooleanField(default=False)
    position = FloatField(default=0)


class Brush(Table):
    id = CharField(primary_key=True)
    doc = BrushField(BrushDoc)
    builtin = BooleanField(default=False)
    removed = BooleanField(default=False)
    version = IntegerField(default=1)
    position = IntegerField(default=0)


class BrushVersion(Table):
    """A brush as it was made, one row for each change. `before` is the version that it came from, so that
    none is lost when one is gone back to."""

    brush = ForeignKeyField(Brush, on_delete="CASCADE", backref="versions")
    number = IntegerField()
    before = IntegerField(null=True)
    label = CharField()
    doc = BrushField(BrushDoc)
    made = CharField()

    class Meta:
        indexes = ((("brush", "number"), True),)


class Motif(Table):
    """A motif kept by itself in the Library."""

    id = CharField(primary_key=True)
    doc = BrushField(KeptMotifDoc)
    removed = BooleanField(default=False)
    position = IntegerField(default=0)


class GuidePicture(Table):
    """A picture under the paths: its middle and size in sheet mm, its turn in degrees, its fade in %."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="guides")
    picture = ForeignKeyField(Picture, on_delete="RESTRICT")
    name = CharField()
    x = FloatField()
    y = FloatField()
    width = FloatField()
    height = FloatField()
    turn = FloatField(default=0)
    fade = FloatField(default=50)
    shown = BooleanField(default=True)
    locked = BooleanField(default=False)
    crop = JsonField(CropDoc, default=dict)
    position = FloatField(default=0)


class Single(Table):
    """One repeat of a brush placed by hand: its middle in sheet mm, its turn in degrees, its size in %; `own`
    holds its own settings by their pointers in the brush."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="singles")
    brush = ForeignKeyField(Brush, on_delete="RESTRICT", backref="singles")
    x = FloatField()
    y = FloatField()
    turn = FloatField(default=0)
    size = FloatField(default=100)
    own = JsonField(dict[str, Any], default=dict)
    crop = JsonField(CropDoc, default=dict)
    position = FloatField(default=0)


class CheckMark(Table):
    """A measurement kept on a sheet."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="marks")
    doc = JsonField(MarkDoc)
    position = IntegerField(default=0)


class CallOut(Table):
    """A leader to a run, with a text."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="callouts")
    doc = JsonField(CallOutDoc)
    position = IntegerField(default=0)


class Run(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="runs")
    path = ForeignKeyField(SheetPath, on_delete="CASCADE", backref="runs")
    brush = ForeignKeyField(Brush, on_delete="RESTRICT", backref="runs")
    own = JsonField(dict[str, Any], default=dict)
    backwards = BooleanField(default=False)
    places = JsonField(PlacesDoc, default=dict)
    crop = JsonField(CropDoc, default=dict)
    shown = BooleanField(default=True)
    position = FloatField(default=0)


class Step(Table):
    """One command done on a sheet: the rows before and after, for undo and redo."""

    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="steps")
    label = CharField()
    changes = JsonField(list[dict[str, Any]])
    undone = BooleanField(default=False)


TABLES = (
    Sheet,
    Colourway,
    Shade,
    SeamGroup,
    Lettering,
    Area,
    KeptFont,
    SheetPath,
    Picture,
    Brush,
    BrushVersion,
    Motif,
    GuidePicture,
    Single,
    CheckMark,
    CallOut,
    Run,
    Step,
)
