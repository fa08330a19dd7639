"""Single repeats of a run over the API: found on the Tape, set by hand, told with their places."""

from __future__ import annotations

from io import BytesIO
from typing import Any

import numpy as np
import pytest
from flask.testing import FlaskClient

from curlet.store.journal import find_sheet
from tests.web.test_api import HEM, SHEET, read_frame, send, sheet

RUN = f"run-{HEM}"


def run_of(client: FlaskClient, run: str = RUN) -> Any:
    return next(each for each in sheet(client)["runs"] if each["id"] == run)


def slots(client: FlaskClient) -> np.ndarray:
    """(n, 2) where its repeats begin and end on the Tape, garment mm."""
    head, numbers = read_frame(client.get(SHEET))
    packed = next(each for each in head["runs"] if each["id"] == RUN)["tape"]["slots"]
    return numbers[packed["at"] : packed["at"] + packed["count"]].reshape(-1, 2)


def found(client: FlaskClient, at: float, run: str = RUN) -> Any:
    return client.get(f"{SHEET}/runs/{run}/repeat", query_string={"at": at})


def test_a_repeat_is_found_left_out_and_found_again(client: FlaskClient) -> None:
    before = run_of(client)
    count = before["tape"]["slots"]["count"]
    here = found(client, 41.0).json
    assert abs(here["at"] - 41.0) < 4
    assert (here["left_out"], here["entered"]) == (
        False,
        {"along": "0 mm", "across": "0 mm", "turn": "0°", "size": "100 %"},
    )
    which = {key: here[key] for key in ("course", "node", "number")}
    send(client, {"kind": "set-repeat", "run": RUN, **which, "left_out": True})
    after = run_of(client)
    assert after["tape"]["slots"]["count"] == count - 2
    (told,) = after["repeats"]
    assert {**told, "left_out": False} == here
    assert found(client, here["at"]).json == told
    # As it is laid again by the brush, nothing is said of it.
    send(client, {"kind": "set-repeat", "run": RUN, **which, "plain": True})
    assert run_of(client)["repeats"] == []
    assert run_of(client)["tape"]["slots"]["count"] == count


def test_its_numbers_are_on_the_garment_and_told_as_entered(client: FlaskClient) -> None:
    here = found(client, 20).json
    which = {key: here[key] for key in ("course", "node", "number")}
    numbers = {"along": "1/8 in", "across": "-2 mm", "turn": "45", "size": "150 %"}
    send(client, {"kind": "set-repeat", "run": RUN, **which, **numbers})
    (told,) = run_of(client)["repeats"]
    assert told["entered"] == {"along": "3.175 mm", "across": "-2 mm", "turn": "45°", "size": "150 %"}
    # Set back to what all have, there is nothing left to say.
    none = {"along": "0", "across": "0", "turn": "0", "size": "100"}
    send(client, {"kind": "set-repeat", "run": RUN, **which, **none})
    assert run_of(client)["repeats"] == []


@pytest.mark.parametrize(
    ("values", "words"),
    [
        ({"size": "0 %"}, "size is 0%"),
        ({"along": "far"}, "not a measure"),
        ({"across": "9000 m"}, "moved"),
        ({"motif": "AB"}, "motif"),
        ({"run": "gone"}, "no longer on this sheet"),
    ],
)
def test_what_cannot_be_said_of_a_repeat_is_refused(client: FlaskClient, values: Any, words: str) -> None:
    before = run_of(client)
    intent = {"kind": "set-repeat", "run": RUN, "node": "n1", "number": 2, **values}
    reply = send(client, intent)
    assert reply.status_code in (404, 409, 422)
    assert words in reply.json["detail"]
    assert run_of(client) == before


def test_a_run_without_repeats_says_so(client: FlaskClient) -> None:
    send(client, {"kind": "lay-brush", "paths": [HEM], "brush": "ribbon"})
    reply = found(client, 5)
    assert reply.status_code == 422
    assert "no repeats" in reply.json["detail"]
    assert found(client, 5, "gone").status_code == 404


def test_a_motif_of_the_library_comes_in_its_place_as_a_copy(client: FlaskClient) -> None:
    size = b'width="6mm" height="4mm" viewBox="0 0 6 4"'
    svg = b'<svg xmlns="http://www.w3.org/2000/svg" ' + size + b'><path d="M0 0h6v4z"/></svg>'
    kept = client.post("/api/motif-files", data={"file": (BytesIO(svg), "Lantern.svg")}).json
    here = found(client, 41.0).json
    which = {key: here[key] for key in ("course", "node", "number")}
    plain = slots(client)
    send(client, {"kind": "set-repeat", "run": RUN, **which, "brought": kept["id"]})
    (told,) = run_of(client)["repeats"]
    assert (told["motif"], told["brought"], told["brought_name"]) == (None, kept["id"], "Lantern")
    assert told["at"] == pytest.approx(here["at"])
    with_copy = slots(client)
    (changed,) = np.flatnonzero((with_copy != plain).any(axis=1))
    assert with_copy[changed, 1] - with_copy[changed, 0] == pytest.approx(6.0, abs=1e-4)
    # Gone from the Library, the run's copy stays; another number is set beside it.
    client.delete(f"/api/motifs/{kept['id']}")
    send(client, {"kind": "set-repeat", "run": RUN, **which, "turn": "10"})
    assert np.array_equal(slots(client), with_copy)
    assert run_of(client)["repeats"][0]["brought_name"] == "Lantern"
    # Its own motif again: the copy goes with the last repeat that has it.
    send(client, {"kind": "set-repeat", "run": RUN, **which, "motif": "", "turn": "0"})
    assert run_of(client)["repeats"] == []
    assert np.array_equal(slots(client), plain)
    assert not find_sheet("waistcoat").get("run", RUN)["places"].get("motifs")
    assert send(client, {"kind": "set-repeat", "run": RUN, **which, "brought": kept["id"]}).status_code == 404


def test_a_run_of_a_band_alone_has_no_repeats_on_its_tape(client: FlaskClient) -> None:
    send(client, {"kind": "lay-brush", "paths": ["waistcoat-front-r"], "brush": "strip"})
    run = next(each for each in sheet(client)["runs"] if each["path"] == "waistcoat-front-r")
    assert run["tape"]["slots"]["count"] == 0
    assert run["repeats"] == []
