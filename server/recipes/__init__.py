"""Recipes that travel: as files, by links, and into somebody's own supplies."""
