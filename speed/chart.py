"""A chart of lines over two logarithmic axes, as SVG."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from html import escape

WIDTH, HEIGHT = 720, 420
LEFT, RIGHT, TOP, FOOT = 70, 200, 20, 50
COLOURS = ("#1f2a44", "#c2643a", "#3c7d6d", "#7b5aa6", "#b5482f", "#8a6d1f")
Spots = Sequence[tuple[float, float]]


def chart(lines: Mapping[str, Spots], across: str, up: str) -> str:
    """Lines by their names; what the axes are of."""
    every = [spot for spots in lines.values() for spot in spots]
    xs, ys = _decades([x for x, _ in every]), _decades([y for _, y in every])

    def at(x: float, y: float) -> tuple[float, float]:
        share = (math.log10(x) - xs[0]) / (xs[-1] - xs[0]), (math.log10(y) - ys[0]) / (ys[-1] - ys[0])
        return LEFT + share[0] * (WIDTH - LEFT - RIGHT), HEIGHT - FOOT - share[1] * (HEIGHT - TOP - FOOT)

    head = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {WIDTH} {HEIGHT}"'
    drawn = [f'{head} font-family="sans-serif" font-size="12"><rect width="100%" height="100%" fill="#fff"/>']
    for x in xs:
        (left, top), (_, foot) = at(10.0**x, 10.0 ** ys[-1]), at(10.0**x, 10.0 ** ys[0])
        drawn += [_line(left, top, left, foot), _text(left, foot + 18, f"{10**x:,}", "middle")]
    for y in ys:
        (left, top), (right, _) = at(10.0 ** xs[0], 10.0**y), at(10.0 ** xs[-1], 10.0**y)
        drawn += [_line(left, top, right, top), _text(left - 8, top + 4, f"{10.0**y:g}", "end")]
    drawn += [
        _text((LEFT + WIDTH - RIGHT) / 2, HEIGHT - 12, across, "middle"),
        _text(14, TOP + 6, up, "start"),
    ]
    for number, (name, spots) in enumerate(lines.items()):
        colour = COLOURS[number % len(COLOURS)]
        points = " ".join(f"{x:.1f},{y:.1f}" for x, y in (at(*spot) for spot in spots))
        drawn.append(f'<polyline points="{points}" fill="none" stroke="{colour}" stroke-width="2"/>')
        row, key = TOP + 16 + 20 * number, WIDTH - RIGHT + 20
        drawn.append(f'<path d="M{key} {row}h20" stroke="{colour}" stroke-width="2"/>')
        drawn.append(_text(key + 26, row + 4, name, "start"))
    return "\n".join([*drawn, "</svg>\n"])


def _decades(values: Sequence[float]) -> range:
    low, high = math.floor(math.log10(min(values))), math.ceil(math.log10(max(values)))
    return range(low, max(high, low + 1) + 1)


def _line(x1: float, y1: float, x2: float, y2: float) -> str:
    return f'<line x1="{x1:.1f}" y1="{y1:.1f}" x2="{x2:.1f}" y2="{y2:.1f}" stroke="#ddd"/>'


def _text(x: float, y: float, words: str, anchor: str) -> str:
    return f'<text x="{x:.1f}" y="{y:.1f}" text-anchor="{anchor}" fill="#333">{escape(words)}</text>'
