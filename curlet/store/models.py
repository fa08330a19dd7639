"""The tables. Documents (nodes, own settings, brushes) are JSON text."""

from __future__ import annotations

import hashlib
from collections.abc import Callable
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

database = DatabaseProxy()


class JsonField(TextField):
    """A JSON document."""

    def db_value(self, value: Any) -> str:
        return orjson.dumps(value).decode()

    def python_value(self, value: str) -> Any:
        return orjson.loads(value)


class BrushField(JsonField):
    """A brush's document. Its pictures are kept once, beside it, so that every making of a brush does not
    hold them again."""

    def db_value(self, value: Any) -> str:
        return super().db_value(_each_picture(value, keep_picture_text))

    def python_value(self, value: str) -> Any:
        return _each_picture(super().python_value(value), _fetch_picture)


def _each_picture(value: Any, change: Callable[[str], str]) -> Any:
    """A document with every picture motif's PNG changed."""
    if isinstance(value, list):
        return [_each_picture(item, change) for item in value]
    if not isinstance(value, dict):
        return value
    if value.get("family") == "picture":
        return {**value, "png": change(value["png"])}
    return {key: _each_picture(item, change) for key, item in value.items()}


def keep_picture_text(text: str) -> str:
    """Keep a PNG in base64 once; its id, the hash of its text."""
    key = hashlib.sha256(text.encode()).hexdigest()
    Picture.insert(id=key, png=text).on_conflict_ignore().execute()
    return key


def _fetch_picture(key: str) -> str:
    return str(Picture.get_by_id(key).png)


class Table(Model):
    class Meta:
        database = database
        legacy_table_names = False


class Sheet(Table):
    id = CharField(primary_key=True)
    name = CharField()
    width = FloatField()
    height = FloatField()
    scale = CharField()
    ground = CharField(default="light")
    ground_cloth = JsonField(default=dict)
    unit = CharField(default="mm")
    removed = BooleanField(default=False)
    revision = IntegerField(default=1)
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
    doc = JsonField()
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
    nodes = JsonField()
    facts = JsonField(default=dict)
    figure = JsonField(default=dict)
    swell = JsonField(default=list)
    cloth = JsonField(default=dict)
    lettering = CharField(null=True)
    part = CharField(default="")
    hidden = BooleanField(default=False)
    locked = BooleanField(default=False)
    position = IntegerField(default=0)


class Picture(Table):
    """A PNG, in base64, by the hash of its text."""

    id = CharField(primary_key=True)
    png = TextField()


class Brush(Table):
    id = CharField(primary_key=True)
    doc = BrushField()
    builtin = BooleanField(default=False)
    making = IntegerField(default=1)
    position = IntegerField(default=0)


class BrushMaking(Table):
    """A brush as it was made, one row for each change. `before` is the making that it came from, so that
    none is lost when one is gone back to."""

    brush = ForeignKeyField(Brush, on_delete="CASCADE", backref="makings")
    number = IntegerField()
    before = IntegerField(null=True)
    label = CharField()
    doc = BrushField()
    made = CharField()

    class Meta:
        indexes = ((("brush", "number"), True),)


class Motif(Table):
    """A motif kept by itself in the Drawers."""

    id = CharField(primary_key=True)
    doc = BrushField()
    position = IntegerField(default=0)


class GuidePicture(Table):
    """A picture under the paths: its middle and size in sheet mm, its turn in degrees, faded by so many %."""

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
    position = IntegerField(default=0)


class Single(Table):
    """One repeat of a brush placed by hand: its middle in sheet mm, its turn in degrees, its size in %."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="singles")
    brush = ForeignKeyField(Brush, on_delete="RESTRICT", backref="singles")
    x = FloatField()
    y = FloatField()
    turn = FloatField(default=0)
    size = FloatField(default=100)
    position = IntegerField(default=0)


class CheckMark(Table):
    """A measurement kept on a sheet."""

    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="marks")
    doc = JsonField()
    position = IntegerField(default=0)


class Run(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="runs")
    path = ForeignKeyField(SheetPath, on_delete="CASCADE", backref="runs")
    brush = ForeignKeyField(Brush, on_delete="RESTRICT", backref="runs")
    own = JsonField(default=dict)
    backwards = BooleanField(default=False)
    places = JsonField(default=dict)
    shown = BooleanField(default=True)
    position = IntegerField(default=0)


class Step(Table):
    """One command done on a sheet: the rows before and after, for undo and redo."""

    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="steps")
    label = CharField()
    changes = JsonField()
    undone = BooleanField(default=False)


TABLES = (
    Sheet,
    SeamGroup,
    Lettering,
    KeptFont,
    SheetPath,
    Picture,
    Brush,
    BrushMaking,
    Motif,
    GuidePicture,
    Single,
    CheckMark,
    Run,
    Step,
)
