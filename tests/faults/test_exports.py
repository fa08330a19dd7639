"""Exports: one at a time however many are asked for, and ended when whoever asked has gone."""

from __future__ import annotations

import contextlib
import socket
import threading
import time

import pytest

from curlet.core.drawing import Drawing
from curlet.core.motif.tracing import Stopped
from curlet.formats.output import FileSettings
from curlet.studio import exports
from curlet.studio.under_way import UnderWay
from tests.effort import LONG
from tests.faults.client import ask
from tests.faults.report import Report
from tests.faults.watch import Watch, family
from tests.server import Server

EMPTY = Drawing(50, 50, ())
_COLUMNS = ("asked for", "how many at once", "seconds in all", "MB", "others, s")
LARGE = "/api/sheets/curtain/export.png?ppi=300"


def test_one_waits_for_the_other_and_can_be_stopped_meanwhile() -> None:
    stop = threading.Event()
    with exports._in_turn(lambda: False):
        began = time.monotonic()
        waiting = threading.Timer(0.3, stop.set)
        waiting.start()
        with pytest.raises(Stopped):
            exports.export("Empty", [EMPTY], "svg", work=UnderWay(stop.is_set))
        assert time.monotonic() - began >= 0.3
    assert exports.export("Empty", [EMPTY], "svg").data.startswith(b"<?xml")
    assert exports.export("Empty", [EMPTY], "png", FileSettings(10)).data.startswith(b"\x89PNG")


# The server, and the process that others are forked off.
QUIET = 2
# The process that makes an export, and the one that tells how it ended.
ONE_EXPORT = 2


def becomes(server: Server, count: int) -> bool:
    """Whether the server comes to have so many processes."""
    until = time.monotonic() + 60
    while len(family(server.process.pid)) != count and time.monotonic() < until:
        time.sleep(0.02)
    return len(family(server.process.pid)) == count


def test_it_ends_when_whoever_asked_has_gone(server: Server) -> None:
    address = server.address
    ask(address, "/api/sheets/waistcoat/export.png?ppi=20")
    assert becomes(server, QUIET)
    with contextlib.ExitStack() as stack:
        for _ in range(3):
            one = stack.enter_context(socket.create_connection(("127.0.0.1", server.port)))
            one.sendall(f"GET {LARGE} HTTP/1.1\r\nHost: localhost\r\n\r\n".encode())
        assert becomes(server, QUIET + ONE_EXPORT)
    began = time.monotonic()
    ask(address, "/api/sheets/waistcoat/export.png?ppi=20", timeout=100)
    assert becomes(server, QUIET)
    # Three of them, made to their ends, would have come first.
    if LONG:
        assert time.monotonic() - began < 3


@pytest.mark.skipif(not LONG, reason="make faults: it is a measurement")
def test_six_at_once_take_the_memory_of_one(server: Server, report: Report) -> None:
    address = server.address
    for count in (1, 6):
        with Watch(address, server.process.pid).watching() as watch:
            began = time.monotonic()
            threads = [threading.Thread(target=ask, args=(address, LARGE)) for _ in range(count)]
            for thread in threads:
                thread.start()
            for thread in threads:
                thread.join()
            took = time.monotonic() - began
        cells = (f"{took:.1f}", f"{watch.most_mb:.0f}", f"{watch.slowest:.2f}")
        report.add("Exports", _COLUMNS, "the curtain as PNG, 300 ppi", count, *cells)
        assert watch.most_mb < 900
        assert watch.slowest < 1.0
