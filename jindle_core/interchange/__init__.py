"""Open file formats, read and written."""
