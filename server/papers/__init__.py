"""Patterned papers: pictures of sheets, and the colours read from them."""
