"""Trim families. A new one is a file beside these and a line here."""

from curlet.core.motif.families.trim.beads import Bead, Sequin
from curlet.core.motif.families.trim.bunting import Bunting
from curlet.core.motif.families.trim.dots import Dots
from curlet.core.motif.families.trim.fringe import Fringe, TasselFringe
from curlet.core.motif.families.trim.lace import Lace
from curlet.core.motif.families.trim.picot import Picot
from curlet.core.motif.families.trim.pinked import Pinked
from curlet.core.motif.families.trim.piping import Piping
from curlet.core.motif.families.trim.pompom import Pompom
from curlet.core.motif.families.trim.rickrack import Rickrack
from curlet.core.motif.families.trim.ruffle import Ruffle
from curlet.core.motif.families.trim.scallop import Scallop

TRIMS = {
    "scallop": Scallop,
    "picot": Picot,
    "rickrack": Rickrack,
    "lace": Lace,
    "fringe": Fringe,
    "tassel-fringe": TasselFringe,
    "pompom": Pompom,
    "piping": Piping,
    "ruffle": Ruffle,
    "bead": Bead,
    "sequin": Sequin,
    "bunting": Bunting,
    "pinked": Pinked,
    "dots": Dots,
}
