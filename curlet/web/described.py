"""Routes that are described in OpenAPI only when the description is asked for: to work it out takes several
times as long as starting the application does, and no page needs it."""

from __future__ import annotations

from collections.abc import Callable
from threading import Lock
from typing import Any

from flask_openapi3 import APIBlueprint, OpenAPI
from flask_openapi3.types import ParametersTuple
from flask_openapi3.utils import parse_parameters


class Routes(APIBlueprint):
    """A blueprint that remembers what is to be told of its routes."""

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        self._untold: list[tuple[str, Callable[..., Any], dict[str, Any]]] = []

    def _collect_openapi_info(self, rule: str, func: Callable[..., Any], **told: Any) -> ParametersTuple:
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
            return super().api_doc
