"""Take docs/screenshots anew from the demo: `make screenshots`."""

from __future__ import annotations

import tempfile
from collections.abc import Callable
from pathlib import Path as FilePath

from selenium.webdriver import ActionChains
from selenium.webdriver.common.actions.wheel_input import ScrollOrigin
from selenium.webdriver.common.by import By

from tests.browser.conftest import Server, make_browser
from tests.browser.table import Table

TARGET = FilePath(__file__).parents[1] / "docs/screenshots"


def table_with_the_waistcoat(table: Table) -> None:
    table.choose("hem-r")
    table.wait(table.legs)


def season_programme(table: Table) -> None:
    table.browser.get(f"{table.address}/sheets/programme")
    table.by_id("row-programme-knotted-cord").click()
    table.wait(table.legs)


def corner(table: Table) -> None:
    """A frame of rope, one corner picked on the Tape."""
    table.choose("front-r")
    rope = table.by_id("brush-rope")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", rope)
    rope.click()
    table.wait(lambda: len(table.legs()) == 6)
    node = table.by_id("node-n4")
    for _ in range(4):
        origin = ScrollOrigin.from_element(node)
        ActionChains(table.browser).scroll_from_origin(origin, 0, -120).perform()
    fold = table.all_by_id("fold")[2].find_element(By.TAG_NAME, "rect")
    ActionChains(table.browser).move_to_element_with_offset(fold, 0, 20).click().perform()
    own = table.by_id("chosen-corner")
    table.browser.execute_script("arguments[0].scrollIntoView({block: 'center'})", own)


def send_out(table: Table) -> None:
    table.button("Send out").click()
    table.wait(lambda: "mm" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.wait(
        lambda: table.browser.execute_script("return document.querySelector('dialog img').naturalWidth > 0")
    )


SHOTS: dict[str, Callable[[Table], None]] = {
    "table": table_with_the_waistcoat,
    "programme": season_programme,
    "corner": corner,
    "send-out": send_out,
}


def main() -> None:
    TARGET.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder:
        server = Server(FilePath(folder))
        browser = make_browser()
        try:
            for name, pose in SHOTS.items():
                table = Table(browser, server.address)
                table.open()
                pose(table)
                browser.save_screenshot(str(TARGET / f"{name}.png"))
        finally:
            browser.quit()
            server.stop()


main()
