"""Corner manners. A new manner is a class in a file beside these and a line here."""

from curlet.core.lay.corners.manner import CornerArt, CornerAsk, Manner, Turning
from curlet.core.lay.corners.mitre import Mitre
from curlet.core.lay.corners.piece import CornerPiece
from curlet.core.lay.corners.plain import CarryRound, Pivot, StopShort

MANNERS: dict[str, Manner] = {
    "pivot": Pivot(),
    "carry": CarryRound(),
    "mitre": Mitre(),
    "piece": CornerPiece(),
    "stop": StopShort(),
}

__all__ = ["MANNERS", "CornerArt", "CornerAsk", "Manner", "Turning"]
