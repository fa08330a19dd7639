"""What a warning is: words, places and a mend; alike ones told as one."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from curlet.core.lay import LaidRun
from curlet.core.sentence import Sentence, Told


@dataclass(frozen=True)
class Mend:
    """A one-press fix: what the person would enter in the settings named by JSON Pointers."""

    label: Sentence
    settings: tuple[tuple[str, str | bool], ...]


@dataclass(frozen=True)
class Place:
    """Where on a path: `s` drawn mm along it, `at` on the sheet, and its leg's index where it is a leg's."""

    s: float
    at: tuple[float, float]
    leg: int | None = None

    @staticmethod
    def on(run: LaidRun, s: float, leg: int | None = None) -> Place:
        """The place so far along a run's path."""
        x, y = run.path.arc.points([s])[0]
        return Place(s, (float(x), float(y)), leg)


@dataclass(frozen=True)
class Warning:
    """Something to look at: once in words, however many places it is true of."""

    code: str
    message: Sentence
    places: tuple[Place, ...] = ()
    mend: Mend | None = None


Found = tuple[Place, Sequence[float]]


def told(
    code: str, found: Iterable[Found], one: str, many: str, mend: Mend | None = None
) -> Iterator[Warning]:
    """One warning of what was found, if anything was.

    Parameters
    ----------
    found : places, each with its lengths in garment mm.
    one : what is said of one place, with `{}` for each length.
    many : what is said of several, with `[count]` for how many, and `{}` for each length: two where they
        differ.

    >>> from curlet.core.tally.warning import Place, told
    >>> here = Place(0, (0, 0))
    >>> found = [(here, [2, 3]), (here, [2.5, 3])]
    >>> [told] = told("short", found, "A leg is {}, a stitch {}.", "[count] legs are {}, a stitch {}.")
    >>> told.message
    '2 legs are 2 to 2.5 mm, a stitch 3 mm.'
    """
    every = list(found)
    if len(every) == 1:
        yield Warning(code, Sentence(one, *every[0][1]), (every[0][0],), mend)
    elif every:
        each = zip(*(values for _, values in every), strict=True)
        lengths: list[Told] = [(min(values), max(values)) for values in each]
        template = many.replace("[count]", str(len(every)))
        yield Warning(code, Sentence(template, *lengths), tuple(place for place, _ in every), mend)
