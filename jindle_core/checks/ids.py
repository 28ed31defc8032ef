"""What are the checks of a card called, so that each can be let be?

One class for each kind of check: what it is on, and how that is written, as
``stands:3``; ``read`` takes it back.
"""

import re
from dataclasses import astuple, dataclass
from enum import StrEnum
from typing import ClassVar

LONGEST = 80  # characters: a conflict with the longest rule's key has 38
_KEY = re.compile(r"[0-9]{1,9}")


@dataclass(frozen=True, slots=True)
class CheckId:
    """The id of a check; ``str`` writes it."""

    _prefix: ClassVar[str]

    def __str__(self) -> str:
        return ":".join(map(str, (self._prefix, *astuple(self))))

    @property
    def kind(self) -> str:
        """What kind of check it is."""
        return self._prefix

    @property
    def of(self) -> str:
        """Which rule, effect or place it is of, where there are several of its kind; else empty."""
        return ""

    @property
    def pieces(self) -> tuple[int, ...]:
        """The keys of the pieces that it is on, 0 for the card itself."""
        return ()

    @property
    def of_picture(self) -> int:
        """The key of the picture whose materials it is on, or 0."""
        return 0


@dataclass(frozen=True, slots=True)
class OnPair(CheckId):
    """On what lies on what."""

    key: int
    _prefix: ClassVar[str] = "pair"


@dataclass(frozen=True, slots=True)
class OnAccent(CheckId):
    """On a palette colour that must not appear but once."""

    key: int
    _prefix: ClassVar[str] = "once"


@dataclass(frozen=True, slots=True)
class OnFamily(CheckId):
    """On the shading family of an area."""

    key: int
    _prefix: ClassVar[str] = "family"


@dataclass(frozen=True, slots=True)
class Supplied(CheckId):
    """On a supply that the card uses, by its id, and that is not there as it should be."""

    key: int
    _prefix: ClassVar[str] = "supply"


@dataclass(frozen=True, slots=True)
class NoCard(CheckId):
    """On a supply, by its id, that pieces are cut of and that is no card."""

    key: int
    _prefix: ClassVar[str] = "no-card"


@dataclass(frozen=True, slots=True)
class CutOf(CheckId):
    """On a palette colour that pieces are cut of, which wants a card."""

    key: int
    _prefix: ClassVar[str] = "cut"


@dataclass(frozen=True, slots=True)
class _OnPiece(CheckId):
    key: int

    @property
    def pieces(self) -> tuple[int, ...]:
        """The piece's key."""
        return (self.key,)


@dataclass(frozen=True, slots=True)
class Fits(_OnPiece):
    """Whether a piece fits on what it lies on."""

    _prefix: ClassVar[str] = "fit"


@dataclass(frozen=True, slots=True)
class Stands(_OnPiece):
    """Whether a piece stands against what it lies beside."""

    _prefix: ClassVar[str] = "stands"


@dataclass(frozen=True, slots=True)
class Makes(_OnPiece):
    """Whether words can be made on what they lie on as is said."""

    _prefix: ClassVar[str] = "made"


@dataclass(frozen=True, slots=True)
class Shows(_OnPiece):
    """Whether anything of a piece shows."""

    _prefix: ClassVar[str] = "shows"


@dataclass(frozen=True, slots=True)
class Covers(CheckId):
    """On an area that other pieces cover, and that is coloured all the same."""

    key: int
    _prefix: ClassVar[str] = "covered"


@dataclass(frozen=True, slots=True)
class Bare(CheckId):
    """On the areas of a picture, by its key, that have no colour."""

    key: int
    _prefix: ClassVar[str] = "bare"

    @property
    def of_picture(self) -> int:
        """The picture's."""
        return self.key


@dataclass(frozen=True, slots=True)
class SamePens(CheckId):
    """On two palette colours, by their keys, whose areas are shaded with the same tones."""

    one: int
    other: int
    _prefix: ClassVar[str] = "pens"


@dataclass(frozen=True, slots=True)
class Repeats(_OnPiece):
    """Whether a finishing piece repeats a colour or sets one off."""

    _prefix: ClassVar[str] = "finish"


