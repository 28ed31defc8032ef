"""A card that is built of pieces: where they lie, what they are of, and in which colours they are seen."""
