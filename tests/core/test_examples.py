"""The examples in docstrings run, and show what they say."""

from __future__ import annotations

import doctest
import pkgutil
from importlib import import_module

import pytest

import curlet

# What somebody who uses the core by itself begins with.
MAIN = {
    "curlet.core.lay.lay.lay", "curlet.core.lay.draw.draw_run", "curlet.core.tally.tally",
    "curlet.core.measures.read_measure", "curlet.core.measures.spi_to_pitch",
    "curlet.core.path.fillets.rounded", "curlet.core.path.parallel.parallel",
    "curlet.core.path.rework.mirrored", "curlet.core.dress.colour.read_colour",
}  # fmt: skip
EXAMPLES = {
    test.name: test
    for found in pkgutil.walk_packages(curlet.__path__, "curlet.")
    if found.name != "curlet.__main__"
    for test in doctest.DocTestFinder().find(import_module(found.name), found.name)
    if test.examples
}


def test_the_main_functions_show_an_example() -> None:
    assert set(EXAMPLES) >= MAIN


@pytest.mark.parametrize("name", sorted(EXAMPLES))
def test_an_example_shows_what_it_says(name: str) -> None:
    said: list[str] = []
    failed, _ = doctest.DocTestRunner().run(EXAMPLES[name], out=said.append)
    assert not failed, "".join(said)
