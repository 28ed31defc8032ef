"""The worlds that the bench shows: nothing was found on them, and no test asks them."""

WORLDS = tuple(range(9001, 9009))
