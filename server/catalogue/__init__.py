"""Ranges, their colours, and what of them a person owns."""
