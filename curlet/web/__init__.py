"""The web: serves what the core computes and the store keeps."""
