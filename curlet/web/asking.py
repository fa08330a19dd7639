"""Whoever asks: whether they still wait for the answer."""

from __future__ import annotations

from flask import request

from curlet.studio.worker import Stop, never


def gone() -> Stop:
    """Says whether whoever asked has gone, as when a download or an upload is stopped."""
    return request.environ.get("waitress.client_disconnected", never)
