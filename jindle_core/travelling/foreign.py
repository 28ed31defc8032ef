"""What does a card look like that somebody else made, among one's own supplies?

What its maker used and one does not have stands in as what is lost does: cards name it, it looks as
it is told, and it is offered nowhere. Its ids are negative, so that no supply's of one's own is meant.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.references import turned
from jindle_core.card.whole import Card
from jindle_core.colorimetry.difference import delta_e
from jindle_core.line_art.drawing import LineDrawing
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.patterned.sheet import Sheet
from jindle_core.seen.whole import SeenCard
from jindle_core.supplies.colours import RangeFacts, SupplyColour
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.told import Travelling


@dataclass(frozen=True, slots=True)
class Shelf:
    """What somebody has besides supplies.

    Drawings by their ids; ids of sheets by the name of their range and their title; and the
    sheets by their ids, as pieces are cut out of them. ``dark_first`` is what they do as a rule.
    """

    drawings: Mapping[int, LineDrawing] = field(default_factory=dict)
    titles: Mapping[tuple[str, str], int] = field(default_factory=dict)
    sheets: Mapping[int, Sheet] = field(default_factory=dict)
    dark_first: bool = False


@dataclass(frozen=True, eq=False)
class Foreign:
    """A card as it is told, among the supplies and on the shelf of somebody else."""

    told: Travelling
    mine: Supplies
    shelf: Shelf = Shelf()

    @cached_property
    def ids(self) -> list[int]:
        """By its number, from 1, the id of each supply: one's own where it is the very same, else −number."""
        found = []
        for number, one in enumerate(self.told.supplies, start=1):
            known = self.told.ranges[one.range - 1]
            named = (known.name.casefold(), known.medium, one.label.casefold())
            same = [at for at in self._named.get(named, ()) if self._is_near(one.lab, at)]
            found.append(self.mine.rows[same[0]].id if same else -number)
        return found

    @cached_property
    def named(self) -> set[int]:
        """The numbers of the supplies that it is made of: not of each colour that a sheet shows."""
        shown = {one for sheet in self.told.sheets if sheet.pattern for one in sheet.pattern.supplies}
        main = {sheet.supply for sheet in self.told.sheets}
        return set(range(1, len(self.told.supplies) + 1)) - (shown - main)

    def _is_near(self, lab: tuple[float, float, float], place: int) -> bool:
        """Whether a code means what it means here: two people's swatches differ, but not by so much."""
        return bool(delta_e(np.array(lab), self.mine.label_lab[place]) <= figures.colour.COUSIN)

    @cached_property
    def _named(self) -> dict[tuple[str, Medium, str], list[int]]:
        """The places of one's own supplies, of ranges of those names, by range, medium and label."""
        wanted = {(one.name.casefold(), one.medium) for one in self.told.ranges}
        ranges = {
            pk: (one.name.casefold(), one.medium) for pk, one in self.mine.ranges.items() if not one.lost
        }
        ranges = {pk: name for pk, name in ranges.items() if name in wanted}
        found: dict[tuple[str, Medium, str], list[int]] = {}
        for place in np.flatnonzero(np.isin(self.mine.range_ids, list(ranges))):
            row = self.mine.rows[place]
            found.setdefault((*ranges[row.range_id], row.label.casefold()), []).append(int(place))
        return found

    @cached_property
    def supplies(self) -> Supplies:
        """One's own, and what the card names and one does not have."""
        facts = {
            -at: RangeFacts(-at, one.name, one.maker, one.medium, False, True, dict(one.properties))
            for at, one in enumerate(self.told.ranges, start=1)
        }
        strange = [(pk, self.told.supplies[-pk - 1]) for pk in self.ids if pk < 0]
        rows = tuple(
            SupplyColour(pk, -one.range, one.code, one.name, "", one.provenance, False, *one.lab)
            for pk, one in strange
        )
        spectra = {pk: np.array(one.reflectance) for pk, one in strange if one.reflectance is not None}
        mine = self.mine
        return replace(
            mine, rows=mine.rows + rows, ranges=mine.ranges | facts, spectra=mine.spectra | spectra
        )

    @cached_property
    def drawings(self) -> dict[int, LineDrawing]:
        """Its drawings by their ids, in their order: one's own where it is the very same, else −number."""
        mine, found = self.shelf.drawings.items(), {}
        for number, one in enumerate(self.told.drawings, start=1):
            pk = next((pk for pk, drawn in mine if drawn == one.drawing and pk not in found), -number)
            found[pk] = one.drawing
        return found

    @cached_property
    def seen(self) -> SeenCard:
        """The card with what its maker used, as it looks by what is told of that; strange sheets are flat."""
        return self._seen(self.told.card.with_ends(self._cut), self.shelf.sheets)

    @cached_property
    def sheets(self) -> dict[int, Sheet]:
        """By −number the sheets that one does not have, as they are told."""
        return {
            -number: Sheet.of_rows(
                one.title,
                tuple(self.ids[supply - 1] for supply in told.supplies),
                told.rows,
                told.width,
            )
            for number, one in enumerate(self.told.sheets, start=1)
            if (told := one.pattern) is not None and self._own_sheet(number) is None
        }

    @cached_property
    def shown(self) -> SeenCard:
        """The same with its sheets as they are: to be looked at, for of those nothing can be cut here."""

        def cut(end: End) -> End:
            is_told = end.source == "sheet" and -end.id in self.sheets
            return End("sheet", -end.id) if is_told else self._cut(end)

        return self._seen(self.told.card.with_ends(cut), {**self.shelf.sheets, **self.sheets})

    def _seen(self, card: Card, sheets: Mapping[int, Sheet]) -> SeenCard:
        drawn = list(self.drawings)

        def mine(use: Use, number: int) -> int | None:
            if use is Use.LINE:
                return self._line(number)
            if use is Use.DRAWING:
                return drawn[number - 1]
            return number if use is Use.SHEETS else self.ids[number - 1]

        dark_first = self.shelf.dark_first
        return SeenCard(turned(card, mine), self.supplies, self.drawings, dark_first, sheets)

    def _cut(self, end: End) -> End:
        """A sheet of one's own of the same name, else, as a supply, the colour that most of it is of."""
        if end.source != "sheet" or not end.id:
            return end
        pk = self._own_sheet(end.id)
        return End("supply", self.told.sheets[end.id - 1].supply) if pk is None else End("sheet", pk)

    def _own_sheet(self, number: int) -> int | None:
        sheet = self.told.sheets[number - 1]
        return self.shelf.titles.get((self.told.ranges[sheet.range - 1].name, sheet.title))

    def _line(self, number: int) -> int | None:
        """One's own range of that name, which lines are stamped with."""
        named = self.told.ranges[number - 1]
        same = (
            pk
            for pk, one in self.mine.ranges.items()
            if (one.name, one.medium, one.lost) == (named.name, named.medium, False)
        )
        return next(same, None)
