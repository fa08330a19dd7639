"""What every address of the API may answer, as kept in answers.json: whoever reads replies relies on it.

`python -m tests.web.answers` writes that file anew, for whoever changes an answer on purpose.
"""

from __future__ import annotations

import json
from pathlib import Path as FilePath

import orjson

from curlet.web.app import build_app

FILE = FilePath(__file__).with_name("answers.json")


def found() -> dict[str, str]:
    """The statuses of each method and address, in order."""
    document = orjson.loads(orjson.dumps(build_app().api_doc))
    return {
        f"{method.upper()} {address}": " ".join(sorted(told["responses"]))
        for address, methods in document["paths"].items()
        for method, told in methods.items()
    }


if __name__ == "__main__":
    FILE.write_text(json.dumps(found(), indent=1, sort_keys=True) + "\n")
