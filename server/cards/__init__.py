"""Cards: their plans, every change of them, and the way back."""
