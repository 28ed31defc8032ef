"""What is found of a card that is built of pieces: how they fit, stand, and go together?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
import shapely

from jindle_core import figures
from jindle_core.card.whole import PaletteColour
from jindle_core.checked.standing import PieceStands, standing, touching
from jindle_core.checks.finding import Finding, Status
from jindle_core.colorimetry.difference import delta_e
from jindle_core.contrast.stacked import (
    examine_finish,
    examine_once,
    examine_spread,
    examine_writing,
    melting,
)
from jindle_core.layers.fitting import Fit, fits, to_use_elsewhere
from jindle_core.layers.flow import examine_flow
from jindle_core.layers.making import examine_making
from jindle_core.layers.outlines import as_polygon
from jindle_core.layers.pieces import BASE, Kind, Piece
from jindle_core.layers.showing import what_shows
from jindle_core.layers.sizing import Box, of_size
from jindle_core.layers.stacking import (
    Bulk,
    bulk,
    examine_envelope,
    examine_thickness,
    matching_envelope,
    thickness,
)
from jindle_core.layers.touching import Beside
from jindle_core.lengths import Length, Size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.seen.covered import Covered
from jindle_core.seen.stack.look import Face
from jindle_core.seen.stack.whole import Stack

# What is of one colour all over and large enough to be taken for one with its neighbour.
PLAIN = (Kind.MAT, Kind.PANEL, Kind.STRIP, Kind.PAPER, Kind.RIBBON)


@dataclass(frozen=True, slots=True)
class Trimming:
    """What falls off a piece, by its key: a box in mm, measured in the card's ``unit``, and which pieces it
    could be."""

    piece: int
    name: str
    box: Box
    unit: str
    could_be: tuple[str, ...]

    def text(self, units: str) -> str:
        """Its size in a person's unit, each side no longer than it is."""
        sides = (Length.floor(side, self.unit).text(units) for side in (self.box.width, self.box.height))
        return f"{' × '.join(sides)} {units}"


