"""The demo data and the studio that everybody may open."""
