"""The proof board: hard paths on which a brush is tried while it is made."""

from curlet.core.proof.board import PROOFS, Proof, growth, prove
from curlet.core.proof.sample import Place, sample

__all__ = ["PROOFS", "Place", "Proof", "growth", "prove", "sample"]