@dataclass(frozen=True)
class Examined:
    """All that is found of a stack of pieces."""

    stack: Stack

    @cached_property
    def covered(self) -> Covered:
        """What of it shows."""
        return Covered(self.stack)

    @cached_property
    def fits(self) -> dict[int, Fit]:
        """By key how each piece fits."""
        stack = self.stack
        found = {
            fit.key: fit
            for face in stack.where.build.faces
            for fit in fits(stack.where.boxes, face, stack.where.unit, stack.where.outlines)
        }
        better = (
            self._past_sheet(piece, found[piece.key]) or self._by_outline(piece, found[piece.key])
            for piece in stack.where.build.every
        )
        return found | {fit.key: fit for fit in better if fit is not None}

    def _by_outline(self, piece: Piece, fit: Fit) -> Fit | None:
        """How a picture fits whose box hangs over what it lies on, but not what is cut out of it."""
        stack, key = self.stack, piece.key
        if piece.kind is not Kind.IMAGE or fit.finding.status is Status.HOLDS:
            return None
        part = stack.look.face_of(key).parts[key]
        box = as_polygon(stack.where.boxes[piece.on])
        under = stack.where.outlines[piece.on].lies if piece.on in stack.where.outlines else box
        x, y = stack.where.as_turned(key, *stack.look.pictured.edge(part).places.T)
        if not shapely.contains_xy(shapely.buffer(under, -part.rim), x, y).all():
            return None
        finding = Finding(Status.HOLDS, fit.finding.figure, "", "what is cut out lies on it")
        return replace(fit, finding=finding)

    def _past_sheet(self, piece: Piece, fit: Fit) -> Fit | None:
        """What is found of a piece for which its sheet, whose pattern is not to be repeated, is too small."""
        sheet, laid = self.stack.of.sheet(piece.key), piece.pattern
        if sheet is None or laid.repeated or fit.finding.status is not Status.HOLDS:
            return None
        size = self.stack.where.cut_to(piece)
        wide, high = float(size.width.millimetres), float(size.height.millimetres)
        corners = np.array([(0, 0), (wide, 0), (wide, high), (0, high)])
        start = float(laid.right.millimetres), float(laid.below.millimetres)
        if sheet.holds(corners, start, laid.turn).all():
            return None
        figure, limit = size.text(), f"{sheet.width:.0f} × {sheet.height:.0f} mm of {sheet.title}"
        finding = Finding(Status.FAILS, figure, limit, "reaches past its sheet")
        return replace(fit, finding=finding)

    @cached_property
    def makings(self) -> dict[int, Finding]:
        """By key of words of which it is said how they are made whether they can be made so there."""
        return {piece.key: examine_making(made) for piece, made in self.stack.made.items()}

    @property
    def trimmings(self) -> list[Trimming]:
        """What falls off pieces that are trimmed and is large enough for something."""
        stack = self.stack
        return [
            Trimming(piece.key, piece.name, off, stack.where.unit, tuple(self._could_be(piece, off)))
            for piece in stack.where.build.every
            if piece.is_laid
            for off in to_use_elsewhere(self.fits[piece.key].trimmings)
        ]

    def _could_be(self, piece: Piece, off: Box) -> Iterator[str]:
        """The names of other pieces of the same stock that go into what falls off one, turned or not."""
        stack = self.stack
        for other in stack.where.build.every:
            if (
                other.key != piece.key
                and other.of_sheet
                and stack.of.stock(other.key) == stack.of.stock(piece.key)
            ):
                box = of_size(stack.where.cut_to(other))
                for wide, high in ((box.width, box.height), (box.height, box.width)):
                    if wide <= off.width and high <= off.height:
                        yield other.name
                        break

    @cached_property
    def beside(self) -> dict[int, list[Beside]]:
        """By key what shows beside each piece."""
        return touching(self.stack)

    @cached_property
    def stands(self) -> dict[int, PieceStands]:
        """By key how each piece stands against what it lies beside."""
        return standing(self.stack, self.beside)

    def is_plain(self, key: int) -> bool:
        """Whether a thing is large and of one colour all over."""
        stack = self.stack
        if key in (BASE, stack.where.carrier):
            return key != stack.where.carrier
        return stack.where.piece(key).kind in PLAIN and stack.of.sheet(key) is None

    @cached_property
    def melting(self) -> list[tuple[int, int]]:
        """The keys of plain things that touch and that squinting melts together."""
        touch = {
            (min(key, one.beside), max(key, one.beside))
            for key, beside in self.beside.items()
            for one in beside
            if one.share >= figures.contrast.BESIDE_LEAST and self.is_plain(key) and self.is_plain(one.beside)
        }
        keys = sorted({key for pair in touch for key in pair})
        labs = np.array([self.stack.lab(key) for key in keys])
        pairs = [(keys.index(one), keys.index(other)) for one, other in sorted(touch)]
        return [(keys[one], keys[other]) for one, other in melting(labs, pairs)]

    def colours_without(self, piece: Piece) -> tuple[np.ndarray, list[str]]:
        """The colours (n, 3) of a piece's face but for finishing pieces', and what they are on."""
        stack = self.stack
        face = stack.look.face_of(piece.key)
        keys = [key for key in face.keys if key == BASE or stack.where.piece(key).kind is not Kind.FINISH]
        labs, names = [], []
        for key in keys:
            own = self._labs_of(key)
            labs += [*own]
            names += [stack.where.name(key)] * len(own)
        for coloured in stack.look.drawn_on(face):
            for area in coloured.areas:
                wanted = [] if area.colour is None else [stack.palette.end_lab(End("palette", area.colour))]
                found = [*wanted, *coloured.tones[area.key].lab]
                labs += found
                names += [area.name] * len(found)
        return np.array(labs), names

    def _labs_of(self, key: int) -> np.ndarray:
        """The colours (n, 3) that a thing is of: those of its sheet, or its one."""
        sheet = self.stack.of.sheet(key)
        return self.stack.lab(key)[None] if sheet is None else self.stack.palette.sheet_labs(sheet)

    def finish(self, piece: Piece) -> Finding:
        """Whether a finishing piece repeats a colour or sets one off."""
        return examine_finish(self.stack.lab(piece.key), *self.colours_without(piece))

    @cached_property
    def finishes(self) -> list[Piece]:
        """The finishing pieces of the front."""
        return [piece for piece in self.stack.where.build.pieces if piece.kind is Kind.FINISH]

    @cached_property
    def flow(self) -> Finding:
        """What holds of the finishing pieces of the front together; there is one at least."""
        stack, size = self.stack, self.stack.palette.card.size
        boxes = [stack.where.boxes[piece.key] for piece in self.finishes]
        middles = np.array([(float(box.x + box.width / 2), float(box.y + box.height / 2)) for box in boxes])
        areas = np.array([float(box.width * box.height) for box in boxes])
        kinds = [piece.material for piece in self.finishes]
        return examine_flow(
            middles, areas, kinds, float(size.width.millimetres), float(size.height.millimetres)
        )

    @cached_property
    def accents(self) -> list[tuple[PaletteColour, Finding]]:
        """The palette's accents that are on the card, and whether they return."""
        found = []
        for at, colour in enumerate(self.stack.palette.card.colours):
            places = self._places(colour, self.stack.palette.lab[at]) if colour.role is Role.ACCENT else 0
            if places:
                found.append((colour, examine_once(places)))
        return found

    def _places(self, colour: PaletteColour, lab: np.ndarray) -> int:
        """In how many places a palette colour is: pieces that come near it, and areas of the picture."""
        stack = self.stack
        labs = [
            self._labs_of(piece.key)
            for piece in stack.where.build.every
            if piece.key != stack.where.carrier
            and not (piece.kind is Kind.IMAGE and stack.of.shows(piece.key).drawing is not None)
        ]
        of = np.repeat(np.arange(len(labs)), [len(one) for one in labs])
        near = delta_e(np.concatenate([*labs, np.zeros((0, 3))]), lab) <= figures.colour.NEAR
        areas = [area for coloured in stack.look.drawn_on(*stack.look.faces) for area in coloured.areas]
        return len(np.unique(of[near])) + sum(area.colour == colour.key for area in areas)

    def seen(self, face: Face) -> tuple[np.ndarray, np.ndarray]:
        """The colours (n, 3) that show of a face, with their areas (n,) in mm²."""
        stack = self.stack
        labs, areas = [], []
        for key, area in zip(face.keys, what_shows(face.sides, face.areas), strict=True):
            found = stack.lab(key)[None]
            shares = None if (sheet := stack.of.sheet(key)) is None else sheet.shares
            if sheet is not None:
                found = stack.palette.sheet_labs(sheet)
            elif key == stack.where.carrier:
                found = _all_over(stack)
            elif key in face.parts and face.parts[key].shape == "drawing":
                found = stack.look.pictured.labs(face.parts[key].picture)
            labs.append(found)
            areas.append(area * shares if shares is not None else np.full(len(found), area / len(found)))
        return np.concatenate(labs), np.concatenate(areas)

    @cached_property
    def spread(self) -> Finding:
        """Whether the front reaches from light to dark."""
        return examine_spread(*self.seen(self.stack.look.faces[0]))

    @cached_property
    def writing(self) -> Finding:
        """Whether there is room to write inside."""
        return examine_writing(*self.seen(self.stack.look.faces[1]))

    @cached_property
    def bulk(self) -> Bulk:
        """How high both faces stand together."""
        stack = self.stack
        areas = {key: as_polygon(box) for key, box in stack.where.boxes.items()}
        areas |= {key: outline.lies for key, outline in stack.where.outlines.items()} | self.covered.bodies
        front, inside = stack.where.stacks
        return bulk(stack.palette.card.size, (front, areas), (inside, areas))

    @cached_property
    def thick(self) -> Finding:
        """How thick the card is, against what the post takes."""
        return examine_thickness(thickness(*self.stack.where.stacks), self.stack.where.build.post_limit)

    @cached_property
    def usual_envelope(self) -> Size | None:
        """The smallest usual envelope that the card goes into lying flat, if any."""
        return matching_envelope(self.stack.palette.card.size)

    @property
    def envelope(self) -> Size | None:
        """What the card is posted in: as said, or the usual one."""
        return self.stack.where.build.envelope or self.usual_envelope

    @cached_property
    def posted(self) -> Finding:
        """Whether the card goes into its envelope."""
        size = self.stack.palette.card.size
        if self.envelope is None:
            return Finding(Status.LOOK_AGAIN, size.text(), "", "is larger than the usual envelopes: make one")
        return examine_envelope(size, self.envelope, self.bulk)


def _all_over(stack: Stack) -> np.ndarray:
    """The ground's colours (25, 3) at even places."""
    side = np.linspace(0.1, 0.9, 5)
    x, y = (one.ravel() for one in np.meshgrid(side, side))
    return stack.of.grounded.seen_at(x, y)
