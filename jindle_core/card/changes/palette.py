"""Every change that can be made to a card: a value that makes a new card.

Each class names one change. ``apply`` gives the card after it, or raises
BadInput and leaves everything as it was; ``label`` says it in a few words for
the undo button.
"""

from dataclasses import dataclass, replace

import numpy as np

from jindle_core import figures
from jindle_core.card.build import Build
from jindle_core.card.waivers import subject
from jindle_core.card.whole import Anchor, Card, Choice, Pair, PaletteColour, Waiver
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import Kind, Piece
from jindle_core.layers.sizing import laid_out
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.media.groups import FURTHER_COLUMNS
from jindle_core.palettes.role import Role
from jindle_core.palettes.roles import guess_role


def checked_name(text: str, field: str = "name") -> str:
    """The name without the space around it, or BadInput where it is empty or too long."""
    name = " ".join(text.split())
    if not name:
        raise BadInput(Problem("A name is wanted here.", field=field, value=text))
    if len(name) > figures.palettes.NAME_LIMIT:
        raise BadInput(
            Problem(
                f"The name has {len(name)} characters; {figures.palettes.NAME_LIMIT} are the most.",
                field=field,
            )
        )
    return name


@dataclass(frozen=True, slots=True)
class SetCard:
    """Give the card another name or size; None leaves one as it is."""

    name: str | None = None
    size: Size | None = None

    label = "card's name or size"

    def apply(self, card: Card) -> Card:
        name = card.name if self.name is None else checked_name(self.name)
        size = self.size or card.size
        build = card.build if size == card.size else _drawn_in(card.build, card.size, size)
        for face in build.faces:
            laid_out(size, face)  # every piece follows, or says why it cannot
        return replace(card, name=name, size=size, build=build)


def _drawn_in(build: Build, before: Size, after: Size) -> Build:
    """Finishing pieces as far from where they lie as the card is large: on a smaller one none is off it."""
    wide, high = (
        getattr(after, side).millimetres / getattr(before, side).millimetres for side in ("width", "height")
    )

    def drawn(piece: Piece) -> Piece:
        if piece.kind is not Kind.FINISH:
            return piece
        right, below = (
            Length.near(off.millimetres * scale, off.unit)
            for off, scale in ((piece.place.right, wide), (piece.place.below, high))
        )
        return replace(piece, place=replace(piece.place, right=right, below=below))

    return build.with_pieces(lambda face: tuple(map(drawn, face)))


@dataclass(frozen=True, slots=True)
class AddColour:
    """Add a palette colour at the end; ``role`` None: as it seems.

    With ``keep_pairs`` what lies on what stays as it is guessed without it.
    """

    anchor: Anchor
    name: str
    role: Role | None
    keep_pairs: bool = False

    label = "adding a colour"

    def apply(self, card: Card) -> Card:
        if len(card.colours) >= figures.palettes.PALETTE_LIMIT:
            most = f"{figures.palettes.PALETTE_LIMIT} colours are the most"
            raise BadInput(Problem(f"The palette is full: {most}. Remove one first.", field="colours"))
        for place, colour in enumerate(card.colours, start=1):
            if self.anchor.colour is not None and colour.anchor.colour == self.anchor.colour:
                raise BadInput(
                    Problem(
                        f"That colour is in the palette already, as {place} {colour.name}.", field="anchor"
                    )
                )
        role = self.role or guess_role(np.array(self.anchor.lab), [colour.role for colour in card.colours])
        added = PaletteColour(card.next_key, checked_name(self.name), role, self.anchor)
        return replace(card, colours=(*card.colours, added), next_key=card.next_key + 1)


@dataclass(frozen=True, slots=True)
class EditColour:
    """Rename a palette colour or give it another role; None leaves one as it is."""

    key: int
    name: str | None = None
    role: Role | None = None

    label = "a colour's name or role"

    def apply(self, card: Card) -> Card:
        colour = card.colour(self.key)
        name = colour.name if self.name is None else checked_name(self.name)
        return _with_colour(card, replace(colour, name=name, role=self.role or colour.role))


