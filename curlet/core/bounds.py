"""Bounds of a measure, with the reason given to the user."""

from __future__ import annotations

import math
from dataclasses import dataclass

from curlet.core.errors import BadInput


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
            shown = f"{value:g}{space}{self.unit}" if math.isfinite(value) else "not a number"
            raise BadInput(
                f"{self.name} is {shown}: it must be from {self.low:,g} to "
                f"{self.high:,g}{space}{self.unit}{hint}."
            )
        return value
