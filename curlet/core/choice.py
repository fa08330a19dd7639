"""What is chosen by name from a registry: each entry says what it is called and which settings it has."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Protocol, TypeVar

from curlet.core.errors import BadInput

T = TypeVar("T")


class Choice(Protocol):
    """An entry of a registry.

    Attributes
    ----------
    label : what it is called on screens.
    settings : names of the rule's settings that it goes by, in the order in which they are decided.
    """

    @property
    def label(self) -> str: ...

    @property
    def settings(self) -> tuple[str, ...]: ...


def chosen(registry: Mapping[str, T], name: str, what: str) -> T:
    """An entry of a registry, or BadInput naming those there are."""
    try:
        return registry[name]
    except KeyError:
        known = ", ".join(registry)
        raise BadInput(f"“{name[:32]}” is not a {what}. Choose one of: {known}.") from None