@dataclass(frozen=True, slots=True)
class Reanchor:
    """Tie a palette colour to another colour; its unlocked choices go with the old one."""

    key: int
    anchor: Anchor

    label = "a colour's anchor"

    def apply(self, card: Card) -> Card:
        changed = _with_colour(card, replace(card.colour(self.key), anchor=self.anchor))
        kept = tuple(one for one in card.choices if one.key != self.key or one.locked)
        return replace(changed, choices=kept)


@dataclass(frozen=True, slots=True)
class MoveColour:
    """Move a palette colour to a place, counted from 0."""

    key: int
    to: int

    label = "the order of colours"

    def apply(self, card: Card) -> Card:
        moved = card.colour(self.key)
        others = [colour for colour in card.colours if colour.key != self.key]
        place = min(max(self.to, 0), len(others))
        return replace(card, colours=(*others[:place], moved, *others[place:]))


@dataclass(frozen=True, slots=True)
class RemoveColour:
    """Take a colour out of the palette, with its choices and the pairs it is part of."""

    key: int

    label = "removing a colour"

    def apply(self, card: Card) -> Card:
        card.colour(self.key)
        gone = End("palette", self.key)
        pairs = card.pairs
        if pairs is not None:
            pairs = tuple(pair for pair in pairs if gone not in (pair.upper, pair.lower))
        bare = card.with_areas(lambda area: replace(area, colour=None) if area.colour == self.key else area)
        return replace(
            bare,
            colours=tuple(colour for colour in card.colours if colour.key != self.key),
            choices=tuple(choice for choice in card.choices if choice.key != self.key),
            pairs=pairs,
            build=card.build.without_colour(self.key),
        )


@dataclass(frozen=True, slots=True)
class Choose:
    """Choose a supply for a palette colour in a column, locked or not."""

    key: int
    column: str
    colour: int
    locked: bool = False

    label = "choosing a supply"

    def apply(self, card: Card) -> Card:
        card.colour(self.key)
        shown = [column.key for column in card.columns]
        if self.column not in shown:
            raise BadInput(
                Problem(
                    f"There is no column “{self.column}”.",
                    field="column",
                    value=self.column,
                    expected=", ".join(shown),
                )
            )
        current = card.choice(self.key, self.column)
        if current and current.locked and current.colour != self.colour:
            raise BadInput(Problem("This cell is locked; unlock it first.", field="column"))
        chosen = Choice(self.key, self.column, self.colour, self.locked)
        return replace(card, choices=(*(one for one in card.choices if one is not current), chosen))


@dataclass(frozen=True, slots=True)
class ChooseMany:
    """Choose supplies for several cells at once; locked cells stay as they are."""

    choices: tuple[Choice, ...]

    label = "moving to other ranges"

    def apply(self, card: Card) -> Card:
        for choice in self.choices:
            current = card.choice(choice.key, choice.column)
            if not (current and current.locked):
                card = Choose(choice.key, choice.column, choice.colour).apply(card)
        return card


@dataclass(frozen=True, slots=True)
class ClearChoice:
    """Go back to the nearest supply in a cell."""

    key: int
    column: str

    label = "going back to the nearest"

    def apply(self, card: Card) -> Card:
        current = card.choice(self.key, self.column)
        return replace(card, choices=tuple(one for one in card.choices if one is not current))


@dataclass(frozen=True, slots=True)
class PairChange:
    """A change of what lies on what. Apply it to a settled card (``Card.settled``)."""


@dataclass(frozen=True, slots=True)
class ShowColumns:
    """Show further columns of the palette table, by their keys, beside the usual ones; no others of them."""

    columns: tuple[str, ...]

    label = "the columns of the palette"

    def apply(self, card: Card) -> Card:
        """The card with these; what was chosen in a column that goes, goes with it."""
        known = [column.key for column in FURTHER_COLUMNS]
        for one in self.columns:
            if one not in known:
                words = f"There is no further column “{one}”."
                raise BadInput(Problem(words, field="columns", value=one, expected=", ".join(known)))
        further = tuple(key for key in known if key in self.columns)
        gone = set(card.further) - set(further)
        kept = tuple(one for one in card.choices if one.column not in gone)
        return replace(card, further=further, choices=kept)


