"""Errors as RFC 9457 problem JSON: people's own as 4xx, ours as a 500 with an id."""

from __future__ import annotations

import logging
import secrets
from http import HTTPStatus

from flask import Flask, Response, request
from pydantic import ValidationError
from werkzeug.exceptions import HTTPException

from curlet.core.errors import BadInput, CurletError, TooMuch
from curlet.core.motif.tracing import Stopped
from curlet.core.sentence import Sentence
from curlet.store import journal
from curlet.store.errors import Conflict, Missing, Stale, Unavailable
from curlet.web.gate import Refusal
from curlet.web.replies import PROBLEM_TYPE, json_reply

log = logging.getLogger("curlet")

# The first that fits is taken, so the narrower class stands before the wider.
STATUS: tuple[tuple[type[CurletError], int, str], ...] = (
    (TooMuch, 413, "Too much"),
    (BadInput, 422, "That cannot be used as it is"),
    (Missing, 404, "Not there"),
    (Stale, 409, "Changed in another page"),
    (Conflict, 409, "Changed elsewhere"),
    (Unavailable, 503, "The database cannot be used"),
    (CurletError, 400, "That did not work"),
)
_HTTP = {
    404: "There is nothing at this address. Go back to the Table.",
    405: "That cannot be done at this address.",
}


def install(app: Flask) -> None:
    """Turn every error into problem JSON."""
    app.register_error_handler(CurletError, _of_people)
    app.register_error_handler(Stopped, _of_stopping)
    app.register_error_handler(HTTPException, _of_http)
    app.register_error_handler(Exception, _of_ours)


def problem(status: int, title: str, detail: str, **more: object) -> Response:
    reply = json_reply({"title": title, "status": status, "detail": detail, **more}, status)
    reply.content_type = PROBLEM_TYPE
    return reply


def refused(refusal: Refusal) -> Response:
    """A request that is not taken up."""
    return problem(refusal.status, HTTPStatus(refusal.status).phrase, refusal.detail)


def invalid(error: ValidationError) -> Response:
    """A request that does not fit its schema."""
    first = error.errors(include_url=False, include_input=False)[0]
    place = " / ".join(str(part) for part in first["loc"])
    return problem(422, "That cannot be used as it is", f"{place}: {first['msg']}.")


def cannot_show(error: Exception, revision: int, undo: str | None) -> Response:
    """A sheet that is there but cannot be shown: it can be undone all the same."""
    fault_id = secrets.token_hex(4)
    log.error("fault %s: a sheet cannot be shown", fault_id, exc_info=error)
    why = str(error) if isinstance(error, CurletError) else f"Something went wrong here (fault {fault_id})."
    detail = f"This sheet cannot be shown: {why} Nothing of it is lost."
    more = {"fault_id": fault_id, "revision": revision, "undo": undo}
    return problem(500, "This sheet cannot be shown", detail, **more)


def _told(error: CurletError) -> str:
    """What an error says, its lengths in the unit of the sheet that the request is about."""
    said = error.args[0] if error.args else ""
    sheet_id = (request.view_args or {}).get("sheet_id")
    if not isinstance(said, Sentence) or sheet_id is None:
        return str(error)
    return said.told_in(journal.unit_of(sheet_id))


def _of_people(error: CurletError) -> Response:
    status, title = next((code, title) for kind, code, title in STATUS if isinstance(error, kind))
    more = {"revision": error.revision} if isinstance(error, Stale) else {}
    reply = problem(status, title, _told(error), **more)
    if status == 503:
        reply.headers["Retry-After"] = "2"
    return reply


def _of_http(error: HTTPException) -> Response:
    status = error.code or 500
    return problem(status, error.name, _HTTP.get(status, error.description or error.name))


def _of_stopping(_: Stopped) -> Response:
    return problem(409, "Stopped", "Stopped. Nothing was changed.")


def _of_ours(error: Exception) -> Response:
    fault_id = secrets.token_hex(4)
    log.exception("fault %s at %s %s", fault_id, request.method, request.path)
    detail = f"Something went wrong here, and nothing was changed. Please report it as fault {fault_id}."
    return problem(500, "Something went wrong here", detail, fault_id=fault_id)
