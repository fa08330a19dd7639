"""The application factory."""

from __future__ import annotations

from pathlib import Path as FilePath
from urllib.parse import urlsplit

from flask import Response, request, send_from_directory
from flask_openapi3 import Info
from werkzeug.exceptions import Forbidden

from curlet import __version__
from curlet.store.database import open_database
from curlet.web import problems
from curlet.web.bench import bench
from curlet.web.described import Application
from curlet.web.drawers import drawers
from curlet.web.fonts import fonts
from curlet.web.guides import guides
from curlet.web.mending import mending
from curlet.web.motifs import motifs
from curlet.web.send_out import send_out
from curlet.web.sheets import sheets
from curlet.web.strips import strips
from curlet.web.table import table
from curlet.web.take_in import take_in
from curlet.web.tracing import tracing

STATIC = FilePath(__file__).parent / "static"
MOST_UPLOADED = 41 * 1024 * 1024
LOCAL_HOSTS = {"127.0.0.1", "localhost", "[::1]", "::1"}
_POLICY = (
    "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; "
    "object-src 'none'; base-uri 'none'; frame-ancestors 'none'"
)


def create_app(database: FilePath, *, busy_seconds: float = 5.0) -> Application:
    """The web application on a database file."""
    open_database(database, busy_seconds=busy_seconds)
    return build_app()


def build_app() -> Application:
    """The application without its database, as for writing out its OpenAPI."""
    app = Application(
        "curlet",
        info=Info(title="Curlet", version=__version__),
        static_folder=None,
        validation_error_status=422,
        validation_error_callback=problems.invalid,
    )
    app.config["MAX_CONTENT_LENGTH"] = MOST_UPLOADED
    for blueprint in (
        sheets,
        table,
        take_in,
        fonts,
        guides,
        send_out,
        strips,
        bench,
        drawers,
        motifs,
        tracing,
        mending,
    ):
        app.register_api(blueprint)
    problems.install(app)
    app.before_request(_only_from_here)
    app.after_request(_harden)
    app.add_url_rule("/", view_func=_page, defaults={"name": "index.html"}, endpoint="home")
    app.add_url_rule("/<path:name>", view_func=_page, endpoint="page")
    return app


def _only_from_here() -> None:
    """Refuse pages of other sites that talk to this server through the browser."""
    host = urlsplit(f"//{request.host}").hostname
    origin = request.headers.get("Origin")
    if host not in LOCAL_HOSTS or (origin and urlsplit(origin).netloc != request.host):
        raise Forbidden("Curlet answers only its own pages on this machine.")


def _harden(reply: Response) -> Response:
    reply.headers.setdefault("Content-Security-Policy", _POLICY)
    reply.headers.setdefault("X-Content-Type-Options", "nosniff")
    return reply


def _page(name: str) -> Response:
    """A file of the front end; any other address is the page itself, which routes it."""
    if name.startswith("api/") or not (STATIC / "index.html").exists():
        return problems.problem(404, "Not there", "There is nothing at this address.")
    if not (STATIC / name).is_file():
        name = "index.html"
    return send_from_directory(STATIC, name)
