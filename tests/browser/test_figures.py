"""Figures at the Table: drawn by number, dressed, reshaped with their stitching."""

from __future__ import annotations

from tests.browser.table import Table


def test_a_figure_is_drawn_dressed_and_reshaped(table: Table) -> None:
    names = table.path_names()
    table.press("4")
    table.pick("Figure", "Circle")
    table.type_in("Diameter", "120 mm")
    # It is shown before it is kept.
    table.wait(lambda: len(table.path_names()) == len(names) + 1)
    table.button("Draw it in the middle").click()
    table.wait(lambda: "377.0 mm" in table.named("Ticket").text)
    table.press("1")
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


def test_a_figure_follows_the_pointer_and_is_put_where_it_is_pressed(table: Table) -> None:
    names = table.path_names()
    table.press("4")
    table.on_paper(("go", 400, 300))
    table.wait(lambda: len(table.path_names()) == len(names) + 1)
    table.on_paper(("press", 420, 320))
    table.wait(lambda: "Rectangle" in table.named("Name of the path").get_attribute("value"))
    table.press("1")
    table.wait(lambda: len(table.path_names()) == len(names) + 1)
