"""Pictures, kept once by their content."""

from __future__ import annotations

import base64

from curlet.store.database import reading, writing
from curlet.store.errors import Missing
from curlet.store.models import Picture, keep_picture_text


def keep_picture(png: bytes) -> str:
    """Keep a PNG; its id."""
    with writing():
        return keep_picture_text(base64.b64encode(png).decode())


def find_picture(picture_id: str) -> str:
    """A kept PNG in base64, or Missing."""
    with reading():
        found = Picture.get_or_none(Picture.id == picture_id)
    if found is None:
        raise Missing("There is no such picture.")
    return str(found.png)
