"""Curlet: brushes laid along paths by measure."""

__version__ = "0.1.0"
