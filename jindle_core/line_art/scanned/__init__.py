"""Areas out of a photo or scan of a stamped outline."""
