"""What people made: sheets, paths, runs and brushes in SQLite, changed only by commands."""
