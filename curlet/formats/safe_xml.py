"""XML from outside, read as if it were hostile."""

from __future__ import annotations

import re
from xml.etree.ElementTree import Element, ParseError, TreeBuilder

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import DefusedXMLParser

from curlet.core.errors import BadInput, TooMuch

MAX_BYTES = 10 * 1024 * 1024
MAX_ELEMENTS = 100_000
DEEPEST = 128
_CHUNK = 65_536

HREFS = ("href", "{http://www.w3.org/1999/xlink}href")
# What is left out, where there is more than one of it.
_SEVERAL = {
    "script": "scripts",
    "picture": "pictures",
    "piece of text": "pieces of text",
    "reference to another file": "references to other files",
}
_UNSAFE = {"script", "foreignObject", "iframe", "audio", "video", "handler", "listener"}
_OUTSIDE = re.compile(r"url\(\s*+['\"]?+(?!#)|@import", re.IGNORECASE)


def local_name(element: Element) -> str:
    """Tag without its namespace; empty for comments."""
    return element.tag.rsplit("}", 1)[-1] if isinstance(element.tag, str) else ""


def read_svg_tree(data: bytes) -> tuple[Element, list[str]]:
    """An SVG's element tree with everything active or from elsewhere taken out.

    Returns
    -------
    The root, and notes in words of what was left out.

    Raises
    ------
    TooMuch
        Over 10 MB, 100,000 elements or 128 levels, as soon as the first of them too many is met.
    BadInput
        If it is not XML, not SVG, or declares entities or a document type.
    """
    if len(data) > MAX_BYTES:
        raise TooMuch(
            f"This file is {len(data) / 1e6:.0f} MB; {MAX_BYTES // 1024**2} MB is the most. "
            "Export only the lines you need and import that."
        )
    root = _parse(data)
    if local_name(root) != "svg":
        raise BadInput("This is not an SVG drawing. Save it as SVG and import that.")
    return root, _clean(root)


def _parse(data: bytes) -> Element:
    parser = DefusedXMLParser(target=_Bounded(), forbid_dtd=False, forbid_entities=True, forbid_external=True)
    try:
        for at in range(0, len(data), _CHUNK):
            parser.feed(data[at : at + _CHUNK])
        root: Element = parser.close()
    except DefusedXmlException:
        raise BadInput(
            "This file declares entities or outside documents, which are not read. "
            "Save it as plain SVG and import that."
        ) from None
    except (ParseError, ValueError, LookupError, RecursionError) as error:
        raise BadInput(f"This file is broken XML ({error}). Save it again as SVG.") from None
    return root


class _Bounded(TreeBuilder):
    """Builds a tree, and stops at the first element too many or too deep."""

    def __init__(self) -> None:
        super().__init__()
        self.count = self.depth = 0

    def start(self, tag: str, attrs: dict[str, str], /) -> Element:
        self.count, self.depth = self.count + 1, self.depth + 1
        if self.depth > DEEPEST:
            raise TooMuch(f"This drawing nests more than {DEEPEST} groups. Ungroup it first.")
        if self.count > MAX_ELEMENTS:
            raise TooMuch(f"This drawing has more than {MAX_ELEMENTS:,} elements. Import a part.")
        return super().start(tag, attrs)

    def end(self, tag: str, /) -> Element:
        self.depth -= 1
        return super().end(tag)


def _clean(root: Element) -> list[str]:
    left_out: dict[str, int] = {}

    def leave(what: str) -> None:
        left_out[what] = left_out.get(what, 0) + 1

    for parent in list(root.iter()):
        for child in list(parent):
            reason = _reason(child)
            if reason:
                parent.remove(child)
                leave(reason)
        for name, value in list(parent.attrib.items()):
            if name.lower().startswith("on") or _OUTSIDE.search(value):
                del parent.attrib[name]
                leave("script" if name.lower().startswith("on") else "reference to another file")
    return [f"{count} {_SEVERAL[what] if count > 1 else what} left out." for what, count in left_out.items()]


def _reason(element: Element) -> str | None:
    """Why an element is left out, or None."""
    name = local_name(element)
    if name in _UNSAFE:
        return "script"
    if name in ("text", "image"):
        return "piece of text" if name == "text" else "picture"
    if name == "style" and _OUTSIDE.search(element.text or ""):
        return "reference to another file"
    if any(not element.get(h, "#").startswith("#") for h in HREFS) and name != "a":
        return "reference to another file"
    return None
