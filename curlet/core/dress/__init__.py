"""Dressing: colour now, relief later."""
