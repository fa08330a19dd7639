"""With the person's own colours in force, what is chosen and what cannot be pressed is still told."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from selenium.webdriver.remote.webelement import WebElement

from tests.browser.table import Table


@pytest.fixture
def forced(table: Table) -> Iterator[Table]:
    def force(value: str) -> None:
        features = [{"name": "forced-colors", "value": value}]
        table.browser.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": features})

    force("active")
    yield table
    force("none")


def looks(table: Table, *elements: WebElement) -> list[str]:
    """How things are coloured, background and text."""
    script = "const look = getComputedStyle(arguments[0]); return look.backgroundColor + look.color"
    return [table.browser.execute_script(script, element) for element in elements]


def test_what_is_chosen_is_told(forced: Table) -> None:
    table = forced
    chosen, other = looks(table, table.button("1Choose"), table.button("2Draft"))
    assert chosen != other
    table.choose("hem-r")
    chosen, other = looks(table, table.by_id("row-waistcoat-hem-r"), table.by_id("row-waistcoat-hem-l"))
    assert chosen != other
    chosen, other = looks(table, table.option("At corners", "Pivot"), table.option("At corners", "Mitre"))
    assert chosen != other


def test_what_cannot_be_pressed_is_told(forced: Table) -> None:
    table = forced
    table.choose("hem-r")
    table.by_id("brush-twin").click()
    table.wait(lambda: table.can_undo())
    undo, redo = looks(table, table.button("Undo"), table.button("Redo"))
    assert undo != redo


def test_thread_keeps_its_own_colour(forced: Table) -> None:
    table = forced
    table.choose("hem-r")
    swatch = table.wait(lambda: table.named("Ticket").find_element("css selector", ".own-colour"))
    assert "233, 196, 106" in looks(table, swatch)[0]
