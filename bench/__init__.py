"""Speed, as ratios in one run."""
