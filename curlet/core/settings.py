"""Settings that say of themselves what they are called and what they may be: fields of frozen dataclasses.

>>> @dataclass(frozen=True)
... class Hem:
...     depth: Measure = measure(20.0, "Depth", 1, 500, "20 mm is usual")
>>> specs_of(Hem)["depth"].label
'Depth'
"""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from typing import Any

from curlet.core.bounds import Bounds
from curlet.core.errors import BadInput
from curlet.core.measures import Measure, MeasuredOn


@dataclass(frozen=True)
class Spec:
    """One setting: what it is called and what it may be.

    `form` is "measure" (a length), "number", "count", "choice" or "tick"; `step` is how far an arrow
    key moves it.
    """

    label: str
    form: str
    bounds: Bounds | None = None
    choices: tuple[str, ...] = ()
    step: float = 1.0

    def check(self, value: Any) -> None:
        """Raise BadInput where a value is out of bounds or not among the choices."""
        if self.bounds is not None:
            self.bounds.check(value.mm if isinstance(value, Measure) else float(value))
        if self.choices and value not in self.choices:
            raise BadInput(f"{self.label} is one of {', '.join(self.choices)}.")


def measure(mm: float, label: str, low: float, high: float, usual: str = "", step: float = 0.5) -> Any:
    """A length, garment mm by default; the bounds give its reason in `usual`."""
    spec = Spec(label, "measure", Bounds(label, low, high, usual), step=step)
    return field(default=Measure(mm, MeasuredOn.GARMENT), metadata={"spec": spec})


def number(
    value: float, label: str, low: float, high: float, usual: str = "", unit: str = "", step: float = 1.0
) -> Any:
    bounds = Bounds(label, low, high, usual, unit)
    return field(default=value, metadata={"spec": Spec(label, "number", bounds, step=step)})


def count(value: int, label: str, low: int, high: int, usual: str = "") -> Any:
    return field(default=value, metadata={"spec": Spec(label, "count", Bounds(label, low, high, usual, ""))})


def choice(value: str, label: str, *choices: str) -> Any:
    return field(default=value, metadata={"spec": Spec(label, "choice", None, choices)})


def tick(value: bool, label: str) -> Any:
    return field(default=value, metadata={"spec": Spec(label, "tick")})


def specs_of(cls: type) -> dict[str, Spec]:
    """Every setting of a dataclass by its name, in the order in which it is declared."""
    return {item.name: item.metadata["spec"] for item in fields(cls) if "spec" in item.metadata}


def check_settings(holder: Any) -> None:
    """Raise BadInput where a setting is out of bounds or not among its choices."""
    for name, spec in specs_of(type(holder)).items():
        spec.check(getattr(holder, name))
