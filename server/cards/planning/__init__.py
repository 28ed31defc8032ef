"""The order of work of a card."""
