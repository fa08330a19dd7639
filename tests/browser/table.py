"""The Table as a person's hand and eye have it."""

from __future__ import annotations

import re
import time
from collections.abc import Callable
from contextlib import suppress
from typing import TypeVar

from selenium.common.exceptions import StaleElementReferenceException, WebDriverException
from selenium.webdriver import ActionChains, Chrome
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import Select

T = TypeVar("T")

PATIENCE = 60
# What is not in sight is sought in folded rows after so long, s.
SEEK_AFTER = 0.3
# The pages and rows that things were found in, so that they are opened at once the next time.
_UNFOLDED: dict[str, tuple[str | None, str]] = {}
# The Control key, as the browser counts keys that are held.
_CONTROL = 2
# What is raised while a page is not yet as it will be.
_NOT_YET = (WebDriverException, LookupError, ValueError)


# What lies under the head that stays at the top of its card is scrolled out from there.
_UNCOVER = """
const { x, y, width, height } = arguments[0].getBoundingClientRect();
const over = document.elementFromPoint(x + width / 2, y + height / 2);
if (over && !arguments[0].contains(over) && over.closest(".sticky")) {
  arguments[0].scrollIntoView({ block: "center" });
}
"""
BY_POINTER = """
const [kind, spots, on, part] = arguments, target = document.querySelector(on);
const box = document.getElementById("paper").getBoundingClientRect();
target.setPointerCapture = () => undefined;
const send = (type, [x, y], buttons) => target.dispatchEvent(new PointerEvent(type, {
  bubbles: true, pointerId: 7, pointerType: kind, isPrimary: true, button: 0, buttons,
  clientX: box.left + x, clientY: box.top + y, pressure: buttons ? 0.5 : 0 }));
if (part.includes("press")) send("pointerdown", spots[0], 1);
for (const spot of spots) send("pointermove", spot, 1);
if (part.includes("release")) send("pointerup", spots.at(-1), 0);
"""
TAPE_COLOUR = """
const canvas = document.querySelector("[aria-label=Tape] canvas");
if (!canvas?.width) return null;
const { data } = canvas.getContext("2d").getImageData(0, 0, canvas.width, canvas.height);
const counts = new Map();
for (let i = 0; i < data.length; i += 4) {
  if (data[i + 3] < 255) continue;
  const colour = "#" + [0, 1, 2].map((k) => data[i + k].toString(16).padStart(2, "0")).join("");
  counts.set(colour, (counts.get(colour) ?? 0) + 1);
}
return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
"""


