"""Stitch families. A new one is a file beside these and a line here."""

from curlet.core.motif.families.stitch.backstitch import Backstitch
from curlet.core.motif.families.stitch.bartack import Bartack
from curlet.core.motif.families.stitch.blanket import Blanket
from curlet.core.motif.families.stitch.blindhem import BlindHem
from curlet.core.motif.families.stitch.buttonhole import Buttonhole
from curlet.core.motif.families.stitch.chainstitch import Chainstitch
from curlet.core.motif.families.stitch.cover import Cover
from curlet.core.motif.families.stitch.cross import Cross
from curlet.core.motif.families.stitch.feather import Feather
from curlet.core.motif.families.stitch.herringbone import Herringbone
from curlet.core.motif.families.stitch.lockstitch import Lockstitch
from curlet.core.motif.families.stitch.needles import Needles
from curlet.core.motif.families.stitch.overedge import Overedge
from curlet.core.motif.families.stitch.running import Running
from curlet.core.motif.families.stitch.saddle import Saddle
from curlet.core.motif.families.stitch.satin import Satin
from curlet.core.motif.families.stitch.scrap import Scrap
from curlet.core.motif.families.stitch.whip import Whip
from curlet.core.motif.families.stitch.zigzag import Zigzag

STITCHES = {
    "running": Running,
    "saddle": Saddle,
    "backstitch": Backstitch,
    "lockstitch": Lockstitch,
    "needles": Needles,
    "zigzag": Zigzag,
    "chainstitch": Chainstitch,
    "cover": Cover,
    "overedge": Overedge,
    "blanket": Blanket,
    "whip": Whip,
    "cross": Cross,
    "herringbone": Herringbone,
    "feather": Feather,
    "blindhem": BlindHem,
    "satin": Satin,
    "bartack": Bartack,
    "buttonhole": Buttonhole,
    "scrap": Scrap,
}
