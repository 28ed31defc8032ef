"""How what the core finds of a card is told, and nothing else."""
