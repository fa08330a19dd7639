"""Copy and paste: between sheets too, as large on the garment as it was, dressed and in order."""

from __future__ import annotations

from pathlib import Path as FilePath

import numpy as np
import pytest
from pydantic import TypeAdapter, ValidationError

from curlet.core.errors import CurletError
from curlet.formats.clip_doc import ClipDoc
from curlet.store import journal
from curlet.store.commands import AnyIntent, clip
from curlet.store.paths import core_path
from curlet.store.state import State

FROM, TO = "waistcoat", "programme"
FRONT, HEM = "waistcoat-front-r", "waistcoat-hem-r"
WELT = "waistcoat-welt-pocket-r"
_INTENT = TypeAdapter(AnyIntent)


def do(sheet: str, kind: str, **values: object) -> State:
    intent = _INTENT.validate_python({"kind": kind, **values})
    return journal.do(sheet, journal.current_revision(sheet), intent)


def copied(*paths: str) -> dict[str, object]:
    """What goes over the wire and into the browser's store."""
    written = clip.copied(journal.find_sheet(FROM), paths).model_dump_json()
    return ClipDoc.model_validate_json(written).model_dump(mode="json")


def new(state: State, before: State, kind: str) -> list[str]:
    return [row["id"] for row in state.all(kind) if row["id"] not in before.rows[kind]]


def test_a_seam_keeps_its_length_on_the_garment_on_a_sheet_of_another_scale(store: FilePath) -> None:
    do(FROM, "set-on-runs", runs=[f"run-{HEM}"], settings=[{"pointer": "/courses/0/length", "entered": "5"}])
    before = journal.find_sheet(TO)
    after = do(TO, "paste", clip=copied(HEM))
    source = journal.find_sheet(FROM)
    (path,) = new(after, before, "path")
    lengths = [
        core_path(state.get("path", row)).length / state.scale.factor
        for state, row in ((source, HEM), (after, path))
    ]
    assert source.scale != after.scale
    assert lengths[0] == pytest.approx(lengths[1])
    (run,) = after.runs_of(path)
    assert (run["brush"], run["own"]) == ("show-stitch", source.get("run", f"run-{HEM}")["own"])
    assert after.get("group", after.get("path", path)["group"])["name"] == "Hems"


def test_it_lands_on_the_sheet(store: FilePath) -> None:
    """A garment drawn far to the right does not land outside a narrower sheet."""
    do(FROM, "move-paths", paths=[HEM], x=5_000, y=0)
    before = journal.find_sheet(TO)
    after = do(TO, "paste", clip=copied(HEM))
    points = core_path(after.get("path", new(after, before, "path")[0])).points
    middle = (points.min(axis=0) + points.max(axis=0)) / 2
    assert middle == pytest.approx(np.array([after.sheet["width"], after.sheet["height"]]) / 2)


def test_on_its_own_sheet_a_copy_lies_aside_and_over_everything_in_the_order_it_had(store: FilePath) -> None:
    before = journal.find_sheet(FROM)
    after = do(FROM, "paste", clip=copied(HEM, FRONT))
    top = [(kind, row["id"]) for kind, row in after.painted()][-3:]
    assert [kind for kind, _ in top] == ["path", "path", "run"]
    assert {row for _, row in top} == {*new(after, before, "path"), *new(after, before, "run")}
    names = [after.get("path", row)["name"] for kind, row in top if kind == "path"]
    assert names == ["Front R", "Hem R"]
    pasted = next(row for kind, row in top if kind == "path" and after.get("path", row)["name"] == "Hem R")
    moved = core_path(after.get("path", pasted)).points - core_path(before.get("path", HEM)).points
    assert moved == pytest.approx(5.0)
    assert after.get("path", pasted)["group"] == before.get("path", HEM)["group"]


def test_a_cut_seam_is_pasted_after_its_original_is_gone(store: FilePath) -> None:
    clip = copied(HEM)
    before = do(FROM, "delete-paths", paths=[HEM])
    after = do(FROM, "paste", clip=clip)
    assert after.get("path", new(after, before, "path")[0])["name"] == "Hem R"
    assert len(new(after, before, "run")) == 1


