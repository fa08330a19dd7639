"""A view that fails says so, and can be shown again: nobody is left before a blank page."""

from __future__ import annotations

from selenium.webdriver.common.by import By

from tests.browser.table import Table

# Sheets come without their seam groups, until the page says that they are whole again.
_BROKEN = """
const parse = JSON.parse;
JSON.parse = (text, ...more) => {
  const found = parse(text, ...more);
  if (found && found.groups && found.revision && !window.whole) delete found.groups;
  return found;
};
"""


def test_a_view_that_fails_says_so_and_can_be_shown_again(table: Table) -> None:
    browser = table.browser
    script = browser.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", {"source": _BROKEN})
    try:
        browser.get(f"{table.address}/sheets/waistcoat")
        table.wait(lambda: browser.find_elements(By.XPATH, "//h1[.='Something went wrong here']"))
        assert browser.find_element(By.CSS_SELECTOR, "[role=alert]").is_displayed()
        browser.execute_script("window.whole = true")
        table.button("Show it again").click()
        table.wait(lambda: len(table.path_names()) == 12)
        # The failure is in the page's log, where a developer looks for it.
        assert any(entry["level"] == "SEVERE" for entry in browser.get_log("browser"))
    finally:
        browser.execute_cdp_cmd("Page.removeScriptToEvaluateOnNewDocument", script)
