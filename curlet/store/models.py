"""The tables. Documents (nodes, own settings, brushes) are JSON text."""

from __future__ import annotations

import json
from typing import Any

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
        return json.dumps(value, separators=(",", ":"), allow_nan=False)

    def python_value(self, value: str) -> Any:
        return json.loads(value)


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
    revision = IntegerField(default=1)
    position = IntegerField(default=0)


class SeamGroup(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="groups")
    name = CharField()
    mark = CharField()
    position = IntegerField(default=0)


class SheetPath(Table):
    id = CharField(primary_key=True)
    sheet = ForeignKeyField(Sheet, on_delete="CASCADE", backref="paths")
    group = ForeignKeyField(SeamGroup, null=True, on_delete="SET NULL", backref="paths")
    name = CharField()
    closed = BooleanField()
    nodes = JsonField()
    facts = JsonField(default=dict)
    position = IntegerField(default=0)


class Brush(Table):
    id = CharField(primary_key=True)
    doc = JsonField()
    builtin = BooleanField(default=False)
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


TABLES = (Sheet, SeamGroup, SheetPath, Brush, Run, Step)
