"""What axe-core finds wrong on a page: WCAG 2.2 A and AA, and its best practices."""

from __future__ import annotations

from functools import cache
from pathlib import Path as FilePath
from typing import Any

from selenium.webdriver import Chrome

_FILE = FilePath(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
_TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22a", "wcag22aa", "best-practice"]
_COLOURS = ["color-contrast", "link-in-text-block"]
_RUN = """const [tags, done] = arguments;
axe.run(document, {runOnly: tags, resultTypes: ["violations"]}).then((found) => done(found.violations));"""
# What is drawn is as large as it is drawn (WCAG 2.2, 2.5.8, "essential").
_DRAWN = ("target-size", "drawn-shape")


@cache
def _source() -> str:
    return _FILE.read_text()


def violations(browser: Chrome, *, colours_only: bool = False) -> list[str]:
    """Each rule that is broken, with what breaks it; `colours_only`: of those that are about colours."""
    if not browser.execute_script("return Boolean(window.axe)"):
        browser.execute_script(_source())
    found: list[dict[str, Any]] = browser.execute_async_script(_RUN, _COLOURS if colours_only else _TAGS)
    for rule in found:
        rule["nodes"] = [
            node for node in rule["nodes"] if rule["id"] != _DRAWN[0] or _DRAWN[1] not in node["html"]
        ]
    return [
        f"{rule['id']}: {rule['help']}: {[node['html'][:140] for node in rule['nodes'][:4]]}"
        + (f" {rule['nodes'][0]['any'][0]['message'][:160]}" if rule["nodes"][0]["any"] else "")
        for rule in found
        if rule["nodes"]
    ]
