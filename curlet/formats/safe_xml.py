"""XML from outside, read as if it were hostile."""

from __future__ import annotations

import re
from xml.etree.ElementTree import Element, ParseError

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import fromstring

from curlet.core.errors import BadInput, TooMuch

MOST_BYTES = 10 * 1024 * 1024
MOST_ELEMENTS = 100_000
DEEPEST = 128
MOST_COPIES = 20_000

_SVG = "{http://www.w3.org/2000/svg}"
HREFS = ("href", "{http://www.w3.org/1999/xlink}href")
# What is left out, where there is more than one of it.
_SEVERAL = {
    "script": "scripts",
    "picture": "pictures",
    "piece of text": "pieces of text",
    "reference to another file": "references to other files",
}
_UNSAFE = {"script", "foreignObject", "iframe", "audio", "video", "handler", "listener"}
_OUTSIDE = re.compile(r"url\(\s*['\"]?(?!#)|@import", re.IGNORECASE)


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
        Over 10 MB, 100,000 elements, 128 levels, or 20,000 copies made by `use`.
    BadInput
        If it is not XML, not SVG, or declares entities or a document type.
    """
    if len(data) > MOST_BYTES:
        raise TooMuch(
            f"This file is {len(data) / 1e6:.0f} MB; {MOST_BYTES // 1024**2} MB is the most. "
            "Send out only the lines you need and take that in."
        )
    root = _parse(data)
    if local_name(root) != "svg":
        raise BadInput("This is not an SVG drawing. Save it as SVG and take that in.")
    _check_size(root)
    notes = _clean(root)
    _check_copies(root)
    return root, notes


def _parse(data: bytes) -> Element:
    try:
        root: Element = fromstring(data, forbid_dtd=False, forbid_entities=True, forbid_external=True)
        return root
    except DefusedXmlException:
        raise BadInput(
            "This file declares entities or outside documents, which are not read. "
            "Save it as plain SVG and take that in."
        ) from None
    except (ParseError, ValueError, LookupError, RecursionError) as error:
        raise BadInput(f"This file is broken XML ({error}). Save it again as SVG.") from None


def _check_size(root: Element) -> None:
    count, level = 0, [root]
    depth = 0
    while level:
        depth += 1
        count += len(level)
        if depth > DEEPEST:
            raise TooMuch(f"This drawing nests more than {DEEPEST} groups. Ungroup it first.")
        if count > MOST_ELEMENTS:
            raise TooMuch(f"This drawing has more than {MOST_ELEMENTS:,} elements. Take in a part.")
        level = [child for element in level for child in element]


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


def _check_copies(root: Element) -> None:
    """Refuse `use` elements that copy themselves, or that multiply out of hand."""
    by_id = {e.get("id"): e for e in root.iter() if e.get("id")}
    sizes: dict[Element, int] = {}
    open_now: set[Element] = set()

    def size(element: Element) -> int:
        if element in sizes:
            return sizes[element]
        if element in open_now:
            raise BadInput("This drawing has an element that copies itself. Expand its copies first.")
        open_now.add(element)
        total = 1 + sum(size(child) for child in element)
        if local_name(element) == "use":
            target = by_id.get(next((element.get(h, "")[1:] for h in HREFS if element.get(h)), ""))
            total += size(target) if target is not None else 0
        open_now.discard(element)
        sizes[element] = min(total, 10**9)
        return sizes[element]

    if size(root) > MOST_COPIES + sum(1 for _ in root.iter()):
        raise TooMuch("This drawing's copies multiply to more than 20,000. Expand fewer of them.")
