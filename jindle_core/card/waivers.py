"""Which checks that were let be still are, after a change of the card?

A waiver speaks of something as it was when it was let be. It ends with that
thing, and where what the check is on becomes another; a new name is no change.
"""

from collections.abc import Callable, Hashable
from dataclasses import replace
from typing import Any

from jindle_core.card.pictures import Area
from jindle_core.card.whole import Card, Pair
from jindle_core.checks import ids as check_ids
from jindle_core.errors import BadInput
from jindle_core.layers.pieces import BASE, Piece
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
    what, _, rest = check.partition(":")
    keys = [int(key) for key in rest.split(":") if key.isdecimal()] if rest else []
    found = _SUBJECTS.get(what)
    try:
        return found(card, keys) if found and check_ids.is_well_formed(check) else None
    except BadInput:
        return None  # one of the things that it was on is gone


def _pair(card: Card, keys: list[int]) -> Hashable:
    pair: Pair | None = next((one for one in card.pairs or () if one.key == keys[0]), None)
    return pair and (pair, _end(card, pair.upper), _end(card, pair.lower))


def _accent(card: Card, keys: list[int]) -> Hashable:
    colour = card.colour(keys[0])
    return colour.role, colour.anchor


def _family(card: Card, keys: list[int]) -> Hashable:
    area: Area = card.colouring.area(keys[0])
    wanted = None if area.colour is None else card.colour(area.colour).anchor
    return replace(area, name=""), wanted, card.colouring.paper


def _piece(card: Card, keys: list[int]) -> Hashable:
    return card.size, tuple(_part(card, key) for key in keys)


def _part(card: Card, key: int) -> Hashable:
    if key == BASE:
        return card.build.base, _end(card, card.build.base)
    piece: Piece = card.build.piece(key)
    return replace(piece, name=""), _end(card, piece.material)


def _end(card: Card, end: End) -> Hashable:
    """What a palette colour is tied to, which the end itself does not say."""
    return card.colour(end.id).anchor if end.source == "palette" else None


def _ground(card: Card, keys: list[int]) -> Hashable:
    return card.ground if card.ground.laid or card.ground.mat else None


def _materials(card: Card, keys: list[int]) -> Hashable:
    used = card.colouring
    areas = frozenset((area.medium, area.layers) for area in used.areas)
    return (used.line, used.line_range, used.paper, used.surface, used.finishes, areas) if areas else None


def _of_build(told: Callable[[Card], Hashable]) -> Callable[[Card, list[int]], Hashable]:
    return lambda card, keys: (told(card),) if card.build.every else None


_SUBJECTS: dict[str, Callable[[Card, list[int]], Any]] = {
    "pair": _pair,
    "once": _accent,
    "family": _family,
    "fit": _piece,
    "stands": _piece,
    "finish": _piece,
    "melts": _piece,
    "ground": _ground,
    "conflict": _materials,
    check_ids.SPAN: lambda card, keys: True if len(card.colours) > 1 else None,
    check_ids.SPREAD: _of_build(lambda card: True),
    check_ids.WRITING: _of_build(lambda card: True),
    check_ids.THICKNESS: _of_build(lambda card: card.build.post_limit),
    check_ids.SHEET: _of_build(lambda card: (card.size, card.fold)),
    check_ids.ENVELOPE: _of_build(lambda card: (card.size, card.build.envelope)),
}
