"""Tiles in pixels, and texture sets for 3-D cloth: colour, height, normals, roughness.

A tile is whole pixels long and high, so that its edges are equal to the pixel: it is drawn a little larger or
smaller than it is, by at most half a pixel in all, and says how large a texel is each way.
"""

from __future__ import annotations

import io
import json
import zipfile
from dataclasses import dataclass, replace

import numpy as np
import skia
from numpy.typing import NDArray
from PIL import Image

from curlet.core.bounds import Bounds
from curlet.core.drawing import Drawing
from curlet.core.errors import TooMuch
from curlet.core.measures import MM_PER_INCH
from curlet.core.path.booleans import add_outline
from curlet.core.texture import Step, Tile, heights_of
from curlet.formats.png_out import draw_groups, with_resolution
from curlet.formats.skia_paths import stroke_paint
from curlet.formats.zips import entry

Floats = NDArray[np.float64]

TEXEL = Bounds("The texel", 0.005, 10, "0.05 mm to 0.2 mm is usual")
MAX_SIDE, MAX_PIXELS, MAX_OF_SET = 16_384, 64_000_000, 6_000_000
# Heights are drawn so many times finer, and their mean is taken.
_FINER = 2
# How rough a finish is, 0 for a mirror and 1 for chalk (common practice in physically based shading).
ROUGHNESS = {"matt": 0.85, "satin": 0.5, "metal": 0.28}
# Where nothing is drawn there is cloth.
_CLOTH = 0.9
_FLAT_CLOTH = "The cloth's own threads are in its colour, and flat in height and normals."
# Relief that a brush without any is given.
_USUAL = 60.0


@dataclass(frozen=True)
class TileSize:
    """A tile in pixels, and how large a texel is along and across, mm."""

    across: int
    down: int
    along_mm: float
    down_mm: float


def tile_size(tile: Tile, texel: float, most: int = MAX_PIXELS) -> TileSize:
    """How many pixels a tile has at about a texel's size in mm, at most so many.

    Raises
    ------
    BadInput
        If the texel is out of bounds.
    TooMuch
        If there would be too many.
    """
    TEXEL.check(texel)
    across, down = (max(round(side / texel), 1) for side in (tile.width, tile.height))
    if max(across, down) > MAX_SIDE or across * down > most:
        raise TooMuch(
            f"At {texel:g} mm to the texel this tile is {across:,} × {down:,} pixels, more than it can be. "
            "Ask for larger texels."
        )
    return TileSize(across, down, tile.width / across, tile.height / down)


def tile_png(tile: Tile, texel: float, *, relief: bool = True) -> bytes:
    """A tile as a PNG on transparency, lit as its brush is or flat."""
    size = tile_size(tile, texel)
    return _png(_pixels(tile.lit() if relief else tile.flat(), size), size)


def texture_set(tile: Tile, texel: float) -> dict[str, bytes]:
    """PNGs by their names: colour with opacity and without light, height, normals for OpenGL (green points
    up) and for DirectX (green points down), roughness; and `textures.json`, which says what they are."""
    size = tile_size(tile, texel, MAX_OF_SET)
    colour = _pixels(tile.flat(), size)
    relief = tile.run.brush.relief
    heights, highest = height_map(tile, size, _USUAL if relief.flat else relief.height)
    up, down = (normal_map(heights, size, tile.spacing is not None, flip=flip) for flip in (False, True))
    trim = _pixels(replace(tile, ground=None).flat(), size) if tile.ground else colour
    rough = np.where(trim[..., 3] > 127, ROUGHNESS[relief.finish], _CLOTH)
    facts = {
        "unit": "mm",
        "width": round(tile.width, 4),
        "height": round(tile.height, 4),
        "pixels": [size.across, size.down],
        "texel": [round(size.along_mm, 6), round(size.down_mm, 6)],
        "tiles": {"across": True, "down": tile.spacing is not None},
        "height of white": round(highest, 4),
        "normals": {"OpenGL": "green points up", "DirectX": "green points down"},
        "notes": [*tile.notes, *([_FLAT_CLOTH] if tile.ground else [])],
    }
    grey = np.rint(65_535 * heights / highest).astype(np.uint16)
    return {
        "colour.png": _png(colour, size),
        "height.png": _png(grey, size),
        "normal OpenGL.png": _png(up, size),
        "normal DirectX.png": _png(down, size),
        "roughness.png": _png(np.rint(255 * rough).astype(np.uint8), size),
        "textures.json": json.dumps(facts, indent=2).encode(),
    }


