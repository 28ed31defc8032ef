"""People: signing up, in and out, and how they like things shown."""
