"""Clients that are slow, half open or many: the page is answered all the same, and they are let go of."""

from __future__ import annotations

import contextlib
import socket
import time
from collections.abc import Iterator

import pytest

from curlet.web import listening
from tests.effort import LONG
from tests.faults.client import ask
from tests.faults.report import Report
from tests.faults.watch import seconds_used
from tests.server import Server

HEAD = b"POST /api/sheets HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n"
# What each sends before it falls silent.
SILENT = {
    "say nothing": b"",
    "stop in the first line": b"GET /api/she",
    "stop in a header": HEAD + b"X-Slow: ",
    "stop in the body": HEAD + b"Content-Length: 5000\r\n\r\n{",
}
_COLUMNS = ("clients", "how many", "the page is answered after, s", "they are let go of after, s")


@contextlib.contextmanager
def held(server: Server, said: bytes, count: int) -> Iterator[list[socket.socket]]:
    with contextlib.ExitStack() as stack:
        opened = []
        for _ in range(count):
            one = stack.enter_context(socket.create_connection(("127.0.0.1", server.port), timeout=30))
            with contextlib.suppress(OSError):
                one.sendall(said)
            opened.append(one)
        yield opened


def slowest(address: str, times: int = 5) -> float:
    most = 0.0
    for _ in range(times):
        began = time.monotonic()
        ask(address, "/api/sheets")
        most = max(most, time.monotonic() - began)
    return most


@pytest.mark.parametrize("how", SILENT)
def test_the_page_is_answered_whoever_holds_connections(server: Server, report: Report, how: str) -> None:
    address, count = server.address, 600 if LONG else 2 * listening.MAX_OPEN
    with held(server, SILENT[how], count) as clients:
        took = slowest(address)
        gone = ""
        if LONG and SILENT[how]:
            began = time.monotonic()
            clients[-1].settimeout(60)
            assert clients[-1].recv(1000) == b""
            gone = f"{time.monotonic() - began:.1f}"
    report.add("Slow clients", _COLUMNS, how, count, f"{took:.2f}", gone)
    assert took < (1.0 if LONG else 20.0)


def test_one_that_sends_a_letter_at_a_time_is_let_go_of(server: Server, report: Report) -> None:
    server.address  # noqa: B018 - waits until it is up
    with held(server, HEAD, 1) as (one,):
        began = time.monotonic()
        with contextlib.suppress(OSError):
            while time.monotonic() - began < 40:
                one.sendall(b"X")
                one.settimeout(0.2)
                with contextlib.suppress(TimeoutError):
                    if one.recv(100) == b"":
                        break
        took = time.monotonic() - began
    report.add("Slow clients", _COLUMNS, "a letter at a time in a header", 1, "", f"{took:.1f}")
    assert took < 30


def test_a_server_that_nobody_asks_rests(server: Server) -> None:
    server.address  # noqa: B018
    time.sleep(1)
    before = seconds_used(server.process.pid)
    time.sleep(2)
    assert seconds_used(server.process.pid) - before < 0.3


def test_those_that_do_not_read_hold_no_thread(server: Server, report: Report) -> None:
    address = server.address
    wanted = b"GET /api/sheets/curtain HTTP/1.1\r\nHost: localhost\r\n\r\n"
    many = listening.THREADS + 2
    with held(server, wanted, many):
        time.sleep(0.5)
        # The first waits until all of them are made, however long that takes.
        ask(address, "/api/sheets", timeout=300)
        took = slowest(address, 3)
    report.add("Slow clients", _COLUMNS, "never read a large reply", many, f"{took:.2f}", "")
    assert took < (1.0 if LONG else 20.0)


def everything(client: socket.socket) -> bytes:
    """All that is answered, until the connection is closed."""
    client.settimeout(20)
    found = b""
    with contextlib.suppress(ConnectionResetError):
        while part := client.recv(65_536):
            found += part
    return found


def test_a_body_too_long_for_its_address_is_not_imported(server: Server) -> None:
    server.address  # noqa: B018
    with held(server, HEAD + b"Content-Length: 900000000\r\n\r\n", 1) as (one,):
        reply = everything(one)
    assert b" 413 " in reply.split(b"\r\n")[0]
    assert b"6 MB is the most" in reply
    # One that a page may have sent by mistake is read to its end, so that the page reads the answer.
    with held(server, HEAD + b"Content-Length: 30000000\r\n\r\n", 1) as (one,):
        one.sendall(bytes(30_000_000))
        assert b" 413 " in everything(one).split(b"\r\n")[0]
    with held(server, HEAD + b"Transfer-Encoding: chunked\r\n\r\n", 1) as (one,):
        assert b" 411 " in everything(one).split(b"\r\n")[0]
