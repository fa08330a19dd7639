"""Curlet: brushes laid along paths by measure. In Python, begin with `read_flat`: see `curlet.flats`."""

from __future__ import annotations

from typing import TYPE_CHECKING

from curlet.version import __version__

if TYPE_CHECKING:
    from curlet.flats import DressedFlat, Flat, Rule, Run, read_brush_of, read_flat
    from curlet.formats.output import FileSettings

__all__ = [
    "DressedFlat", "FileSettings", "Flat", "Rule", "Run", "__version__", "read_brush_of", "read_flat",
]  # fmt: skip


def __getattr__(name: str) -> object:
    # Read in once it is asked for: every command reads this file.
    if name == "FileSettings":
        from curlet.formats import output

        return output.FileSettings
    if name in __all__:
        from curlet import flats

        return getattr(flats, name)
    raise AttributeError(f"module 'curlet' has no attribute '{name}'")
