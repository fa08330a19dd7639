"""Shade cards as files against the published formats' own examples.

Sources, from memory: the Design Tokens format of the W3C community group (colour tokens, groups' types,
aliases in braces); CSS Color 4 (colour spaces, gamut); CSS Custom Properties 1 (var() and cycles).
"""

from __future__ import annotations

import json
from typing import Any

import pytest
from coloraide import Color

from curlet.core.errors import BadInput, TooMuch
from curlet.formats.card_file import CardShade
from curlet.formats.card_formats import CARD_FORMATS, read_card
from curlet.formats.css_properties import read_properties, write_properties
from curlet.formats.design_tokens import MAX_DEPTH, read_tokens, write_tokens


def tokens(document: Any) -> dict[str, str]:
    found = read_tokens(json.dumps(document).encode())
    return {shade.name: shade.colours[""] for shade in found.shades}


def properties(text: str) -> dict[str, dict[str, str]]:
    return {shade.name: shade.colours for shade in read_properties(text.encode()).shades}


def test_tokens_take_their_type_from_themselves_or_their_group() -> None:
    document = {
        "$description": "A card",
        "Majestic magenta": {"$type": "color", "$value": "#ff00ff"},
        "brand": {
            "$type": "color",
            "acid green": {"$value": "#00ff66"},
            "nested": {"deep": {"$value": "#010203"}},
        },
        "spacing": {"$type": "dimension", "small": {"$value": "4px"}},
    }
    assert tokens(document) == {
        "Majestic magenta": "#ff00ff",
        "acid green": "#00ff66",
        "deep": "#010203",
    }
    assert read_tokens(json.dumps(document).encode()).notes == ("One token is no colour.",)


def test_aliases_stand_for_what_they_name_through_others_too() -> None:
    document = {
        "colors": {"$type": "color", "blue": {"$value": "#0000ff"}, "primary": {"$value": "{colors.blue}"}},
        "button": {"background": {"$type": "color", "$value": "{colors.primary}"}},
    }
    assert tokens(document) == {"blue": "#0000ff", "primary": "#0000ff", "background": "#0000ff"}


@pytest.mark.parametrize(
    ("space", "parts", "css"),
    [
        ("srgb", [1, 0, 1], "#ff00ff"),
        ("hsl", [330, 100, 50], "hsl(330 100% 50%)"),
        ("hwb", [330, 0, 0], "hwb(330 0% 0%)"),
        ("lab", [60.17, 93.54, -60.5], "lab(60.17% 93.54 -60.5)"),
        ("oklch", [0.7, 0.12, "none"], "oklch(0.7 0.12 none)"),
        ("oklab", [0.701, 0.2746, -0.169], "oklab(0.701 0.2746 -0.169)"),
        ("display-p3", [0.92, 0.2, 0.97], "color(display-p3 0.92 0.2 0.97)"),
        ("xyz-d65", [0.59, 0.28, 0.96], "color(xyz-d65 0.59 0.28 0.96)"),
    ],
)
def test_colours_of_every_space_are_as_css_has_them(space: str, parts: list[Any], css: str) -> None:
    found = tokens({"one": {"$type": "color", "$value": {"colorSpace": space, "components": parts}}})
    expected = Color(css).convert("srgb").fit(method="oklch-chroma").to_string(hex=True)
    assert found == {"one": expected}


def test_what_lies_outside_srgb_is_brought_in_and_said() -> None:
    outside = {"colorSpace": "display-p3", "components": [0, 1, 0], "alpha": 0.5}
    card = read_tokens(json.dumps({"green": {"$type": "color", "$value": outside}}).encode())
    assert "see-through" in card.notes[0]
    assert "outside sRGB" in card.notes[1]


