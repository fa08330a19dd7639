"""Sentences that state lengths, in mm as they stand, and told in another unit when they are shown."""

from __future__ import annotations

import math

from curlet.core.measures import MM_PER_INCH

# A length, or one from and to.
Told = float | tuple[float, float]

_UNITS = {"mm": (1.0, 2), "in": (MM_PER_INCH, 3)}
# Smaller numbers that are told exactly are written with as many decimals as show two figures.
_SMALL = 1e-3


class Sentence(str):
    """A text with lengths in it.

    Parameters
    ----------
    template : the text, with `{}` for each length.
    lengths : mm on the garment. Of two, from and to, one is told where they read alike.
    exact : lengths are told as `plain_number` has them, rather than to hundredths of a mm or thousandths of
        an inch.

    >>> gap = Sentence("The gap is {}, the thread {}.", (3, 3.5), 1270)
    >>> gap
    'The gap is 3 to 3.5 mm, the thread 1270 mm.'
    >>> gap.told_in("in")
    'The gap is 0.118 to 0.138 in, the thread 50 in.'
    """

    _template: str
    _lengths: tuple[Told, ...]
    _exact: bool

    def __new__(cls, template: str, *lengths: Told, exact: bool = False) -> Sentence:
        self = super().__new__(cls, _filled(template, lengths, "mm", exact))
        self._template, self._lengths, self._exact = template, lengths, exact
        return self

    def told_in(self, unit: str) -> str:
        """The text with its lengths in a unit, "mm" or "in"."""
        return _filled(self._template, self._lengths, unit, self._exact)


def _filled(template: str, lengths: tuple[Told, ...], unit: str, exact: bool) -> str:
    one, decimals = _UNITS[unit]
    texts = []
    for length in lengths:
        ends = length if isinstance(length, tuple) else (length,)
        numbers = [plain_number(mm / one) if exact else _rounded(mm / one, decimals) for mm in ends]
        texts.append(f"{' to '.join(dict.fromkeys(numbers))} {unit}")
    return template.format(*texts)


def _rounded(value: float, decimals: int) -> str:
    return f"{value:.{decimals}f}".rstrip("0").rstrip(".")


def plain_number(value: float) -> str:
    """A number as people write it, never with an exponent.

    Examples
    --------
    >>> plain_number(1e6), plain_number(0.00004), plain_number(2.50)
    ('1,000,000', '0.00004', '2.5')
    """
    decimals = 4 if abs(value) >= _SMALL or not value else 1 - math.floor(math.log10(abs(value)))
    text = f"{value:,.{min(decimals, 12)}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text