def zipped(files: dict[str, bytes]) -> bytes:
    """Files in a zip."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        for name, data in files.items():
            packed.writestr(entry(name), data)
    return out.getvalue()


def height_map(tile: Tile, size: TileSize, relief: float) -> tuple[Floats, float]:
    """(down, across) heights above the cloth, mm, and the greatest of them, with a relief of so many %."""
    raised = heights_of(tile.raised(relief).groups)
    highest = max((one.height for one in raised), default=0.0) or 1.0
    across, down = _FINER * size.across, _FINER * size.down
    surface = skia.Surface.MakeRaster(
        skia.ImageInfo.Make(across, down, skia.kRGBA_F32_ColorType, skia.kPremul_AlphaType)
    )
    with surface as canvas:
        canvas.clear(skia.ColorBLACK)
        canvas.scale(across / tile.width, down / tile.height)
        canvas.translate(-tile.left, -tile.top)
        for one in raised:
            for step in one.steps:
                canvas.drawPath(*_at_height(step, step.height / highest, one.detail))
    array = surface.makeImageSnapshot().toarray(colorType=skia.kRGBA_F32_ColorType)
    fine = np.asarray(array[..., 0], dtype=np.float64).reshape(size.down, _FINER, size.across, _FINER)
    return fine.mean(axis=(1, 3)) * highest, highest


def _at_height(step: Step, share: float, detail: bool) -> tuple[skia.Path, skia.Paint]:
    path = skia.Path()
    add_outline(path, step.outline.commands, step.outline.points)
    if step.even_odd:
        path.setFillType(skia.PathFillType.kEvenOdd)
    paint = stroke_paint(step.stroke) if step.stroke else skia.Paint()
    # A part of a pixel would lower what meets there.
    paint.setAntiAlias(False)
    paint.setColor4f(skia.Color4f(share, share, share, 1.0))
    if detail:
        paint.setBlendMode(skia.BlendMode.kLighten)
    return path, paint


def normal_map(heights: Floats, size: TileSize, down: bool, *, flip: bool) -> NDArray[np.uint8]:
    """(down, across, 3) normals as colours: x rightward in red, y in green, z towards the eye in blue.

    Slopes are central differences over the neighbours, round the edges that meet.

    Parameters
    ----------
    down : whether the upper and lower edges meet too.
    flip : whether green points down the picture, as DirectX has it, rather than up, as OpenGL has it.
    """
    around = np.pad(heights, ((0, 0), (1, 1)), mode="wrap")
    slope_x = (around[:, 2:] - around[:, :-2]) / (2 * size.along_mm)
    around = np.pad(heights, ((1, 1), (0, 0)), mode="wrap" if down else "edge")
    slope_y = (around[2:] - around[:-2]) / (2 * size.down_mm)
    # Rows go down the picture, and OpenGL's y goes up it.
    y = -slope_y if flip else slope_y
    normals = np.stack([-slope_x, y, np.ones_like(slope_x)], axis=2)
    normals /= np.linalg.norm(normals, axis=2, keepdims=True)
    return np.rint((normals * 0.5 + 0.5) * 255).astype(np.uint8)


def _pixels(drawing: Drawing, size: TileSize) -> NDArray[np.uint8]:
    """A drawing as (down, across, 4) sRGB with opacity."""
    surface = skia.Surface(size.across, size.down)
    with surface as canvas:
        canvas.clear(skia.ColorTRANSPARENT)
        canvas.scale(size.across / drawing.width, size.down / drawing.height)
        left, top = drawing.corner or (0.0, 0.0)
        canvas.translate(-left, -top)
        draw_groups(canvas, drawing.groups)
    image = surface.makeImageSnapshot()
    array = image.toarray(colorType=skia.kRGBA_8888_ColorType, alphaType=skia.kUnpremul_AlphaType)
    return np.asarray(array, dtype=np.uint8)


def _png(pixels: NDArray[np.uint8] | NDArray[np.uint16], size: TileSize) -> bytes:
    out = io.BytesIO()
    Image.fromarray(pixels).save(out, "PNG")
    return with_resolution(out.getvalue(), MM_PER_INCH / size.along_mm)
