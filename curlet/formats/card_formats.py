"""Every format of shade cards, by the ending of a file's name: pictures too, of which the colours are taken.

A new one is a file that reads or writes a card, and a line here.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from curlet.core.errors import BadInput
from curlet.core.motif.tracing.tones import dominant
from curlet.formats.card_file import CardFile, CardShade
from curlet.formats.css_properties import read_properties, write_properties
from curlet.formats.design_tokens import read_tokens, write_tokens
from curlet.formats.pictures import read_picture

# The colours that are taken of a picture: as many as a card of a few is read at a glance.
OF_PICTURE = 8
_SAMPLED = 250_000


@dataclass(frozen=True)
class CardFormat:
    """A format that cards are exported in: its name, media type, and writer."""

    name: str
    type: str
    write: Callable[[list[CardShade]], bytes]


CARD_FORMATS: dict[str, CardFormat] = {
    "json": CardFormat("Design Tokens (JSON)", "application/json", write_tokens),
    "css": CardFormat("CSS custom properties", "text/css", write_properties),
}


def colours_of_picture(data: bytes, count: int = OF_PICTURE) -> CardFile:
    """A picture's dominant colours as shades without names; raises as `read_picture`."""
    colours = dominant(read_picture(data, _SAMPLED).pixels, count)
    return CardFile(tuple(CardShade("", {"": colour}) for colour in colours))


_READERS: dict[str, Callable[[bytes], CardFile]] = {
    "json": read_tokens,
    "tokens": read_tokens,
    "css": read_properties,
    **dict.fromkeys(("png", "jpg", "jpeg", "webp"), colours_of_picture),
}


def read_card(name: str, data: bytes) -> CardFile:
    """The shades of a file, by what its name ends in.

    Raises
    ------
    BadInput
        If it is none of these, or has no colours.
    """
    reader = _READERS.get(name.rsplit(".", 1)[-1].lower())
    if reader is None:
        raise BadInput("Import shades from a Design Tokens file (.json), a style sheet (.css) or a picture.")
    return reader(data)
