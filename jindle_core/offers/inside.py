"""What could lie inside a card: one picture and one colour of its front again, and room to write?"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.build import AddPiece, RemovePiece
from jindle_core.card.changes.every import AnyChange, Purpose, Several
from jindle_core.card.layouts import EDGE, share
from jindle_core.checked.check import Check
from jindle_core.checked.compared import gives_way, holding
from jindle_core.checked.room import Room, room
from jindle_core.checked.whole import CheckedCard
from jindle_core.checks.finding import Status
from jindle_core.layers.pieces import BASE, WHITE_END, Across, Down, Kind, Piece, PieceSaid, PlaceSaid
from jindle_core.lengths import Size
from jindle_core.material import End
from jindle_core.palettes.role import Role
from jindle_core.seen.stack.whole import Stack


@dataclass(frozen=True, eq=False)
class InsideOffer:
    """A way for the inside to be: in words, the change that makes it, the card then, the room it leaves and
    which checks that held do not hold any more."""

    words: str
    change: Several
    checked: CheckedCard
    room: Room
    gives_way: tuple[Check, ...]


@dataclass(frozen=True, slots=True)
class _Way:
    """How it is laid out: the strip's place and its size as parts of the card's, the same of the picture."""

    words: str
    strip: tuple[Across, Down, float, float]
    picture: tuple[Across, Down, float]


_WAYS = (
    _Way(
        "a band along the fold, the picture at the foot",
        (Across.LEFT, Down.MIDDLE, 0.12, 1.0),
        (Across.RIGHT, Down.BOTTOM, 0.3),
    ),
    _Way(
        "a strip along the foot, the picture standing on it",
        (Across.CENTRE, Down.BOTTOM, 1.0, 0.14),
        (Across.RIGHT, Down.BOTTOM, 0.32),
    ),
    _Way(
        "a strip along the top, the picture small in the corner",
        (Across.CENTRE, Down.TOP, 1.0, 0.1),
        (Across.RIGHT, Down.BOTTOM, 0.22),
    ),
)


def inside_offers(checked: CheckedCard, words: str = "") -> Iterator[InsideOffer]:
    """Each way that leaves room to write; what lies inside by now gives way. None for a card without a front.

    ``words`` are laid above the room, where something is to stand there already.
    """
    seen = checked.seen
    if not seen.card.build.pieces:
        return
    held = holding(checked)
    for way in _WAYS:
        change = Several(Purpose.INSIDE, tuple(_changes(seen.stack, way, words, panel=False)))
        after = CheckedCard(seen.after(change))
        if not _leaves_room(after):
            # What the card is of does not take a pen: it is written on a white panel.
            change = Several(Purpose.INSIDE, tuple(_changes(seen.stack, way, words, panel=True)))
            after = CheckedCard(seen.after(change))
        there = room(after.seen.stack)
        if there is not None and _leaves_room(after):
            yield InsideOffer(way.words, change, after, there, tuple(gives_way(held, after)))


def _leaves_room(after: CheckedCard) -> bool:
    there = room(after.seen.stack)
    if there is None or after.examined.writing.status is not Status.HOLDS:
        return False
    usual = next(one for one in there.lines if one.hand == "usual")
    return usual.count >= figures.building.LEAST_LINES


def _changes(stack: Stack, way: _Way, words: str, panel: bool) -> Iterator[AnyChange]:
    card, build = stack.palette.card, stack.where.build
    # What lies on others goes first.
    for piece in reversed(build.inside):
        yield RemovePiece(piece.key)
    on = BASE
    if panel:
        yield AddPiece(
            Kind.PANEL,
            "writing panel",
            {"reveal": EDGE[stack.where.unit], "material": WHITE_END},
            inside=True,
        )
        on = build.next_key
    across, down, wide, high = way.strip
    told: PieceSaid = {
        "size": _part(card.size, wide, high),
        "place": _place(across, down),
        "material": repeated(stack),
        "trimmed": True,
    }
    yield AddPiece(Kind.STRIP, "strip inside", told, inside=True)
    shown = _picture(build.pieces)
    if shown is not None:
        across, down, wide = way.picture
        picture: PieceSaid = {
            "on": on,
            "size": _shaped(stack, shown, wide),
            "place": _place(across, down),
            "material": shown.material,
            "picture": shown.picture,
            "stamped": on == BASE and stack.of.shows(shown.key).line is not None,
        }
        yield AddPiece(Kind.IMAGE, f"{shown.name} again"[: figures.palettes.NAME_LIMIT], picture, inside=True)
    if words.strip():
        lettering: PieceSaid = {
            "on": on,
            "size": _part(card.size, 0.6, 0.1),
            "place": {"across": Across.CENTRE, "down": Down.TOP, "below": share(card.size.height, 0.14)},
            "material": _dark(stack),
            "text": words.strip(),
        }
        yield AddPiece(Kind.LETTERING, "words inside", lettering, inside=True)


def _picture(front: Sequence[Piece]) -> Piece | None:
    """The largest picture of the front."""
    shown = [piece for piece in front if piece.kind is Kind.IMAGE and piece.size is not None]
    return max(shown, key=_area, default=None)


def _area(piece: Piece) -> float:
    size = piece.size
    return 0.0 if size is None else float(size.width.millimetres * size.height.millimetres)


def repeated(stack: Stack) -> End:
    """The colour of the front that comes again: of what is plain there the strongest that much is seen of."""
    best, most = _dark(stack), 0.0
    for piece in stack.where.build.pieces:
        if piece.kind not in _PLAIN or piece.key == stack.where.carrier or piece.inked is not None:
            continue
        lab = stack.lab(piece.key)
        box = stack.where.boxes[piece.key]
        weight = float(np.hypot(lab[1], lab[2])) * float(box.width * box.height) ** 0.25
        if weight > most:
            best, most = piece.material, weight
    return best


_PLAIN = (Kind.MAT, Kind.STRIP, Kind.PANEL)


def _dark(stack: Stack) -> End:
    """The palette's dark colour, or its darkest; black where it has none."""
    colours = stack.palette.card.colours
    if not colours:
        return WHITE_END
    named = [one for one in colours if one.role is Role.DARK]
    dark = named or [colours[int(stack.palette.lab[:, 0].argmin())]]
    return End("palette", dark[0].key)


def _part(size: Size, wide: float, high: float) -> Size:
    return Size(share(size.width, wide), share(size.height, high))


def _shaped(stack: Stack, piece: Piece, wide: float) -> Size:
    """A size in the picture's own proportion, so many parts of the card wide."""
    size = stack.where.cut_to(piece)
    card = stack.palette.card.size
    shape = float(size.height.millimetres / size.width.millimetres)
    high = float(card.width.millimetres) * wide * shape / float(card.height.millimetres)
    if high > _HIGHEST:
        wide, high = wide * _HIGHEST / high, _HIGHEST
    return _part(card, wide, high)


_HIGHEST = 0.4  # of the card, so that what is above the picture can be written on


def _place(across: Across, down: Down) -> PlaceSaid:
    return {"across": across, "down": down}
