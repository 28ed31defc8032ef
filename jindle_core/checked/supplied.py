"""Is what a card uses there to be used, and what could be used instead, everywhere at once?"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property, partial

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import EditPiece, SetBuild
from jindle_core.card.changes.every import AnyChange, Purpose, Several
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.whole import Anchor
from jindle_core.checked.build import Examined
from jindle_core.checked.check import Check, Mend
from jindle_core.checks.finding import Finding, Status
from jindle_core.checks.ids import CutOf, NoCard, OnWhole, Supplied, Whole
from jindle_core.colorimetry.difference import delta_e
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import BASE, OF_CARD, WHITE_END, InkedOver, Piece
from jindle_core.matching.verdicts import Verdict, combined, judge_distance
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.seen.palette import value_shades
from jindle_core.seen.uses import UsedThing, card_of, uses
from jindle_core.supplies.inked import inked_cards
from jindle_core.supplies.matched import Match, match_of
from jindle_core.supplies.whole import Supplies
from jindle_core.words import in_words

_OFFERED = 2
_GLAZES = 6  # that are looked at for one whose lower colour is no tone of the same areas
_NAMED = 3  # of what is told together
_TOGETHER = {"not in your drawer": Whole.DRAWER, "running low": Whole.LOW}
_STAGE_OF = {Use.TONES: "colouring", Use.PAPERS: "colouring", Use.PADS: "background", Use.PIECES: "build"}
# In which column of the palette table that stands with which words are made.
_INK_COLUMN = {Making.STAMPED: "pad", Making.CLEAR: "pad", Making.POWDER: "powder", Making.PEN: "gel"}
_CUT_FROM = [one for one in Medium if one.traits.paper]


@dataclass(frozen=True)
class Inventory:
    """What a card uses, read against its person's drawer."""

    examined: Examined

    @cached_property
    def used(self) -> list[UsedThing]:
        """Everything."""
        return uses(self.examined.stack, self.examined.covered)

    @property
    def supplies(self) -> Supplies:
        """Those that it is read against."""
        return self.examined.stack.palette.supplies

    def place(self, end: End) -> int | None:
        """Where a supply stands; None for what is none, or gone."""
        return self.supplies.places.get(end.id) if end.source == "supply" else None

    def wanting(self, end: End) -> tuple[str, Status]:
        """What is the matter with a supply, in words; empty where it is there to be used."""
        place = self.place(end)
        if end.source != "supply":
            return "", Status.HOLDS
        if place is None or self.supplies.lost[place]:
            return "no longer in your supplies", Status.FAILS
        kept = self.supplies.kept(place)
        if kept is None and self.supplies.discontinued[place]:
            return "no longer made, and not in your drawer", Status.FAILS
        if kept is None:
            return "not in your drawer", Status.LOOK_AGAIN
        if kept.fullness == "dry":
            return "dry", Status.FAILS
        return ("running low", Status.LOOK_AGAIN) if kept.fullness == "low" else ("", Status.HOLDS)

    def card_for(self, end: End) -> Match | None:
        """The card that what is of a palette colour is cut from."""
        return self.supply_for(end, "cardstock")

    def supply_for(self, end: End, column: str) -> Match | None:
        """What of a column of the palette table is taken for a palette colour: as chosen, else what it is
        tied to, else the nearest, of what is owned first; None without any."""
        palette, supplies = self.examined.stack.palette, self.supplies
        at = palette.card.colours.index(palette.card.colour(end.id))
        chosen = palette.card.choice(end.id, column)
        place = None if chosen is None else supplies.places.get(chosen.colour)
        own = palette.place(palette.card.colours[at])
        if place is None and own is not None and _medium(supplies, own).traits.column == column:
            place = own
        if place is not None:
            return palette.match(at, place, float(delta_e(palette.lab[at], supplies.lab[place])))
        stock = supplies.columns[column]
        mine = stock[supplies.usable[stock]]
        found = nearest_to(supplies, palette.lab[at], palette.sigma[at], mine if len(mine) else stock, 1)
        return found[0] if found else None

    def stock_words(self, end: End) -> str:
        """A stock as it is found in the drawer: what is in a palette colour with the card it is cut from."""
        return self.words_for(end, "cardstock")

    def words_for(self, end: End, column: str) -> str:
        """What is taken of a column as it is found in the drawer: for a palette colour, the supply too."""
        palette = self.examined.stack.palette
        found = self.supply_for(end, column) if end.source == "palette" else None
        words = palette.end_words(end)
        return words if found is None else f"{words} ({palette.end_words(End('supply', found.swatch.id))})"

    def ink_words(self, piece: Piece) -> str:
        """With what words are made, as it is found in the drawer."""
        making = piece.made or Making.STAMPED
        if making is Making.WHITE:
            return "white powder over a sticky ink"
        ink = self.words_for(piece.material, _INK_COLUMN[making])
        return f"{ink} over a sticky ink" if making is Making.POWDER else ink

    def instead(self, end: End) -> list[Match]:
        """What of the drawer is nearest to a supply and does the same work, the nearest first."""
        place = self.place(end)
        if place is None:
            return []
        supplies = self.supplies
        medium = _medium(supplies, place)
        tones = any(usage.areas for one in self.used if one.end == end for usage in one.usages)
        column = medium.traits.column
        of_medium = tones or column is None
        places = supplies.of_media((medium,)) if of_medium else supplies.columns[column or ""]
        places = places[supplies.usable[places] & (places != place)]
        return nearest_to(supplies, supplies.lab[place], float(supplies.sigma[place]), places, _OFFERED)


