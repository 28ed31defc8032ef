"""Everything of a person's as one archive of open files, and back into an empty account."""
