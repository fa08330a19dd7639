"""Motifs: what is repeated along a path."""
