"""The motif families, by kind. A new family is a file beside these and a line here."""

from curlet.core.motif.families.artwork import ArtShape, Artwork
from curlet.core.motif.families.running import Running

FAMILIES = {"running": Running, "artwork": Artwork}

__all__ = ["FAMILIES", "ArtShape", "Artwork", "Running"]
