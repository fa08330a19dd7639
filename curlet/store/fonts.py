"""The fonts that lettering can be written in: the application's own, and those that people brought."""

from __future__ import annotations

import base64
import hashlib
from dataclasses import dataclass

from curlet.core.errors import BadInput
from curlet.core.path.lettering import Font
from curlet.formats.fonts import LARGEST as LARGEST
from curlet.formats.fonts import OUTLINED, SINGLE_LINE, font_of, shipped_font
from curlet.store.database import reading, writing
from curlet.store.documents import Unreadable
from curlet.store.errors import Conflict, Missing
from curlet.store.models import KeptFont
from curlet.store.models import Lettering as LetteringRow


@dataclass(frozen=True)
class FontListed:
    """A font to choose: its key, its name, whether it draws single lines, and whether somebody brought it."""

    id: str
    name: str
    single_line: bool
    own: bool


def list_fonts() -> list[FontListed]:
    """Every font, the application's own first."""
    with reading():
        kept = [FontListed(f.id, f.name, False, True) for f in KeptFont.select().order_by(KeptFont.name)]
    outlined = [FontListed(key, name, False, False) for key, name in OUTLINED.items()]
    single = [FontListed(key, name, True, False) for key, (name, _) in SINGLE_LINE.items()]
    return [*outlined, *single, *kept]


def find_font(key: str) -> Font:
    """A font by its key; BadInput where it is gone."""
    shipped = shipped_font(key)
    if shipped is not None:
        return shipped
    with reading():
        kept = KeptFont.get_or_none(KeptFont.id == key)
    if kept is None:
        raise BadInput("This font is no longer here. Choose another, or import it again.")
    return font_of(base64.b64decode(kept.data))


def add_font(name: str, plain: bytes) -> FontListed:
    """Keep a font as `read_font` gives it; one that is here already stays."""
    key = hashlib.sha256(plain).hexdigest()[:32]
    text = base64.b64encode(plain).decode()
    with writing():
        KeptFont.insert(id=key, name=name, data=text).on_conflict_ignore().execute()
    return FontListed(key, name, False, True)


def remove_font(key: str) -> None:
    """Remove a font that somebody brought; Conflict where lettering is written in it."""
    with writing():
        if KeptFont.get_or_none(KeptFont.id == key) is None:
            raise Missing("There is no such font.")
        docs = [row.doc for row in LetteringRow.select()]
        if any(not isinstance(doc, Unreadable) and doc["font"] == key for doc in docs):
            raise Conflict("Lettering is written in this font. Choose another for it first.")
        KeptFont.delete().where(KeptFont.id == key).execute()
