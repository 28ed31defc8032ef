"""A card as it would look."""
