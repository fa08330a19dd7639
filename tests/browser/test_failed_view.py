"""A view that fails says so, and can be shown again: nobody is left before a blank page."""

from __future__ import annotations

from selenium.webdriver.common.by import By

from tests.browser.table import Table
from tests.server import Server

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


def test_a_sheet_opened_while_the_server_is_away_is_shown_once_it_is_back(
    table: Table, server: Server
) -> None:
    table.browser.get(table.address)
    link = table.by_id("sheet-waistcoat")
    server.stop()
    link.click()
    table.wait(lambda: table.browser.find_element(By.XPATH, "//h1[.='Curlet cannot be reached']"))
    server.start()
    assert server.address == table.address
    table.wait(lambda: len(table.path_names()) == 12)
    # What could not be reached is in the page's log, as it should be.
    assert any("ERR_CONNECTION_REFUSED" in line["message"] for line in table.browser.get_log("browser"))


def test_an_address_that_leads_nowhere_has_ways_on(table: Table) -> None:
    table.browser.get(f"{table.address}/nowhere/at/all")
    table.wait(lambda: table.browser.find_element(By.XPATH, "//h1[.='There is no such page']"))
    assert table.browser.title == "No such page · Curlet"
    table.button("All sheets").click()
    table.by_id("sheet-waistcoat")
    assert table.browser.title == "Sheets · Curlet"


def test_a_step_that_takes_a_while_says_so(table: Table) -> None:
    table.choose("hem-r")
    network = {"offline": False, "latency": 900, "downloadThroughput": -1, "uploadThroughput": -1}
    table.browser.execute_cdp_cmd("Network.enable", {})
    table.browser.execute_cdp_cmd("Network.emulateNetworkConditions", network)
    table.press_by_id("brush-topstitch")
    status = table.browser.find_element(By.CSS_SELECTOR, "header [role=status]")
    table.wait(lambda: status.text == "Working …")
    table.wait(lambda: status.text == "")
    table.browser.execute_cdp_cmd("Network.emulateNetworkConditions", {**network, "latency": 0})


def test_a_view_that_is_fetched_while_the_server_is_away_is_shown_once_it_is_back(
    table: Table, server: Server
) -> None:
    browser = table.browser
    browser.get(table.address)
    table.by_id("sheet-waistcoat")
    # What other pages have fetched is kept.
    browser.execute_cdp_cmd("Network.clearBrowserCache", {})
    server.stop()
    table.button("Library").click()
    table.wait(lambda: "Curlet cannot be reached" in browser.find_element(By.TAG_NAME, "body").text)
    server.start()
    table.wait(lambda: browser.find_elements(By.XPATH, "//h1[.='Library']"))
    assert any("ERR_CONNECTION_REFUSED" in line["message"] for line in browser.get_log("browser"))


def test_a_page_of_an_older_version_is_loaded_anew_where_its_views_are_gone(table: Table) -> None:
    """The file that the Library is in has another name by now."""
    browser = table.browser
    browser.get(table.address)
    table.by_id("sheet-waistcoat")
    browser.execute_cdp_cmd("Network.clearBrowserCache", {})
    browser.execute_cdp_cmd("Network.enable", {})
    browser.execute_cdp_cmd("Network.setBlockedURLs", {"urls": ["*/assets/LibraryPage*"]})
    try:
        browser.execute_script("window.before = true")
        table.button("Library").click()
        table.wait(lambda: not browser.execute_script("return window.before"))
    finally:
        browser.execute_cdp_cmd("Network.setBlockedURLs", {"urls": []})
    browser.get(f"{table.address}/library")
    table.wait(lambda: browser.find_elements(By.XPATH, "//h1[.='Library']"))
    browser.get_log("browser")