@pytest.mark.parametrize(
    ("document", "said"),
    [
        ({"a": {"$type": "color", "$value": "{b}"}, "b": {"$type": "color", "$value": "{a}"}}, "itself"),
        ({"a": {"$type": "color", "$value": "{a}"}}, "itself"),
        ({"a": {"$type": "color", "$value": "{nowhere.b}"}}, "not in this file"),
        ({"a": {"$type": "color", "$value": 7}}, "no colour that can be read"),
        ({"a": {"$type": "color", "$value": "rather red"}}, "no colour that can be read"),
        ({"a": {"$type": "color", "$value": {"colorSpace": "cmyk", "components": [0, 0, 0]}}}, "no colour"),
        (
            {"a": {"$type": "color", "$value": {"colorSpace": "srgb", "components": [0, True, 0]}}},
            "no colour",
        ),
        ({"a": {"$type": "color", "$value": {"colorSpace": "srgb", "components": [0, 0]}}}, "no colour"),
        ({"a": {"$type": "dimension", "$value": "4px"}}, "no tokens of"),
        ({}, "no tokens of"),
        ([], "JSON object"),
        ("red", "JSON object"),
    ],
)
def test_files_that_cannot_be_read_say_why(document: Any, said: str) -> None:
    with pytest.raises(BadInput, match=said):
        read_tokens(json.dumps(document).encode())


def test_hostile_files_cost_little() -> None:
    deep: dict[str, Any] = {"$type": "color", "$value": "#000"}
    for _ in range(MAX_DEPTH + 2):
        deep = {"a": deep}
    for data, said in ((json.dumps(deep).encode(), "within one another"), (b'{"a":', "whole JSON")):
        with pytest.raises(BadInput, match=said):
            read_tokens(data)
    for read in (read_tokens, read_properties):
        with pytest.raises(TooMuch, match=r"10\.0 MB"):
            read(b" " * 10_000_000)
    long = {f"a{i}": {"$type": "color", "$value": f"{{a{i + 1}}}"} for i in range(3000)}
    long["a3000"] = {"$type": "color", "$value": "#123456"}
    assert set(tokens(long).values()) == {"#123456"}
    with pytest.raises(BadInput, match="within one another"):
        read_properties(b":root{" * 40 + b"--a: red" + b"}" * 40)
    with pytest.raises(BadInput, match="UTF-8"):
        read_properties(b"\xff\xfe--a: red")
    with pytest.raises(BadInput, match="itself"):
        read_properties(b":root { --a: var(--b); --b: var(--a) }")
    with pytest.raises(BadInput, match="no custom properties"):
        read_properties(b"p { color: red }")
    with pytest.raises(BadInput, match="Design Tokens file"):
        read_card("card.docx", b"PK")


def test_custom_properties_by_colourway() -> None:
    text = """
    /* a comment with --no: red; in it */
    :root { --cream: #f3ead7; --deep-red: rgb(160 20 20); --copy: var(--cream); --gap: 4px }
    @media (prefers-color-scheme: dark) { :root[data-colourway="Night"] { --cream: oklch(30% 0.02 80) } }
    """
    found = properties(text)
    night = Color("oklch(30% 0.02 80)").convert("srgb").to_string(hex=True)
    assert found == {
        "Cream": {"": "#f3ead7", "Night": night},
        "Deep red": {"": "#a01414"},
        "Copy": {"": "#f3ead7"},
    }
    assert read_properties(text.encode()).notes == ("One property is no colour.",)


CARD = [
    CardShade("Cream", {"Day": "#f3ead7", "Night": "#20264a"}),
    CardShade("Deep red", {"Day": "#a01414", "Night": "#401010"}),
]


@pytest.mark.parametrize("form", CARD_FORMATS)
def test_a_card_comes_back_as_it_went(form: str) -> None:
    found = read_card(f"card.{form}", CARD_FORMATS[form].write(CARD))
    assert list(found.shades) == CARD
    assert not found.notes


def test_written_files_are_as_the_formats_have_them() -> None:
    document = json.loads(write_tokens(CARD))
    assert document["Day"]["$type"] == "color"
    assert document["Day"]["Cream"]["$value"]["colorSpace"] == "srgb"
    assert document["Day"]["Cream"]["$value"]["hex"] == "#f3ead7"
    odd = [CardShade("$a.b{c}", {"": "#000000"}), CardShade("É, deep", {"": "#ffffff"})]
    assert set(json.loads(write_tokens(odd))["unnamed"]) == {"$type", "$extensions", "a b c", "É, deep"}
    text = write_properties(
        [CardShade("É / deep", {"A*/": "#000000"}), CardShade("é deep", {"A*/": "#111111"})]
    )
    assert b"--\xc3\xa9-deep: #000000;" in text
    assert b"--\xc3\xa9-deep-2: #111111;" in text
    assert list(read_properties(text).shades[0].colours.values()) == ["#000000"]
