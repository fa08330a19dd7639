"""The version, as semver.org has it."""

__version__ = "0.1.0"
