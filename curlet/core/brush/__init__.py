"""Brushes: what is laid along a path."""

from curlet.core.brush.brush import Brush, CornerRule, FitRule, Row, Share

__all__ = ["Brush", "CornerRule", "FitRule", "Row", "Share"]
