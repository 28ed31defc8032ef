"""A card's checks: how what is seen of it stands."""
