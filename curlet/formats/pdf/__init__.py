"""Drawings as PDF (ISO 32000-1), true to size: everything as vectors but for pictures and what is blurred."""
