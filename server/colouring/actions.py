"""Every write to line drawings and kept families."""

from collections.abc import Sequence

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.drawing import LineDrawing, drawing_to_json
from server.accounts.models import Person
from server.colouring.models import Drawing, KeptFamily
from server.quotas import check_room
from server.writes import write


@write
def store_drawing(owner: Person | None, name: str, drawing: LineDrawing) -> Drawing:
    """Keep a drawing under a name."""
    check_room(owner, "drawings")
    return Drawing.objects.create(owner=owner, name=checked_name(name), stored=drawing_to_json(drawing))


@write
def keep_family(owner: Person, name: str, colours: Sequence[int]) -> KeptFamily:
    """Keep a family, light to dark, under a name."""
    least, most = figures.families.FAMILY_SIZES
    if not least <= len(colours) <= most or len(set(colours)) < len(colours):
        raise BadInput(Problem(f"A family has {least} to {most} colours, each once.", field="colours"))
    check_room(owner, "families")
    return KeptFamily.objects.create(owner=owner, name=checked_name(name), colours=list(colours))