def instead_of(supplies: Supplies, old: End, new: End, areas: tuple[int, ...] = ()) -> UseInstead:
    """The change that uses one thing for another, everywhere or in some areas."""
    place = supplies.places.get(new.id) if new.source == "supply" else None
    anchor = None if place is None else Anchor(new.id, supplies.lab_at(place), supplies.provenance(place))
    return UseInstead(old, new, anchor, areas)


def nearest_to(
    supplies: Supplies, lab: np.ndarray, sigma: float, places: np.ndarray, count: int
) -> list[Match]:
    """The nearest of the supplies at some places to a CIELAB (3,) known to a sigma."""
    (found,) = supplies.nearest(np.asarray(lab, float)[None], count, places)
    return [
        match_of(supplies, int(at), tuple(map(float, lab)), sigma, float(distance))
        for at, distance in zip(found.indices, found.distances, strict=True)
    ]


def _medium(supplies: Supplies, place: int) -> Medium:
    return supplies.ranges[int(supplies.range_ids[place])].medium


def supply_checks(inventory: Inventory) -> Iterator[Check]:
    """On what is dry, low or gone, on what is not in the drawer, and on what card pieces are cut from."""
    supplies = inventory.supplies
    grouped: dict[Whole, list[UsedThing]] = {Whole.DRAWER: [], Whole.LOW: []}
    for one in inventory.used:
        words, status = inventory.wanting(one.end)
        if one.end.source == "palette":
            yield from _cut(inventory, one)
        elif one.needed and words in _TOGETHER:
            grouped[_TOGETHER[words]].append(one)
        elif one.needed and words and one.end.id:
            yield _lacking(inventory, one, words, status)
        place = inventory.place(one.end)
        cut = any(usage.size is not None for usage in one.usages)
        if place is not None and cut and _medium(supplies, place) not in _CUT_FROM:
            yield _no_card(inventory, one, place)
    if not supplies.owned.any():
        grouped[Whole.DRAWER] = []  # an empty drawer says nothing of a card
    for what, things in grouped.items():
        if things:
            yield _together(inventory, what, things)


