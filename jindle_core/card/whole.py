"""What does one card hold?

A card is a value: changes make a new one (see ``changes``), so every earlier
card can be kept and gone back to.
"""

from dataclasses import dataclass, field, replace

from jindle_core.card.build import Build
from jindle_core.card.ground import Ground
from jindle_core.card.keys import above
from jindle_core.card.pictures import Colouring
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.folding import Fold, usual_fold
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.provenance import Provenance


@dataclass(frozen=True, slots=True)
class Anchor:
    """What a palette colour is tied to: a colour of a range, or a plain value.

    ``colour`` is a colour's id or None. ``lab`` and ``provenance`` are the
    value itself or, for a range's colour, what it was when it was taken:
    they stand in should that colour leave the supplies.
    """

    colour: int | None
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
    colour: int
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

    ``next_key`` and ``next_pair`` are above every key that a palette colour, or
    a pair, ever had.
    """

    name: str
    size: Size
    colours: tuple[PaletteColour, ...] = ()
    choices: tuple[Choice, ...] = ()
    pairs: tuple[Pair, ...] | None = None
    waivers: tuple[Waiver, ...] = ()
    next_key: int = 1
    colouring: Colouring = field(default_factory=Colouring)
    ground: Ground = field(default_factory=Ground)
    build: Build = field(default_factory=Build)
    next_pair: int = 1

    def __post_init__(self) -> None:
        """Keep the next keys above those that there are."""
        object.__setattr__(self, "next_key", above(self.colours, self.next_key))
        object.__setattr__(self, "next_pair", above(self.pairs or (), self.next_pair))

    @property
    def fold(self) -> Fold:
        """How the card is folded: as said, or as the usual sheets allow."""
        return self.build.fold or usual_fold(self.size)

    def colour(self, key: int) -> PaletteColour:
        """The palette colour with this key; BadInput where there is none."""
        for colour in self.colours:
            if colour.key == key:
                return colour
        raise BadInput(Problem(f"The palette has no colour with key {key}.", field="key", value=str(key)))

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
