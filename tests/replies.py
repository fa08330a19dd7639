"""Every reply that a test gets is what the API's description says, and nothing more."""

from __future__ import annotations

import json
import struct
from typing import Any

from flask import Flask, Response, current_app, request
from pydantic import BaseModel

from curlet.web.replies import FRAME_TYPE


def with_checked_replies(app: Flask) -> Flask:
    """The application; what it sends as JSON, or as the head of a frame, is read by its schema."""
    app.after_request(_checked)
    return app


def _checked(reply: Response) -> Response:
    schema, head = _schema(reply.status_code), _json_of(reply)
    if schema and head is not None:
        schema.model_validate(head, extra="forbid")
    return reply


def _schema(status: int) -> type[BaseModel] | None:
    blueprint = current_app.blueprints.get(request.blueprint or "")
    replies = getattr(blueprint, "replies", {}).get((request.endpoint or "").rpartition(".")[2], {})
    found = replies.get(status)
    return found if isinstance(found, type) else None


def _json_of(reply: Response) -> Any:
    if reply.content_type == FRAME_TYPE:
        (size,) = struct.unpack("<I", reply.data[:4])
        return json.loads(reply.data[4 : 4 + size])
    return reply.get_json() if reply.is_json else None
