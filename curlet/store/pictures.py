"""Pictures, kept once by their content."""

from __future__ import annotations

import base64
from functools import lru_cache

from curlet.store.database import reading, writing
from curlet.store.errors import Missing
from curlet.store.models import Picture, keep_picture_text


def keep_picture(png: bytes) -> str:
    """Keep a PNG; its id."""
    with writing():
        return keep_picture_text(base64.b64encode(png).decode())


def has_picture(picture_id: str) -> bool:
    """Whether a picture is kept."""
    with reading():
        return bool(Picture.select(Picture.id).where(Picture.id == picture_id).exists())


@lru_cache(maxsize=16)
def png_of(picture_id: str) -> bytes:
    """A kept PNG, or Missing. It never changes: its id is its content's."""
    return base64.b64decode(find_picture(picture_id))


def find_picture(picture_id: str) -> str:
    """A kept PNG in base64, or Missing."""
    with reading():
        found = Picture.get_or_none(Picture.id == picture_id)
    if found is None:
        raise Missing("There is no such picture.")
    return str(found.png)
