"""What the repeats of a brush are called."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Noun:
    """A word for one thing and for several."""

    one: str
    many: str


_NOUNS = {"stitch": Noun("stitch", "stitches"), "chain": Noun("link", "links")}
_REPEAT = Noun("repeat", "repeats")


def repeat_noun(kind: str) -> Noun:
    """What the repeats of a brush of a kind are called: stitches, links, or repeats of whatever it is.

    >>> from curlet.core.brush.words import repeat_noun
    >>> repeat_noun("chain").many
    'links'
    """
    return _NOUNS.get(kind, _REPEAT)
