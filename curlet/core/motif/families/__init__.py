"""The motif families, by kind. A new family is a file beside these and a line here."""

from curlet.core.motif.families.running import Running

__all__ = ["FAMILIES", "Running"]

FAMILIES = {"running": Running}
