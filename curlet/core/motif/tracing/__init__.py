"""Tracing: a picture's areas as shapes, in mm."""

from curlet.core.motif.tracing.rule import Crop, TraceRule
from curlet.core.motif.tracing.trace import Stopped, Traced, prepared, trace

__all__ = ["Crop", "Stopped", "TraceRule", "Traced", "prepared", "trace"]
