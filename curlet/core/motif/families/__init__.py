"""The motif families, by kind. A new family is a file in its kind's folder and a line there."""

from curlet.core.motif.families.artwork import ArtShape, Artwork
from curlet.core.motif.families.base import KINDS, About, Family
from curlet.core.motif.families.border import BORDERS
from curlet.core.motif.families.chain import CHAINS
from curlet.core.motif.families.picture import PictureMotif
from curlet.core.motif.families.rope import ROPES
from curlet.core.motif.families.stitch import STITCHES
from curlet.core.motif.families.stitch.running import Running
from curlet.core.motif.families.trim import TRIMS
from curlet.core.settings import Spec

FAMILIES: dict[str, type[Family]] = {**STITCHES, **ROPES, **CHAINS, **TRIMS, **BORDERS}

__all__ = ["FAMILIES", "KINDS", "About", "ArtShape", "Artwork", "Family", "PictureMotif", "Running", "Spec"]
