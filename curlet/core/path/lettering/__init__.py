"""Lettering: text as paths, outlined or in a single line."""

from curlet.core.path.lettering.font import Font, Letter
from curlet.core.path.lettering.outlined import OutlinedFont
from curlet.core.path.lettering.single_line import SingleLineFont
from curlet.core.path.lettering.write import Lettering, Piece, spelled, write

__all__ = ["Font", "Letter", "Lettering", "OutlinedFont", "Piece", "SingleLineFont", "spelled", "write"]
