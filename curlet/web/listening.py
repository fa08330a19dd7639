"""The server: waitress, with bounds on who asks, on how much is sent and on how slowly."""

from __future__ import annotations

import time
from http import HTTPStatus
from typing import Any

import orjson
from waitress.channel import HTTPChannel
from waitress.parser import HTTPRequestParser
from waitress.server import TcpWSGIServer

from curlet.web.gate import HEADERS, Refusal, foreign, too_long
from curlet.web.replies import PROBLEM_TYPE

# More connections than this and the oldest that waits is let go.
MAX_OPEN = 150
# Seconds for a request's head; then for its body so many more, and as many as it takes at the slowest rate.
HEAD_SECONDS, BODY_SECONDS, SLOWEST = 10.0, 10.0, 50_000.0
# Seconds that a connection stays open with nothing asked, and that a reply may stand still.
IDLE_SECONDS, STILL_SECONDS = 60, 30.0
THREADS = 24
# A refused body up to this is read to its end, unkept, so that the browser reads the refusal.
_READ_OUT = 128 * 1024 * 1024


class _Refused:
    """A refusal in the shape of waitress's errors."""

    def __init__(self, refusal: Refusal) -> None:
        self._refusal = refusal

    def to_response(self, ident: str | None = None) -> tuple[str, list[tuple[str, str]], bytes]:
        status = HTTPStatus(self._refusal.status)
        body = {"title": status.phrase, "status": status.value, "detail": self._refusal.detail}
        headers = [*HEADERS.items(), ("Content-Type", PROBLEM_TYPE)]
        return f"{status.value} {status.phrase}", headers, orjson.dumps(body)


class _ReadOut:
    """Reads a body to its end and keeps nothing of it."""

    error = None

    def __init__(self, length: int) -> None:
        self._left = length

    def __len__(self) -> int:
        return 0

    @property
    def completed(self) -> bool:
        return self._left <= 0

    def received(self, data: bytes) -> int:
        taken = min(len(data), self._left)
        self._left -= taken
        return taken


class _Parser(HTTPRequestParser):
    """Refuses by a request's head, before any of its body is kept."""

    refused = False

    def parse_header(self, header_plus: bytes) -> None:
        super().parse_header(header_plus)
        said = {key.lower().replace("_", "-"): value for key, value in self.headers.items()}
        refusal = foreign(self.command, self.path, said)
        if refusal is None:
            refusal = too_long(self.path, self.content_length)
            self._read_out = refusal is not None and self.content_length <= _READ_OUT
        if refusal is None and self.chunked:
            # No page of ours sends one, and its length is not known before it has been read.
            refusal = Refusal(411, "Say how long the body is (Content-Length).")
        if refusal is not None:
            self.error, self.refused = _Refused(refusal), True

    def received(self, data: bytes) -> int:
        before = self.headers_finished
        consumed = int(super().received(data))
        if self.refused and not before and self.headers_finished:
            self._refuse()
        return consumed

    def _refuse(self) -> None:
        self.expect_continue = False
        reads = getattr(self, "_read_out", False) and self.headers.get("EXPECT", "") == ""
        self.body_rcv = _ReadOut(self.content_length) if reads else None
        self.completed, self.connection_close = not reads, True


class _Channel(HTTPChannel):
    parser_class = _Parser
    # When the request that is being received began.
    since = 0.0

    def received(self, data: bytes) -> Any:
        fresh = self.request is None
        taken = super().received(data)
        if self.request is not None and fresh:
            self.since = time.time()
        return taken

    def overdue(self, now: float) -> bool:
        """Whether its client is too slow to be waited for."""
        if self.requests:
            return bool(self.total_outbufs_len) and now - self.last_activity > STILL_SECONDS
        request = self.request
        if request is None:
            waits = STILL_SECONDS if self.total_outbufs_len else IDLE_SECONDS
            return now - self.last_activity > waits
        if not request.headers_finished:
            return now - self.since > HEAD_SECONDS
        return now - self.since > HEAD_SECONDS + BODY_SECONDS + request.body_bytes_received / SLOWEST


class Server(TcpWSGIServer):
    """Keeps room for the next connection, whoever holds the others."""

    channel_class = _Channel

    def handle_accept(self) -> None:
        if len(self.active_channels) >= MAX_OPEN:
            self._let_one_go()
        super().handle_accept()

    def _let_one_go(self) -> None:
        waiting = [c for c in self.active_channels.values() if not c.requests and not c.total_outbufs_len]
        # Those that have begun a request and not ended it go before those that only stay open.
        waiting.sort(key=lambda c: (c.request is None and c.last_activity > c.creation_time, c.last_activity))
        if waiting:
            waiting[0].handle_close()

    def maintenance(self, now: float) -> None:
        for channel in list(self.active_channels.values()):
            if channel.overdue(now):
                channel.will_close = True
                if channel.requests:
                    channel.connected = False


def make_server(application: Any, host: str, port: int) -> Server:
    """The server, listening; `run` serves until the process is told to stop."""
    return Server(
        application,
        host=host,
        port=port,
        threads=THREADS,
        ident="curlet",
        cleanup_interval=1,
        # A thread is never held by a client that reads slowly: what is not read yet goes to a file.
        outbuf_high_watermark=1 << 31,
        # So that it is seen when a client goes away while its request is worked on.
        channel_request_lookahead=1,
        connection_limit=MAX_OPEN + 50,
        asyncore_use_poll=True,
        # Whole seconds: what is less becomes none, and the loop never rests.
        asyncore_loop_timeout=1,
        max_request_body_size=1 << 30,
    )
