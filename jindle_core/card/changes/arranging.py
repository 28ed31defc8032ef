"""Changes that build quickly by hand: a mat under a piece, copies, pieces scattered, aligned, spread."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from enum import StrEnum
from fractions import Fraction

import numpy as np

from jindle_core import figures
from jindle_core.card.build import Build
from jindle_core.card.changes.build import NudgePiece, checked
from jindle_core.card.changes.palette import checked_name
from jindle_core.card.whole import Card
from jindle_core.errors import BadInput, Problem
from jindle_core.layers.pieces import BASE, WORDS, Kind, Piece, Place, Raised
from jindle_core.layers.shapes import Shape
from jindle_core.layers.sizing import Box, laid_out
from jindle_core.lengths import Length, Size
from jindle_core.material import End

_EDGE = 2.0  # mm that a scattered piece keeps off edges
_APART = 1.6  # of its own width that the next keeps off it


def _room(build: Build, more: int) -> None:
    """BadInput where so many pieces more are too many."""
    most = figures.building.PIECES_LIMIT
    if len(build.every) + more > most:
        words = f"{most} pieces are the most; this card has {len(build.every)}, and {more} more are wanted."
        raise BadInput(Problem(words, field="pieces", value=str(more), expected=f"at most {most} in all"))


def _name(text: str) -> str:
    return checked_name(text[: figures.palettes.NAME_LIMIT])


def _sized(box: Box, unit: str, more: Fraction = Fraction(0)) -> Size:
    return Size(*(Length.near(side + more, unit) for side in (box.width, box.height)))


@dataclass(frozen=True, slots=True)
class MatUnder:
    """Lay a mat under a piece, an even frame larger; the piece stays as large as it is, and where.

    Under cut-out words it follows their outline.
    """

    key: int
    material: End

    label = "a mat under a piece"

    def apply(self, card: Card) -> Card:
        """The card with the mat, which carries the piece; BadInput under ink."""
        build, unit = card.build, card.size.width.unit
        piece = build.piece(self.key)
        if piece.is_ink:
            words = f"{piece.name} is only ink: a mat goes under what that is on."
            raise BadInput(Problem(words, field="key", value=piece.name))
        _room(build, 1)
        of_words = piece.kind is Kind.CUT_WORDS
        ticks = figures.building.WORDS_FRAME if of_words else figures.building.MAT_FRAME
        frame = Length(ticks[unit], unit)
        box = laid_out(card.size, build.face(self.key))[self.key]
        size = _sized(box, unit, 2 * frame.millimetres)
        shaped = piece.shape is not None or piece.own
        mat = Piece(
            *(build.next_key, Kind.MAT, _name(f"mat under {piece.name}"), piece.on),
            size=size,
            place=piece.place,
            material=self.material,
            turn=piece.turn,
            raised=piece.raised,
            shape=Shape.LETTERS if of_words else piece.shape,
            sides=piece.sides,
            own=piece.own,
        )
        on_it = replace(
            piece,
            on=mat.key,
            place=Place(),
            turn=0.0,
            raised=Raised.FLAT,
            reveal=None,
            size=_sized(box, unit),
        )
        if shaped and piece.kind is not Kind.IMAGE and piece.opening is None:
            on_it = replace(on_it, reveal=frame, size=None, shape=None, own=())  # even all round
        return checked(card, build.with_pieces(lambda face: _with(face, piece, (mat, on_it))))


def _with(face: tuple[Piece, ...], piece: Piece, instead: tuple[Piece, ...]) -> tuple[Piece, ...]:
    if piece not in face:
        return face
    at = face.index(piece)
    return (*face[:at], *instead, *face[at + 1 :])


@dataclass(frozen=True, slots=True)
class CopyPieces:
    """Lay some pieces again beside themselves or, ``mirrored``, at the other side of what they lie on.

    What lies on a piece is copied along.
    """

    keys: tuple[int, ...]
    mirrored: bool = False

    label = "copying pieces"

    def apply(self, card: Card) -> Card:
        """The card with the copies on top of their faces."""
        build, unit = card.build, card.size.width.unit
        wanted = {build.piece(key).key for key in self.keys}
        order = [piece for face in build.faces for piece in face]
        for _ in order:  # what lies on what is copied, to whatever height
            wanted |= {piece.key for piece in order if piece.on in wanted}
        originals = [piece for piece in order if piece.key in wanted]
        _room(build, len(originals))
        fresh = {piece.key: build.next_key + at for at, piece in enumerate(originals)}
        step = Length(figures.building.COPY_STEP[unit], unit)
        copies: dict[int, Piece] = {}
        for piece in originals:
            place = piece.place
            if self.mirrored:
                place = _mirrored(card, piece)
            elif piece.on not in wanted:
                off = [one.millimetres + step.millimetres for one in (place.right, place.below)]
                right, below = (Length.near(one, unit) for one in off)
                place = replace(place, right=right, below=below)
            copies[piece.key] = replace(
                piece,
                key=fresh[piece.key],
                name=_name(f"{piece.name} again"),
                on=fresh.get(piece.on, piece.on),
                place=place,
                turn=-piece.turn if self.mirrored else piece.turn,
                mirrored=piece.mirrored != (self.mirrored and piece.kind is Kind.IMAGE),
            )
        return checked(
            card,
            build.with_pieces(lambda face: (*face, *(copies[one.key] for one in face if one.key in wanted))),
        )


def _mirrored(card: Card, piece: Piece) -> Place:
    """A place on the other side of the middle of what a piece lies on."""
    unit, face = card.size.width.unit, card.build.face(piece.key)
    boxes = laid_out(card.size, face)
    box, under = boxes[piece.key], boxes[piece.on]
    off = box.x + box.width / 2 - under.x - under.width / 2
    return replace(Place(down=piece.place.down, below=piece.place.below), right=Length.near(-off, unit))


class Along(StrEnum):
    """Where pieces are scattered."""

    DIAGONAL = "from-corner-to-corner"
    RISING = "from-the-lower-left-up"
    AROUND = "around-the-picture"


@dataclass(frozen=True, slots=True)
class Scatter:
    """Finishing pieces of some sizes along a line over the front, or around its largest picture.

    The same ``seed`` scatters in the same way; each is a piece that can be moved by itself.
    """

    count: int
    along: Along
    material: End
    seed: int = 1

    label = "scattering finishing pieces"

    def apply(self, card: Card) -> Card:
        """The card with them; BadInput for none, or more than a card takes."""
        build = card.build
        most = figures.building.SCATTER_MOST
        if not 1 <= self.count <= most:
            words = f"1 to {most} pieces are scattered at once."
            raise BadInput(Problem(words, field="count", value=str(self.count), expected=f"1 to {most}"))
        _room(build, self.count)
        random = np.random.default_rng(self.seed)
        usual = figures.building.DOTS[card.size.width.unit]
        sizes = [
            Length(int(usual[random.integers(len(usual))]), card.size.width.unit) for _ in range(self.count)
        ]
        added = tuple(
            Piece(
                *(build.next_key + at, Kind.FINISH, f"dot {at + 1}", build.carrier),
                size=Size(across, across),
                place=place,
                material=self.material,
            )
            for at, (across, place) in enumerate(
                zip(sizes, _places(card, build, self.along, sizes, random), strict=True)
            )
        )
        return checked(card, replace(build, pieces=(*build.pieces, *added)))


@dataclass(frozen=True, slots=True)
class LayAlong:
    """Move finishing pieces of the front to a line over it, or around its largest picture."""

    keys: tuple[int, ...]
    along: Along
    seed: int = 1

    label = "laying finishing pieces along a line"

    def apply(self, card: Card) -> Card:
        """The card with them moved, as large as they are; BadInput for other pieces, or none."""
        build = card.build
        pieces = [build.piece(key) for key in dict.fromkeys(self.keys)]
        if not pieces:
            raise BadInput(Problem("Say which pieces.", field="keys"))
        for piece in pieces:
            if piece.kind is not Kind.FINISH or piece not in build.pieces:
                words = f"{piece.name} is no finishing piece of the front."
                raise BadInput(Problem(words, field="keys", value=piece.name))
        boxes = laid_out(card.size, build.pieces)
        sizes = [Length.near(boxes[piece.key].width, card.size.width.unit) for piece in pieces]
        others = replace(build, pieces=tuple(one for one in build.pieces if one not in pieces))
        places = _places(card, others, self.along, sizes, np.random.default_rng(self.seed))
        for piece, place in zip(pieces, places, strict=True):
            build = build.with_piece(replace(piece, on=build.carrier, place=place))
        return checked(card, build)


def _places(
    card: Card, build: Build, along: Along, sizes: list[Length], random: np.random.Generator
) -> list[Place]:
    """Where finishing pieces of some widths come to lie on what carries the ground, one after another.

    ``build`` is how the card is built without them.
    """
    boxes, unit = laid_out(card.size, build.pieces), card.size.width.unit
    under = boxes[build.carrier]
    wanted_places = _scattered(along, len(sizes), under, _picture(build, boxes), random)
    free, found = _free(build, boxes, build.carrier), list[Place]()
    for across, wanted in zip(sizes, wanted_places, strict=True):
        spot = free[np.linalg.norm(free - wanted, axis=1).argmin()]
        # The next keeps off it.
        apart = np.linalg.norm(free - spot, axis=1) >= _APART * float(across.millimetres)
        free = free[apart] if apart.any() else free
        half = across.millimetres / 2
        kept = (
            min(max(Fraction(float(value)), start + half), end - half)
            for value, start, end in zip(spot, (under.x, under.y), (under.right, under.bottom), strict=True)
        )
        middles = under.x + under.width / 2, under.y + under.height / 2
        right, below = (
            Length.near(value - middle, unit) for value, middle in zip(kept, middles, strict=True)
        )
        found.append(Place(right=right, below=below))
    return found


def _free(build: Build, boxes: dict[int, Box], on: int) -> np.ndarray:
    """Points (k, 2) in mm all over what is scattered on, but for pictures, words and what carries words."""
    under = boxes[on]
    left, top, right, bottom = (float(side) for side in (under.x, under.y, under.right, under.bottom))
    x, y = (
        one.ravel()
        for one in np.meshgrid(np.arange(left + _EDGE, right - _EDGE), np.arange(top + _EDGE, bottom - _EDGE))
    )
    taken = np.zeros(len(x), dtype=bool)
    carrying = {piece.on for piece in build.pieces if piece.kind in WORDS} - {on, BASE}
    for piece in build.pieces:
        box = boxes[piece.key]
        middle = float(box.x + box.width / 2), float(box.y + box.height / 2)
        half = float(box.width / 2) + _EDGE, float(box.height / 2) + _EDGE
        off = np.abs(x - middle[0]) / half[0], np.abs(y - middle[1]) / half[1]
        if piece.kind is Kind.IMAGE:
            taken |= np.hypot(*off) < 1  # a picture seldom fills the corners of its box
        elif piece.kind in WORDS or piece.key in carrying:
            taken |= np.maximum(*off) < 1
    every = np.stack([x, y], axis=1)
    return (
        every[~taken]
        if not taken.all() and len(every)
        else np.array([[(left + right) / 2, (top + bottom) / 2]])
    )


def _picture(build: Build, boxes: dict[int, Box]) -> Box | None:
    pictures = [boxes[piece.key] for piece in build.pieces if piece.kind is Kind.IMAGE]
    return max(pictures, key=lambda box: box.width * box.height, default=None)


def _scattered(
    along: Along, count: int, under: Box, picture: Box | None, random: np.random.Generator
) -> np.ndarray:
    """Middles (count, 2) in mm."""
    left, top, wide, high = (float(side) for side in (under.x, under.y, under.width, under.height))
    if along is Along.AROUND and picture is not None:
        turns = (np.arange(count) + random.uniform(0, 1)) / count * 2 * np.pi
        middle = [float(picture.x + picture.width / 2), float(picture.y + picture.height / 2)]
        half = np.array([float(picture.width), float(picture.height)]) / 2 + figures.building.DOTS_OFF
        found = middle + half * np.stack([np.cos(turns), np.sin(turns)], axis=1)
    else:
        way = (np.arange(count) + 0.5) / count
        down = 1 - way if along is Along.RISING else way
        found = np.stack([left + wide * way, top + high * down], axis=1)
    stray = min(wide, high) * figures.building.DOTS_STRAY
    strayed: np.ndarray = found + random.uniform(-stray, stray, (count, 2))
    return strayed


class How(StrEnum):
    """How several pieces are arranged."""

    LEFT = "left-edges"
    CENTRE = "middles-across"
    RIGHT = "right-edges"
    TOP = "upper-edges"
    MIDDLE = "middles-down"
    BOTTOM = "lower-edges"
    ACROSS = "evenly-across"
    DOWN = "evenly-down"


@dataclass(frozen=True, slots=True)
class Arrange:
    """Bring the edges or middles of some pieces of one face into line, or spread them evenly.

    What is spread stays between the outer two. Each counts as it lies before it is turned.
    """

    keys: tuple[int, ...]
    how: How

    label = "arranging pieces"

    def apply(self, card: Card) -> Card:
        """The card with the pieces moved; BadInput for less than two, or of two faces."""
        build = card.build
        pieces = [build.piece(key) for key in dict.fromkeys(self.keys)]
        if len(pieces) < 2:
            raise BadInput(Problem("Two pieces at least are arranged.", field="keys"))
        face = build.face(pieces[0].key)
        if not all(piece in face for piece in pieces):
            raise BadInput(Problem("What lies inside is not in line with the front.", field="keys"))
        boxes = laid_out(card.size, face)
        by_key = {piece.key: boxes[piece.key] for piece in pieces}
        for key, (right, below) in _moves(by_key, self.how).items():
            # What lies on another that moves goes along with it already.
            if right or below:
                now = laid_out(card.size, card.build.face(key))[key]
                wanted = by_key[key].x + right, by_key[key].y + below
                card = NudgePiece(key, float(wanted[0] - now.x), float(wanted[1] - now.y)).apply(card)
        return card


def _moves(boxes: dict[int, Box], how: How) -> dict[int, tuple[Fraction, Fraction]]:
    """By key how far (mm) each goes to the right and down."""
    across = how in (How.LEFT, How.CENTRE, How.RIGHT, How.ACROSS)
    nothing = Fraction(0)
    starts = {key: box.x if across else box.y for key, box in boxes.items()}
    lengths = {key: box.width if across else box.height for key, box in boxes.items()}
    ends = {key: starts[key] + lengths[key] for key in boxes}
    low, high = min(starts.values()), max(ends.values())
    to: dict[int, Fraction]
    if how in (How.ACROSS, How.DOWN):
        order = sorted(boxes, key=lambda key: starts[key] + lengths[key] / 2)
        gap = (high - low - sum(lengths.values())) / (len(order) - 1)
        at, to = low, {}
        for key in order:
            to[key] = at
            at += lengths[key] + gap
    else:
        line: Callable[[int], Fraction] = {
            How.LEFT: lambda _: low,
            How.TOP: lambda _: low,
            How.RIGHT: lambda key: high - lengths[key],
            How.BOTTOM: lambda key: high - lengths[key],
        }.get(how, lambda key: (low + high - lengths[key]) / 2)
        to = {key: line(key) for key in boxes}
    return {
        key: (to[key] - starts[key], nothing) if across else (nothing, to[key] - starts[key]) for key in boxes
    }


ArrangeChange = MatUnder | CopyPieces | Scatter | LayAlong | Arrange
