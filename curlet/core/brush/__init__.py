"""Brushes: what is laid along a path."""

from curlet.core.brush.brush import Brush, CrossingRule
from curlet.core.brush.courses import Band, Letter, Row, Share, Span
from curlet.core.brush.rules import CornerRule, EndRule, Facing, FitRule, Piece, Pieces, SwayRule, Swell

__all__ = [
    "Band", "Brush", "CornerRule", "CrossingRule", "EndRule", "Facing", "FitRule", "Letter", "Piece",
    "Pieces", "Row", "Share", "Span", "SwayRule", "Swell",
]  # fmt: skip
