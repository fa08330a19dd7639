"""A drawing in white or in greys: no colour is left, and it is as opaque everywhere as it was."""

from __future__ import annotations

import io
import shutil
from dataclasses import replace
from pathlib import Path as FilePath

import numpy as np
import pytest
from coloraide import Color
from PIL import Image

from curlet.core.drawing import Drawing, Group, Laid, Outline, Picture, Shape, Solid
from curlet.formats.png_out import write_png
from curlet.formats.svg_out import write_svg
from curlet.formats.tintable import greyed, whitened
from curlet.store import journal
from curlet.store.database import open_database
from curlet.studio.drawn_sheet import sheet_drawing


def pixels(drawing: Drawing) -> np.ndarray:
    return np.asarray(Image.open(io.BytesIO(write_png(drawing, 100.0))).convert("RGBA")).astype(int)


@pytest.mark.parametrize("sheet", ["programme", "waistcoat"])
def test_a_sheet_is_white_and_as_opaque_as_it_was(demo: FilePath, tmp_path: FilePath, sheet: str) -> None:
    """With its cloths, gradients, pictures, shadows and fades."""
    open_database(FilePath(shutil.copy(demo, tmp_path)))
    state = journal.find_sheet(sheet)
    drawing = sheet_drawing(state, with_lines=True, runs=state.all("run"))
    before, after = pixels(drawing), pixels(whitened(drawing))
    assert np.abs(before[..., 3] - after[..., 3]).max() <= 1
    assert after[after[..., 3] > 40][:, :3].min() >= 250
    svg = write_svg(whitened(drawing)).decode()
    assert "#ffffff" in svg
    assert not {f'"{colour}"' for colour in ("#c03a2b", "#e9c46a")} & set(svg.split("="))


def shapes(*colours: str) -> Drawing:
    """10 mm squares side by side in some colours."""
    made = tuple(
        Shape(
            Outline("MLLLZ", np.array([[x, 0], [x + 10, 0], [x + 10, 10], [x, 10]], dtype=float)),
            Solid(colour),
        )
        for x, colour in zip(range(0, 10 * len(colours), 10), colours, strict=True)
    )
    return Drawing(10 * len(colours), 10, (Group("a", "", (Laid(made),)),))


def lightness_of(colour: str) -> float:
    return float(Color(colour).convert("oklab")["lightness"])


def test_greys_are_as_light_to_one_another_as_their_colours() -> None:
    colours = ("#c03a2b", "#e9c46a", "#22304f")
    row = pixels(greyed(shapes(*colours)))[5, [5, 59, 98], :3]
    assert (row == row[:, :1]).all()
    # The lightest is white, the others keep their share of its lightness.
    of_colour = [lightness_of(colour) for colour in colours]
    of_grey = [lightness_of("#" + f"{grey:02x}" * 3) for grey in row[:, 0].tolist()]
    assert of_grey == pytest.approx([light / of_colour[1] for light in of_colour], abs=0.004)
    assert row[1].tolist() == [255, 255, 255]


def test_pictures_are_greyed_as_shapes_are() -> None:
    colours = ("#c03a2b", "#e9c46a", "#22304f")
    png = write_png(shapes(*colours), 100.0)
    picture = Drawing(30, 10, (Group("a", "", (Picture(png, np.array([[30.0, 0, 0, 10, 0, 0]])),)),))
    shown, drawn = pixels(greyed(picture)), pixels(greyed(shapes(*colours)))
    assert np.abs(shown[5, [5, 59, 98]] - drawn[5, [5, 59, 98]]).max() <= 1
    # What is lightest in all of it is white, wherever it is.
    both = replace(picture, groups=(*picture.groups, *shapes("#000000").groups))
    assert pixels(greyed(both))[5, 59].tolist() == [255, 255, 255, 255]


def test_nothing_but_black_stays_black() -> None:
    assert pixels(greyed(shapes("#000000")))[5, 5].tolist() == [0, 0, 0, 255]


def test_greys_are_as_opaque_as_the_sheet_was(demo: FilePath, tmp_path: FilePath) -> None:
    open_database(FilePath(shutil.copy(demo, tmp_path)))
    state = journal.find_sheet("programme")
    drawing = sheet_drawing(state, with_lines=True, runs=state.all("run"))
    before, after = pixels(drawing), pixels(greyed(drawing))
    assert np.abs(before[..., 3] - after[..., 3]).max() <= 1
    solid = after[after[..., 3] == 255][:, :3]
    assert np.ptp(solid, axis=1).max() <= 1
    # Its very lightest colour may lie under another one.
    assert solid.max() > 235
    assert len(np.unique(solid)) > 50
