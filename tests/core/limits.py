"""What may be entered, how much of it, and what is set where nothing is entered, as kept in limits.json.

`python -m tests.core.limits` writes that file anew, for whoever changes a limit or a default on purpose.
"""

from __future__ import annotations

import dataclasses
import importlib
import inspect
import json
import pkgutil
from collections.abc import Iterator
from pathlib import Path as FilePath
from types import ModuleType
from typing import Any

from pydantic import BaseModel

import curlet.core
import curlet.formats
import curlet.store
from curlet.core.bounds import Bounds
from curlet.core.motif.families import FAMILIES, KINDS
from curlet.core.path.figures import FIGURES
from curlet.formats.content import content_key
from curlet.store.edits.recipes import brush_of, empty_brush

FILE = FilePath(__file__).with_name("limits.json")
_NAMED = ("MAX_", "MIN_", "LONGEST", "FURTHEST", "DEFAULT_", "LARGEST")
_LIMITS = (
    "minLength", "maxLength", "minimum", "maximum", "exclusiveMinimum", "exclusiveMaximum", "minItems",
    "maxItems", "pattern",
)  # fmt: skip
_PLAIN = (bool, int, float, str)


def modules() -> Iterator[ModuleType]:
    for package in (curlet.core, curlet.store, curlet.formats):
        for found in pkgutil.walk_packages(package.__path__, f"{package.__name__}."):
            yield importlib.import_module(found.name)


def bounds() -> dict[str, Bounds]:
    """Every bound by the module that states it."""
    return {
        f"{module.__name__}.{name}": value
        for module in modules()
        for name, value in _stated(module)
        if isinstance(value, Bounds)
    }


def found() -> dict[str, Any]:
    limits = {
        f"{module.__name__}.{name}": value
        for module in modules()
        for name, value in _stated(module)
        if name.startswith(_NAMED) and isinstance(value, int | float)
    }
    defaults = {
        f"{each.__module__}.{each.__qualname__}.{field.name}": field.default
        for module in modules()
        for each in vars(module).values()
        if inspect.isclass(each) and dataclasses.is_dataclass(each) and each.__module__ == module.__name__
        for field in dataclasses.fields(each)
        if isinstance(field.default, _PLAIN)
    }
    edges = {name: [bound.low, bound.high, bound.unit] for name, bound in bounds().items()}
    numbers = {
        f"{kind}.{setting.name}": [setting.default, setting.bounds.low, setting.bounds.high]
        for kind, figure in FIGURES.items()
        for setting in figure.settings
    }
    measures = {
        f"{kind}.{name}": [*((spec.bounds.low, spec.bounds.high) if spec.bounds else ()), *spec.choices]
        for kind, family in FAMILIES.items()
        for name, spec in family.specs().items()
    }
    fields = {
        f"{each.__module__}.{each.__qualname__}.{name}": repr(field.default)
        for module in modules()
        for each in vars(module).values()
        if inspect.isclass(each) and issubclass(each, BaseModel) and each.__module__ == module.__name__
        for name, field in each.model_fields.items()
        if not field.is_required() and field.default_factory is None
    }
    allowed = {
        f"{each.__module__}.{each.__qualname__}.{name}": limits_in(schema)
        for module in modules()
        for each in vars(module).values()
        if inspect.isclass(each) and issubclass(each, BaseModel) and each.__module__ == module.__name__
        for name, schema in each.model_json_schema().get("properties", {}).items()
        if limits_in(schema)
    }
    begun = {name: content_key(brush_of(name, name).model_dump(mode="json")) for name in FAMILIES}
    empty = {kind: content_key(empty_brush(kind).model_dump(mode="json")) for kind in KINDS}
    return {
        "bounds": edges, "limits": limits, "defaults": defaults, "figures": numbers, "families": measures,
        "documents": fields, "allowed": allowed, "new brushes": begun | empty,
    }  # fmt: skip


def limits_in(schema: Any) -> dict[str, Any]:
    """What a field's JSON schema allows, by where in it that is said."""
    if isinstance(schema, list):
        return {
            f"{at}.{key}": value for at, each in enumerate(schema) for key, value in limits_in(each).items()
        }
    if not isinstance(schema, dict):
        return {}
    inner = {
        f"{name}.{key}": value
        for name, each in schema.items()
        if name not in ("default", "examples")
        for key, value in limits_in(each).items()
    }
    return {name: schema[name] for name in _LIMITS if name in schema} | inner


def _stated(module: ModuleType) -> list[tuple[str, Any]]:
    """The constants that a module states itself."""
    text = f"\n{inspect.getsource(module)}"
    return [
        (name, value)
        for name, value in vars(module).items()
        if name.isupper() and (f"\n{name} = " in text or f"\n{name}, " in text or f", {name} = " in text)
    ]


if __name__ == "__main__":
    FILE.write_text(json.dumps(found(), indent=1, sort_keys=True, ensure_ascii=False) + "\n")
