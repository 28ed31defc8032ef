"""Files: how large they may be."""

LARGEST_FILE = 8 * 1024 * 1024  # 50,000 rows of a range are about 3 MB
LARGEST_RANGE = 50_000
# Of a recipe that travels: a card names some dozens of supplies; a card has up to 6 photos and a prediction.
RECIPE_SUPPLIES, RECIPE_RANGES, RECIPE_PICTURES = 2000, 200, 7
RECIPE_PATTERN = 120  # parts along the longer side of a sheet that travels: to be told, and not to be printed
# What was deleted and can be brought back, of each kind: as long as a mistake may take to be noticed, and no
# cellar of them.
DELETED_DAYS, DELETED_KEPT = 30, 60
