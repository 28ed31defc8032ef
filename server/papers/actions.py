"""Every write to papers."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from jindle_core import figures
from jindle_core.card.changes.palette import checked_name
from jindle_core.errors import BadInput, Problem
from jindle_core.media.medium import Medium
from jindle_core.provenance import Provenance
from server.access import ranges_of
from server.accounts.models import Person
from server.catalogue.models import Colour, Range, touch_catalogue
from server.papers.models import Paper
from server.quotas import check_bytes, check_room
from server.writes import write

_TITLE_LIMIT = 120


@dataclass(frozen=True)
class Named:
    """A colour of a sheet with the name that it gets."""

    lab: tuple[float, float, float]
    share: float
    name: str


def checked_width(millimetres: Any) -> float | None:
    """How wide what a picture of paper shows is; BadInput for what no sheet is."""
    least, most = figures.paper.SHEET_WIDTH
    if millimetres is None:
        return None
    if isinstance(millimetres, bool) or not (
        isinstance(millimetres, int | float) and least <= millimetres <= most
    ):
        words = f"What a picture of paper shows is {least:g} to {most:g} mm wide."
        raise BadInput(Problem(words, field="width", value=f"{millimetres!r:.40}"))
    return float(millimetres)


@write
def set_width(paper: Paper, millimetres: float) -> None:
    """Say how wide what the picture of a sheet shows is."""
    paper.width_mm = checked_width(millimetres)
    paper.save(update_fields=["width_mm"])
    touch_catalogue(paper.owner)


def _collection(owner: Person, name: str, title: str) -> Range:
    """The person's collection of a name, which has no such sheet; it is made where there is none."""
    found = ranges_of(owner).filter(medium=Medium.PATTERNED_PAPER, name=name).first()
    if found is None:
        return Range.objects.create(owner=owner, name=name, medium=Medium.PATTERNED_PAPER)
    if there := found.papers.filter(title=title).first():
        words = f"“{name}” has a sheet “{title}” already"
        if there.deleted:
            words += ", which was deleted: bring it back, or delete it for good"
        raise BadInput(Problem(f"{words}.", field="title", value=title))
    return found


def _names(title: str, colours: Sequence[Named]) -> list[str]:
    names = [f"{title}, {checked_name(one.name)}"[: figures.palettes.NAME_LIMIT] for one in colours]
    for name in names:
        if names.count(name) > 1:
            raise BadInput(Problem(f"Two colours are called “{name}”.", field="colours", value=name))
    return names


@write
def store_paper(
    owner: Person,
    collection: str,
    title: str,
    picture: bytes,
    colours: Sequence[Named],
    provenance: Provenance,
    width: float | None = None,
    simulated: bool = False,
) -> Paper:
    """Keep a sheet in a collection of the person's, which is made where there is none of that name."""
    collection, title = checked_name(collection, "collection"), checked_name(title, "title")
    if len(title) > _TITLE_LIMIT:
        raise BadInput(
            Problem(f"The title has {len(title)} characters; {_TITLE_LIMIT} are the most.", field="title")
        )
    check_room(owner, "papers")
    check_bytes(owner, len(picture))
    found = _collection(owner, collection, title)
    names = _names(title, colours)
    kept = {"picture": picture, "mime": "image/jpeg", "width_mm": checked_width(width)}
    made = Paper.objects.create(owner=owner, range=found, title=title, simulated=simulated, **kept)
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
