"""How edges are cleaned, as it is kept and sent."""

from __future__ import annotations

from pydantic import BaseModel, ConfigDict, FiniteFloat

from curlet.core.area.clean import PLAIN, Clean


class CleanDoc(BaseModel):
    """How edges are cleaned: `gaps` and `grow` in sheet mm, `least` in mm² on the sheet."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    gaps: FiniteFloat = PLAIN.gaps
    grow: FiniteFloat = PLAIN.grow
    round: bool = PLAIN.round
    least: FiniteFloat = PLAIN.least

    def to_core(self) -> Clean:
        """The core's; raises BadInput where a number is out of bounds."""
        clean = Clean(**self.model_dump())
        clean.check()
        return clean
