"""What follows where a palette colour becomes another, or the whole card moves to other ranges?"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.every import AnyChange, Purpose, Several
from jindle_core.card.changes.palette import Choose, ChooseMany, Reanchor
from jindle_core.card.changes.pictures import SetFamilies
from jindle_core.card.ground import PadUse
from jindle_core.card.whole import Anchor, Choice
from jindle_core.colorimetry.difference import delta_e
from jindle_core.material import End
from jindle_core.media.groups import PAD_MEDIA
from jindle_core.media.medium import Medium
from jindle_core.offers.moving import Follower, Moving, Wanted, families
from jindle_core.seen.table import moved
from jindle_core.seen.whole import SeenCard

_STRONGER = 2.0  # times that a tone may become, or pale ones would be as strong as the dark
_LIGHTNESS = (2.0, 99.0)  # between which what is moved along stays


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
    moving = Moving(
        seen, _as_from(palette.lab[at], now), lambda places: _mine(seen, places), reanchored.apply(seen.card)
    )
    pieces = [piece for piece in seen.card.build.every if _near(seen, piece.material, at)]
    found = [
        *_cells(moving, key, now),
        *families(moving, lambda area: area.colour == key),
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


def _cells(moving: Moving, key: int, now: np.ndarray) -> Iterator[Follower]:
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
    moving = Moving(
        seen, lambda lab: lab, lambda places: kept[places] & np.isin(supplies.range_ids[places], wanted)
    )
    cells, unserved = moved(seen.palette, range_ids, owned)
    found = [
        *families(moving, lambda area: bool(area.family)),
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


def _cell(moving: Moving, key: int, column: str, pk: int) -> Follower:
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
