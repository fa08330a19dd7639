"""A drawing's style sheets, put on its elements: after this every element's `style` says all that holds.

Selectors, their weight and `!important` are as CSS has them; the reader itself knows only the simplest.
"""

from __future__ import annotations

from xml.etree.ElementTree import Element

import cssselect2
import tinycss2

from curlet.core.errors import TooMuch
from curlet.formats.safe_xml import local_name

# Looking every element up in every rule would take for ever: so many pairs are enough for any flat.
MOST_PAIRS = 20_000_000
_TOO_MANY = "This drawing's style sheet has too many rules. Save it with the styles on its lines instead."
# Each property with its value and whether it is important, in order.
Declarations = list[tuple[str, str, bool]]


def lay_on_styles(root: Element) -> None:
    """Change a tree in place; its style sheets go.

    Raises
    ------
    TooMuch
        If there are more rules and elements than can be looked through.
    """
    rules = [rule for text in _taken_out(root) for rule in _rules(text)]
    if not rules:
        return
    matcher = cssselect2.Matcher()
    for selectors, declarations in rules:
        for selector in selectors:
            matcher.add_selector(selector, declarations)
    if sum(len(selectors) for selectors, _ in rules) * sum(1 for _ in root.iter()) > MOST_PAIRS:
        raise TooMuch(_TOO_MANY)
    for element in cssselect2.ElementWrapper.from_xml_root(root).iter_subtree():
        found = [payload for *_, pseudo, payload in matcher.match(element) if pseudo is None]
        if found:
            own = _declared(element.etree_element.get("style", ""))
            element.etree_element.set("style", _cascaded([*found, own]))


def _taken_out(root: Element) -> list[str]:
    """The style sheets' texts; their elements go."""
    texts = []
    for parent in list(root.iter()):
        for sheet in [child for child in parent if local_name(child) == "style"]:
            texts.append(sheet.text or "")
            parent.remove(sheet)
    return texts


def _rules(text: str) -> list[tuple[list[cssselect2.compiler.CompiledSelector], Declarations]]:
    """The rules of a style sheet; what is not understood of it is left out, as CSS has it."""
    rules = []
    for rule in tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True):
        if rule.type != "qualified-rule":
            continue
        try:
            selectors = cssselect2.compile_selector_list(rule.prelude)
        except cssselect2.SelectorError:
            continue
        rules.append((selectors, _declared(rule.content)))
    return rules


def _declared(content: object) -> Declarations:
    found = tinycss2.parse_blocks_contents(content, skip_comments=True, skip_whitespace=True)
    return [
        (item.lower_name, tinycss2.serialize(item.value).strip(), bool(item.important))
        for item in found
        if item.type == "declaration"
    ]


def _cascaded(layers: list[Declarations]) -> str:
    """What holds of declarations of rising weight: a later one wins, an important one over others."""
    held: dict[str, tuple[str, bool]] = {}
    for name, value, important in (item for layer in layers for item in layer):
        if important or not held.get(name, ("", False))[1]:
            held[name] = value, important
    return ";".join(f"{name}:{value}" for name, (value, _) in held.items())
