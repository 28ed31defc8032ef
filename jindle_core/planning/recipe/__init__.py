"""What somebody needs to know to make a card again."""
