"""Which tones of one medium do the ids of supplies name, light to dark?"""

from collections.abc import Sequence

from jindle_core.errors import BadInput, Problem
from jindle_core.media import Medium
from jindle_core.supplies.colours import Supplies
from server.catalogue.api.targets import place_of


def tones_of(catalogue: Supplies, ids: Sequence[int], field: str) -> tuple[Medium | None, tuple[int, ...]]:
    """Their medium (None where there are none) and the ids sorted; BadInput for unknown or mixed ones."""
    places = [place_of(catalogue, pk, field) for pk in ids]
    media = {catalogue.ranges[int(catalogue.range_ids[place])].medium for place in places}
    if len(media) > 1:
        raise BadInput(Problem("A family is of one medium.", field=field, value=", ".join(sorted(media))))
    places.sort(key=lambda place: -catalogue.lab[place][0])
    return next(iter(media), None), tuple(catalogue.rows[place].id for place in places)
