"""What the server's replies come to, in a few figures for each part of them.

`python -m tests.web.kept` writes them down anew, after a change that is meant: look at what it says has
changed before it is committed.
"""

from __future__ import annotations

import json
import struct
import tempfile
import zlib
from collections.abc import Iterator
from pathlib import Path as FilePath
from typing import Any

import numpy as np
from flask.testing import FlaskClient
from numpy.typing import NDArray

from curlet.demo.brushes import BRUSHES
from curlet.demo.load import load_demo
from curlet.store.database import open_database
from curlet.store.models import database
from curlet.web.app import create_app
from tests.core.unchanged import mixed

FILE = FilePath(__file__).with_name("kept.json")
# How many values a part has, what its numbers come to, and what its words do.
Figures = list[float]
SHEETS = ("waistcoat", "programme", "satchel")
RUN = "run-waistcoat-hem-r"
ADDRESSES = (
    "sheets", "families", "figures", "fonts", "weaves", "brushes", "motifs",
    "brushes/topstitch", "brushes/chain",
    *(f"sheets/{sheet}" for sheet in SHEETS),
    *(f"sheets/{sheet}/schedule.json" for sheet in SHEETS),
    "sheets/waistcoat/export.json?form=png&ppi=150",
    "sheets/waistcoat/export.json?form=pdf&paper=a4&size=garment",
    "sheets/waistcoat/place.json?trimmed=true&margin=3",
    "sheets/satchel/outline.json?gaps=2&grow=1",
    f"sheets/waistcoat/runs/{RUN}/tile.json",
    f"sheets/waistcoat/runs/{RUN}/look",
    f"sheets/waistcoat/runs/{RUN}/repeat?at=40",
    "sheets/waistcoat/shades.json", "sheets/waistcoat/shades.css",
    "sheets/waistcoat/similar?by=brush&path=waistcoat-hem-r",
)  # fmt: skip
# Ids of letters and of areas' edges, which are made anew with each demo.
_MADE_ANEW = ("/id", "/paths", "/path", "/fault_id")
# A piece of it is cut to parts that meet in a point, so that rounding makes them one contour or two.
_IN_A_POINT = "run-satchel-label-edge"
# On the proof board, with all that can be said of them.
TRIED = ("topstitch", "chain", "border", "blade", "piping", "tassels")


def kept() -> dict[str, dict[str, Figures]]:
    found: dict[str, dict[str, Figures]] = json.loads(FILE.read_text())
    return found


def found(client: FlaskClient) -> Iterator[tuple[str, dict[str, Figures]]]:
    """Each reply by its address, on the demo's sheets."""
    for address in ADDRESSES:
        yield address, figures_of(_read(client.get(f"/api/{address}").data))
    for brush in TRIED:
        yield f"trial of {brush}", figures_of(_tried(client, brush))


def _tried(client: FlaskClient, brush: str) -> Any:
    return _read(client.post("/api/bench/trial", json={"doc": BRUSHES[brush], "drawing": "repeat"}).data)


def _read(data: bytes) -> Any:
    """JSON, a frame with its numbers, or text."""
    if data[:1] in (b"{", b"["):
        return json.loads(data)
    (size,) = struct.unpack("<I", data[:4])
    if size < len(data) and data[4:5] == b"{":
        rest = np.frombuffer(data[4 + size :], dtype="<f4").astype(float)
        return _with_arrays(json.loads(data[4 : 4 + size]), rest)
    return data.decode()


def _with_arrays(part: Any, floats: NDArray[np.float64]) -> Any:
    """A frame's JSON with its arrays where it names them."""
    if isinstance(part, list):
        return [_with_arrays(inner, floats) for inner in part]
    if not isinstance(part, dict):
        return part
    if "at" in part and "count" in part:
        start, count = part["at"], part["count"]
        part = {**part, "at": None, "numbers": floats[start : start + count].tolist()}
    return {name: _with_arrays(inner, floats) for name, inner in part.items()}


def figures_of(reply: Any) -> dict[str, Figures]:
    parts: dict[str, tuple[list[float], list[str]]] = {}
    for path, value in _leaves(_without_edges(reply), ""):
        if path.endswith(_MADE_ANEW):
            continue
        numbers, words = parts.setdefault(path, ([], []))
        if isinstance(value, str):
            words.append(value)
        else:
            numbers.append(-1.0 if value is None else float(value))
    return {
        path: [len(numbers) + len(words), mixed(np.array(numbers)), zlib.crc32("\n".join(words).encode())]
        for path, (numbers, words) in parts.items()
    }


def _without_edges(reply: Any) -> Any:
    """All but the edges of areas, and what is laid on them: they are fitted within a tolerance, and
    rounding, which is other on other processors, may put their nodes elsewhere."""
    if not isinstance(reply, dict) or "areas" not in reply:
        return reply
    edges = {path["id"] for path in reply["paths"] if path["area"]}
    areas = [{**area, "nodes": None} for area in reply["areas"]]
    paths = [path for path in reply["paths"] if path["id"] not in edges]
    runs = [run for run in reply["runs"] if run["path"] not in edges and run["id"] != _IN_A_POINT]
    drawn = [group for group in reply["as_drawn"] if group["id"].removeprefix("path-") not in edges]
    return {**reply, "areas": areas, "paths": paths, "runs": runs, "as_drawn": drawn}


def _leaves(value: Any, path: str) -> Iterator[tuple[str, Any]]:
    """Every value with the names that lead to it; those of one list lie together."""
    if isinstance(value, dict):
        for key, inner in value.items():
            yield from _leaves(inner, f"{path}/{key}")
    elif isinstance(value, list):
        yield f"{path}/count", len(value)
        for inner in value:
            yield from _leaves(inner, path)
    else:
        yield path, value


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        file = FilePath(folder) / "curlet.sqlite"
        open_database(file)
        load_demo()
        database.close()
        now = dict(found(create_app(file).test_client()))
    before = kept() if FILE.exists() else {}
    for address, parts in now.items():
        for path, figures in parts.items():
            if before and before.get(address, {}).get(path) != figures:
                print(address, path)
    FILE.write_text(_text(now))


def _text(replies: dict[str, dict[str, Figures]]) -> str:
    """A line for each part, so that a change is seen where it is."""
    every = []
    for address, parts in replies.items():
        lines = ",\n".join(f"  {json.dumps(path)}: {json.dumps(parts[path])}" for path in sorted(parts))
        every.append(f"{json.dumps(address)}: {{\n{lines}\n}}")
    return "{\n" + ",\n".join(every) + "\n}\n"


if __name__ == "__main__":
    main()
