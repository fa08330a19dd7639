"""Chain families. A new one is a file beside these and a line here."""

from curlet.core.motif.families.chain.ball import Ball
from curlet.core.motif.families.chain.belcher import Belcher
from curlet.core.motif.families.chain.box import Box
from curlet.core.motif.families.chain.cable import Cable
from curlet.core.motif.families.chain.curb import Curb
from curlet.core.motif.families.chain.findings import Clasp, EndRing

CHAINS = {
    "cable": Cable,
    "curb": Curb,
    "box": Box,
    "ball": Ball,
    "belcher": Belcher,
    "clasp": Clasp,
    "end-ring": EndRing,
}
