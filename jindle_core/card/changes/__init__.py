"""All changes that can be made to a card."""
