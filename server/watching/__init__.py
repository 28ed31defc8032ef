"""How the running server is watched over: its health, its figures, a line a request; and who really asks."""