def test_a_brush_that_is_gone_leaves_the_path_without_it(store: FilePath) -> None:
    clip = copied(HEM)
    clip["paths"][0]["runs"][0]["brush"] = "gone"  # type: ignore[index]
    before = journal.find_sheet(TO)
    after = do(TO, "paste", clip=clip)
    assert after.runs_of(new(after, before, "path")[0]) == []


@pytest.mark.parametrize(
    "wrong",
    [
        {"paths": []},
        {"factor": 0},
        {"format": "other"},
        {"paths": [{"name": "x"}]},
    ],
)
def test_what_no_copy_ever_was_is_refused(store: FilePath, wrong: dict[str, object]) -> None:
    with pytest.raises(ValidationError):
        _INTENT.validate_python({"kind": "paste", "clip": {**copied(HEM), **wrong}})


def test_settings_from_outside_are_checked_as_if_they_were_entered(store: FilePath) -> None:
    for own in (
        {"/courses/0/length": {"mm": -3, "on": "garment"}},
        {"/nothing": 1},
        {"/courses/0/length": 5},
    ):
        clip = copied(HEM)
        clip["paths"][0]["runs"][0]["own"] = own  # type: ignore[index]
        before = journal.current_revision(TO)
        with pytest.raises(CurletError):
            do(TO, "paste", clip=clip)
        assert journal.current_revision(TO) == before


@pytest.mark.parametrize("to", [FROM, TO])
def test_what_is_copied_with_its_shape_is_cropped_to_the_copy_of_the_shape(store: FilePath, to: str) -> None:
    do(FROM, "crop-paths", paths=[HEM], to={"kind": "path", "id": WELT, "outside": True})
    before = journal.find_sheet(to)
    after = do(to, "paste", clip=copied(HEM, WELT))
    hem, welt = (
        next(path for path in new(after, before, "path") if after.get("path", path)["closed"] == closed)
        for closed in (False, True)
    )
    crop = {"kind": "path", "id": welt, "outside": True}
    assert after.get("path", hem)["crop"] == crop
    assert [run["crop"] for run in after.runs_of(hem)] == [crop]
    assert not after.get("path", welt)["crop"]
    assert not do(to, "delete-paths", paths=[welt]).get("path", hem)["crop"]


def test_what_is_copied_without_its_shape_keeps_its_crop_on_its_own_sheet_only(store: FilePath) -> None:
    crop = {"kind": "path", "id": WELT, "outside": False}
    do(FROM, "crop-paths", paths=[HEM], to=crop)
    for sheet, expected in ((FROM, crop), (TO, {})):
        before = journal.find_sheet(sheet)
        after = do(sheet, "paste", clip=copied(HEM))
        (path,) = new(after, before, "path")
        (run,) = after.runs_of(path)
        assert (after.get("path", path)["crop"], run["crop"]) == (expected, expected)


def test_what_is_copied_with_an_area_is_cropped_to_the_copy_of_its_outer_edge(store: FilePath) -> None:
    state = do(FROM, "make-area", members=[{"kind": "path", "id": WELT}], way="join")
    area = state.all("area")[-1]["id"]
    (edge,) = (path["id"] for path in state.all("path") if path["area"] == area)
    do(FROM, "crop-paths", paths=[HEM], to={"kind": "area", "id": area})
    for kind, values in (("paste", {"clip": copied(HEM, edge)}), ("duplicate-paths", {"paths": [HEM, edge]})):
        before = journal.find_sheet(FROM)
        after = do(FROM, kind, **values)
        hem, shape = sorted(new(after, before, "path"), key=lambda path: after.get("path", path)["closed"])
        assert after.get("path", hem)["crop"] == {"kind": "path", "id": shape, "outside": False}
        assert after.runs_of(hem)[0]["crop"] == after.get("path", hem)["crop"]


def test_mirrored_copies_are_cropped_to_the_mirrored_shape(store: FilePath) -> None:
    do(FROM, "crop-paths", paths=[HEM], to={"kind": "path", "id": WELT})
    before = journal.find_sheet(FROM)
    after = do(FROM, "mirror-paths", paths=[HEM, WELT], about="right")
    hem, welt = sorted(new(after, before, "path"), key=lambda path: after.get("path", path)["closed"])
    assert after.get("path", hem)["crop"]["id"] == after.runs_of(hem)[0]["crop"]["id"] == welt
