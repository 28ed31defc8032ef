"""What follows where a palette colour becomes another, or the whole card moves to other ranges?"""

from collections.abc import Callable, Hashable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import EditPiece, SetBuild
from jindle_core.card.changes.every import AnyChange, Purpose, Several
from jindle_core.card.changes.ground import UsePad
from jindle_core.card.changes.palette import Choose, ChooseMany, Reanchor
from jindle_core.card.changes.pictures import AreaFamily, SetColouring, SetFamilies
from jindle_core.card.ground import PadUse
from jindle_core.card.pictures import Area
from jindle_core.card.whole import Anchor, Card, Choice
from jindle_core.colorimetry.difference import delta_e
from jindle_core.colorimetry.views import Shades
from jindle_core.families.build import Builder
from jindle_core.families.convert import assign, convert
from jindle_core.families.judge import judge_family
from jindle_core.families.recipes import recipe
from jindle_core.layers.pieces import BASE, Piece
from jindle_core.material import End
from jindle_core.media import PAD_MEDIA, Medium
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.table import moved
from jindle_core.seen.whole import SeenCard

# Whether supplies, by their places, may take the place of others; where a CIELAB (…, 3) is wanted then.
May = Callable[[np.ndarray], np.ndarray]
Wanted = Callable[[np.ndarray], np.ndarray]
_STRONGER = 2.0  # times that a tone may become, or pale ones would be as strong as the dark
_LIGHTNESS = (2.0, 99.0)  # between which what is moved along stays


@dataclass(frozen=True, slots=True)
class Follower:
    """One thing that follows: its id, what it is, in what before and after, and the change.

    ``change`` is None where it stays: ``held`` on purpose, or, with a ``note``, for want of anything.
    """

    id: str
    words: str
    before: tuple[Shades, ...]
    after: tuple[Shades, ...]
    labels: tuple[str, ...]
    change: AnyChange | None
    held: bool = False
    note: str = ""


@dataclass(frozen=True)
class Following:
    """A card before and after, what of it follows, and the change that does it, None where nothing does."""

    before: SeenCard
    followers: tuple[Follower, ...]
    first: tuple[AnyChange, ...]
    purpose: Purpose

    @cached_property
    def change(self) -> Several | None:
        """All of it as one."""
        follow = [one.change for one in self.followers if one.change is not None and not one.held]
        together = (*self.first, *_joined(follow))
        return Several(self.purpose, together) if together else None

    @cached_property
    def after(self) -> SeenCard:
        """The card then."""
        return self.before if self.change is None else self.before.after(self.change)


def _joined(changes: Sequence[AnyChange]) -> list[AnyChange]:
    """The same with all cells as one change, and all families."""
    cells = [
        Choice(one.key, one.column, one.colour, one.locked) for one in changes if isinstance(one, Choose)
    ]
    families = [one for each in changes if isinstance(each, SetFamilies) for one in each.families]
    found: list[AnyChange] = [one for one in changes if not isinstance(one, SetFamilies | Choose)]
    found += [ChooseMany(tuple(cells))] if cells else []
    found += [SetFamilies(tuple(families))] if families else []
    return found


