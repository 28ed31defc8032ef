"""The whole card, one frozen value, and what changes it."""