class Table:
    """Finds things by their names, as assistive technology does, or by test id."""

    def __init__(self, browser: Chrome, address: str) -> None:
        self.browser = browser
        self.address = address

    def open(self) -> None:
        self.browser.get(f"{self.address}/sheets/waistcoat")
        self.by_id("artwork")

    def wait(self, until: Callable[[], T]) -> T:
        """The first truthy answer; once patience ends, fails with the last one, or with what kept it away."""
        last: object = None
        end = time.monotonic() + PATIENCE
        while time.monotonic() < end:
            try:
                last = found = until()
                if found:
                    return found
            except _NOT_YET as error:
                last = error
            time.sleep(0.05)
        raise AssertionError(f"Not within {PATIENCE} s. At last: {last!r}")

    def still(self, look: Callable[[], T]) -> T:
        """What is seen once it is the same in two looks running: the page has come to rest."""
        last: list[T] = []

        def settled() -> tuple[T] | None:
            last.append(look())
            return (last[-1],) if last[-2:-1] == last[-1:] else None

        return self.wait(settled)[0]

    def by_id(self, test_id: str) -> WebElement:
        return self.wait(lambda: self.browser.find_element(By.CSS_SELECTOR, f"[data-testid='{test_id}']"))

    def press_by_id(self, test_id: str) -> None:
        """Press something once nothing lies over it."""
        self.once_possible(lambda: self.by_id(test_id).click())

    def once_possible(self, act: Callable[[], None]) -> None:
        """Do something as soon as it can be done."""

        def done() -> bool:
            act()
            return True

        self.wait(done)

    def all_by_id(self, test_id: str) -> list[WebElement]:
        return self.browser.find_elements(By.CSS_SELECTOR, f"[data-testid='{test_id}']")

    def named(self, label: str) -> WebElement:
        return self.sought(By.CSS_SELECTOR, f'[aria-label="{label}"]')

    def button(self, text: str) -> WebElement:
        return self.sought(
            By.XPATH, f"//button[normalize-space()='{text}'] | //a[normalize-space()='{text}']"
        )

    def option(self, group: str, text: str) -> WebElement:
        return self.sought(
            By.XPATH, f"//*[@role='radiogroup'][@aria-label='{group}']//label[normalize-space()='{text}']"
        )

    def sought(self, how: str, what: str) -> WebElement:
        """Something on the page, or in a folded row of a card: the rows are opened until it is found."""
        known = _UNFOLDED.get(what)
        waited = time.monotonic() + SEEK_AFTER

        def found() -> WebElement | None:
            if met := self.browser.find_elements(how, what):
                return met[0]
            if known:
                self.turn_to(known[0])
                self.unfold(known[1])
            return self._unfolded_until(how, what) if time.monotonic() > waited else None

        met = self.wait(found)
        with suppress(StaleElementReferenceException):
            self.browser.execute_script(_UNCOVER, met)
        return met

    def _unfolded_until(self, how: str, what: str) -> WebElement | None:
        """Look in every row, and on the other page of the Ticket."""
        for page in (None, "path", "stitching"):
            self.turn_to(page)
            for row in ("", *self.folded()):
                self.unfold(row)
                if met := self.browser.find_elements(how, what):
                    if row:
                        _UNFOLDED[what] = (self._page(), row)
                    return met[0]
        return None

    def _page(self) -> str | None:
        return (
            "path"
            if self.all_by_id("stitching-page")
            else "stitching"
            if self.all_by_id("path-page")
            else None
        )

    def turn_to(self, page: str | None) -> None:
        """Turn the Ticket to what is done with the path itself, or back to its stitching."""
        there = {"path": "path-page", "stitching": "stitching-page"}.get(page or "", "none")
        for button in self.all_by_id(there):
            button.click()

    def folded(self) -> list[str]:
        """The rows of the card in sight that are folded."""
        rows = self.browser.find_elements(By.CSS_SELECTOR, "[data-row]:has(> h3 > [aria-expanded=false])")
        return [row.get_attribute("data-row") or "" for row in rows]

    def unfold(self, *rows: str) -> None:
        """Open rows of the Ticket or of the Bench's card, beside those that are open."""
        press = "arguments[0].dispatchEvent(new MouseEvent('click', {bubbles: true, shiftKey: true}))"
        for row in rows:
            folded = f"[data-row='{row}'] > h3 > [aria-expanded=false]"
            for button in self.browser.find_elements(By.CSS_SELECTOR, folded):
                self.browser.execute_script(press, button)

    def menu(self, label: str, item: str) -> None:
        """Pick something from a menu."""
        self.named(label).click()
        path = f"//*[@role='menuitem'][span[1][normalize-space()='{item}']]"
        self.wait(lambda: self.browser.find_element(By.XPATH, path)).click()

    def pick(self, label: str, text: str) -> None:
        """Choose one of a list by its words, once it is there."""
        self.once_possible(lambda: Select(self.named(label)).select_by_visible_text(text))

    def press(self, *keys: str) -> None:
        ActionChains(self.browser).send_keys(*keys).perform()

    def control(self, key: str, shift: bool = False) -> None:
        held = [Keys.CONTROL, Keys.SHIFT] if shift else [Keys.CONTROL]
        chain = ActionChains(self.browser)
        for modifier in held:
            chain.key_down(modifier)
        chain.send_keys(key)
        for modifier in held:
            chain.key_up(modifier)
        chain.perform()

    def choose(self, path: str) -> None:
        self.by_id(f"row-waistcoat-{path}").click()

    def type_in(self, label: str, text: str, end: str = Keys.ENTER) -> None:
        field = self.named(label)
        field.click()
        self.control("a")
        field.send_keys(text, end)

    def laid(self, label: str) -> float:
        """A number of the Ticket's laid column."""
        result = self.sought(By.CSS_SELECTOR, f"[data-testid='laid-{label}']")
        text = result.get_attribute("textContent") or ""
        # The same length in the other frame may follow: the first number has two decimals or none.
        found = re.match(r"[−-]?[\d,]+(?:\.\d\d)?", text)
        return float(found[0].replace("−", "-").replace(",", "")) if found else 0.0

    def count(self) -> int:
        return int(self.laid("count"))

    def legs(self) -> list[tuple[float, int]]:
        """Length in garment mm and count of each leg on the Ticket."""
        legs = self.sought(By.CSS_SELECTOR, "[data-testid='legs']")
        rows = legs.find_elements(By.CSS_SELECTOR, "tbody tr")
        cells = [row.find_elements(By.TAG_NAME, "td") for row in rows]
        counts = [row[1].find_element(By.TAG_NAME, "input").get_attribute("value") for row in cells]
        # What is scrolled out of sight has no `text`, but content all the same.
        lengths = [row[0].get_attribute("textContent") or "" for row in cells]
        return [(float(mm), int(count or 0)) for mm, count in zip(lengths, counts, strict=True)]

    def corner_words(self) -> str:
        """What the marks of the chosen path's corners say when they are pointed at."""
        marks = self.browser.find_elements(By.CSS_SELECTOR, "[data-words]")
        return "; ".join(mark.get_attribute("data-words") or "" for mark in marks)

    def can_undo(self) -> bool:
        return self.button("Undo").get_attribute("aria-disabled") == "false"

    def to_sheet(self) -> None:
        """Give the keys to the sheet."""
        self.browser.execute_script("arguments[0].focus()", self.by_id("paper"))

    def wheel(self, at: WebElement, y: int) -> None:
        """Zoom about something by the wheel, with Ctrl."""
        box = at.rect
        turn = {"type": "mouseWheel", "deltaX": 0, "deltaY": y, "modifiers": _CONTROL}
        place = {"x": box["x"] + box["width"] / 2, "y": box["y"] + box["height"] / 2}
        # The driver's own wheel knows no keys.
        self.browser.execute_cdp_cmd("Input.dispatchMouseEvent", {**turn, **place})

    def notice(self) -> str:
        box = self.browser.find_element(By.CSS_SELECTOR, "[data-testid=notice]")
        return self.wait(lambda: box.text)

    def path_names(self) -> list[str]:
        found = self.browser.find_elements(By.CSS_SELECTOR, "[data-path] title")
        return [title.get_attribute("textContent") or "" for title in found]

    def warnings(self) -> dict[str, str]:
        for line in self.browser.find_elements(
            By.CSS_SELECTOR, "[data-testid=warnings][aria-expanded=false]"
        ):
            line.click()
        found = self.browser.find_elements(By.CSS_SELECTOR, "[data-warning]")
        return {item.get_attribute("data-warning") or "": item.text for item in found}

    def tape_colour(self) -> str | None:
        """The colour that most of the artwork on the Tape has, None where there is none."""
        found: str | None = self.browser.execute_script(TAPE_COLOUR)
        return found

    def drag(self, element: WebElement, x: int, y: int, *, let_go: bool = True) -> None:
        self.still(lambda: element.rect)  # What moved before may not have come to its place yet.
        chain = ActionChains(self.browser, duration=40).click_and_hold(element)
        for _ in range(4):
            chain.move_by_offset(x // 4, y // 4)
        if let_go:
            chain.release()
        chain.perform()

    def by_pointer(
        self, kind: str, *spots: tuple[float, float], on: str = "#paper", part: str = "press move release"
    ) -> None:
        """A press, moves and a release of a mouse, pen or finger, or a part of that, at spots of the sheet's
        window."""
        self.browser.execute_script(BY_POINTER, kind, spots, on, part)

    def let_go(self) -> None:
        ActionChains(self.browser).release().perform()

    def on_paper(self, *steps: tuple[str, int, int]) -> None:
        """Hand moves in px from the paper's corner: ("press" | "hold" | "go" | "release", x, y)."""
        box = self.by_id("paper").rect
        chain = ActionChains(self.browser, duration=30)
        hand = chain.w3c_actions.pointer_action
        for what, x, y in steps:
            hand.move_to_location(round(box["x"]) + x, round(box["y"]) + y)
            if what in ("press", "hold"):
                hand.pointer_down()
            if what in ("press", "release"):
                hand.pointer_up()
        chain.w3c_actions.perform()

    def zoom(self) -> int:
        text = self.browser.find_element(By.CSS_SELECTOR, "[title='True size on screen (T)']").text
        return int(re.sub(r"\D", "", text))
