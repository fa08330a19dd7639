"""The pages of the guide: they ship with the application, and every link and picture on them is there."""

from __future__ import annotations

import re
from html.parser import HTMLParser

import pytest
from flask.testing import FlaskClient

from scripts.guide_pages import PAGES, page
from tests.server import ROOT


class Seen(HTMLParser):
    """What a page leads to and shows, and its headings."""

    def __init__(self, text: str) -> None:
        super().__init__()
        self.links: list[str] = []
        self.pictures: list[tuple[str, str]] = []
        self.feed(text)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        said = dict(attrs)
        if tag == "a":
            self.links.append(said.get("href") or "")
        if tag == "img":
            self.pictures.append((said.get("src") or "", said.get("alt") or ""))


@pytest.mark.parametrize("key", PAGES)
def test_a_page_is_served_and_leads_only_to_what_is_there(client: FlaskClient, key: str) -> None:
    reply = client.get(f"/guide/{key}.html")
    assert (reply.status_code, reply.mimetype) == (200, "text/html")
    seen = Seen(reply.get_data(as_text=True))
    assert set(seen.links) >= {f"{other}.html" for other in PAGES} | {"/"}
    for link in seen.links:
        where = "/" if link == "/" else f"/guide/{link.partition('#')[0]}"
        assert client.get(where).status_code == 200, link
        assert client.get(where).mimetype == "text/html"
    for source, words in seen.pictures:
        assert client.get(f"/guide/{source}").mimetype == "image/png"
        assert len(words) > 5


def test_a_page_is_in_the_applications_fonts(client: FlaskClient) -> None:
    text = client.get("/guide/guide.html").get_data(as_text=True)
    fonts = re.findall(r'url\("([^"]+)"\)', text)
    assert len(fonts) == 3
    for font in fonts:
        assert client.get(f"/guide/{font}").data.startswith(b"wOF2"), font


def test_a_page_says_what_its_text_says() -> None:
    made = page(
        "words", "# Words\n\n| a | b |\n|---|---|\n| `gap` | see [formats](formats.md) <script>x</script> |\n"
    )
    assert "<td><code>gap</code></td>" in made
    assert 'href="formats.html"' in made
    assert "aria-current=page" in made


def test_the_guide_names_every_tool_that_the_page_has() -> None:
    text = (ROOT / "docs" / "guide.md").read_text()
    tools = re.findall(r'name: "(\w+)"', (ROOT / "frontend/src/table/tools/tools.ts").read_text())
    assert len(tools) == 6
    assert all(tool in text for tool in tools)
