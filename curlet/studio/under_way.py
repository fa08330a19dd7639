"""Work under way: how far it is, and whether it is to stop."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import TypeVar

from curlet.core.motif.tracing import Stopped
from curlet.studio.worker import Stop, never

Item = TypeVar("Item")

# Whether it is to stop is looked at so many times in a whole.
_LOOKS = 200


class UnderWay:
    """Passed down to what takes long: `done` of `total` things, and what is being done with them.

    >>> from curlet.studio.under_way import UnderWay
    >>> work = UnderWay()
    >>> for name in work.each(["hem", "yoke"], "Laying"):
    ...     print(work.doing, work.done, "of", work.total)
    Laying 0 of 2
    Laying 1 of 2
    """

    def __init__(self, stop: Stop = never) -> None:
        self._stop, self._asked = stop, False
        self.done, self.total, self.doing = 0, 0, ""

    def stop(self) -> None:
        """Let it stop at the next thing, if there is one: what asked for it is told whether it did."""
        self._asked = True

    def is_to_stop(self) -> bool:
        """Whether it is to stop at once."""
        return self._asked or self._stop()

    def each(self, items: Sequence[Item], doing: str) -> Iterator[Item]:
        """The things one by one; Stopped is raised once the work is to stop."""
        every = max(1, len(items) // _LOOKS)
        self.done, self.total, self.doing = 0, len(items), doing
        for done, item in enumerate(items):
            if self._asked or (done % every == 0 and self._stop()):
                raise Stopped
            self.done = done
            yield item


# For work that nobody watches.
UNWATCHED = UnderWay()
