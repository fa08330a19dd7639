"""A shade card as it is read from a file, and what all of its formats share."""

from __future__ import annotations

from dataclasses import dataclass

from coloraide import Color

from curlet.core.errors import BadInput, TooMuch

MAX_BYTES = 1_000_000
# So far outside sRGB no eye sees that a colour was brought into it (ΔE OK).
_SEEN = 0.02


@dataclass(frozen=True)
class CardShade:
    """A shade: its name, and its colours, "#rrggbb", by the names of colourways; "" for a file without."""

    name: str
    colours: dict[str, str]


@dataclass(frozen=True)
class CardFile:
    """The shades of a file in order, and what is to be said of it."""

    shades: tuple[CardShade, ...]
    notes: tuple[str, ...] = ()


def check_size(data: bytes) -> None:
    """Raises TooMuch for a file that is too large to be a shade card."""
    if len(data) > MAX_BYTES:
        raise TooMuch(
            f"This file is {len(data) / 1e6:.1f} MB; a shade card of 1 MB is the most. Keep only its colours."
        )


def text_of(data: bytes) -> str:
    """A file's text; BadInput if it is not UTF-8."""
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise BadInput("This file is not text in UTF-8. Save it as UTF-8 and import it again.") from None


class Notes:
    """What happens to colours on their way in, told once with how many it was."""

    def __init__(self) -> None:
        self._counts: dict[str, int] = {}

    def add(self, one: str, many: str) -> None:
        """`one` is said of a single one, `many`, with `{}` for the number, of several."""
        key = f"{one}\n{many}"
        self._counts[key] = self._counts.get(key, 0) + 1

    def told(self) -> tuple[str, ...]:
        """Every note in words."""
        found = []
        for key, count in self._counts.items():
            one, many = key.split("\n")
            found.append(one if count == 1 else many.format(count))
        return tuple(found)

    def plain(self, colour: Color) -> str:
        """A colour as "#rrggbb"; says where that changes how it looks."""
        if float(colour.alpha(nans=False)) < 1:
            self.add(
                "One colour was see-through; it is opaque here.",
                "{} colours were see-through; they are opaque here.",
            )
        fitted = colour.convert("srgb").fit(method="oklch-chroma")
        if fitted.delta_e(colour, method="ok") > _SEEN:
            self.add(
                "One colour lies outside sRGB and was brought in.",
                "{} colours lie outside sRGB and were brought in.",
            )
        return str(fitted.to_string(hex=True, alpha=False))


def unlike_paths(paths: list[tuple[str, ...]]) -> list[str]:
    """A name for each of some nested names: its last part, or all of them where that would not do."""
    lasts = [path[-1] for path in paths]
    return [" ".join(path) if lasts.count(path[-1]) > 1 or path[-1].isdigit() else path[-1] for path in paths]
