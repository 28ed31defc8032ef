"""Every change of how a card is built; see ``changes`` for what a change is."""

from dataclasses import dataclass, replace
from fractions import Fraction
from math import cos, radians, sin
from typing import Any

import shapely

from jindle_core import figures
from jindle_core.card.build import Build, BuildSettings
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.layouts import STARTS, start
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.outlines import outlines
from jindle_core.layers.pieces import (
    BASE,
    OF_CARD,
    OF_SHEET,
    WORDS,
    Kind,
    PatternLaid,
    Piece,
    PieceSaid,
    Place,
    Raised,
    Ring,
)
from jindle_core.layers.shapes import Side
from jindle_core.layers.sizing import cut_size, laid_out
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.stored import declared


@dataclass(frozen=True, slots=True)
class SetBuild:
    """Change how the card is folded and posted: some of Build's fields, but no pieces."""

    settings: BuildSettings

    label = "fold, base or post"

    def apply(self, card: Card) -> Card:
        """The card with these settings."""
        settings = declared(self.settings, Build, "the build", ("pieces", "inside", "next_key"))
        return checked(card, replace(card.build, **settings))


@dataclass(frozen=True, slots=True)
class StartLayout:
    """Begin anew with the pieces of a layout."""

    layout: str

    label = "starting from a layout"

    def apply(self, card: Card) -> Card:
        """The card with these pieces and no others."""
        if self.layout not in {one.key for one in STARTS}:
            raise BadInput(
                Problem(
                    f"There is no layout “{self.layout}”.",
                    field="layout",
                    value=self.layout,
                    expected=", ".join(one.key for one in STARTS),
                )
            )
        pieces = start(
            self.layout, card.size, card.colours, card.build.next_key, card.picture(None).proportion
        )
        return checked(card, replace(card.build, pieces=pieces, inside=(), ground_on=None))


def _declared(told: PieceSaid) -> dict[str, Any]:
    """What is said of a piece, and of its place, as it is declared."""
    place = {"place": declared(told["place"], Place, "a place")} if "place" in told else {}
    if "pattern" in told:
        place["pattern"] = declared(told["pattern"], PatternLaid, "a pattern")
    others = {name: one for name, one in told.items() if name not in ("place", "pattern")}
    found = declared(others, Piece, "a piece", ("key",)) | place
    if "turn" in found:
        found["turn"] = turned(found["turn"])
    if "sides" in found:
        found["sides"] = tuple(side for side in Side if side in found["sides"])
    if found.get("stamped"):
        found |= {"raised": Raised.FLAT, "white_edge": False}
    return found


def turned(degrees: float) -> float:
    """A turn as it is stored: to a tenth of a degree, from −180 to under 180.

    >>> turned(360.0), turned(-190.0), turned(12.34)
    (0.0, 170.0, 12.3)
    """
    return round((degrees + 180) % 360 - 180, 1)


@dataclass(frozen=True, slots=True)
class AddPiece:
    """Lay one more piece, on the front or inside.

    ``told`` holds some of Piece's fields, its ``place`` some of Place's.
    """

    kind: Kind
    name: str
    told: PieceSaid
    inside: bool = False

    label = "adding a piece"

    def apply(self, card: Card) -> Card:
        """The card with the piece on top of its neighbours; patterned paper under those that lie there."""
        build = card.build
        if len(build.every) >= figures.building.PIECES_LIMIT:
            raise BadInput(Problem(f"{figures.building.PIECES_LIMIT} pieces are the most.", field="pieces"))
        told = _declared(self.told)
        told["place"] = replace(Place(), **told.get("place", {}))
        told["pattern"] = replace(PatternLaid(), **told.get("pattern", {}))
        added = Piece(build.next_key, self.kind, checked_name(self.name), **told)
        face = build.inside if self.inside else build.pieces
        beside = [at for at, one in enumerate(face) if one.on == added.on] if self.kind is Kind.PAPER else []
        at = beside[0] if beside else len(face)
        face = (*face[:at], added, *face[at:])
        return checked(card, replace(build, inside=face) if self.inside else replace(build, pieces=face))


