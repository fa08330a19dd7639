"""Documents known by their content, so that what is made of them is made once."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Any

import orjson


@dataclass(frozen=True, eq=False)
class Content:
    """A document, equal to every other that would be written the same. It must not be changed afterwards.

    >>> {Content({"mm": 3}): "kept"}[Content({"mm": 3})]
    'kept'
    """

    value: Any

    @cached_property
    def key(self) -> bytes:
        return orjson.dumps(self.value)

    def __hash__(self) -> int:
        return hash(self.key)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Content) and self.key == other.key


@dataclass(frozen=True, eq=False)
class _Held:
    """A document that stays, known by being that object: held, so that nothing else gets its id."""

    value: Any

    def __hash__(self) -> int:
        return id(self.value)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Held) and self.value is other.value


def content_of(value: Any) -> Content:
    """A document that stays, such as a kept row's, known by its content; worked out once.

    >>> nodes = [{"x": 3}]
    >>> content_of(nodes) is content_of(nodes)
    True
    """
    return _content_of(_Held(value))


@lru_cache(maxsize=16_384)
def _content_of(held: _Held) -> Content:
    return Content(held.value)


def content_key(*parts: object) -> str:
    """A short hash of some content.

    >>> content_key({"mm": 3})
    '7e67478f2c29ccce'
    """
    return hashlib.sha256(orjson.dumps(parts)).hexdigest()[:16]
