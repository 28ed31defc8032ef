"""What is done to make cards: what is cut out of which sheets, and in which steps the work goes."""
