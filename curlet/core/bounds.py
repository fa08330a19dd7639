"""Bounds of a measure, with the reason given to the user."""

from __future__ import annotations

import math
from dataclasses import dataclass

from curlet.core.errors import BadInput

# Smaller numbers are written with as many decimals as show two figures.
_SMALL = 1e-3


@dataclass(frozen=True)
class Bounds:
    """A named measure may be from `low` to `high`; `hint` says what is usual."""

    name: str
    low: float
    high: float
    hint: str = ""
    unit: str = "mm"

    def check(self, value: float) -> float:
        """Return the value.

        Raises
        ------
        BadInput
            If it is not finite or out of bounds.
        """
        if not (math.isfinite(value) and self.low <= value <= self.high):
            space = "" if self.unit in ("%", "°") else " "
            hint = f" ({self.hint})" if self.hint else ""
            shown = f"{plain_number(value)}{space}{self.unit}" if math.isfinite(value) else "not a number"
            raise BadInput(
                f"{self.name} is {shown}: it must be from {plain_number(self.low)} to "
                f"{plain_number(self.high)}{space}{self.unit}{hint}."
            )
        return value


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
