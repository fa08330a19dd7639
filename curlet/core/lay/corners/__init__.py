"""Corner manners. A new manner is a class in a file beside these and a line here."""

from curlet.core.lay.corners.manner import CornerArt, CornerAsk, Manner, Turning
from curlet.core.lay.corners.mitre import Mitre
from curlet.core.lay.corners.piece import CornerPiece
from curlet.core.lay.corners.plain import CarryRound, Pivot, StopShort
from curlet.core.lay.corners.rounded import Rounded

MANNERS: dict[str, Manner] = {
    "carry": CarryRound(),
    "pivot": Pivot(),
    "mitre": Mitre(),
    "piece": CornerPiece(),
    "stop": StopShort(),
    "rounded": Rounded(),
}

__all__ = ["MANNERS", "CornerArt", "CornerAsk", "Manner", "Turning"]
