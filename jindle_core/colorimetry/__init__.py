"""Colour as numbers: spaces, differences, names, views.

Conventions everywhere: 31 bands 400–700 nm in steps of 10, reflectance 0–1,
CIELAB under D50 and the 2° observer, ΔE00 with kL = kC = kH = 1.
"""
