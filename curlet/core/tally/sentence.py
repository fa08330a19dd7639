"""Sentences that state lengths, in mm as they stand, and told in another unit when they are shown."""

from __future__ import annotations

from curlet.core.measures import MM_PER_INCH


class Sentence(str):
    """A text with lengths in it.

    Parameters
    ----------
    template : the text, with `{}` for each length.
    lengths : mm on the garment; they are told to hundredths of a mm, or thousandths of an inch.

    >>> gap = Sentence("The gap is {}, the thread {}.", 3, 1270)
    >>> gap
    'The gap is 3 mm, the thread 1270 mm.'
    >>> gap.told_in("in")
    'The gap is 0.118 in, the thread 50 in.'
    """

    _template: str
    _lengths: tuple[float, ...]

    def __new__(cls, template: str, *lengths: float) -> Sentence:
        self = super().__new__(cls, template.format(*(f"{_plain(mm, 2)} mm" for mm in lengths)))
        self._template, self._lengths = template, lengths
        return self

    def told_in(self, unit: str) -> str:
        """The text with its lengths in a unit, "mm" or "in"."""
        if unit == "mm":
            return str(self)
        return self._template.format(*(f"{_plain(mm / MM_PER_INCH, 3)} in" for mm in self._lengths))


def _plain(value: float, decimals: int) -> str:
    return f"{value:.{decimals}f}".rstrip("0").rstrip(".")
