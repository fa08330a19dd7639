"""Bounds of a measure, with the reason given to the user."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from curlet.core.errors import BadInput
from curlet.core.sentence import Sentence, plain_number

# A length within a hint.
_LENGTH = re.compile(r"(\d+(?:\.\d+)?) mm\b")


@dataclass(frozen=True)
class Bounds:
    """A named measure may be from `low` to `high`; `hint` says what is usual, its lengths in mm."""

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
            raise BadInput(self._refusal(value))
        return value

    def _refusal(self, value: float) -> str:
        hint = f" ({self.hint})" if self.hint else ""
        if self.unit == "mm" and math.isfinite(value):
            words = f"{self.name} is {{}}: it must be from {{}}{_LENGTH.sub('{}', hint)}."
            usual = [float(mm) for mm in _LENGTH.findall(hint)]
            return Sentence(words, value, (self.low, self.high), *usual, exact=True)
        unit = self.unit if self.unit in ("%", "°") else f" {self.unit}"
        shown = f"{plain_number(value)}{unit}" if math.isfinite(value) else "not a number"
        low, high = plain_number(self.low), plain_number(self.high)
        return f"{self.name} is {shown}: it must be from {low} to {high}{unit}{hint}."
