"""Replies: JSON by orjson, frames, and files to keep."""

from __future__ import annotations

import re
from http import HTTPStatus
from typing import Any

import orjson
from flask import Response
from pydantic import BaseModel

# What the API library takes as a view's documented replies.
Replies = dict[str | int | HTTPStatus, type[BaseModel] | dict[Any, Any] | None]

FRAME_TYPE = "application/octet-stream"


def json_reply(document: object, status: int = 200) -> Response:
    return Response(orjson.dumps(document), status=status, content_type="application/json")


def frame_reply(frame: bytes) -> Response:
    return Response(frame, content_type=FRAME_TYPE, headers={"Cache-Control": "no-store"})


def file_reply(data: bytes, content_type: str, name: str) -> Response:
    """A file for the person to keep, under a safe name."""
    safe = re.sub(r"[^A-Za-z0-9._ -]+", "", name).strip() or "curlet"
    headers = {"Content-Disposition": f'attachment; filename="{safe}"'}
    return Response(data, content_type=content_type, headers=headers)
