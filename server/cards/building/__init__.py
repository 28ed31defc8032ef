"""How a card is built: what is told of its pieces, checked, tried and cut."""
