"""Several cards: the same in other colours."""
