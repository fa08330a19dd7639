"""The server's own bounds: refusals that can be read, and which connections are let go first."""

from __future__ import annotations

from types import SimpleNamespace
from typing import Any

import pytest
from waitress.adjustments import Adjustments

from curlet.web import listening

# Larger than any address takes, and no more than is read to its end; and more than that.
LARGE, LARGEST = 100 * 1024 * 1024, 200 * 1024 * 1024


def asked(length: int, *more: str, method: str = "POST") -> Any:
    """A request's head as it comes in, and what is made of it."""
    parser = listening._Parser(Adjustments())
    head = [f"{method} /api/sheets HTTP/1.1", "Host: 127.0.0.1", f"Content-Length: {length}", *more]
    parser.received("\r\n".join([*head, "", ""]).encode())
    return parser


def test_a_body_that_is_too_large_is_read_to_its_end_and_kept_nowhere() -> None:
    """A browser that is still sending does not read why it was refused."""
    parser = asked(LARGE)
    assert parser.error.to_response()[0].startswith("413")
    assert not parser.completed
    rest = LARGE
    while rest > 0:
        assert not parser.completed
        rest -= parser.received(b"x" * min(rest, 1 << 24))
    assert parser.completed
    assert len(parser.body_rcv) == 0


@pytest.mark.parametrize("more", [(LARGEST,), (LARGE, "Expect: 100-continue")])
def test_one_that_is_far_too_large_or_not_yet_sent_is_refused_at_once(more: tuple[Any, ...]) -> None:
    parser = asked(*more)
    assert parser.error.to_response()[0].startswith("413")
    assert parser.completed


def test_what_is_foreign_is_refused_at_once_and_what_is_fine_is_not() -> None:
    parser = asked(10, "Origin: http://elsewhere.example")
    assert parser.error.to_response()[0].startswith("403")
    assert parser.completed
    assert asked(10).error is None


def channel(begun: bool, last: float, created: float = 0.0, **more: Any) -> Any:
    closed: list[bool] = []
    return SimpleNamespace(
        request=object() if begun else None, requests=[], total_outbufs_len=0, last_activity=last,
        creation_time=created, closed=closed, handle_close=lambda: closed.append(True), **more,
    )  # fmt: skip


def let_go(*channels: Any) -> list[bool]:
    holder: Any = SimpleNamespace(active_channels=dict(enumerate(channels)))
    listening.Server._let_one_go(holder)
    return [bool(each.closed) for each in channels]


def test_what_began_a_request_and_never_ended_it_is_let_go_first_the_oldest_of_them() -> None:
    resting, begun, earlier = channel(False, 1.0), channel(True, 9.0), channel(True, 8.0)
    assert let_go(resting, begun, earlier) == [False, False, True]


def test_a_connection_that_never_asked_goes_before_one_that_rests_after_a_request() -> None:
    never, rested = channel(False, 5.0, created=5.0), channel(False, 2.0)
    assert let_go(rested, never) == [False, True]


def test_one_that_is_being_answered_is_never_let_go() -> None:
    busy, answered = channel(True, 1.0), channel(True, 2.0)
    busy.requests, answered.total_outbufs_len = [object()], 10
    assert let_go(busy, answered) == [False, False]
