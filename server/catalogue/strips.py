"""A person's strip of known swatches: which colours are on it, and where it lies in a picture."""

from collections.abc import Sequence
from typing import NamedTuple

from django.db.models import F

from jindle_core import figures
from jindle_core.colorimetry.spaces import Array
from jindle_core.errors import BadInput, Problem
from jindle_core.patterned.correction import PictureBox
from jindle_core.patterned.lamp import KnownSwatch
from jindle_core.patterned.strip import FoundStrip, find_strip
from jindle_core.supplies.asked import place_of
from jindle_core.supplies.whole import Supplies
from server.access import strip_of
from server.accounts.models import Person
from server.catalogue.models import StripColour
from server.writes import write


class StripSeen(NamedTuple):
    """The strip in a picture, and its swatches: each a box and the place of its colour."""

    found: FoundStrip
    known: list[tuple[PictureBox, int]]


@write
def set_strip(person: Person, colour_ids: Sequence[int]) -> None:
    """Have these colours on the strip, in this order; none: there is no strip."""
    strip_of(person).delete()
    rows = (StripColour(owner=person, place=at, colour_id=pk) for at, pk in enumerate(colour_ids))
    StripColour.objects.bulk_create(rows)


def check_strip(supplies: Supplies, colour_ids: Sequence[int]) -> None:
    """BadInput for colours that make no strip."""
    most = figures.paper.STRIP_SWATCHES
    if len(colour_ids) > most or len(set(colour_ids)) < len(colour_ids):
        raise BadInput(Problem(f"A strip has {most} colours at most, each once.", field="colours"))
    for pk in colour_ids:
        place = place_of(supplies, pk, "colours")
        facts = supplies.ranges[int(supplies.range_ids[place])]
        if facts.medium.traits.covering is None:
            words = f"{facts.name} is {facts.medium}: on the strip is what one lays on white card."
            raise BadInput(Problem(words, field="colours", value=facts.name))


def strip_places(person: Person, supplies: Supplies) -> list[int | None]:
    """The places of the strip's colours, box by box; None for one that is no more."""
    there = dict(strip_of(person).values_list("place", F("colour_id")))
    boxes = range(max(there, default=-1) + 1)
    return [supplies.places.get(there[at]) if at in there else None for at in boxes]


def known_swatches(supplies: Supplies, known: Sequence[tuple[PictureBox, int]]) -> list[KnownSwatch]:
    """What is known of the colours at places of the supplies that lie in a picture."""
    return [KnownSwatch(box, supplies.lab_at(place), float(supplies.sigma[place])) for box, place in known]


def strip_seen(person: Person, supplies: Supplies, linear: Array) -> StripSeen | None:
    """The person's strip in a picture (h, w, 3); None where they have none, or it is not in it."""
    places = strip_places(person, supplies)
    found = find_strip(linear) if places else None
    if found is None:
        return None
    known = [(box, place) for box, place in zip(found.boxes, places, strict=False) if place is not None]
    return StripSeen(found, known)
