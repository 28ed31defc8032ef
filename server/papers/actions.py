"""Every write to papers."""

from collections.abc import Sequence
from dataclasses import dataclass

from django.db import transaction

from jindle_core import defaults
from jindle_core.changes import AddColour, checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.formats import Size
from jindle_core.media import Medium
from jindle_core.plan import Anchor, Role
from server.access import ranges_of
from server.accounts.models import Person
from server.cards.actions import change_card, create_card
from server.cards.models import Card
from server.catalogue.models import Colour, Range, touch_catalogue
from server.papers.models import Paper

_TITLE_LIMIT = 120


@dataclass(frozen=True)
class Named:
    """A colour of a sheet with the name that it gets."""

    lab: tuple[float, float, float]
    share: float
    name: str


@transaction.atomic
def store_paper(
    owner: Person, collection: str, title: str, picture: bytes, colours: Sequence[Named], provenance: str
) -> Paper:
    """Keep a sheet in a collection of the person's, which is made where there is none of that name."""
    collection, title = checked_name(collection, "collection"), checked_name(title, "title")
    if len(title) > _TITLE_LIMIT:
        raise BadInput(
            Problem(f"The title has {len(title)} characters; {_TITLE_LIMIT} are the most.", field="title")
        )
    found = ranges_of(owner).filter(medium=Medium.PATTERNED_PAPER, name=collection).first()
    found = found or Range.objects.create(owner=owner, name=collection, medium=Medium.PATTERNED_PAPER)
    if found.papers.filter(title=title).exists():
        raise BadInput(Problem(f"“{collection}” has a sheet “{title}” already.", field="title", value=title))
    names = [f"{title}, {checked_name(one.name)}"[: defaults.NAME_LIMIT] for one in colours]
    for name in names:
        if names.count(name) > 1:
            raise BadInput(Problem(f"Two colours are called “{name}”.", field="colours", value=name))
    made = Paper.objects.create(owner=owner, range=found, title=title, picture=picture, mime="image/jpeg")
    Colour.objects.bulk_create(
        Colour(
            range=found,
            key=name,
            name=name,
            family=title,
            lab_l=one.lab[0],
            lab_a=one.lab[1],
            lab_b=one.lab[2],
            provenance=provenance,
            share=one.share,
        )
        for name, one in zip(names, colours, strict=True)
    )
    touch_catalogue(owner)
    return made


@transaction.atomic
def delete_paper(paper: Paper) -> None:
    """Take a sheet off the shelf with its colours, and its collection where it was the last."""
    owner, found = paper.owner, paper.range
    found.colours.filter(family=paper.title).delete()
    paper.delete()
    if not found.papers.exists() and not found.colours.exists():
        found.delete()
    touch_catalogue(owner)


@dataclass(frozen=True)
class Start:
    """A colour that a palette starts with: its supply's id and Lab, name, role and provenance."""

    colour: int
    lab: tuple[float, float, float]
    provenance: str
    name: str
    role: Role


@transaction.atomic
def start_card(owner: Person, name: str, size: Size, starts: Sequence[Start]) -> Card:
    """Make a card whose palette starts with colours of a sheet and what goes with them."""
    card = create_card(owner, name, size)
    for start in starts:
        anchor = Anchor(start.colour, start.lab, start.provenance)
        change_card(card, card.version, AddColour(anchor, start.name, start.role), ())
    return card
