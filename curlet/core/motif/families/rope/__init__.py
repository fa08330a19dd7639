"""Rope families. A new one is a file beside these and a line here."""

from curlet.core.motif.families.rope.braid import FlatBraid, RoundBraid
from curlet.core.motif.families.rope.cmark import CMark
from curlet.core.motif.families.rope.cord import Cord
from curlet.core.motif.families.rope.endings import CutEnd, Eye, Knot, WrappedEnd
from curlet.core.motif.families.rope.laid import Laid

ROPES = {
    "laid": Laid,
    "cord": Cord,
    "flat-braid": FlatBraid,
    "round-braid": RoundBraid,
    "c-mark": CMark,
    "wrapped-end": WrappedEnd,
    "cut-end": CutEnd,
    "knot": Knot,
    "eye": Eye,
}
