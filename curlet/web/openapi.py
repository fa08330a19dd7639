"""Write the API's OpenAPI document, from which the front end's types are made."""

from __future__ import annotations

import sys
from pathlib import Path as FilePath

import orjson

from curlet.web.app import build_app


def main(file: str) -> None:
    target = FilePath(file)
    target.parent.mkdir(parents=True, exist_ok=True)
    target.write_bytes(orjson.dumps(build_app().api_doc, option=orjson.OPT_INDENT_2))


if __name__ == "__main__":
    main(sys.argv[1])
