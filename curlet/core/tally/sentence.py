"""Sentences that state lengths, in mm as they stand, and told in another unit when they are shown."""

from __future__ import annotations

from curlet.core.measures import MM_PER_INCH

# A length, or one from and to.
Told = float | tuple[float, float]


class Sentence(str):
    """A text with lengths in it.

    Parameters
    ----------
    template : the text, with `{}` for each length.
    lengths : mm on the garment; they are told to hundredths of a mm, or thousandths of an inch. Of two, from
        and to, one is told where they read alike.

    >>> gap = Sentence("The gap is {}, the thread {}.", (3, 3.5), 1270)
    >>> gap
    'The gap is 3 to 3.5 mm, the thread 1270 mm.'
    >>> gap.told_in("in")
    'The gap is 0.118 to 0.138 in, the thread 50 in.'
    """

    _template: str
    _lengths: tuple[Told, ...]

    def __new__(cls, template: str, *lengths: Told) -> Sentence:
        self = super().__new__(cls, template.format(*(_told(length, 1.0, 2, "mm") for length in lengths)))
        self._template, self._lengths = template, lengths
        return self

    def told_in(self, unit: str) -> str:
        """The text with its lengths in a unit, "mm" or "in"."""
        if unit == "mm":
            return str(self)
        return self._template.format(*(_told(length, MM_PER_INCH, 3, "in") for length in self._lengths))


def _told(length: Told, one: float, decimals: int, unit: str) -> str:
    ends = length if isinstance(length, tuple) else (length,)
    texts = [f"{mm / one:.{decimals}f}".rstrip("0").rstrip(".") for mm in ends]
    return f"{' to '.join(dict.fromkeys(texts))} {unit}"
