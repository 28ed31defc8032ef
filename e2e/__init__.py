"""Tests that drive the real interface, and the pictures for the documents."""
