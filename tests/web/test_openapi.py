"""The API's own description: it is valid, and what is sent and answered is as it says."""

from __future__ import annotations

import json
from pathlib import Path as FilePath

import orjson
import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from openapi_spec_validator import OpenAPIV31SpecValidator
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import content_type_conformance, status_code_conformance

from curlet.store import journal
from curlet.web.app import build_app, create_app
from tests.effort import LONG
from tests.plain.load import load_plain
from tests.web import answers

# To each address; more find more.
EXAMPLES = 200 if LONG else 8
_CHECKS = [not_a_server_error, status_code_conformance, content_type_conformance]


def test_the_description_is_valid_openapi() -> None:
    document = orjson.loads(orjson.dumps(build_app().api_doc))
    assert document["openapi"].startswith("3.1")
    assert [error.message for error in OpenAPIV31SpecValidator(document).iter_errors()] == []


def test_every_address_answers_with_the_statuses_that_it_did() -> None:
    """If meant: python -m tests.web.answers."""
    assert answers.found() == json.loads(answers.FILE.read_text())


@pytest.fixture(scope="module")
def described(tmp_path_factory: pytest.TempPathFactory) -> schemathesis.BaseSchema:
    app = create_app(FilePath(tmp_path_factory.mktemp("described")) / "curlet.sqlite")
    load_plain()
    return schemathesis.openapi.from_wsgi("/openapi/openapi.json", app)


# What is there to be asked for, by the names of addresses' parts.
_THERE = {
    "sheet_id": "waistcoat",
    "run_id": "run-waistcoat-hem-r",
    "brush_id": "topstitch",
    "family": "running",
    "kind": "brush",
    "row_id": "topstitch",
}


def there(case: schemathesis.Case) -> None:
    """Ask for something that is there, as it is now."""
    for key in case.path_parameters or {}:
        case.path_parameters[key] = _THERE.get(key, case.path_parameters[key])
    if isinstance(case.body, dict):
        now = {"revision": journal.current_revision("waistcoat"), "version": 1}
        case.body.update({key: value for key, value in now.items() if key in case.body})


def test_whatever_is_sent_is_answered_as_described(described: schemathesis.BaseSchema) -> None:
    statuses = set()
    for found in described.get_all_operations():
        operation = found.ok()

        @given(case=operation.as_strategy(), real=st.booleans())
        @settings(max_examples=EXAMPLES, suppress_health_check=list(HealthCheck))
        def every(case: schemathesis.Case, real: bool) -> None:
            if real:
                there(case)
            reply = case.call(headers={"Host": "localhost"})
            case.validate_response(reply, checks=_CHECKS)
            statuses.add(reply.status_code)

        every()
    assert statuses >= {200, 404, 422}