class _Moving:
    """How what a card uses moves: each thing to where its colour is ``wanted``, of what ``may`` be taken."""

    def __init__(self, seen: SeenCard, wanted: Wanted, may: May, card: Card | None = None) -> None:
        self.seen, self.wanted, self.may, self.card = seen, wanted, may, card or seen.card
        self._answered: dict[Hashable, list[int]] = {}
        self._builders: dict[tuple[Medium, int, int | None], Builder] = {}
        self.supplies = seen.supplies

    def nearest(self, place: int, media: Sequence[Medium], taken: Sequence[int] = ()) -> int | None:
        """The place of what takes that of a supply; None where there is nothing."""
        places = self.supplies.of_media(media)
        places = places[self.may(places) & ~np.isin(places, list(taken))]
        if not len(places):
            return None
        wanted = self.wanted(self.supplies.lab[place])
        return int(places[delta_e(wanted, self.supplies.lab[places]).argmin()])

    def shades(self, place: int | None) -> tuple[Shades, ...]:
        return () if place is None else (self.supplies.shades[place],)

    def label(self, place: int | None) -> tuple[str, ...]:
        return () if place is None else (self.supplies.rows[place].label,)

    def family(self, coloured: Coloured, area: Area) -> Follower | None:
        """An area's family, its steps kept."""
        supplies, tones = self.supplies, coloured.tones[area.key]
        if not tones.places:
            return None
        places = supplies.of_media((area.medium,))
        places = places[self.may(places)]
        id_, words = f"area:{area.key}", area.name
        if len(self.seen.coloured) > 1:
            words = f"{area.name} of {coloured.picture.name}"
        before = tuple(supplies.shades[place] for place in tones.places)
        labs = supplies.predicted(places, area.layers, coloured.paper) if len(places) else np.zeros((0, 3))
        # Many areas are laid in one way.
        key = (area.family, area.medium, area.layers, area.thing, area.colour, coloured.paper)
        if key not in self._answered:
            self._answered[key] = self._taken(coloured, area, places, labs)
        taken = self._answered[key]
        if not taken:
            return Follower(id_, words, before, (), (), None, note="nothing holds such a family")
        family = AreaFamily(area.key, tuple(supplies.rows[at].id for at in taken), area.medium)
        after = tuple(supplies.shades[at] for at in taken)
        labels = tuple(supplies.rows[at].label for at in taken)
        return Follower(id_, words, before, after, labels, SetFamilies((family,)))

    def _taken(self, coloured: Coloured, area: Area, places: np.ndarray, labs: np.ndarray) -> list[int]:
        """The places of the family's tones then: with its steps kept or, where less is wrong with it, the
        best of as many around the colour that the area is in."""
        wanted = self.wanted(coloured.tones[area.key].lab)
        if not len(places):
            return []
        if len(wanted) == 1:
            return [int(places[delta_e(wanted[0], labs).argmin()])]
        then = self._then.picture(coloured.picture.key)
        allowed = recipe(area.thing).allowance
        around, reach = then.aim(then.area(area.key), max(coloured.tones[area.key].sigma))
        made = convert(wanted, labs)
        builder = self._builder(area, coloured.paper, labs)
        middle = wanted[len(wanted) // 2] if around is None else around
        tried = [made.places] if made is not None else []
        tried += [one.places for one in builder.best(middle, len(wanted), 1, allowed, reach=reach)]

        def wrong(family: tuple[int, ...]) -> tuple[int, float]:
            tones = labs[list(family)]
            faults = judge_family(tones, allowed, around, reach).faults
            return len(faults), float(delta_e(tones, wanted).sum())

        best = min((one for one in tried if len(one) == len(wanted)), key=wrong, default=())
        return [int(places[at]) for at in best]

    def _builder(self, area: Area, paper: int | None, labs: np.ndarray) -> Builder:
        """What families of an area's medium are built of, once for all areas laid in the same way."""
        return self._builders.setdefault((area.medium, area.layers, paper), Builder(labs))

    @cached_property
    def _then(self) -> SeenCard:
        """The card with the palette as it is to be."""
        return replace(self.seen, card=self.card)

    def pads(self, which: Sequence[int]) -> Iterator[Follower]:
        """The pads at some places of the ground, as a set: none is taken twice while there are enough."""
        ground, supplies = self.seen.card.ground, self.supplies
        kept = {supplies.places.get(pad.colour) for at, pad in enumerate(ground.pads) if at not in which}
        known = [at for at in which if ground.pads[at].colour in supplies.places]
        if not known:
            return
        places = supplies.of_media(PAD_MEDIA)
        places = places[self.may(places) & ~np.isin(places, [one for one in kept if one is not None])]
        before = [supplies.places[ground.pads[at].colour] for at in known]
        picked = assign(self.wanted(supplies.lab[before]), supplies.lab[places]) if len(places) else []
        for n, at in enumerate(known):
            id_, words = f"pad:{at}", f"pad {at + 1} of the ground"
            if not picked:
                yield Follower(id_, words, self.shades(before[n]), (), (), None, note="there is no pad")
                continue
            place = int(places[picked[n]])
            change = UsePad(at, supplies.rows[place].id)
            yield Follower(id_, words, self.shades(before[n]), self.shades(place), self.label(place), change)

    def piece(self, piece: Piece) -> Iterator[Follower]:
        """What a piece is of, where that is a supply, and what it is inked with."""
        supplies = self.supplies
        place = supplies.places.get(piece.material.id) if piece.material.source == "supply" else None
        if place is not None:
            yield self._other(
                f"piece:{piece.key}", piece.name, place, lambda end: EditPiece(piece.key, {"material": end})
            )
        inked = piece.inked
        over = supplies.places.get(inked.colour) if inked else None
        if inked is not None and over is not None:
            yield self._other(
                f"inked:{piece.key}",
                f"{piece.name}, inked over",
                over,
                lambda end: EditPiece(piece.key, {"inked": replace(inked, colour=end.id)}),
                PAD_MEDIA,
            )

    def base(self) -> Iterator[Follower]:
        """What the card itself is of, where that is a supply."""
        end = self.seen.card.build.base
        place = self.supplies.places.get(end.id) if end.source == "supply" else None
        if place is not None:
            yield self._other(f"piece:{BASE}", "the card itself", place, lambda end: SetBuild({"base": end}))

    def paper(self, coloured: Coloured) -> Iterator[Follower]:
        """The paper that a picture is coloured on."""
        key = coloured.picture.key
        if coloured.paper is not None:
            words = f"the paper of {coloured.picture.name}"
            yield self._other(
                f"paper:{key}", words, coloured.paper, lambda end: SetColouring({"paper": end.id}, key)
            )

    def _other(
        self,
        id_: str,
        words: str,
        place: int,
        change: Callable[[End], AnyChange],
        media: Sequence[Medium] = (),
    ) -> Follower:
        supplies = self.supplies
        found = self.nearest(place, media or (supplies.ranges[int(supplies.range_ids[place])].medium,))
        if found is None or found == place:
            note = "there is nothing else" if found is None else "it is the nearest already"
            return Follower(id_, words, self.shades(place), (), (), None, note=note)
        end = End("supply", supplies.rows[found].id)
        return Follower(id_, words, self.shades(place), self.shades(found), self.label(found), change(end))


def following(seen: SeenCard, key: int, anchor: Anchor, held: frozenset[str] = frozenset()) -> Following:
    """A palette colour becomes another; what was in it, or near it, goes along by as much.

    Its cells where they were chosen, the families of areas in it with their steps, pads of
    the ground and supplies that pieces are of where no palette colour is nearer. What is
    of the palette colour itself follows anyway. What is ``held``, by the ids of followers, and
    locked cells stay. Supplies are taken from the drawer where it holds any of the medium.
    BadInput where there is no such colour.
    """
    palette, supplies = seen.palette, seen.supplies
    at = palette.card.colours.index(palette.card.colour(key))
    place = None if anchor.colour is None else supplies.places.get(anchor.colour)
    now = np.array(anchor.lab if place is None else supplies.lab[place], float)
    reanchored = Reanchor(key, anchor)
    moving = _Moving(
        seen, _as_from(palette.lab[at], now), lambda places: _mine(seen, places), reanchored.apply(seen.card)
    )
    pieces = [piece for piece in seen.card.build.every if _near(seen, piece.material, at)]
    found = [
        *_cells(moving, key, now),
        *_families(moving, lambda area: area.colour == key),
        *moving.pads([n for n, pad in enumerate(seen.card.ground.pads) if _is_of(seen, pad, at)]),
        *(one for piece in pieces for one in moving.piece(piece)),
        *(moving.base() if _near(seen, seen.card.build.base, at) else ()),
    ]
    followers = tuple(replace(one, held=one.held or one.id in held) for one in found)
    return Following(seen, followers, (reanchored,), Purpose.FOLLOW)


def _as_from(before: np.ndarray, now: np.ndarray) -> Wanted:
    """What is to a colour (3,) ``now`` as it was to one ``before``: as much lighter or darker, its hue turned
    by as much, its strength in proportion; of greys, where there is no hue to turn, moved as they are."""
    (strong, hue), (stronger, other) = (_polar(one) for one in (before, now))
    least = figures.paper.NEUTRAL_ROLE_C

    def wanted(lab: np.ndarray) -> np.ndarray:
        found: np.ndarray = np.asarray(lab, float) + (now - before)
        if strong >= least and stronger >= least:
            chroma, angle = _polar(lab)
            chroma = chroma * min(stronger / strong, _STRONGER)
            angle = angle + other - hue
            found[..., 1], found[..., 2] = chroma * np.cos(angle), chroma * np.sin(angle)
        found[..., 0] = np.clip(found[..., 0], *_LIGHTNESS)
        return found

    return wanted


def _polar(lab: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    return np.hypot(lab[..., 1], lab[..., 2]), np.arctan2(lab[..., 2], lab[..., 1])


def _mine(seen: SeenCard, places: np.ndarray) -> np.ndarray:
    """Which places are of the drawer; where none is, of what can be had."""
    mine: np.ndarray = seen.supplies.usable[places]
    return mine if mine.any() else seen.supplies.to_be_had[places]


def _cells(moving: _Moving, key: int, now: np.ndarray) -> Iterator[Follower]:
    supplies = moving.supplies
    for column in moving.seen.card.columns:
        choice = moving.seen.card.choice(key, column.key)
        place = None if choice is None else supplies.places.get(choice.colour)
        if choice is None or place is None:
            continue
        id_, words = f"cell:{column.key}", f"the {column.title.lower()} of the palette"
        if choice.locked:
            yield Follower(id_, words, moving.shades(place), (), (), None, True, "locked")
            continue
        places = supplies.columns[column.key]
        places = places[moving.may(places)]
        if len(places):
            best = int(places[delta_e(now, supplies.lab[places]).argmin()])
            change = Choose(key, column.key, supplies.rows[best].id)
            yield Follower(id_, words, moving.shades(place), moving.shades(best), moving.label(best), change)


def _families(moving: _Moving, wanted: Callable[[Area], bool]) -> Iterator[Follower]:
    """The families of areas; those that follow another go with it."""
    for coloured in moving.seen.coloured:
        for area, said in zip(coloured.areas, coloured.picture.areas, strict=True):
            if said.like is None and wanted(area):
                found = moving.family(coloured, area)
                if found is not None:
                    yield found


def _is_of(seen: SeenCard, pad: PadUse, at: int) -> bool:
    return _near(seen, End("supply", pad.colour), at)


def _near(seen: SeenCard, end: End, at: int) -> bool:
    """Whether a supply belongs to the palette colour at a place: that is the nearest, and not too far off."""
    place = seen.supplies.places.get(end.id) if end.source == "supply" else None
    if place is None:
        return False
    off = delta_e(seen.supplies.lab[place], seen.palette.lab)
    return bool(off.argmin() == at and off[at] <= figures.colour.COUSIN)


def moving_to(
    seen: SeenCard, range_ids: Sequence[int], owned: bool, held: frozenset[str] = frozenset()
) -> tuple[Following, list[str]]:
    """The whole card in other ranges: cells, families, pads, card, papers; and columns that none serves.

    Palette colours stay what they are; what none of the ranges has a medium for stays as well.
    """
    supplies = seen.supplies
    kept = supplies.usable if owned else supplies.to_be_had
    wanted = list(range_ids)
    moving = _Moving(
        seen, lambda lab: lab, lambda places: kept[places] & np.isin(supplies.range_ids[places], wanted)
    )
    cells, unserved = moved(seen.palette, range_ids, owned)
    found = [
        *_families(moving, lambda area: bool(area.family)),
        *moving.pads(range(len(seen.card.ground.pads))),
        *(one for piece in seen.card.build.every for one in moving.piece(piece)),
        *moving.base(),
        *(one for coloured in seen.coloured for one in moving.paper(coloured)),
        *(_cell(moving, one.key, one.column, one.match.swatch.id) for one in cells),
    ]
    served = {supplies.ranges[one].medium for one in range_ids if one in supplies.ranges}
    followers = tuple(
        replace(one, held=one.id in held)
        for one in found
        if one.change is not None or _served(seen, one, served)
    )
    return Following(seen, followers, (), Purpose.MOVE), unserved


def _served(seen: SeenCard, one: Follower, served: set[Medium]) -> bool:
    """Whether something that stays could have moved at all, so that it is told."""
    kind, _, key = one.id.partition(":")
    if kind == "area":
        return seen.card.followed(seen.card.area(int(key))).medium in served
    return kind == "pad" and bool(served & set(PAD_MEDIA))


def _cell(moving: _Moving, key: int, column: str, pk: int) -> Follower:
    place, card = moving.supplies.places[pk], moving.seen.card
    choice = card.choice(key, column)
    before = None if choice is None else moving.supplies.places.get(choice.colour)
    title = next(one.title for one in card.columns if one.key == column)
    words = f"{card.colour(key).name}, {title.lower()}"
    change = Choose(key, column, pk)
    return Follower(
        f"cell:{key}:{column}",
        words,
        moving.shades(before),
        moving.shades(place),
        moving.label(place),
        change,
    )
