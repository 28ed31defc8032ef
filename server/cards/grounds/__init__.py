"""The ground of a card: its pads as laid, what lies on it, and what is told of them."""