@dataclass(frozen=True, slots=True)
class EditPiece:
    """Change what is said of a piece.

    A size takes its reveal away, and the other way round; so do a shape and an outline
    of one's own. What is stamped is not raised and has no edge.
    """

    key: int
    told: PieceSaid

    label = "a piece"

    def apply(self, card: Card) -> Card:
        """The card with the piece changed."""
        told, piece = _declared(self.told), card.build.piece(self.key)
        if "place" in told:
            told["place"] = replace(piece.place, **told["place"])
        if "pattern" in told:
            told["pattern"] = replace(piece.pattern, **told["pattern"])
        if told.get("own"):
            told["shape"] = None
        elif "shape" in told:
            told["own"] = ()
        if "name" in told:
            told["name"] = checked_name(told["name"])
        if told.get("size"):
            told["reveal"] = None
        elif told.get("reveal"):
            told["size"] = None
        return checked(card, card.build.with_piece(replace(piece, **told)))


@dataclass(frozen=True, slots=True)
class NudgePiece:
    """Move a piece by so many mm to the right and down (negative: left, up), to the card's nearest tick."""

    key: int
    right: float
    below: float

    label = "moving a piece"

    def apply(self, card: Card) -> Card:
        """The card with the piece moved; what lies on it goes along."""
        piece = card.build.piece(self.key)
        unit = card.size.width.unit
        right, below = _along(_turned_under(card.build, piece), self.right, self.below)
        place = replace(
            piece.place,
            right=_moved(piece.place.right, right, unit),
            below=_moved(piece.place.below, below, unit),
        )
        return checked(card, card.build.with_piece(replace(piece, place=place)))


def _turned_under(build: Build, piece: Piece) -> float:
    """By how many degrees what a piece lies on is turned, all in all."""
    degrees = 0.0
    while piece.on != BASE:
        piece = build.piece(piece.on)
        degrees += piece.turn
    return degrees


def _along(degrees: float, right: float, below: float) -> tuple[float, float]:
    """A way to the right and down as something that is turned measures it."""
    if not degrees:
        return right, below
    turn = radians(-degrees)
    return right * cos(turn) - below * sin(turn), right * sin(turn) + below * cos(turn)


def _moved(offset: Length, by: float, unit: str) -> Length:
    found = offset.millimetres + Fraction(by)
    furthest = Fraction(figures.building.OFFSET_LIMIT)
    return Length.near(min(max(found, -furthest), furthest), unit) if by else offset


@dataclass(frozen=True, slots=True)
class RemovePiece:
    """Take a piece away; what lay on it lies on what it lay on."""

    key: int

    label = "removing a piece"

    def apply(self, card: Card) -> Card:
        """The card without the piece; words that lay on it stay as large as they were."""
        build = card.build
        boxes = laid_out(card.size, build.face(self.key))
        for piece in build.every:
            if piece.on == self.key and piece.kind in WORDS and piece.size is None:
                size = cut_size(piece, boxes[self.key], card.size.width.unit)
                build = build.with_piece(replace(piece, reveal=None, size=size))
        return checked(card, build.without_piece(self.key))


@dataclass(frozen=True, slots=True)
class MovePiece:
    """Move a piece to a place among those of its face, counted from 0: later ones lie over earlier ones."""

    key: int
    to: int

    label = "the order of pieces"

    def apply(self, card: Card) -> Card:
        """The card with the pieces in this order."""
        moved = card.build.piece(self.key)
        others = [one for one in card.build.face(self.key) if one is not moved]
        at = min(max(self.to, 0), len(others))
        ordered = (*others[:at], moved, *others[at:])
        return checked(card, card.build.with_pieces(lambda face: ordered if moved in face else face))


def checked(card: Card, build: Build) -> Card:
    """The card with this build, or BadInput where a piece has no size or nothing to lie on."""
    for piece in build.every:
        check_ring(piece.own, piece.name)
    for face in build.faces:
        laid_out(card.size, face)
        outlines(card.size, face)
    for end in (build.base, *(piece.material for piece in build.every)):
        if end.source == "palette":
            card.colour(end.id)
    if build.ground_on and build.piece(build.ground_on) not in build.pieces:
        raise BadInput(Problem("The ground lies on the front.", field="ground_on"))
    for piece in build.every:
        _check_piece(card, build, piece)
    if build.base.source == "sheet":
        raise BadInput(Problem("The base is of card, for it stands by itself.", field="base"))
    return replace(card, build=build)


