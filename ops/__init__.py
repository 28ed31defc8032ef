"""What ``./jindle`` does: installing, the database, serving, testing. Standard library only."""
