"""A page of another site, in a real browser: it learns nothing, changes nothing and costs nothing."""

from __future__ import annotations

import http.server
import json
import threading
from collections.abc import Iterator
from typing import Any

import pytest
from selenium import webdriver
from selenium.webdriver.support.ui import WebDriverWait

from tests.browser.conftest import make_browser
from tests.faults.client import ask, sheet
from tests.faults.watch import seconds_used
from tests.server import Server

_PAGE = b"<!doctype html><title>Elsewhere</title><body></body>"

# Tries everything that a page can ask another for, and tells of each whether it learned anything.
_TRY = """
const [home, done] = [arguments[0], arguments[1]];
const there = ["/", "/api/sheets", "/api/sheets/waistcoat/thumbnail.png", "/favicon.svg",
  "/api/sheets/curtain/export.png?ppi=300", "/api/brushes/topstitch/strip.svg"];
const not = ["/api/nothing", "/nothing.png", "/../../etc/passwd"];
const found = [];
const say = (how, path, learned) => found.push([how, path, learned]);
const within = (work) => Promise.race([work, new Promise((done) => setTimeout(() => done("silent"), 3000))]);
const load = (tag, path, change) => within(new Promise((done) => {
  const element = document.createElement(tag);
  change(element, home + path);
  element.onload = () => done("loaded");
  element.onerror = () => done("failed");
  document.body.append(element);
}));
const ask = async (path, how) => {
  try {
    const reply = await fetch(home + path, how);
    return reply.type === "opaque" ? "opaque" : `${reply.status} ${(await reply.text()).length}`;
  } catch { return "failed"; }
};
(async () => {
  for (const path of [...there, ...not]) {
    for (const mode of ["cors", "no-cors", "same-origin"]) {
      say(`fetch ${mode}`, path, await ask(path, { mode }));
      say(`fetch ${mode} with credentials`, path, await ask(path, { mode, credentials: "include" }));
    }
    say("image", path, await load("img", path, (e, a) => { e.src = a; }));
    say("script", path, await load("script", path, (e, a) => { e.src = a; }));
    say("style", path, await load("link", path, (e, a) => { e.rel = "stylesheet"; e.href = a; }));
    say("prefetch", path, await load("link", path, (e, a) => { e.rel = "prefetch"; e.href = a; }));
    say("video", path, await load("video", path, (e, a) => { e.src = a; e.load(); }));
  }
  const intent = { kind: "delete-paths", paths: ["waistcoat-hem-r"] };
  const body = JSON.stringify({ revision: 1, intent });
  const to = "/api/sheets/waistcoat/commands";
  for (const type of ["text/plain", "application/json", "application/x-www-form-urlencoded"]) {
    for (const mode of ["cors", "no-cors"]) {
      const headers = { "Content-Type": type };
      say(`post ${type} ${mode}`, to, await ask(to, { method: "POST", mode, headers, body }));
    }
  }
  say("delete", "/api/brushes/topstitch", await ask("/api/brushes/topstitch", { method: "DELETE" }));
  navigator.sendBeacon(home + to, new Blob([body], { type: "text/plain" }));
  const frame = document.createElement("iframe");
  frame.name = "aside";
  document.body.append(frame);
  const form = document.createElement("form");
  const action = home + "/api/sheets/waistcoat/undo";
  Object.assign(form, { action, method: "post", target: "aside", enctype: "text/plain" });
  form.innerHTML = `<input name='{"revision":1,"a":"' value='"}'>`;
  document.body.append(form);
  form.submit();
  await new Promise((done) => setTimeout(done, 1500));
  done(found);
})();
"""


class _Elsewhere(http.server.BaseHTTPRequestHandler):
    def do_GET(self) -> None:
        self.send_response(200)
        self.send_header("Content-Type", "text/html")
        self.end_headers()
        self.wfile.write(_PAGE)

    def log_message(self, *_: Any) -> None:
        return None


@pytest.fixture
def elsewhere() -> Iterator[str]:
    """Another site on this machine."""
    server = http.server.ThreadingHTTPServer(("127.0.0.1", 0), _Elsewhere)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://localhost:{server.server_port}/"
    server.shutdown()


@pytest.fixture
def chrome() -> Iterator[webdriver.Chrome]:
    browser = make_browser()
    browser.set_script_timeout(240)
    yield browser
    browser.quit()


def test_it_learns_nothing_changes_nothing_and_costs_nothing(
    server: Server, elsewhere: str, chrome: webdriver.Chrome
) -> None:
    address = server.address
    before = sheet(address)
    brushes = ask(address, "/api/brushes")
    chrome.get(elsewhere)
    spent = seconds_used(server.process.pid)
    found = chrome.execute_async_script(_TRY, address)
    spent = seconds_used(server.process.pid) - spent
    learned = [(how, path, what) for how, path, what in found if what not in ("failed", "silent")]
    assert len(found) > 90
    assert learned == []
    assert sheet(address) == before
    assert ask(address, "/api/brushes") == brushes
    # The curtain at 300 ppi alone would take several seconds, of which it was asked for eleven times.
    assert spent < 2.0


def test_a_link_from_elsewhere_is_followed(server: Server, elsewhere: str, chrome: webdriver.Chrome) -> None:
    address = server.address
    chrome.get(elsewhere)
    chrome.execute_script("document.body.innerHTML = `<a id=a href='${arguments[0]}/'>there</a>`", address)
    chrome.execute_script("document.getElementById('a').click()")
    WebDriverWait(chrome, 20).until(lambda c: "Curlet" in c.title)
    assert json.loads(ask(address, "/api/sheets"))["sheets"]


def test_no_page_shows_it_in_a_frame(server: Server, elsewhere: str, chrome: webdriver.Chrome) -> None:
    address = server.address
    chrome.get(elsewhere)
    inner = f"<iframe id=f src='{address}/'></iframe>"
    chrome.execute_script("document.body.innerHTML = arguments[0]", inner)
    chrome.switch_to.frame("f")
    WebDriverWait(chrome, 20).until(lambda c: c.execute_script("return document.readyState") == "complete")
    assert "Usher" not in chrome.page_source
    assert chrome.find_elements("css selector", "#root") == []
