"""A drawing's style sheets, put on its elements: after this every element's `style` says all that holds.

Selectors, their weight and `!important` are as CSS has them; the reader itself knows only the simplest.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from xml.etree.ElementTree import Element

import cssselect2
import tinycss2

from curlet.core.errors import TooMuch
from curlet.formats.safe_xml import local_name

# The longest style sheet, in characters, and how often an element may be tried against a selector.
MAX_LETTERS, MAX_TRIES = 300_000, 2_000_000
# A rule whose selector nests deeper than this is not understood.
_DEEPEST_BRACKETS = 12
_CLOSE = re.compile(r"\s*+[>+]\s*+")
_BRACKET = re.compile(r"[()\[\]{}]")
_FAR = re.compile(r"\s++|~")
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
    texts = _taken_out(root)
    if sum(map(len, texts)) > MAX_LETTERS:
        raise TooMuch(_TOO_MANY)
    rules = [rule for text in texts for rule in _rules(text)]
    if not rules:
        return
    _check_tries(root, rules)
    matcher = cssselect2.Matcher()
    for rule in rules:
        for selector in rule.selectors:
            matcher.add_selector(selector, rule.declarations)
    for element in cssselect2.ElementWrapper.from_xml_root(root).iter_subtree():
        found = [payload for *_, pseudo, payload in matcher.match(element) if pseudo is None]
        if found:
            own = _own(element.etree_element.get("style", ""))
            element.etree_element.set("style", _cascaded([*found, own]))


def _taken_out(root: Element) -> list[str]:
    """The style sheets' texts; their elements go."""
    texts = []
    for parent in list(root.iter()):
        for sheet in [child for child in parent if local_name(child) == "style"]:
            texts.append(sheet.text or "")
            parent.remove(sheet)
    return texts


@dataclass(frozen=True)
class _Rule:
    """A rule; `leaps` is how many steps of its longest selector lead any distance away."""

    selectors: list[cssselect2.compiler.CompiledSelector]
    declarations: Declarations
    leaps: int


def _check_tries(root: Element, rules: list[_Rule]) -> None:
    """TooMuch where matching would take for ever. Selectors are looked up by id, class or tag; each step that
    leads any distance away tries every element on its way."""
    depth = _reach(root) if any(rule.leaps for rule in rules) else 1
    weights: dict[tuple[str, str], int] = {}
    for rule in rules:
        for selector in rule.selectors:
            key = _key(selector)
            weights[key] = weights.get(key, 0) + depth ** min(rule.leaps, 8)
    tries = 0
    for element in root.iter():
        keys = [("", ""), ("id", element.get("id", "")), ("tag", local_name(element).lower())]
        keys += [("class", name) for name in element.get("class", "").split()]
        tries += sum(weights.get(key, 0) for key in keys)
    if tries > MAX_TRIES:
        raise TooMuch(_TOO_MANY)


def _key(selector: cssselect2.compiler.CompiledSelector) -> tuple[str, str]:
    """What a selector is looked up by."""
    if selector.id is not None:
        return "id", selector.id
    if selector.class_name is not None:
        return "class", selector.class_name
    return ("tag", selector.lower_local_name) if selector.local_name is not None else ("", "")


def _reach(root: Element) -> int:
    """The most elements above or beside any."""
    depth, most, level = 0, 1, [root]
    while level:
        depth += 1
        most = max(most, *(len(element) for element in level))
        level = [child for element in level for child in element]
    return max(depth, most)


def _rules(text: str) -> list[_Rule]:
    """The rules of a style sheet; what is not understood of it is left out, as CSS has it."""
    rules = []
    if _depth(text) > _DEEPEST_BRACKETS:
        return []
    for rule in tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True):
        if rule.type != "qualified-rule":
            continue
        try:
            selectors = cssselect2.compile_selector_list(rule.prelude)
        except cssselect2.SelectorError:
            continue
        said = _CLOSE.sub(">", tinycss2.serialize(rule.prelude).strip())
        leaps = max(len(_FAR.findall(part.strip())) for part in said.split(","))
        rules.append(_Rule(selectors, _declared(rule.content), leaps))
    return rules


def _declared(content: object) -> Declarations:
    found = tinycss2.parse_blocks_contents(content, skip_comments=True, skip_whitespace=True)
    return [
        (item.lower_name, tinycss2.serialize(item.value).strip(), bool(item.important))
        for item in found
        if item.type == "declaration"
    ]


def _depth(text: str) -> int:
    """How deep brackets nest."""
    depth = deepest = 0
    for mark in _BRACKET.findall(text):
        depth += 1 if mark in "([{" else -1
        deepest = max(deepest, depth)
    return deepest


def _own(text: str) -> Declarations:
    """An element's own style."""
    parts = [part.partition(":") for part in text.split(";")]
    return [
        (name.strip().lower(), value.partition("!")[0].strip(), "important" in value.partition("!")[2])
        for name, colon, value in parts
        if colon and value.strip()
    ]


def _cascaded(layers: list[Declarations]) -> str:
    """What holds of declarations of rising weight: a later one wins, an important one over others."""
    held: dict[str, tuple[str, bool]] = {}
    for name, value, important in (item for layer in layers for item in layer):
        if important or not held.get(name, ("", False))[1]:
            held[name] = value, important
    return ";".join(f"{name}:{value}" for name, (value, _) in held.items())
