"""Routes that are described in OpenAPI only when the description is asked for: to work it out takes several
times as long as starting the application does, and no page needs it."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from threading import Lock
from typing import Any

from flask_openapi3 import APIBlueprint, OpenAPI
from flask_openapi3.types import ParametersTuple
from flask_openapi3.utils import parse_parameters

from curlet.web.replies import FRAME_TYPE, FRAMES, PROBLEM_TYPE
from curlet.web.schemas import Problem

# What any address may answer: to another page, to what does not fit, when something goes wrong here, when the
# database cannot be used; and, where something is changed or sent, what is told of that.
_ANY = (403, 404, 422, 500, 503)
_CHANGING = (400, 409, 411, 413, 415)


class Routes(APIBlueprint):
    """A blueprint that remembers what is to be told of its routes."""

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        # What each view may answer, by its name and the status.
        self.replies: dict[str, dict[int, Any]] = {}
        self._untold: list[tuple[str, Callable[..., Any], dict[str, Any]]] = []

    def _collect_openapi_info(self, rule: str, func: Callable[..., Any], **told: Any) -> ParametersTuple:
        changing = _CHANGING if str(told.get("method", "GET")).upper() != "GET" else ()
        usual = {status: Problem for status in (*_ANY, *changing)}
        told["responses"] = {**usual, **(told.get("responses") or {})}
        self.replies[func.__name__] = told["responses"]
        self._untold.append((rule, func, told))
        return parse_parameters(func, doc_ui=False)

    def describe(self) -> None:
        while self._untold:
            rule, func, told = self._untold.pop(0)
            super()._collect_openapi_info(rule, func, **told)


class Application(OpenAPI):
    """The application, its description worked out once."""

    _describing = Lock()

    @property
    def api_doc(self) -> dict[str, Any]:
        with self._describing:
            for blueprint in self.blueprints.values():
                if isinstance(blueprint, Routes):
                    blueprint.describe()
                    self.paths.update(blueprint.paths)
                    self.components_schemas.update(blueprint.components_schemas)
            doc: dict[str, Any] = super().api_doc
            # The library writes null where nothing is said, and JSON for every reply.
            doc["components"] = {key: value for key, value in doc["components"].items() if value is not None}
            for status, reply in _replies(doc):
                _say_type(status, reply)
            return doc


def _replies(doc: dict[str, Any]) -> Iterator[tuple[int, dict[str, Any]]]:
    for methods in doc["paths"].values():
        for operation in methods.values():
            for status, reply in operation["responses"].items():
                yield int(status), reply


def _say_type(status: int, reply: dict[str, Any]) -> None:
    """A reply's own content type."""
    content = reply.get("content") or {}
    kind = content.get("application/json")
    if kind is None:
        return
    if status >= 400:
        reply["content"] = {PROBLEM_TYPE: {"schema": {"$ref": "#/components/schemas/Problem"}}}
    elif str(kind["schema"].get("$ref", "")).rsplit("/", 1)[-1] in FRAMES:
        reply["content"] = {FRAME_TYPE: kind}
