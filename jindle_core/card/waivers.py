"""Which checks that were let be still are, after a change of the card?

A waiver speaks of something as it was when it was let be. It ends with that
thing, and where what the check is on becomes another; a new name is no change.
"""

from collections.abc import Hashable
from dataclasses import replace

from jindle_core.card.pictures import Picture
from jindle_core.card.references import named
from jindle_core.card.whole import Card
from jindle_core.checks import ids
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import BASE, Kind
from jindle_core.material import End


def still_waived(before: Card, after: Card) -> Card:
    """The card after a change, with those waivers only whose check is on the same as before.

    A waiver that the change itself brought stays where its check is on something.
    """
    kept = tuple(
        one
        for one in after.waivers
        if (now := subject(after, one.check)) is not None
        and (one not in before.waivers or now == subject(before, one.check))
    )
    return after if kept == after.waivers else replace(after, waivers=kept)


def subject(card: Card, check: str) -> Hashable | None:
    """What a check is on, so that it can be compared; None where the card has nothing of the kind."""
    try:
        return _subject(card, ids.read(check))
    except BadInput:
        return None  # one of the things that it was on is gone


def _subject(card: Card, check: ids.CheckId | None) -> Hashable | None:
    match check:
        case ids.OnPair():
            pair = next((one for one in card.pairs or () if one.key == check.key), None)
            return pair and (pair, _end(card, pair.upper), _end(card, pair.lower))
        case ids.OnAccent():
            colour = card.colour(check.key)
            return colour.role, colour.anchor
        case ids.OnFamily():
            area = card.followed(card.area(check.key))
            wanted = None if area.colour is None else card.colour(area.colour).anchor
            return replace(area, name="", like=None), wanted, card.picture_of(check.key).paper
        case ids.Bare():
            areas = card.picture(check.key).areas
            return tuple(area.key for area in areas if not card.followed(area).family) or None
        case ids.SamePens():
            of = card.families_in(check.one), card.families_in(check.other)
            return of if all(of) else None
        case ids.Covers():
            return card.followed(card.area(check.key)).family or None
        case ids.Supplied() | ids.NoCard():
            return True if check.key in named(card).taken else None
        case ids.CutOf():
            return card.colour(check.key).anchor, card.choice(check.key, "cardstock")
        case ids.Conflicts():
            return _materials(card, card.picture(check.picture), check.rule)
        case ids.GroundId():
            return card.ground if card.ground.laid or card.ground.mat else None
        case ids.OnWhole():
            return _whole(card, check.what)
        case ids.CheckId() if check.pieces:
            return card.size, tuple(_part(card, key) for key in check.pieces)
    return None


def _part(card: Card, key: int) -> Hashable:
    if key == BASE:
        return card.build.base, _end(card, card.build.base)
    piece = card.build.piece(key)
    return replace(piece, name=""), _end(card, piece.material)


def _end(card: Card, end: End) -> Hashable:
    """What a palette colour is tied to, which the end itself does not say."""
    return card.colour(end.id).anchor if end.source == "palette" else None


def _materials(card: Card, used: Picture, rule: str) -> Hashable:
    coloured = [card.followed(area) for area in used.areas]
    areas = frozenset((area.medium, area.layers) for area in coloured)
    strokes: Hashable = None
    if rule in ("feathers", "wears"):
        strokes = used.dark_first, frozenset((area.medium, len(area.family)) for area in coloured)
    on = used.line, used.line_range, used.paper, used.surface, used.finishes
    return (*on, areas, strokes) if areas else None


def _whole(card: Card, what: ids.Whole) -> Hashable:
    if what is ids.Whole.SPAN:
        return True if len(card.colours) > 1 else None
    if what in (ids.Whole.DRAWER, ids.Whole.LOW):
        return named(card).taken or None
    build = card.build
    if what is ids.Whole.FLOW:
        finishes = tuple(piece for piece in build.pieces if piece.kind is Kind.FINISH)
        return (card.size, tuple(_part(card, one.key) for one in finishes)) if finishes else None
    told: dict[ids.Whole, Hashable] = {
        ids.Whole.THICKNESS: build.post_limit,
        ids.Whole.SHEET: (card.size, card.fold),
        ids.Whole.ENVELOPE: (card.size, build.envelope),
    }
    return (told.get(what),) if build.every else None
