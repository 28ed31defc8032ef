"""Simulated outside devices; see README.md."""
