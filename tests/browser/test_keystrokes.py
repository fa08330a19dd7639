"""The five common tasks by keys alone, each in under 40 presses besides what is typed."""

from __future__ import annotations

import pytest
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from tests.browser.table import Table

MOST = 40


class Hands:
    """Presses keys one by one and counts them."""

    def __init__(self, table: Table) -> None:
        self.table = table
        self.presses = 0

    def press(self, key: str, times: int = 1) -> None:
        for _ in range(times):
            self.table.press(key)
            self.presses += 1

    def type(self, text: str) -> None:
        self.table.press(text)

    def panel(self, name: str) -> None:
        """F6 to a panel of that name."""
        script = "return document.activeElement.closest('[data-part]')?.ariaLabel ?? ''"
        for _ in range(8):
            if self.table.browser.execute_script(script).startswith(name):
                return
            self.press(Keys.F6)
        raise AssertionError(f"no panel {name}")

    def focused(self) -> str:
        found: str = self.table.browser.execute_script(
            "const at = document.activeElement; return at.ariaLabel ?? at.textContent"
        )
        return found

    def to(self, words: str, key: str = Keys.ARROW_DOWN, *, whole: bool = False) -> None:
        """An arrow or Tab until something has the focus whose name is that, or begins with it."""
        for _ in range(MOST):
            name = self.focused().strip()
            if name == words or (name.startswith(words) and not whole):
                return
            self.press(key)
        raise AssertionError(f"never came to {words!r}, at last to {self.focused()!r}")

    def choose(self, path: str, *, right: bool = False) -> None:
        self.panel("Paths")
        if not self.focused().startswith("Import"):
            self.press(Keys.HOME)
        self.to("Find a path")
        self.type(path)
        self.to(path, whole=True)
        if right:
            self.press(Keys.ARROW_RIGHT)
            assert "wearer’s right" in self.focused()
        self.press(Keys.ENTER)


@pytest.fixture
def hands(table: Table) -> Hands:
    return Hands(table)


def undo_title(table: Table) -> str:
    return table.button("Undo").get_attribute("title") or ""


def test_open_a_sheet_lay_a_brush_and_set_its_stitch(table: Table, hands: Hands) -> None:
    table.browser.get(table.address)
    table.by_id("sheet-waistcoat")
    hands.to("Open Usher’s waistcoat", Keys.TAB)
    hands.press(Keys.ENTER)
    table.by_id("artwork")
    hands.choose("Armhole")
    hands.panel("Brushes")
    hands.to("Find a brush")
    hands.type("show")
    hands.to("Show stitch")
    hands.press(Keys.ENTER)
    table.wait(lambda: "Show stitch" in undo_title(table))
    hands.panel("Ticket")
    hands.to("Stitch")
    hands.press(Keys.ENTER)
    hands.to("Stitch length", Keys.TAB, whole=True)
    hands.type("5")
    hands.press(Keys.ENTER)
    table.wait(lambda: undo_title(table) == "Undo: Set stitch length")
    assert hands.presses < MOST


def test_draft_a_path(table: Table, hands: Hands) -> None:
    before = len(table.path_names())
    hands.press("2")
    hands.press(" ")
    hands.press(Keys.ARROW_RIGHT, 8)
    hands.press(" ")
    hands.press(Keys.ARROW_DOWN, 8)
    hands.press(" ")
    hands.press(Keys.ENTER)
    table.wait(lambda: len(table.path_names()) == before + 1)
    assert hands.presses < MOST


def test_move_a_node(table: Table, hands: Hands) -> None:
    hands.choose("Dart")
    hands.panel("Sheet")
    hands.press("n")
    assert "Node 1 of Dart" in hands.focused()
    hands.press(Keys.ARROW_RIGHT, 3)
    table.wait(lambda: undo_title(table).startswith("Undo: Move a node of Dart"))
    assert hands.presses < MOST


def test_give_one_corner_its_manner(table: Table, hands: Hands) -> None:
    hands.choose("Hem", right=True)
    hands.panel("Sheet")
    hands.press("c")
    assert hands.focused().startswith("Corner 1 of 1, turns 73°")
    hands.press(Keys.ENTER)
    hands.panel("Ticket")
    hands.to("Corners")
    table.wait(lambda: table.by_id("chosen-corner"))
    for _ in range(MOST):
        if table.browser.execute_script(
            "return document.activeElement.closest('[data-testid=chosen-corner]')"
        ):
            break
        hands.press(Keys.TAB)
    hands.press(Keys.ARROW_DOWN, 2)
    table.wait(lambda: undo_title(table) == "Undo: Give a corner its own manner")
    assert hands.presses < MOST


def test_export(table: Table, hands: Hands) -> None:
    hands.panel("Head strip")
    hands.press(Keys.END)
    assert hands.focused() == "Export"
    hands.press(Keys.ENTER)
    table.wait(lambda: "mm" in table.browser.find_element("tag name", "dialog").text)
    hands.to("Export SVG", Keys.TAB)
    assert hands.presses < MOST


def test_the_bench_is_worked_by_keys(table: Table) -> None:
    """A piece is chosen on the sample, a proof enlarged, a measure set and taken back, all by keys."""
    table.browser.get(f"{table.address}/bench/whipped")
    table.by_id("proof-letter")
    hands = Hands(table)
    hands.panel("Pieces in place")
    hands.to("end:", Keys.ARROW_RIGHT)
    hands.press(Keys.ENTER)
    table.wait(lambda: table.by_id("place-end").get_attribute("aria-pressed") == "true")
    hands.panel("Proof board")
    hands.to("Star", Keys.ARROW_RIGHT)
    hands.press(Keys.ENTER)
    table.wait(lambda: table.browser.find_elements(By.CSS_SELECTOR, "dialog[open]"))
    hands.press(Keys.ESCAPE)
    hands.panel("Repeat")
    hands.to("Repeat length", Keys.TAB)
    # A field that holds what is kept leaves undo to the page.
    hands.press(Keys.ARROW_UP)
    table.wait(lambda: table.button("Undo").get_attribute("title") != "Nothing to undo")
    table.control("z")
    table.wait(lambda: table.button("Undo").get_attribute("title") == "Nothing to undo")
    assert hands.presses < 2 * MOST
