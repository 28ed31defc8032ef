"""The demo data, all of it invented, and the program that makes it."""
