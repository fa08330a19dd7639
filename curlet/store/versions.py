"""A brush's versions: whatever changes a brush, on the Bench or from a sheet, is kept here and can be gone
back to."""

from __future__ import annotations

import datetime
from typing import Any

from peewee import ModelSelect

from curlet.store.documents import Unreadable
from curlet.store.models import Brush, BrushVersion
from curlet.store.records import Json
from curlet.store.state import Change
from curlet.store.unreadable import readable

MAX_VERSIONS = 500


def add_version(brush: Brush, doc: Json, label: str) -> int:
    """Keep a document as a brush's newest version, after the present one; its number. The brush itself is
    left as it is."""
    if not _of(brush).exists() and not isinstance(brush.doc, Unreadable):
        _write(brush, brush.version, None, "As it was first", brush.doc)
    newest = _of(brush).order_by(BrushVersion.number.desc()).first()
    number = (newest.number if newest else brush.version) + 1
    _write(brush, number, brush.version, label, doc)
    BrushVersion.delete().where(
        BrushVersion.brush == brush.id, BrushVersion.number <= number - MAX_VERSIONS
    ).execute()
    return number


def with_versions(changes: list[Change], label: str) -> list[Change]:
    """A step's changes, each change of a brush kept as a version and saying which."""
    return [_kept(change, label) if _is_edit(change) else change for change in changes]


def find_version(brush: Brush, number: int) -> BrushVersion | None:
    return BrushVersion.get_or_none(BrushVersion.brush == brush.id, BrushVersion.number == number)


def version_ahead(brush: Brush) -> BrushVersion | None:
    """The newest version that was made from the present one."""
    came = _of(brush).where(BrushVersion.before == brush.version)
    return came.order_by(BrushVersion.number.desc()).first()


def list_versions(brush: Brush, most: int) -> tuple[Json, ...]:
    """The newest versions, newest first."""
    newest = _of(brush).order_by(BrushVersion.number.desc()).limit(most)
    return tuple({"number": v.number, "label": v.label, "made": v.made} for v in newest)


def step_to(brush: Brush, number: int) -> None:
    """Make a brush what a version says."""
    version = find_version(brush, number)
    if version is not None:
        brush.doc, brush.version = readable(version.doc), number
        brush.save()


def _is_edit(change: Change) -> bool:
    if change.kind != "brush" or change.before is None or change.after is None:
        return False
    return bool(change.before["doc"] != change.after["doc"])


def _kept(change: Change, label: str) -> Change:
    assert change.after is not None
    number = add_version(Brush.get_by_id(change.id), change.after["doc"], label)
    return Change(change.kind, change.id, change.before, {**change.after, "version": number})


def _of(brush: Brush) -> ModelSelect[Any]:
    return BrushVersion.select().where(BrushVersion.brush == brush.id)


def _write(brush: Brush, number: int, before: int | None, label: str, doc: Json) -> None:
    made = datetime.datetime.now(datetime.UTC).isoformat(timespec="seconds")
    BrushVersion.create(brush=brush.id, number=number, before=before, label=label, doc=doc, made=made)
