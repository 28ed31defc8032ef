"""Checks of a card: what they are called, what was found, what would mend it."""
