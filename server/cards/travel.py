"""What does somebody else need to know of a card that is stored here, and what could they have of it?"""

from jindle_core.checked.whole import CheckedCard
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.foreign import Shelf
from jindle_core.travelling.told import Belongings, DrawingTold, Travelling, travelling
from server.access import drawings_seen_by, papers_seen_by
from server.accounts.models import Person
from server.cards.sheets import sheets_seen


def told_of(checked: CheckedCard, person: Person) -> Travelling:
    """A card of the person's as it travels."""
    seen = checked.seen
    names = dict(drawings_seen_by(person).filter(pk__in=seen.drawings).values_list("pk", "name"))
    drawings = {pk: DrawingTold(names[pk], one) for pk, one in seen.drawings.items()}
    ranges = dict(papers_seen_by(person).filter(pk__in=seen.sheets).values_list("pk", "range_id"))
    sheets = {pk: (ranges[pk], one) for pk, one in seen.sheets.items()}
    return travelling(seen.card, seen.supplies, Belongings(drawings, sheets))


def shelf_for(told: Travelling, supplies: Supplies, person: Person) -> Shelf:
    """What the person has of the drawings and sheets that a card tells of."""
    named = drawings_seen_by(person).filter(name__in={one.name for one in told.drawings})
    wanted = {(told.ranges[one.range - 1].name, one.title) for one in told.sheets}
    papers = papers_seen_by(person).filter(title__in={title for _, title in wanted}, width_mm__isnull=False)
    there = papers.values_list("range__name", "title", "pk")
    titles = {(name, title): pk for name, title, pk in there if (name, title) in wanted}
    sheets = sheets_seen(supplies, person, titles.values())
    return Shelf(
        {one.pk: one.shapes for one in named},
        {key: pk for key, pk in titles.items() if pk in sheets},
        sheets,
        person.dark_first,
    )
