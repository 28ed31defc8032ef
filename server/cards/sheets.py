"""Which sheets of patterned paper do cards use, as they are judged?"""

from collections import OrderedDict
from collections.abc import Collection
from threading import Lock

import numpy as np
from numpy.typing import NDArray

from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.interchange.picture import read_picture
from jindle_core.material import End
from jindle_core.patterned.sheet import Sheet, sheet_labels
from jindle_core.supplies.whole import Supplies
from server.access import one, papers_seen_by
from server.accounts.models import Person

_MOST = 256  # sheets that are held at once in one process: up to 64 kB each

Labels = NDArray[np.uint8]
_held: OrderedDict[tuple[int, bytes], Labels] = OrderedDict()
_holding = Lock()


def sheets_of(cards: Collection[Card], supplies: Supplies, person: Person) -> dict[int, Sheet]:
    """By its id every sheet that pieces of some cards are cut out of, and that is on the shelf."""
    ends = {piece.material for card in cards for piece in card.build.every}
    return sheets_seen(supplies, person, {end.id for end in ends if end.source == "sheet"})


def sheets_seen(supplies: Supplies, person: Person, wanted: Collection[int]) -> dict[int, Sheet]:
    """By their ids those of some sheets that a person sees and of which it is known how wide they are."""
    if not wanted:
        return {}
    found = papers_seen_by(person).filter(pk__in=wanted, width_mm__isnull=False)
    sheets = {}
    for paper in found.select_related("range").defer("picture"):
        if places := supplies.sheets.get((paper.range_id, paper.title)):
            labs = supplies.lab[places]
            key = (paper.pk, labs.tobytes())
            with _holding:
                labels = _held.get(key)
            if labels is None:
                # A picture is never changed, and was made by us.
                labels = sheet_labels(read_picture(bytes(paper.picture)).linear, labs)
            with _holding:
                _held[key] = labels
                _held.move_to_end(key)
                while len(_held) > _MOST:
                    _held.popitem(last=False)
            ids = tuple(supplies.rows[place].id for place in places)
            sheets[paper.pk] = Sheet(paper.title, ids, labels, paper.width_mm or 0.0)
    return sheets


def check_sheet(material: End | None, person: Person) -> None:
    """BadInput where something is to be cut out of a sheet of which nobody said how wide it is."""
    if material is not None and material.source == "sheet":
        paper = one(papers_seen_by(person).defer("picture"), pk=material.id)
        if paper.width_mm is None:
            words = f"Say first how wide what the picture of {paper.title} shows is: its scale is not known."
            raise BadInput(Problem(words, field="material", value=paper.title))
