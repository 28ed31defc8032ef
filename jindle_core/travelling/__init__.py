"""Cards that go from one person to another: what is told of them, and how they come into other supplies."""
