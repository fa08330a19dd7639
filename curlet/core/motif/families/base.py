"""What every motif family has: settings, and facts about itself."""

from __future__ import annotations

from dataclasses import dataclass
from types import SimpleNamespace
from typing import ClassVar

from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif, MotifMaker
from curlet.core.settings import Spec, check_settings, specs_of

KINDS = ("stitch", "rope", "chain", "trim", "border")


@dataclass(frozen=True)
class About:
    """What a family says of itself.

    Attributes
    ----------
    name, kind : as in the library.
    trade : its stitch class or trade name.
    source : of its measures, or "common practice".
    usual : from and to, garment mm, of a repeat that is usually seen; the Ticket warns outside it.
    hold, corners, overlap, fit : how a new brush of it is laid.
    made : how its corner pieces are made from the repeat.
    gap : between its repeats on a new brush, garment mm.
    joins : whether a repeat runs on into the next one, edge to edge.
    piece : whether it is artwork for a single place, such as an end.
    threads : colours that a new brush of it begins with.
    cell : the natural length of a repeat, garment mm, or the name of the measure that it is.
    """

    name: str
    kind: str
    trade: str
    source: str
    usual: tuple[float, float]
    hold: str = "bend"
    corners: str = "pivot"
    made: str = "mitred"
    overlap: str = "next-over-last"
    fit: str = "ease"
    gap: float = 0.0
    joins: bool = False
    piece: bool = False
    threads: tuple[str, ...] = ("#f3ead7",)
    cell: str | float = 0.0


class Family:
    """A parametric motif: a frozen dataclass whose fields are made by the functions above."""

    about: ClassVar[About]
    bends: ClassVar[bool] = True

    @property
    def thread(self) -> Measure | None:
        """Thickness of the thread that it is drawn with, where it is drawn with one."""
        return None

    @property
    def sewn(self) -> tuple[str, ...]:
        """The stitch class (ISO 4915) of each seam that it sews by machine at once; none for handwork."""
        return ()

    @property
    def by_turns(self) -> tuple[MotifMaker, ...]:
        """What it lays in turn in its own place in the order, where that is more than one motif."""
        return ()

    @classmethod
    def specs(cls) -> dict[str, Spec]:
        """Every setting by its name, in the order in which a maker decides."""
        return specs_of(cls)

    def check(self) -> None:
        """Raise BadInput where a measure is out of bounds."""
        check_settings(self)

    def drawn(self, scale: Scale) -> SimpleNamespace:
        """The settings with every length in sheet mm."""
        values = {name: getattr(self, name) for name in self.specs()}
        return SimpleNamespace(
            **{k: v.drawn(scale) if isinstance(v, Measure) else v for k, v in values.items()}
        )

    def make(self, scale: Scale) -> Motif:
        """The artwork at a scale."""
        raise NotImplementedError

    def natural(self, scale: Scale) -> float:
        """The length of a repeat that its measures ask for, sheet mm."""
        cell = self.about.cell
        return float(getattr(self, cell).drawn(scale)) if isinstance(cell, str) else cell * scale.factor

    def begin(self, scale: Scale) -> tuple[SimpleNamespace, Pen]:
        """The settings in sheet mm, and a pen in a cell of its natural length."""
        return self.drawn(scale), Pen(self.natural(scale))
