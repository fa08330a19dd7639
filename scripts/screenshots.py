"""Take docs/screenshots anew from the demo: `make screenshots`."""

from __future__ import annotations

import tempfile
from collections.abc import Callable
from pathlib import Path as FilePath

from selenium.webdriver.common.by import By

from tests.browser.conftest import Server, make_browser
from tests.browser.table import Table

TARGET = FilePath(__file__).parents[1] / "docs/screenshots"


def table_with_the_waistcoat(table: Table) -> None:
    table.choose("hem-r")
    table.wait(table.legs)


def send_out(table: Table) -> None:
    table.button("Send out").click()
    table.wait(lambda: "mm" in table.browser.find_element(By.TAG_NAME, "dialog").text)
    table.wait(
        lambda: table.browser.execute_script("return document.querySelector('dialog img').naturalWidth > 0")
    )


SHOTS: dict[str, Callable[[Table], None]] = {"table": table_with_the_waistcoat, "send-out": send_out}


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
