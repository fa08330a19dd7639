"""Tiles that repeat without a seam, and the heights of what is on them."""

from curlet.core.texture.heights import Raised, Step, heights_of
from curlet.core.texture.tile import SPACING, Tile, tile_of

__all__ = ["SPACING", "Raised", "Step", "Tile", "heights_of", "tile_of"]
