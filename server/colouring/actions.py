"""Every write to line drawings and kept families."""

from collections.abc import Sequence

from jindle_core import defaults
from jindle_core.changes import checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.line_art.drawing import LineDrawing, drawing_to_json
from server.accounts.models import Person
from server.colouring.models import Drawing, KeptFamily


def store_drawing(owner: Person | None, name: str, drawing: LineDrawing) -> Drawing:
    """Keep a drawing under a name."""
    return Drawing.objects.create(owner=owner, name=checked_name(name), stored=drawing_to_json(drawing))


def keep_family(owner: Person, name: str, colours: Sequence[int]) -> KeptFamily:
    """Keep a family, light to dark, under a name."""
    least, most = defaults.FAMILY_SIZES
    if not least <= len(colours) <= most or len(set(colours)) < len(colours):
        raise BadInput(Problem(f"A family has {least} to {most} colours, each once.", field="colours"))
    return KeptFamily.objects.create(owner=owner, name=checked_name(name), colours=list(colours))
