"""Plain names for colours, by how they look: “pale blue”, “dark red”."""

from __future__ import annotations

from coloraide import Color

# Where each name's hues begin, degrees of OKLCH's circle: sRGB's red lies at 29°, yellow at 110°, green at
# 142°, blue at 264° (Ottosson 2020).
_HUES = (
    (0, "pink"),
    (18, "red"),
    (42, "orange"),
    (78, "yellow"),
    (118, "green"),
    (168, "teal"),
    (222, "blue"),
    (284, "violet"),
    (325, "pink"),
)
# Less chroma than this is seen as grey; this share of lightness and less makes orange brown. A dull yellow is
# beige, a strong one is not called light for being so.
_GREY, _BROWN = 0.025, 0.62
_DULL, _STRONG, _OLIVE = 0.07, 0.11, 95
_DARK, _DEEP, _LIGHT, _PALE = 0.32, 0.45, 0.78, 0.88


def colour_name(colour: str) -> str:
    """What a colour may be called.

    >>> colour_name("#1f2a44"), colour_name("#f3ead7"), colour_name("#c8553d")
    ('Dark blue', 'Cream', 'Red')
    """
    look = Color(colour).convert("oklch")
    light, chroma = float(look["lightness"]), float(look["chroma"])
    hue = float(look["hue"]) % 360 if chroma >= _GREY / 4 else 0.0
    if chroma < _GREY:
        return _greyish(light, chroma, hue)
    name = next(name for begins, name in reversed(_HUES) if hue >= begins)
    if name in ("orange", "yellow"):
        if light > _PALE and chroma < _DULL:
            return "Cream"
        if chroma < _DULL and light > _BROWN:
            return "Beige"
        if light < _BROWN and hue < _OLIVE:
            name = "brown"
    # A strong colour is light by itself: yellow is.
    how = "" if light > _LIGHT and chroma > _STRONG else _how_light(light)
    return f"{how}{name}".capitalize()


def _how_light(light: float) -> str:
    bounds = ((_DARK, "dark "), (_DEEP, "deep "), (_LIGHT, ""), (_PALE, "light "))
    return next((word for bound, word in bounds if light < bound), "pale ")


def _greyish(light: float, chroma: float, hue: float) -> str:
    if light > 0.97:
        return "White"
    if light > _PALE and chroma > 0.008 and 42 <= hue < 118:
        return "Cream"
    if light < 0.2:
        return "Black"
    return f"{_how_light(light)}grey".capitalize()
