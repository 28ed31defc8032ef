"""What does one card hold?

A card is a value: changes make a new one (see ``changes``), so every earlier
card can be kept and gone back to.
"""

from collections.abc import Callable
from dataclasses import dataclass, field, replace
from typing import Annotated

from jindle_core.card.build import Build
from jindle_core.card.ground import Ground
from jindle_core.card.keys import above
from jindle_core.card.pictures import Area, Picture
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput, Problem
from jindle_core.families.recipes import OF_GREYS
from jindle_core.layers.folding import Fold, usual_fold
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.media.groups import COLUMNS, FURTHER_COLUMNS, Column
from jindle_core.naming import Names, Use
from jindle_core.palettes.role import Role
from jindle_core.provenance import Provenance


@dataclass(frozen=True, slots=True)
class Anchor:
    """What a palette colour is tied to: a colour of a range, or a plain value.

    ``colour`` is a colour's id or None. ``lab`` and ``provenance`` are the
    value itself or, for a range's colour, what it was when it was taken:
    they stand in should that colour leave the supplies.
    """

    colour: Annotated[int | None, Names(Use.PALETTE)]
    lab: tuple[float, float, float]
    provenance: Provenance


@dataclass(frozen=True, slots=True)
class PaletteColour:
    """A colour of the card's palette; ``key`` stays the same however it moves."""

    key: int
    name: str
    role: Role
    anchor: Anchor


@dataclass(frozen=True, slots=True)
class Choice:
    """The supply chosen for a palette colour in one column of the table."""

    key: int
    column: str
    colour: Annotated[int, Names(Use.CELLS)]
    locked: bool = False


@dataclass(frozen=True, slots=True)
class Pair:
    """What lies on what."""

    key: int
    kind: PairKind
    upper: End
    lower: End
    outlined: bool = False


@dataclass(frozen=True, slots=True)
class Waiver:
    """A check that is let be, with the reason given."""

    check: str
    reason: str


@dataclass(frozen=True, slots=True)
class Card:
    """One card, as it is planned. ``pairs`` is None until the person says what lies on what.

    There is one picture at least. ``further`` are the keys of columns of its palette table beyond the
    usual ones, in their order. ``next_key``, ``next_pair``, ``next_picture`` and
    ``next_area`` are above every key that a palette colour, a pair, a picture, or
    an area of any of them, ever had.
    """

    name: str
    size: Size
    colours: tuple[PaletteColour, ...] = ()
    choices: tuple[Choice, ...] = ()
    pairs: tuple[Pair, ...] | None = None
    waivers: tuple[Waiver, ...] = ()
    next_key: int = 1
    pictures: tuple[Picture, ...] = (Picture(1),)
    ground: Ground = field(default_factory=Ground)
    build: Build = field(default_factory=Build)
    next_pair: int = 1
    next_picture: int = 1
    next_area: int = 1
    further: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        """Keep the next keys above those that there are."""
        object.__setattr__(self, "next_key", above(self.colours, self.next_key))
        object.__setattr__(self, "next_pair", above(self.pairs or (), self.next_pair))
        object.__setattr__(self, "next_picture", above(self.pictures, self.next_picture))
        object.__setattr__(self, "next_area", above(self.areas, self.next_area))

    @property
    def fold(self) -> Fold:
        """How the card is folded: as said, or as the usual sheets allow."""
        return self.build.fold or usual_fold(self.size)

    @property
    def columns(self) -> tuple[Column, ...]:
        """The columns of its palette table."""
        return (*COLUMNS, *(one for one in FURTHER_COLUMNS if one.key in self.further))

    def colour(self, key: int) -> PaletteColour:
        """The palette colour with this key; BadInput where there is none."""
        for colour in self.colours:
            if colour.key == key:
                return colour
        raise BadInput(Problem(f"The palette has no colour with key {key}.", field="key", value=str(key)))

    # --- Its pictures.

    @property
    def areas(self) -> tuple[Area, ...]:
        """The areas of all its pictures, as they are said; see ``followed``."""
        return tuple(area for picture in self.pictures for area in picture.areas)

    def picture(self, key: int | None) -> Picture:
        """The picture with this key, None: the first; BadInput where there is none."""
        for picture in self.pictures:
            if key is None or picture.key == key:
                return picture
        raise BadInput(Problem(f"This card has no picture {key}.", field="picture", value=str(key)))

    def area(self, key: int) -> Area:
        """The area with this key; BadInput where there is none."""
        for area in self.areas:
            if area.key == key:
                return area
        raise BadInput(Problem(f"This card has no area {key}.", field="key", value=str(key)))

    def picture_of(self, area: int) -> Picture:
        """The picture that an area is of; BadInput where there is none."""
        found = self.area(area)
        return next(one for one in self.pictures if found in one.areas)

    def followed(self, area: Area) -> Area:
        """An area as it is coloured: as the one that it is like, which may itself be like another."""
        found = self.led_by(area)
        return area.coloured_as(found[-1]) if found else area

    def families_in(self, colour: int) -> frozenset[tuple[int, ...]]:
        """The families of the areas in a palette colour, but of things that are built of greys anyway."""
        every = (self.followed(area) for area in self.areas)
        asked = (area for area in every if area.colour == colour and area.thing not in OF_GREYS)
        return frozenset(area.family for area in asked if area.family)

    def led_by(self, area: Area) -> list[Area]:
        """Those that an area follows, the nearest first; BadInput where it follows itself by way of them."""
        found: list[Area] = []
        at = area
        while at.like is not None:
            at = self.area(at.like)
            if at is area or at in found:
                words = f"{area.name} is coloured as {at.name}, which is coloured as it: say of one how."
                raise BadInput(Problem(words, field="like", value=at.name))
            found.append(at)
        return found

    def with_picture(self, changed: Picture) -> "Card":
        """The same with one picture changed."""
        return replace(
            self, pictures=tuple(changed if one.key == changed.key else one for one in self.pictures)
        )

    def with_areas(self, change: Callable[[Area], Area]) -> "Card":
        """The same with every area changed, or left as it is."""
        changed = {area.key: now for area in self.areas if (now := change(area)) is not area}
        return replace(self, pictures=tuple(one.with_areas(changed) for one in self.pictures))

    def with_ends(self, change: Callable[[End], End]) -> "Card":
        """The same with every end of its pieces and pairs changed, or left as it is."""
        pairs = self.pairs and tuple(
            replace(one, upper=change(one.upper), lower=change(one.lower)) for one in self.pairs
        )
        return replace(self, pairs=pairs, build=self.build.with_materials(change))

    def choice(self, key: int, column: str) -> Choice | None:
        """What was chosen for a palette colour in a column, if anything."""
        return next((one for one in self.choices if (one.key, one.column) == (key, column)), None)

    def waiver(self, check: str) -> Waiver | None:
        """The waiver of a check, if it has one."""
        return next((one for one in self.waivers if one.check == check), None)

    def settled(self, guessed: tuple[Pair, ...]) -> "Card":
        """The card with its pairs made the person's own: those guessed, where none were said.

        A card that is built of pieces has no use for them.
        """
        return self if self.pairs is not None or self.build.every else replace(self, pairs=guessed)
