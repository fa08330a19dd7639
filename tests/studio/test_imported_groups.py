"""A drawing's lines sorted into seam groups: by layer, line colour, line style, or all as one."""

from __future__ import annotations

import pytest

from curlet.formats.imported import ImportedDrawing
from curlet.formats.path_data import read_contours
from curlet.formats.svg_in import read_svg
from curlet.studio import imported_groups
from curlet.studio.imported_groups import PLAIN_MARK, By, ImportedGroup, sorted_into_groups

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90">'
FLAT = """
<g id="Body"><title>Body pieces</title>
  <path id="front" d="M0 0h30v40h-30z" fill="#c9a86a" stroke="#222222" stroke-width="0.6"/>
  <g id="inner"><path id="dart" d="M9 9l4 12" fill="none" stroke="#222222" stroke-width="0.6"/></g></g>
<g id="Seams" fill="none" stroke="#bb0033" stroke-width="0.4">
  <path id="yoke" d="M0 12h30"/><path id="hem" d="M0 38h30" stroke-dasharray="2 1"/></g>
<path id="fold" d="M60 0v40" fill="none" stroke="#0066cc"/>
<path id="patch" d="M60 50h9v9h-9z" fill="#c9a86a"/>
<path id="ghost" d="M80 0v9" fill="none"/>
"""


def drawing(body: str = FLAT) -> ImportedDrawing:
    return read_svg(f"{HEAD}{body}</svg>".encode())


def groups(by: By, body: str = FLAT) -> dict[str, ImportedGroup]:
    return {group.name: group for group in sorted_into_groups(drawing(body), by, "Shirt")}


def names(group: ImportedGroup) -> list[str]:
    return [line.name for line in group.paths]


def test_layers_are_the_groups_at_the_top_and_the_rest_is_the_drawings() -> None:
    found = groups("layers")
    assert list(found) == ["Body pieces", "Seams", "Shirt"]
    assert names(found["Body pieces"]) == ["front", "dart"]
    assert names(found["Shirt"]) == ["fold", "patch", "ghost"]


def test_by_line_colour_areas_and_unseen_lines_are_apart() -> None:
    found = groups("colours")
    assert {name: names(group) for name, group in found.items()} == {
        "Lines in #222222": ["front", "dart"],
        "Lines in #bb0033": ["yoke", "hem"],
        "Lines in #0066cc": ["fold"],
        "Areas in #c9a86a": ["patch"],
        "Unseen lines": ["ghost"],
    }


def test_by_line_style_weight_dashes_and_colour_count() -> None:
    found = groups("styles")
    assert names(found["0.4 mm, plain, #bb0033"]) == ["yoke"]
    assert names(found["0.4 mm, dashed 2, 1 mm, #bb0033"]) == ["hem"]
    assert names(found["Areas without a line"]) == ["patch"]


def test_all_as_one_is_called_as_the_drawing_is() -> None:
    (one,) = groups("one").values()
    assert (one.name, len(one.paths)) == ("Shirt", 7)


@pytest.mark.parametrize("by", ["one", "layers", "colours", "styles"])
def test_every_line_is_in_one_group_and_none_is_lost(by: By) -> None:
    found = sorted_into_groups(drawing(), by, "Shirt")
    every = [line for group in found for line in group.paths]
    assert sorted(line.name for line in every) == sorted(line.name for line in drawing().paths)
    assert len({group.key for group in found}) == len(found)


def test_a_groups_mark_is_the_colour_that_most_of_it_has() -> None:
    found = groups("layers")
    assert found["Seams"].mark == "#bb0033"
    assert found["Body pieces"].mark == "#222222"
    bare = groups("layers", '<g id="Bare"><path d="M0 0h9" fill="none"/></g>')
    assert bare["Bare"].mark == PLAIN_MARK


def test_keys_stay_while_the_drawing_does() -> None:
    one, again = (sorted_into_groups(drawing(), "layers", "Shirt") for _ in range(2))
    assert [group.key for group in one] == [group.key for group in again]


def test_a_groups_picture_is_its_lines() -> None:
    (seams,) = [g for g in sorted_into_groups(drawing(), "layers", "Shirt") if g.name == "Seams"]
    contours = read_contours(seams.picture)
    assert [contour.start for contour in contours] == [(0, 12), (0, 38)]


def test_of_a_huge_group_the_largest_lines_are_pictured(monkeypatch: pytest.MonkeyPatch) -> None:
    """A garment's stitches come before its other half as often as not."""
    monkeypatch.setattr(imported_groups, "_MAX_SHOWN", 5)
    lengths = [9, 1, 1, 30, 1, 8, 1, 1, 7, 1, 6]
    lines = "".join(f'<path d="M{i} 0v{length}" stroke="#123"/>' for i, length in enumerate(lengths))
    (one,) = groups("one", lines).values()
    assert len(one.paths) == len(lengths)
    assert [contour.start[0] for contour in read_contours(one.picture)] == [0, 3, 5, 8, 10]


def test_a_layers_long_or_odd_name_is_kept_within_bounds() -> None:
    long = "n" * 300
    found = groups("layers", f'<g id="{long}"><path d="M0 0h9" stroke="#123"/></g>')
    (name,) = found
    assert len(name) == 120
    odd = groups("layers", '<g><title>  Ärmel &amp; “Cuff” </title><path d="M0 0h9" stroke="#123"/></g>')
    assert list(odd) == ["Ärmel & “Cuff”"]


def test_layers_without_a_name_are_counted() -> None:
    body = "".join(f'<g><path d="M0 {i}h9" stroke="#123"/></g>' for i in range(3))
    assert list(groups("layers", body)) == ["Layer 1", "Layer 2", "Layer 3"]


def test_a_layer_whose_lines_are_used_elsewhere_keeps_them() -> None:
    body = '<g id="Trim"><path id="t" d="M0 0h9" stroke="#123"/></g><use href="#t" x="20"/>'
    found = groups("layers", body)
    assert sum(len(group.paths) for group in found.values()) == 2
    assert len(found["Trim"].paths) >= 1
