"""Every write to combinations."""

from collections.abc import Sequence

from jindle_core import figures
from jindle_core.card.changes.palette import AddColour, checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.palettes.role import Role
from server.accounts.models import Person
from server.palettes.models import Combination
from server.quotas import check_room
from server.writes import write


@write
def keep_combination(owner: Person | None, name: str, colours: Sequence[AddColour]) -> Combination:
    """Keep colours, by their values, under a name."""
    if not colours:
        raise BadInput(Problem("There are no colours to keep.", field="colours"))
    if len(colours) > figures.palettes.PALETTE_LIMIT:
        raise BadInput(
            Problem(f"A combination has at most {figures.palettes.PALETTE_LIMIT} colours.", field="colours")
        )
    stored = [
        {
            "name": checked_name(one.name),
            "role": (one.role or Role.SUPPORT).value,
            "lab": list(one.anchor.lab),
            "provenance": one.anchor.provenance,
        }
        for one in colours
    ]
    check_room(owner, "combinations")
    return Combination.objects.create(owner=owner, name=checked_name(name), stored=stored)
