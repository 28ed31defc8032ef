"""What could be taken, instead or next: each way is tried on the card before it is offered."""