@dataclass(frozen=True, slots=True)
class AddPair(PairChange):
    """Say that one thing lies on another."""

    kind: PairKind
    upper: End
    lower: End
    outlined: bool = False

    label = "adding what lies on what"

    def apply(self, card: Card) -> Card:
        pairs = card.pairs or ()
        pair = checked_pair(card, Pair(card.next_pair, self.kind, self.upper, self.lower, self.outlined))
        return replace(card, pairs=(*pairs, pair))


@dataclass(frozen=True, slots=True)
class EditPair(PairChange):
    """Change a pair; None leaves a part as it is."""

    key: int
    kind: PairKind | None = None
    upper: End | None = None
    lower: End | None = None
    outlined: bool | None = None

    label = "changing what lies on what"

    def apply(self, card: Card) -> Card:
        pair = _pair(card, self.key)
        changed = Pair(
            pair.key,
            self.kind or pair.kind,
            self.upper or pair.upper,
            self.lower or pair.lower,
            pair.outlined if self.outlined is None else self.outlined,
        )
        checked_pair(card, changed)
        return replace(
            card,
            pairs=tuple(changed if one.key == self.key else one for one in card.pairs or ()),
        )


@dataclass(frozen=True, slots=True)
class RemovePair(PairChange):
    """Forget that one thing lies on another."""

    key: int

    label = "removing what lies on what"

    def apply(self, card: Card) -> Card:
        gone = _pair(card, self.key)
        return replace(
            card,
            pairs=tuple(pair for pair in card.pairs or () if pair is not gone),
        )


@dataclass(frozen=True, slots=True)
class GuessPairs:
    """Go back to the pairs guessed from the roles."""

    label = "guessing what lies on what"

    def apply(self, card: Card) -> Card:
        return replace(card, pairs=None)


@dataclass(frozen=True, slots=True)
class Waive(PairChange):
    """Let a check be, with a reason. (Guessed pairs become the person's own by it.)"""

    check: str
    reason: str

    label = "waiving a check"

    def apply(self, card: Card) -> Card:
        if subject(card, self.check) is None:
            raise BadInput(
                Problem(f"There is no check “{self.check}” on this card.", field="check", value=self.check)
            )
        waiver = Waiver(self.check, checked_name(self.reason, "reason"))
        return replace(card, waivers=(*_without(card, self.check), waiver))


@dataclass(frozen=True, slots=True)
class Unwaive:
    """Make a waived check count again."""

    check: str

    label = "counting a check again"

    def apply(self, card: Card) -> Card:
        return replace(card, waivers=_without(card, self.check))


Change = (
    SetCard
    | AddColour
    | EditColour
    | Reanchor
    | MoveColour
    | RemoveColour
    | Choose
    | ChooseMany
    | ClearChoice
    | ShowColumns
    | AddPair
    | EditPair
    | RemovePair
    | GuessPairs
    | Waive
    | Unwaive
)


def _with_colour(card: Card, changed: PaletteColour) -> Card:
    return replace(
        card,
        colours=tuple(changed if colour.key == changed.key else colour for colour in card.colours),
    )


def _pair(card: Card, key: int) -> Pair:
    for pair in card.pairs or ():
        if pair.key == key:
            return pair
    raise BadInput(Problem(f"This card has no pair {key}.", field="key", value=str(key)))


def checked_pair(card: Card, pair: Pair) -> Pair:
    """The pair, or BadInput where it names no colour of the palette or lies on itself."""
    for field, end in (("upper", pair.upper), ("lower", pair.lower)):
        if end.source == "palette" and all(colour.key != end.id for colour in card.colours):
            raise BadInput(Problem("That colour is not in the palette.", field=field, value=str(end.id)))
    if pair.upper == pair.lower:
        raise BadInput(Problem("A colour cannot lie on itself; choose another.", field="lower"))
    return pair


def _without(card: Card, check: str) -> tuple[Waiver, ...]:
    return tuple(one for one in card.waivers if one.check != check)
