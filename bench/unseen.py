"""The worlds and cameras that the bench shows: nothing was found on them, and no test asks them."""

WORLDS = tuple(range(9001, 9009))
SENSORS = tuple(range(7001, 7009))
