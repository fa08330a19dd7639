"""The fonts that lettering can be written in."""

from __future__ import annotations

from dataclasses import asdict

from flask import Response
from pydantic import BaseModel

from curlet.store import fonts as store
from curlet.studio import imports
from curlet.web.asking import gone
from curlet.web.replies import json_reply
from curlet.web.routes import Routes
from curlet.web.run_schemas import FontList, FontShown
from curlet.web.schemas import Problem, Upload

fonts = Routes("fonts", __name__, url_prefix="/api")


class FontFile(BaseModel):
    """A font file: TTF, OTF, WOFF or WOFF2."""

    file: Upload


class FontUrl(BaseModel):
    font_id: str


@fonts.get("/fonts", responses={200: FontList})
def every() -> Response:
    """Every font: the application's own, then those that people brought."""
    return json_reply({"fonts": [asdict(font) for font in store.list_fonts()]})


@fonts.post("/fonts", responses={200: FontShown, 413: Problem, 422: Problem})
def bring(form: FontFile) -> Response:
    """Keep a font of the user's."""
    return json_reply(asdict(store.add_font(*imports.font(form.file.stream.read(store.LARGEST + 1), gone()))))


@fonts.delete("/fonts/<font_id>", responses={200: FontList, 409: Problem})
def let_go(path: FontUrl) -> Response:
    """Remove a font of the user's."""
    store.remove_font(path.font_id)
    return every()
