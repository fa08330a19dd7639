"""What a page does, from a test: ask, command, read frames."""

from __future__ import annotations

import json
import struct
import urllib.error
import urllib.request
from typing import Any

SHEET = "waistcoat"


class Failed(Exception):
    """The server answered with a problem."""

    def __init__(self, status: int, problem: dict[str, Any]) -> None:
        super().__init__(f"{status}: {problem.get('detail')}")
        self.status, self.problem = status, problem


def ask(address: str, path: str, body: object = None, timeout: float = 60.0) -> bytes:
    """The reply's bytes; Failed for a problem, OSError where there is no answer."""
    data = None if body is None else json.dumps(body).encode()
    request = urllib.request.Request(address + path, data, {"Content-Type": "application/json"})
    try:
        with urllib.request.urlopen(request, timeout=timeout) as reply:
            return bytes(reply.read())
    except urllib.error.HTTPError as error:
        text = error.read()
        raise Failed(error.code, json.loads(text) if text.startswith(b"{") else {}) from None


def head_of(frame: bytes) -> dict[str, Any]:
    (size,) = struct.unpack("<I", frame[:4])
    return dict(json.loads(frame[4 : 4 + size]))


def sheet(address: str, sheet_id: str = SHEET) -> dict[str, Any]:
    return head_of(ask(address, f"/api/sheets/{sheet_id}"))


def command(address: str, intent: dict[str, Any], sheet_id: str = SHEET, revision: int | None = None) -> Any:
    """Do one thing, on the sheet as it is now unless a revision is given."""
    now = sheet(address, sheet_id)["revision"] if revision is None else revision
    body = {"revision": now, "intent": intent}
    return head_of(ask(address, f"/api/sheets/{sheet_id}/commands", body))
