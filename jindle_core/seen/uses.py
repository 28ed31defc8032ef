"""What does a card use, of every medium, and where?"""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from jindle_core.card.whole import Card, Choice
from jindle_core.families.judge import tone_names
from jindle_core.layers.folding import flat
from jindle_core.layers.pieces import BASE, WHITE_END, Kind, Piece
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.seen.colouring import Coloured
from jindle_core.seen.covered import Covered
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.stack.whole import Stack
from jindle_core.words import in_words


@dataclass(frozen=True, slots=True)
class Usage:
    """One place where a card uses something.

    ``of`` is the picture's name, "the ground", "the card", or "the inside"; ``words`` say what there,
    ``size`` what is cut. ``areas`` and ``piece`` are the keys, none or 0 where it is none of them;
    ``needed`` is False where other pieces cover all of it.
    """

    use: Use
    of: str
    words: str
    areas: tuple[int, ...] = ()
    piece: int | None = None
    size: Size | None = None
    needed: bool = True


@dataclass(frozen=True, slots=True)
class UsedThing:
    """A supply, a sheet, white card or a palette colour that something is cut of, and where it is used."""

    end: End
    usages: tuple[Usage, ...]

    @property
    def needed(self) -> bool:
        """Whether any of it is seen."""
        return any(one.needed for one in self.usages)


_ORDER = tuple(Medium)


def uses(stack: Stack, covered: Covered) -> list[UsedThing]:
    """What a card uses, by medium, each with its places in the order of work."""
    found: dict[End, list[Usage]] = {}
    for coloured in stack.coloured:
        for end, usage in _of_picture(coloured, covered.needless):
            found.setdefault(end, []).append(usage)
    for end, usage in (*_of_ground(stack), *_of_pieces(stack), *_of_pairs(stack.palette)):
        found.setdefault(end, []).append(usage)
    listed = [UsedThing(end, tuple(usages)) for end, usages in found.items()]
    return sorted(listed, key=lambda one: _rank(stack, one.end))


def _rank(stack: Stack, end: End) -> tuple[int, int]:
    place = stack.palette.supplies.places.get(end.id) if end.source == "supply" else None
    if place is None:
        return len(_ORDER) + (end.source != "sheet"), end.id
    supplies = stack.palette.supplies
    return _ORDER.index(supplies.ranges[int(supplies.range_ids[place])].medium), place


def _of_picture(coloured: Coloured, needless: frozenset[int]) -> Iterator[tuple[End, Usage]]:
    name = coloured.picture.name
    for area in coloured.areas:
        needed = area.key not in needless
        names = tone_names(len(area.family)) if len(area.family) > 1 else ("",) * len(area.family)
        for pk, tone in zip(area.family, names, strict=True):
            words = f"{area.name}, {tone}" if tone else area.name
            yield End("supply", pk), Usage(Use.TONES, name, words, (area.key,), needed=needed)
        for laid in area.over:
            words = f"{area.name}, glazed over {_label(coloured, laid.tone)}"
            yield End("supply", laid.colour), Usage(Use.TONES, name, words, (area.key,), needed=needed)
        if area.glaze is not None and area.family:
            words = f"{area.name}, over the darkest"
            yield End("supply", area.glaze), Usage(Use.TONES, name, words, (area.key,), needed=needed)
    if coloured.areas and any(area.family for area in coloured.areas):
        paper = WHITE_END if coloured.picture.paper is None else End("supply", coloured.picture.paper)
        if paper != WHITE_END:
            yield paper, Usage(Use.PAPERS, name, "the paper that it is coloured on")


def _label(coloured: Coloured, pk: int) -> str:
    return coloured.palette.end_words(End("supply", pk))


def _of_ground(stack: Stack) -> Iterator[tuple[End, Usage]]:
    ground, where = stack.palette.card.ground, "the ground"
    for number, pad in enumerate(ground.pads, start=1):
        yield End("supply", pad.colour), Usage(Use.PADS, where, f"pad {number}, {in_words(pad.hand)}")
    for effect in ground.effects:
        if effect.colour is not None:
            yield End("supply", effect.colour), Usage(Use.PADS, where, in_words(effect.kind))
    if ground.mat is not None:
        yield End("supply", ground.mat.colour), Usage(Use.PADS, where, "the mat inked by oneself")
        if ground.mat.paper is not None:
            yield End("supply", ground.mat.paper), Usage(Use.PAPERS, where, "the mat inked by oneself")
    if ground.paper is not None and ground.laid:
        yield End("supply", ground.paper), Usage(Use.PAPERS, where, "what it is laid on")


def _of_pieces(stack: Stack) -> Iterator[tuple[End, Usage]]:
    build, card = stack.where.build, stack.palette.card
    if not build.every:
        return
    size = flat(card.size, card.fold).size
    yield build.base, Usage(Use.PIECES, "the card", "the base, folded", piece=BASE, size=size)
    for face, where in zip(build.faces, ("the card", "the inside"), strict=True):
        for piece in face:
            yield from _of_piece(stack, piece, where)


def _of_piece(stack: Stack, piece: Piece, where: str) -> Iterator[tuple[End, Usage]]:
    if piece.is_cut:
        size = stack.where.cut_to(piece)
        yield stack.of.stock(piece.key), Usage(Use.PIECES, where, piece.name, piece=piece.key, size=size)
    elif piece.kind is not Kind.IMAGE:
        yield piece.material, Usage(Use.PIECES, where, piece.name, piece=piece.key)
    if piece.inked is not None:
        words = f"{piece.name}, inked over"
        yield End("supply", piece.inked.colour), Usage(Use.PIECES, where, words, piece=piece.key)


def _of_pairs(palette: SeenPalette) -> Iterator[tuple[End, Usage]]:
    for pair in palette.pairs:
        for end in (pair.upper, pair.lower):
            if end.source == "supply":
                words = " on ".join(palette.end_words(one) for one in (pair.upper, pair.lower))
                yield end, Usage(Use.PIECES, "what lies on what", words)


def card_of(palette: SeenPalette, end: End) -> Choice | None:
    """The card that was chosen for a palette colour, if one was."""
    return palette.card.choice(end.id, "cardstock") if end.source == "palette" else None


def without_needless(card: Card, needless: frozenset[int]) -> Card:
    """The card with nothing laid where other pieces cover it; what followed such an area is as it was."""
    return card.with_areas(
        lambda area: (
            replace(area, family=(), glaze=None, over=(), like=None)
            if area.key in needless
            else replace(card.followed(area), like=None)
            if area.like is not None
            else area
        )
    )
