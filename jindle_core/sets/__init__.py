"""Several cards: the same in other colours, and what is made together."""
