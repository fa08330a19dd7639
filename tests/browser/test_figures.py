"""Figures at the Table: drawn by number, dressed, reshaped with their stitching."""

from __future__ import annotations

from selenium.webdriver.support.ui import Select

from tests.browser.table import Table


def test_a_figure_is_drawn_dressed_and_reshaped(table: Table) -> None:
    names = table.path_names()
    Select(table.named("Figure")).select_by_visible_text("Circle")
    table.type_in("Diameter", "120 mm")
    # It is shown before it is kept.
    table.wait(lambda: len(table.path_names()) == len(names) + 1)
    table.button("Draw the circle").click()
    table.wait(lambda: "377.0 mm" in table.named("Ticket").text)
    table.by_id("brush-show-stitch").click()
    table.wait(table.count)
    before = table.count()
    table.type_in("Diameter", "60 mm")
    table.wait(lambda: 0 < table.count() < before)
    table.type_in("Diameter", "big")
    table.wait(lambda: "not a measure" in table.named("Ticket").text)
    table.type_in("Diameter", "60 mm")
    table.button("Undo").click()
    table.wait(lambda: table.count() == before)
