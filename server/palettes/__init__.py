"""Ways into a palette beside paper: from a rule, from the drawer, from combinations that were kept."""
