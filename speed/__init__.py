"""Benchmarks, always as a ratio against a named reference in the same run: `make speed`."""
