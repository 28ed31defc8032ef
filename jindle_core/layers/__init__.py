"""The pieces that a card is built of: their sizes, where they lie, how high they stand."""
