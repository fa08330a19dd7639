"""Thread: its count, and how thick it is.

1 tex is 1 g to the kilometre; 1 tex = 9 denier, Nm = 1000/tex, Ne = 590.5/tex (ISO 1144). A yarn of
usual packing is about 0.0373·√tex mm thick (Peirce 1937). Ticket numbers of synthetic sewing thread are
about 3000/tex (from memory).
"""

from __future__ import annotations

import math
import re

from curlet.core.errors import BadInput

PEIRCE = 0.0373
_SYSTEM = "tex|tkt|ticket|denier|den|nm|ne"
_COUNT = re.compile(rf"\s*(?:({_SYSTEM})\s*)?(\d+(?:[.,]\d+)?)\s*({_SYSTEM})?\s*")


def thickness(tex: float) -> float:
    """Diameter in mm of a thread of `tex` (Peirce 1937)."""
    return PEIRCE * math.sqrt(tex)


def to_tex(count: float, system: str) -> float:
    """A count in "tex", "denier", "nm", "ne" or "ticket", as tex (ISO 1144; tickets from memory)."""
    if system == "tex":
        return count
    if system == "denier":
        return count / 9
    return {"nm": 1000.0, "ne": 590.5, "ticket": 3000.0}[system] / count


def read_thread(text: str) -> float | None:
    """Thickness in mm for a thread's count ("40 tex", "tkt 75", "360 denier", "Nm 60"), None for other text.

    Raises
    ------
    BadInput
        If the count is 0.
    """
    match = _COUNT.fullmatch(text.lower())
    if not match or bool(match[1]) == bool(match[3]):
        return None
    system = {"tkt": "ticket", "den": "denier"}.get(name := match[1] or match[3], name)
    count = float(match[2].replace(",", "."))
    if count <= 0:
        raise BadInput("A thread's count is above 0, like 40 tex or ticket 75.")
    return thickness(to_tex(count, system))