def _together(inventory: Inventory, what: Whole, things: list[UsedThing]) -> Check:
    """What is not in the drawer, or running low: one check of them all."""
    names = [inventory.examined.stack.palette.end_words(one.end) for one in things]
    title = "Not in your drawer" if what is Whole.DRAWER else "Running low"
    more = f" and {len(names) - _NAMED} more" if len(names) > _NAMED else ""
    figure = f"{len(things)} of the {len(inventory.used)} things that the card uses"
    finding = Finding(Status.LOOK_AGAIN, figure, "", ", ".join(names[:_NAMED]) + more)
    return Check("palette", OnWhole(what), title, finding)


def _lacking(inventory: Inventory, one: UsedThing, words: str, status: Status) -> Check:
    label = inventory.examined.stack.palette.end_words(one.end)
    places = sum(usage.needed for usage in one.usages)
    figure = "used once" if places == 1 else f"used {places} times"
    finding = Finding(status, figure, "", words)
    to_mend = partial(instead_mends, inventory, one.end)
    return Check(_STAGE_OF[one.usages[0].use], Supplied(one.end.id), label, finding, to_mend=to_mend)


def instead_mends(inventory: Inventory, end: End) -> list[Mend]:
    """The nearest of the drawer wherever it is used and, for card, white card inked by oneself."""
    supplies, place = inventory.supplies, inventory.place(end)
    found = []
    for match in inventory.instead(end):
        new = End("supply", match.swatch.id)
        words = f"{inventory.examined.stack.palette.end_words(new)} everywhere"
        found.append(Mend(words, _how_near(match), instead_of(supplies, end, new), match.swatch.shades))
    if place is not None and _medium(supplies, place).traits.stock:
        found += _inked(inventory, end)
    if place is not None and _medium(supplies, place).traits.layered:
        found += _glazed(inventory, end, place)
    return found


def _glazed(inventory: Inventory, end: End, place: int) -> list[Mend]:
    """Two of the drawer laid over one another in every area that has a tone, where that comes near enough."""
    supplies, card = inventory.supplies, inventory.examined.stack.palette.card
    tones = [area for area in card.areas if end.id in area.family]
    table, places = supplies.glazed.table(_medium(supplies, place))
    here = np.flatnonzero(places == place)
    own = int(here[0]) if len(here) else None
    found = []
    for glaze in table.best(np.array(supplies.lab_at(place)), _GLAZES, own) if tones else ():
        below, above = int(places[glaze.under]), int(places[glaze.over])
        under, over = supplies.rows[below], supplies.rows[above]
        if glaze.distance > figures.colour.COUSIN or any(under.id in area.family for area in tones):
            continue
        change = GlazeInstead(end.id, under.id, over.id, glaze.under_layers, glaze.over_layers)
        words = f"{over.called} glazed over {under.called}, in every area"
        sigma = supplies.predicted.glaze_sigma(below, above)
        near = judge_distance(glaze.distance, combined(sigma, float(supplies.sigma[place])))
        labels = max(supplies.sigma[[below, above]]) >= figures.colour.UNCERTAINTY["label"]
        first = "read both first, " if labels else ""
        figure = f"predicted, {first}ΔE {near.low:.0f} to {near.high:.0f}"
        found.append(Mend(words, figure, change, value_shades(glaze.lab)))
        break
    return found


def _how_near(match: Match) -> str:
    return f"{match.near.words} (ΔE {match.near.distance:.1f})"


def _inked(inventory: Inventory, end: End) -> list[Mend]:
    """White card inked with a pad of the drawer, for all the pieces that are cut of something."""
    examined, supplies = inventory.examined, inventory.supplies
    stack = examined.stack
    pieces = [
        piece
        for piece in stack.where.build.every
        if piece.material == end and piece.kind in OF_CARD and piece.inked is None
    ]
    kept = [
        one for one in stack.where.build.every if one.material == end and one.is_cut and one not in pieces
    ]
    if not pieces or kept or stack.where.build.base == end:
        return []
    target = stack.palette.end_lab(end)
    found = inked_cards(supplies, tuple(map(float, target)), 1, plain=True) or []
    mends = []
    for one in found:
        if one.distance > figures.colour.COUSIN:
            continue
        pad = supplies.rows[one.pad]
        card = WHITE_END if one.card is None else End("supply", supplies.rows[one.card].id)
        inked = InkedOver(pad.id, one.hand)
        changes = tuple(EditPiece(piece.key, {"material": card, "inked": inked}) for piece in pieces)
        words = (
            f"ink your own with {stack.palette.end_words(End('supply', pad.id))}, {in_words(one.hand)} hand"
        )
        figure = f"predicted ΔE {one.distance:.1f}, ± {one.sigma:.0f}"
        mends.append(Mend(words, figure, Several(Purpose.INK, changes)))
    return mends


