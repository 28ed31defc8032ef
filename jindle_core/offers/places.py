"""Where on a card could a substitute, a glaze or a shading family be taken?"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from jindle_core.card.changes.every import AnyChange
from jindle_core.card.changes.everywhere import GlazeInstead, UseInstead
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.card.references import named
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput
from jindle_core.material import End
from jindle_core.media.medium import Medium


@dataclass(frozen=True, slots=True)
class Substitute:
    """One supply for another, by their ids."""

    old: int
    new: int


@dataclass(frozen=True, slots=True)
class Glaze:
    """Two colours over one another for a third, by their ids, each in so many layers.

    ``old`` None: for the middle tone of each area that wants the palette colour ``wanting``.
    """

    old: int | None
    under: int
    colour: int
    under_layers: int = 1
    layers: int = 1
    wanting: int | None = None


@dataclass(frozen=True, slots=True)
class Shading:
    """A family, light to dark, by its ids; ``instead`` is the one that it takes the place of, if any."""

    colours: tuple[int, ...]
    medium: Medium
    instead: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Place:
    """A place on a card, in words, and the change that takes it there."""

    words: str
    change: AnyChange


def places_for(card: Card, wanted: Substitute | Glaze | Shading) -> list[Place]:
    """Where it can be taken: all over the card, in a picture, in an area; none where nothing asks for it."""
    return [place for place in _places(card, wanted) if _can(card, place.change)]


def _places(card: Card, wanted: Substitute | Glaze | Shading) -> Iterator[Place]:
    own = [area for area in card.areas if area.like is None]  # the others go along
    match wanted:
        case Substitute():
            old, new = End("supply", wanted.old), End("supply", wanted.new)
            if wanted.old in named(card).every:
                yield Place("everywhere on the card", UseInstead(old, new))
                tones = [area for area in own if wanted.old in (*area.family, area.glaze)]
                yield from _in_pictures(card, tones, lambda keys: UseInstead(old, new, None, keys))
        case Glaze(old=None):
            lacking = [area for area in card.areas if area.colour == wanted.wanting and area.family]
            for area in lacking:
                middle = area.family[len(area.family) // 2]
                change = GlazeInstead(
                    middle, wanted.under, wanted.colour, wanted.under_layers, wanted.layers, (area.key,)
                )
                yield Place(f"{area.name} of {card.picture_of(area.key).name}", change)
        case Glaze(old=int(old)):
            tones = [area for area in own if old in area.family]
            told = old, wanted.under, wanted.colour, wanted.under_layers, wanted.layers
            if tones:
                yield Place("in every area of the card", GlazeInstead(*told))
                yield from _in_pictures(card, tones, lambda keys: GlazeInstead(*told, keys))
        case Shading():

            def shaded(keys: tuple[int, ...]) -> SetFamilies:
                return SetFamilies(tuple(AreaFamily(key, wanted.colours, wanted.medium) for key in keys))

            same = [area for area in own if wanted.instead and set(area.family) == set(wanted.instead)]
            if same:
                yield Place("wherever the card has that family", shaded(tuple(area.key for area in same)))
            yield from _in_pictures(card, list(card.areas), shaded)


def _in_pictures(
    card: Card, areas: list[Area], change: Callable[[tuple[int, ...]], AnyChange]
) -> Iterator[Place]:
    """All of each picture that has some of the areas, and each of those by itself."""
    for picture in card.pictures:
        its = [area for area in picture.areas if area in areas]
        if len(its) > 1:
            yield Place(f"all of {picture.name}", change(tuple(area.key for area in its)))
        for area in its:
            yield Place(f"{area.name} of {picture.name}", change((area.key,)))


def _can(card: Card, change: AnyChange) -> bool:
    try:
        change.apply(card)
    except BadInput:
        return False
    return True
