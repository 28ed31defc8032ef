"""What was made: recipe sheets, records of cards, the log."""
