"""A set on paper: its cards and their work, and what is cut for all of them."""

from jindle_core.planning.planned import Planned
from jindle_core.sets.shared_sheets import SetCutting
from server.access import cards_of
from server.cards.building.pdf import cutting_pages
from server.cards.glances import picture_of
from server.catalogue.downloads import data_url
from server.catalogue.printing import pdf
from server.sets.models import CardSet
from server.sets.views import set_cutting_told
from server.told.encoder import as_json
from server.told.sets import Set


def set_pdf(of: CardSet, told: Set, work: Planned) -> bytes:
    """Its cards with their pictures, what to buy, and the batches in their order."""
    pictures = {card.pk: picture_of(card) for card in cards_of(of.owner).filter(in_sets__of=of)}
    cards = [
        one | {"picture": found and data_url(*found)}
        for one in as_json(told.cards)
        for found in [pictures.get(one["id"])]
    ]
    steps = [
        {
            "minutes": placed.task.minutes,
            "words": placed.task.words,
            "steps": [step.words for step in placed.task.steps],
        }
        for placed in work.schedule.placed
    ]
    made = {"title": of.name, "cards": cards, "steps": steps, "hands": work.schedule.hands}
    return pdf("print/set.html", as_json(told) | made | {"cautions": work.cautions})


def set_cutting_pdf(name: str, cutting: SetCutting) -> bytes:
    """The list of pieces by card with a ruler, then every sheet in its true size."""
    pieces = [
        {
            "name": f"{member.name}: {one.name}",
            "size": one.size.text(),
            "count": member.count,
            "material": member.palette.end_words(one.material),
            "direction": one.direction,
            "out_of": one.out_of,
        }
        for member, each in zip(cutting.members, cutting.cuttings, strict=True)
        for one in each.pieces
    ]
    return cutting_pages(f"Cutting: {name}", as_json(set_cutting_told(cutting)) | {"pieces": pieces})