def _check_piece(card: Card, build: Build, piece: Piece) -> None:
    """BadInput for what a piece cannot be."""
    under = None if piece.on == BASE else build.piece(piece.on)
    if under and under.is_ink:
        words = f"{under.name} is stamped: nothing lies on ink. Lay {piece.name} on what it is stamped on."
        raise BadInput(Problem(words, field="on", value=under.name))
    if piece.kind is Kind.IMAGE:
        card.picture(piece.picture)
    elif piece.stamped:
        words = f"{piece.name} is no picture, and those alone are stamped straight on something."
        raise BadInput(Problem(words, field="stamped", value=piece.kind.value))
    if piece.stamped and (piece.white_edge or piece.raised is not Raised.FLAT):
        words = f"{piece.name} is stamped straight on something: nothing raises it or leaves an edge."
        raise BadInput(Problem(words, field="stamped"))
    if piece.inked and piece.kind not in OF_CARD:
        words = f"{piece.name} is not cut out of card, which is what can be inked."
        raise BadInput(Problem(words, field="inked", value=piece.kind.value))
    if piece.material.source == "sheet":
        if piece.kind not in OF_SHEET:
            words = f"{piece.name} is not cut out of patterned paper: strips, panels and mats are."
            raise BadInput(Problem(words, field="material", value=piece.kind.value))
        if piece.inked:
            raise BadInput(Problem("A pattern that is inked over is gone. Ink plain card.", field="inked"))
    if len(piece.text) > figures.building.WORDS_LIMIT:
        words = f"{figures.building.WORDS_LIMIT} characters are the most on one line."
        raise BadInput(Problem(words, field="text", value=piece.text))


def check_ring(ring: Ring, name: str) -> None:
    """BadInput where points are no outline that fills its box and can be cut; none are fine."""
    if not ring:
        return
    inside = all(0 <= side <= 1 for point in ring for side in point)
    if not (2 < len(ring) <= figures.building.OWN_POINTS and inside and shapely.Polygon(ring).is_valid):
        words = (
            f"The outline of {name} is none that can be cut: 3 to {figures.building.OWN_POINTS} points in"
            " their box, once around without crossing."
        )
        raise BadInput(Problem(words, field="own"))


@dataclass(frozen=True, slots=True)
class PutOnStrip:
    """Lay a strip under words, somewhat larger than they are, and the words on it; all stays where it is."""

    key: int
    material: End

    label = "a strip under words"

    def apply(self, card: Card) -> Card:
        """The card with the strip, which carries the words."""
        build = card.build
        words = build.piece(self.key)
        if words.kind not in WORDS:
            raise BadInput(Problem(f"{words.name} is no lettering.", field="key", value=words.name))
        if len(build.every) >= figures.building.PIECES_LIMIT:
            raise BadInput(Problem(f"{figures.building.PIECES_LIMIT} pieces are the most.", field="pieces"))
        unit = card.size.width.unit
        boxes = laid_out(card.size, build.face(self.key))
        box, under = boxes[self.key], boxes[words.on]
        around = Fraction(figures.building.STRIP_AROUND) * box.height
        sides = [Length.near(side, unit) for side in (box.width, box.height)]
        larger = [
            Length.floor(min(side + 2 * around, room), unit)
            for side, room in ((box.width, under.width), (box.height, under.height))
        ]
        strip = Piece(
            build.next_key,
            Kind.STRIP,
            checked_name(f"strip under {words.name}"[: figures.palettes.NAME_LIMIT]),
            words.on,
            size=Size(*larger),
            place=words.place,
            material=self.material,
            turn=words.turn,
        )
        on_it = replace(
            words, on=strip.key, reveal=None, size=Size(*sides), place=Place(), turn=0.0, raised=Raised.FLAT
        )

        def laid(face: tuple[Piece, ...]) -> tuple[Piece, ...]:
            if words not in face:
                return face
            at = face.index(words)
            return (*face[:at], strip, on_it, *face[at + 1 :])

        return checked(card, build.with_pieces(laid))


BuildChange = (
    SetBuild | StartLayout | AddPiece | EditPiece | NudgePiece | RemovePiece | MovePiece | PutOnStrip
)
