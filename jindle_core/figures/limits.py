"""Limits: how near to one is at it."""

# Nothing fails for what no eye and no ruler tells apart: within so much of its limit, or so small a part of a
# thing. Readings of one swatch differ by more.
TOLERANCE = NEGLIGIBLE = 0.01
