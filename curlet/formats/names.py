"""Names that people give: of brushes, motifs, paths, groups and sheets."""

from __future__ import annotations

import re
from typing import Annotated

from pydantic import BeforeValidator, Field

# The longest that is read.
MAX_LETTERS = 120
# Control characters, line ends, changes of direction and halves of characters: none of them is seen.
_UNSEEN = re.compile("[\x00-\x1f\x7f-\x9f\u2028-\u202e\u2066-\u2069\ud800-\udfff\ufffe\uffff]")

_PLAIN = str.maketrans({"‘": "'", "’": "'", "“": '"', "”": '"', "–": "-", "—": "-", "\u00a0": " "})


def seen(name: object) -> object:
    """A name with a space for each character in it that is not seen."""
    return _UNSEEN.sub(" ", name) if isinstance(name, str) else name


def ended(name: str, ending: str) -> str:
    """The name with an ending, shortened so that the whole is no longer than a name may be."""
    return f"{name[: MAX_LETTERS - len(ending)]}{ending}"


def as_keyed(name: str) -> str:
    """A name as it is entered where there are no curled quotation marks, dashes or capitals to hand.

    >>> as_keyed("Usher’s waistcoat – night")
    "usher's waistcoat - night"
    """
    return name.translate(_PLAIN).casefold()


Name = Annotated[str, BeforeValidator(seen), Field(min_length=1, max_length=MAX_LETTERS)]
MaybeName = Annotated[str, BeforeValidator(seen), Field(max_length=MAX_LETTERS)]
