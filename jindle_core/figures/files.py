"""Files: how large they may be."""

LARGEST_FILE = 8 * 1024 * 1024  # 50,000 rows of a range are about 3 MB
LARGEST_RANGE = 50_000
