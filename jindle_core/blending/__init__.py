"""Ink pads brushed into one another: what lies between them, and whether it goes muddy."""