def _cut(inventory: Inventory, one: UsedThing) -> Iterator[Check]:
    """Whether there is a card near a palette colour that pieces are cut of."""
    match = inventory.card_for(one.end)
    palette = inventory.examined.stack.palette
    title = f"Card for {palette.end_words(one.end)}"
    chosen = card_of(palette, one.end)
    if match is None or all(usage.size is None for usage in one.usages):
        return  # nothing is cut of it, or there is no cardstock at all
    near = match.near
    label = palette.end_words(End("supply", match.swatch.id))
    holds = near.verdict is not Verdict.FAR
    figure, limit = f"{label}: {_how_near(match)}", f"ΔE {figures.colour.COUSIN:.0f}"
    reason = "" if holds else "a palette colour is no card, and the nearest will look otherwise"
    if not holds and chosen is not None:
        reason = "the card that was chosen will look otherwise"
    finding = Finding(Status.HOLDS if holds else Status.LOOK_AGAIN, figure, limit, reason)
    to_mend = partial(_to_cut, inventory, one, match)
    yield Check("build", CutOf(one.end.id), title, finding, to_mend=to_mend)


def _to_cut(inventory: Inventory, one: UsedThing, match: Match) -> list[Mend]:
    """From that card, where it is not too far off; or from white card inked by oneself."""
    palette = inventory.examined.stack.palette
    if match.near.verdict is Verdict.FAR:
        return _inked(inventory, one.end)
    card = End("supply", match.swatch.id)
    cut = cut_from(one, card)
    words = f"{palette.end_words(card)} for all of it"
    return [Mend(words, _how_near(match), cut, match.swatch.shades), *_inked(inventory, one.end)]


def cut_from(one: UsedThing, card: End) -> Several:
    """The change that cuts from a card all that is cut of something."""
    keys = [usage.piece for usage in one.usages if usage.size is not None]
    pieces = [EditPiece(key, {"material": card}) for key in keys if key]
    base: list[AnyChange] = [SetBuild({"base": card})] if BASE in keys else []
    return Several(Purpose.CUT, (*base, *pieces))


def _no_card(inventory: Inventory, one: UsedThing, place: int) -> Check:
    """A marker is no card."""
    supplies, palette = inventory.supplies, inventory.examined.stack.palette
    label, medium = palette.end_words(one.end), _medium(supplies, place)
    stock = supplies.columns["cardstock"]
    mine = stock[supplies.usable[stock]]
    near = nearest_to(
        supplies,
        supplies.lab[place],
        float(supplies.sigma[place]),
        mine if len(mine) else stock,
        _OFFERED,
    )

    def to_mend() -> list[Mend]:
        found = []
        for match in near:
            card = End("supply", match.swatch.id)
            words = f"cut from {palette.end_words(card)}"
            found.append(Mend(words, _how_near(match), cut_from(one, card), match.swatch.shades))
        return found + _inked(inventory, one.end)

    cut = sum(usage.size is not None for usage in one.usages)
    figure = "1 piece is cut of it" if cut == 1 else f"{cut} pieces are cut of it"
    finding = Finding(Status.LOOK_AGAIN, figure, "", f"{in_words(medium)} is no card")
    return Check("build", NoCard(one.end.id), f"Card for {label}", finding, to_mend=to_mend)
