"""A server of its own on a free port, and headless Chromium with a real mouse and keyboard."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path as FilePath

import pytest
from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service

from tests.browser.table import Table
from tests.server import Server, WarmServer

WIDTH, HEIGHT = 1280, 800


class Servers:
    """A server with the plain sheets and one with the demo's, each kept for all tests and put back to how it
    began for each: the browser keeps the compiled page, and the server what it has drawn."""

    def __init__(self, folders: pytest.TempPathFactory) -> None:
        self._folders = folders
        self._kept: dict[bool, Server] = {}

    def take(self, *, plain: bool) -> Server:
        kept = self._kept.get(plain)
        if kept and kept.is_running():
            kept.put_back()
            return kept
        self._kept[plain] = begun = WarmServer(self._folders.mktemp("data"), plain=plain)
        return begun

    def end_all(self) -> None:
        for server in self._kept.values():
            server.stop()


def make_browser(downloads: FilePath | None = None) -> webdriver.Chrome:
    options = Options()
    options.binary_location = "/usr/bin/chromium"
    # One process for all pages, none of which is kept once it is left: each test has a server of its own,
    # which would be a process and a page more.
    one_page = ("--renderer-process-limit=1", "--disable-features=BackForwardCache")
    for word in ("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", *one_page):
        options.add_argument(word)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    if downloads:
        options.add_experimental_option("prefs", {"download.default_directory": str(downloads)})
    browser = webdriver.Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    size = {"width": WIDTH, "height": HEIGHT, "deviceScaleFactor": 1, "mobile": False}
    browser.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
    # The guide lies over the foot of the sheet at first: its own tests have it.
    closed = {
        "source": "localStorage.getItem('curlet-guide') ?? localStorage.setItem('curlet-guide', 'closed')"
    }
    browser.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", closed)
    return browser


@pytest.fixture(scope="session")
def downloads(tmp_path_factory: pytest.TempPathFactory) -> FilePath:
    return tmp_path_factory.mktemp("downloads")


@pytest.fixture(scope="session")
def browser(downloads: FilePath) -> Iterator[webdriver.Chrome]:
    chrome = make_browser(downloads)
    yield chrome
    chrome.quit()


@pytest.fixture(scope="session")
def servers(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Servers]:
    kept = Servers(tmp_path_factory)
    yield kept
    kept.end_all()


@pytest.fixture
def server(servers: Servers, browser: webdriver.Chrome) -> Server:
    return _fresh(servers, browser, plain=True)


@pytest.fixture
def table(server: Server, browser: webdriver.Chrome) -> Iterator[Table]:
    """The Table, open on the plain waistcoat. Afterwards the page must have logged no error."""
    yield from _opened(server, browser)


@pytest.fixture
def dressed(servers: Servers, browser: webdriver.Chrome) -> Iterator[Table]:
    """The same on the demo's waistcoat."""
    yield from _opened(_fresh(servers, browser, plain=False), browser)


def _fresh(servers: Servers, browser: webdriver.Chrome, *, plain: bool) -> Server:
    # The page of the test before may still be asking its server.
    browser.get("about:blank")
    server = servers.take(plain=plain)
    kept = {"origin": server.address, "storageTypes": "local_storage"}
    browser.execute_cdp_cmd("Storage.clearDataForOrigin", kept)
    browser.get_log("browser")
    return server


def _opened(server: Server, browser: webdriver.Chrome) -> Iterator[Table]:
    page = Table(browser, server.address)
    page.open()
    yield page
    errors = [entry for entry in browser.get_log("browser") if entry["level"] == "SEVERE"]
    # A refused command is the server's honest 4xx, which Chromium logs too.
    assert [
        e["message"] for e in errors if "the server responded with a status of 4" not in e["message"]
    ] == []