@dataclass(frozen=True, slots=True)
class Melts(CheckId):
    """On two pieces, or the card itself, that squinting melts together."""

    one: int
    other: int
    _prefix: ClassVar[str] = "melts"

    def __post_init__(self) -> None:
        """Two things, whichever is named first."""
        if self.one > self.other:
            one, other = self.other, self.one
            object.__setattr__(self, "one", one)
            object.__setattr__(self, "other", other)

    @property
    def pieces(self) -> tuple[int, ...]:
        """Both keys."""
        return (self.one, self.other)


@dataclass(frozen=True, slots=True)
class Conflicts(CheckId):
    """On materials of a picture that may not get on: its key, and the rule's."""

    picture: int
    rule: str
    _prefix: ClassVar[str] = "conflict"

    @property
    def of(self) -> str:
        """The rule's key."""
        return self.rule

    @property
    def of_picture(self) -> int:
        """The picture's."""
        return self.picture


class GroundPart(StrEnum):
    """What of a ground is checked."""

    JOIN = "join"
    EDGE = "edge"
    LAYER = "layer"
    SIDE = "side"
    STEPS = "steps"
    CENTRE = "centre"
    PICTURE = "picture"
    WISH = "wish"
    LETTERING = "lettering"
    MAT = "mat"
    EFFECT = "effect"


@dataclass(frozen=True, slots=True)
class GroundId(CheckId):
    """On a part of the ground: a join, edge or layer by the place of its pad, an effect by its kind."""

    part: GroundPart
    which: str = ""
    _prefix: ClassVar[str] = "ground"

    def __str__(self) -> str:
        return f"{self._prefix}:{self.part} {self.which}".rstrip()

    @property
    def kind(self) -> str:
        """The part."""
        return self.part.value

    @property
    def of(self) -> str:
        """Which of them."""
        return self.which


class Whole(StrEnum):
    """What of a card as a whole is checked."""

    SPAN = "span"
    SPREAD = "spread"
    WRITING = "writing"
    THICKNESS = "thickness"
    ENVELOPE = "envelope"
    SHEET = "sheet"
    FLOW = "flow"
    DRAWER = "drawer"
    LOW = "low"


@dataclass(frozen=True, slots=True)
class OnWhole(CheckId):
    """On the card as a whole."""

    what: Whole
    _prefix: ClassVar[str] = "whole"

    def __str__(self) -> str:
        return self.what.value

    @property
    def kind(self) -> str:
        """What of it."""
        return self.what.value


_Numbered = OnPair | OnAccent | OnFamily | Covers | Bare | Supplied | NoCard | CutOf | _OnPiece
_NUMBERED: dict[str, type[_Numbered]] = {
    "pair": OnPair,
    "once": OnAccent,
    "family": OnFamily,
    "fit": Fits,
    "stands": Stands,
    "finish": Repeats,
    "made": Makes,
    "shows": Shows,
    "covered": Covers,
    "bare": Bare,
    "supply": Supplied,
    "no-card": NoCard,
    "cut": CutOf,
}
_OF_TWO: dict[str, type[Melts | SamePens]] = {"melts": Melts, "pens": SamePens}
KINDS = (*_NUMBERED, *_OF_TWO, "conflict", *(one.value for one in (*GroundPart, *Whole)))


def read(text: str) -> CheckId | None:
    """The id that is written so; None where no check could be called so."""
    if text in set(Whole):
        return OnWhole(Whole(text))
    prefix, _, rest = text.partition(":")
    if prefix == "conflict":
        picture, _, rule = rest.partition(":")
        return Conflicts(int(picture), rule) if rule and _KEY.fullmatch(picture) else None
    if prefix == "ground":
        part, _, which = rest.partition(" ")
        return GroundId(GroundPart(part), which) if part in set(GroundPart) else None
    parts = rest.split(":")
    if not all(_KEY.fullmatch(one) for one in parts):
        return None
    keys = [int(one) for one in parts]
    if prefix in _OF_TWO:
        return _OF_TWO[prefix](*keys) if len(keys) == 2 else None
    return _NUMBERED[prefix](keys[0]) if prefix in _NUMBERED and len(keys) == 1 else None
