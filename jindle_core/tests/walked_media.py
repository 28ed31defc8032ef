"""One of every medium through every stage: what a new row in ``media.medium`` must not break.

Run alone (``python -m jindle_core.tests.walked_media``) it says how many media it walked, or raises.
"""

from itertools import product

import numpy as np

from jindle_core.card.changes.build import AddPiece
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.palette import AddColour
from jindle_core.card.changes.pictures import (
    AreaFamily,
    EditAreas,
    SetColouring,
    SetDrawing,
    SetFamilies,
    areas_of,
)
from jindle_core.card.ground import PadUse
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.card.whole import Anchor, Card
from jindle_core.checked.whole import CheckedCard
from jindle_core.compatibility.properties import properties_of
from jindle_core.fullness import Kept
from jindle_core.interchange.file_name import medium_of
from jindle_core.layers.making import Making, made_with
from jindle_core.layers.pieces import Kind
from jindle_core.lengths import OF_PIECES, Length, read_size
from jindle_core.line_art.svg import read_svg
from jindle_core.material import End
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.media.medium import Medium
from jindle_core.offers.for_colour import instead_of
from jindle_core.offers.for_hole import ways_out
from jindle_core.palettes.role import Role
from jindle_core.planning.planned import planned
from jindle_core.seen.table import table
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.matched import swatch_of
from jindle_core.supplies.used import shopping
from jindle_core.supplies.whole import Supplies
from jindle_core.training.exercises import EXERCISES, Wish, ask

DRAWING = read_svg(
    b"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 50">
<rect id="pond" width="60" height="50"/><rect id="bank" x="60" width="40" height="50"/></svg>"""
)
HUES = ((-14.0, 12.0), (30.0, 8.0))
DEPTHS = (88.0, 72.0, 56.0, 40.0, 24.0)
OF_EACH = len(HUES) * len(DEPTHS)


def shelf():
    """Greens and reds of every medium, all in the drawer; a range of each says what it may."""
    media = list(Medium)
    rows = tuple(
        SupplyColour(
            OF_EACH * at + n + 1, at + 1, f"REED-{at}-{n}", f"reed {at} {n}",
            "Reeds" if medium.traits.printed else "", "read", False, lightness + at / 10, *hue,
        )
        for at, medium in enumerate(media)
        for n, (hue, lightness) in enumerate(product(HUES, DEPTHS))
    )  # fmt: skip
    ranges = {
        at: RangeFacts(at, medium.value, "", medium, own=True, properties=_said(medium))
        for at, medium in enumerate(media, start=1)
    }
    return Supplies(rows, ranges, drawer={row.id: Kept("full", "") for row in rows})


def _said(medium):
    usual = {"surface": "heavy cardstock", "wet_layers": 4}
    return {name: usual.get(name, False) for name in properties_of(medium)}


def card_of(medium, supplies):
    """A card that uses a medium wherever it can be used."""
    first = OF_EACH * list(Medium).index(medium) + 1
    its = medium.traits
    card = Card("Reeds", read_size("5 1/2", "4 1/4", "in"))
    lab = supplies.lab_at(supplies.places[first])
    changes = [AddColour(Anchor(first, lab, "read"), "reed", Role.LEAD)]
    panel = {"reveal": Length(8, "in")} | ({"material": End("supply", first)} if its.paper else {})
    changes.append(AddPiece(Kind.PANEL, "panel", panel))
    size = {"size": read_size("3", "3/4", "in", OF_PIECES), "on": 1}
    if its.toning is not None:
        family = (first, first + 2, first + 4)
        changes += [
            SetDrawing(1, areas_of(DRAWING), 2.0),
            EditAreas((1, 2), colour=1),
            SetFamilies((AreaFamily(1, family, medium), AreaFamily(2, family[:2], medium))),
            AddPiece(Kind.IMAGE, "pond", size | {"picture": 1}),
        ]
        if its.line_ink is not None:
            changes.append(SetColouring({"line_range": list(Medium).index(medium) + 1}))
    if its.pad is not None:
        changes.append(SetGround({"pads": (PadUse(first), PadUse(first + 2))}))
    if its.last:
        changes.append(AddPiece(Kind.FINISH, "dots", size | {"material": End("supply", first)}))
    for made in Making if its.writing is not None else ():
        if made_with(made) is its.writing:
            told = {"material": End("supply", first), "made": made, "text": "wish you were here"}
            changes.append(AddPiece(Kind.LETTERING, made.value, size | told))
    for change in changes:
        card = changed(card, change)
    return card


def walk(medium, supplies):
    """One card of a medium: stored and read again, seen, checked, mended, planned, bought for."""
    card = card_of(medium, supplies)
    assert card_from_json(card_to_json(card)) == card
    checked = CheckedCard(SeenCard(card, supplies, {1: DRAWING}))
    for one in checked.to_mend:
        list(one.to_mend())
    assert planned(checked).schedule.placed
    assert all(row.cells for row in table(checked.seen.palette, only_owned=False))
    ways_out(checked.seen.palette, 1, medium.traits.column)
    places = np.flatnonzero(supplies.in_media((medium,)))
    assert {swatch_of(supplies, int(place)).medium for place in places} == {medium}
    instead_of(supplies, int(places[0]))
    if medium.traits.covering is not None:
        assert np.isfinite(supplies.predicted.in_layers(places, 2, None)).all()
    shopping([card], supplies)


def walk_all():
    """Every medium, each alone; then what asks of all of them."""
    supplies = shelf()
    columns = {column.key for column in EVERY_COLUMN}
    for medium in Medium:
        assert medium.traits.column in columns, f"{medium} stands in no column of the table"
        assert medium_of(f"my {medium}s.csv") is medium, f"{medium} is not known by a file's name"
        walk(medium, supplies)
    random = np.random.default_rng(1)
    for exercise in EXERCISES:
        assert ask(exercise, supplies, 5.0, Wish(), random) is not None, exercise


if __name__ == "__main__":
    walk_all()
    print(f"{len(Medium)} media")
