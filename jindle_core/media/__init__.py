"""The forms that colour comes in: what there is of them, and all that the rules need to know of each."""
