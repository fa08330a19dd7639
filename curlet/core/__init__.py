"""The computation: pure functions from paths and brushes to a drawing."""
