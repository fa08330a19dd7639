"""What every motif family has: measures with bounds, and facts about itself."""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from types import SimpleNamespace
from typing import Any, ClassVar

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import Frame, Measure, Scale
from curlet.core.motif.families.pen import Pen
from curlet.core.motif.motif import Motif, MotifMaker

KINDS = ("stitch", "rope", "chain", "trim", "border")


@dataclass(frozen=True)
class About:
    """What a family says of itself.

    Attributes
    ----------
    name, kind : as in the drawers.
    trade : its stitch class or trade name.
    source : of its measures, or "common practice".
    usual : from and to, mm worn, of a repeat that is usually seen; the Ticket warns outside it.
    hold, corners, overlap, fit : how a new brush of it is laid.
    made : how its corner pieces are made from the repeat.
    gap : between its repeats on a new brush, mm worn.
    joins : whether a repeat runs on into the next one, edge to edge.
    piece : whether it is artwork for a single place, such as an end.
    threads : colours that a new brush of it begins with.
    cell : the natural length of a repeat, mm worn, or the name of the measure that it is.
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


@dataclass(frozen=True)
class Spec:
    """One setting of a family: what it is called and what it may be.

    `form` is "measure" (a length), "number", "count", "choice" or "tick".
    """

    label: str
    form: str
    bounds: Bounds | None = None
    choices: tuple[str, ...] = ()

    def check(self, value: Any) -> None:
        """Raise BadInput where a value is out of bounds or not among the choices."""
        if self.bounds is not None:
            self.bounds.check(value.mm if isinstance(value, Measure) else float(value))
        if self.choices and value not in self.choices:
            raise BadInput(f"{self.label} is one of {', '.join(self.choices)}.")


def measure(mm: float, label: str, low: float, high: float, usual: str = "") -> Any:
    """A length, worn mm by default; the bounds give its reason in `usual`."""
    spec = Spec(label, "measure", Bounds(label, low, high, usual))
    return field(default=Measure(mm, Frame.WORN), metadata={"spec": spec})


def number(value: float, label: str, low: float, high: float, usual: str = "", unit: str = "") -> Any:
    return field(
        default=value, metadata={"spec": Spec(label, "number", Bounds(label, low, high, usual, unit))}
    )


def count(value: int, label: str, low: int, high: int, usual: str = "") -> Any:
    return field(default=value, metadata={"spec": Spec(label, "count", Bounds(label, low, high, usual, ""))})


def choice(value: str, label: str, *choices: str) -> Any:
    return field(default=value, metadata={"spec": Spec(label, "choice", None, choices)})


def tick(value: bool, label: str) -> Any:
    return field(default=value, metadata={"spec": Spec(label, "tick")})


class Family:
    """A parametric motif: a frozen dataclass whose fields are made by the functions above."""

    about: ClassVar[About]
    bends: ClassVar[bool] = True

    @property
    def thread(self) -> Measure | None:
        """Thickness of the thread that it is drawn with, where it is drawn with one."""
        return None

    @property
    def by_turns(self) -> tuple[MotifMaker, ...]:
        """What it lays by turns in its own place in the order, where that is more than one motif."""
        return ()

    @classmethod
    def specs(cls) -> dict[str, Spec]:
        """Every setting by its name, in the order in which a maker decides."""
        return {item.name: item.metadata["spec"] for item in fields(cls)}  # type: ignore[arg-type]

    def check(self) -> None:
        """Raise BadInput where a measure is out of bounds."""
        for name, spec in self.specs().items():
            spec.check(getattr(self, name))

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
