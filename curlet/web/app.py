"""The application factory."""

from __future__ import annotations

from pathlib import Path as FilePath

import orjson
from flask import Response, request, send_from_directory
from flask.json.provider import DefaultJSONProvider
from flask_openapi3 import Info

from curlet.store.database import open_database
from curlet.version import __version__
from curlet.web import problems
from curlet.web.areas import areas
from curlet.web.backups import backups
from curlet.web.bench import bench
from curlet.web.drawings import drawings
from curlet.web.export import export
from curlet.web.fills import fills
from curlet.web.fonts import fonts
from curlet.web.gate import HEADERS, foreign, too_long
from curlet.web.guides import guides
from curlet.web.library import library
from curlet.web.motifs import motifs
from curlet.web.repair import repair
from curlet.web.replies import FOR_EVER
from curlet.web.routes import Application
from curlet.web.schedule import schedule
from curlet.web.shades import shades
from curlet.web.sheet_files import sheet_files
from curlet.web.sheets import sheets
from curlet.web.strips import strips
from curlet.web.table import table
from curlet.web.tiles import tiles
from curlet.web.tracing import tracing
from curlet.web.watched import under_way

STATIC = FilePath(__file__).parent / "static"


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
    for blueprint in (
        sheets,
        sheet_files,
        backups,
        table,
        drawings,
        fonts,
        guides,
        fills,
        areas,
        shades,
        export,
        schedule,
        strips,
        tiles,
        bench,
        library,
        motifs,
        tracing,
        repair,
        under_way,
    ):
        app.register_api(blueprint)
    problems.install(app)
    app.json = StrictJson(app)
    app.before_request(_only_from_here)
    app.after_request(_harden)
    _add_pages(app)
    return app


class StrictJson(DefaultJSONProvider):
    """JSON read as RFC 8259 has it: no numbers that are none, no halves of characters, no endless nesting."""

    def loads(self, s: str | bytes, **_: object) -> object:
        return orjson.loads(s)


def _only_from_here() -> Response | None:
    """Refuse pages of other sites, and bodies longer than their address takes, whatever server this is in."""
    headers = {key.lower(): value for key, value in request.headers.items()}
    refusal = foreign(request.method, request.path, headers)
    refusal = refusal or too_long(request.path, request.content_length or 0)
    return problems.refused(refusal) if refusal else None


def _harden(reply: Response) -> Response:
    for name, value in HEADERS.items():
        reply.headers.setdefault(name, value)
    return reply


def _add_pages(app: Application) -> None:
    """The front end's files. Which there are is known from the start: no address leads to any other."""
    files = frozenset(str(file.relative_to(STATIC)) for file in STATIC.rglob("*") if file.is_file())

    def page(name: str) -> Response:
        """A file of the front end; any other address is the page itself, which routes it."""
        if name.startswith("api/") or "index.html" not in files:
            return problems.problem(404, "Not there", "There is nothing at this address.")
        reply = send_from_directory(STATIC, name if name in files else "index.html")
        if name in files and name.startswith("assets/"):
            # A hash of what is in it is part of its name.
            reply.headers["Cache-Control"] = FOR_EVER
        return reply

    app.add_url_rule("/", view_func=page, defaults={"name": "index.html"}, endpoint="home")
    app.add_url_rule("/<path:name>", view_func=page, endpoint="page")
