"""Shading families: colours of one medium that run from light to dark together."""
