"""Replies: JSON by orjson, frames, and files to keep."""

from __future__ import annotations

import unicodedata
from http import HTTPStatus
from typing import Any
from urllib.parse import quote

import orjson
from flask import Response
from pydantic import BaseModel

from curlet.formats.file_names import file_name

# What the API library takes as a view's documented replies.
Replies = dict[str | int | HTTPStatus, type[BaseModel] | dict[Any, Any] | None]

# What an address that changes with its content is kept by (RFC 8246).
FOR_EVER = "max-age=31536000, immutable"
FRAME_TYPE, PROBLEM_TYPE = "application/octet-stream", "application/problem+json"
# Replies that are frames: these schemas are of their heads.
FRAMES = ("SheetFrame", "PreviewFrame", "ChangedFrame", "BenchFrame")


def file_of(*types: str) -> dict[str, Any]:
    """A documented reply that is a file of one of some types."""
    return {"content": {name: {"schema": {"type": "string", "format": "binary"}} for name in types}}


def json_reply(document: object, status: int = 200) -> Response:
    data = orjson.dumps(document, option=orjson.OPT_SERIALIZE_NUMPY)
    return Response(data, status=status, content_type="application/json")


def frame_reply(frame: bytes) -> Response:
    return Response(frame, content_type=FRAME_TYPE, headers={"Cache-Control": "no-store"})


def file_reply(data: bytes, content_type: str, name: str) -> Response:
    """A file for the person to keep, under its name in any script (RFC 6266)."""
    safe = file_name(name)
    plain = unicodedata.normalize("NFKD", safe).encode("ascii", "ignore").decode().strip(" .") or "curlet"
    if "." in safe and "." not in plain:
        plain = f"curlet.{plain}"
    named = f"attachment; filename=\"{plain}\"; filename*=UTF-8''{quote(safe, safe='')}"
    headers = {"Content-Disposition": named}
    return Response(data, content_type=content_type, headers=headers)
