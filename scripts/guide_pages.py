"""The guide's pages, made of docs/*.md: `python -m scripts.guide_pages FOLDER`.

They ship with the application and open from Help. Links between them lead to the pages, others nowhere.
"""

from __future__ import annotations

import re
import shutil
import sys
from pathlib import Path as FilePath

from markdown_it import MarkdownIt

ROOT = FilePath(__file__).parents[1]
DOCS, FONTS = ROOT / "docs", ROOT / "frontend/node_modules/@fontsource"
# The application's own, as the style sheet names them.
_FACES = (
    "source-sans-3/files/source-sans-3-latin-400-normal.woff2",
    "source-sans-3/files/source-sans-3-latin-700-normal.woff2",
    "dm-mono/files/dm-mono-latin-400-normal.woff2",
)
# The pages in order, by their files, and what the menu calls them.
PAGES = {
    "guide": "Guide",
    "formats": "Formats",
    "command-line": "Command line",
    "python": "Python",
    "words": "Words",
}
_LINK = re.compile(r'href="(?:docs/)?([\w-]+)\.md(#[\w-]*)?"')
_PICTURE = re.compile(r'src="screenshots/([\w-]+\.png)"')
_STYLE = FilePath(__file__).with_suffix(".css").read_text(encoding="utf-8")


def write_pages(folder: FilePath) -> None:
    """Every page, the pictures that are on them and their fonts, into a folder of their own."""
    shutil.rmtree(folder, ignore_errors=True)
    for within in ("screenshots", "fonts"):
        (folder / within).mkdir(parents=True)
    for face in _FACES:
        shutil.copy(FONTS / face, folder / "fonts")
    for key in PAGES:
        text = (DOCS / f"{key}.md").read_text(encoding="utf-8")
        html = page(key, text)
        for picture in _PICTURE.findall(html):
            shutil.copy(DOCS / "screenshots" / picture, folder / "screenshots" / picture)
        (folder / f"{key}.html").write_text(html, encoding="utf-8")


def page(key: str, text: str) -> str:
    """A page of a text in Markdown, with the way to the others."""
    body = MarkdownIt("commonmark", {"html": False}).enable("table").render(text)
    body = _LINK.sub(lambda link: _leads(link[1], link[2] or ""), body)
    links = " ".join(
        f'<a href="{other}.html"{" aria-current=page" if other == key else ""}>{name}</a>'
        for other, name in PAGES.items()
    )
    title = f"{PAGES[key]} · Curlet" if key != "guide" else "Curlet: the guide"
    return (
        f'<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>{title}</title>'
        f'<meta name="viewport" content="width=device-width"><style>{_STYLE}</style></head>'
        f'<body><nav aria-label="Guide">{links} <a href="/">Back to Curlet</a></nav>'
        f"<main>{body}</main></body></html>\n"
    )


def _leads(name: str, anchor: str) -> str:
    return f'href="{name}.html{anchor}"' if name in PAGES else ""


if __name__ == "__main__":
    write_pages(FilePath(sys.argv[1]))
