"""May a person's account use the made-up reader and camera? Only where that was switched on."""

from jindle_core.errors import BadInput, Problem
from server.accounts.models import Person


def check_stand_ins(person: Person) -> None:
    """BadInput where they are off."""
    if not person.stand_ins:
        words = "The simulated reader and camera are off: nothing is connected. Account switches them on."
        raise BadInput(Problem(words, field="stand_ins"))
