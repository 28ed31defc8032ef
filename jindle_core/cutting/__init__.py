"""From pieces to sheets: what is cut out of what, with which cuts."""
