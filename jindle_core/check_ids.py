"""What are the checks of a card called, so that each can be let be?"""

import re
from collections.abc import Collection, Mapping

from jindle_core.layers.pieces import BASE

SPAN = "span"
THICKNESS, ENVELOPE, SPREAD, WRITING = "thickness", "envelope", "spread", "writing"
_OF_CARD = (SPAN, THICKNESS, ENVELOPE, SPREAD, WRITING)
_GROUND, _CONFLICT = "ground:", "conflict:"


def pair_check(key: int) -> str:
    """The check on a pair."""
    return f"pair:{key}"


def piece_check(what: str, key: int) -> str:
    """A check on a piece: "fit", "stands" or "finish"."""
    return f"{what}:{key}"


def melting_check(one: int, other: int) -> str:
    """The check on two pieces, or the card itself, that squinting melts together."""
    return f"melts:{min(one, other)}:{max(one, other)}"


def once_check(key: int) -> str:
    """The check on a palette colour that must not appear but once."""
    return f"once:{key}"


def family_check(key: int) -> str:
    """The check on the shading family of an area."""
    return f"family:{key}"


def conflict_check(what: str) -> str:
    """The check on materials that may not get on."""
    return _CONFLICT + what


def ground_check(what: str) -> str:
    """A check on the ground: what it is on, as its findings name it."""
    return _GROUND + what


def is_of_ground(check: str) -> bool:
    """Whether a check is on the ground."""
    return check.startswith(_GROUND)


def pieces_in(check: str) -> tuple[int, ...]:
    """The keys of the pieces that a check is on; none where it is on something else."""
    what, _, keys = check.partition(":")
    return tuple(int(key) for key in keys.split(":")) if what in ("fit", "stands", "finish", "melts") else ()


def is_check(check: str, keys: Mapping[str, Collection[int]]) -> bool:
    """Whether a card could have a check; ``keys`` are those of its "pair", "once", "family" and "piece"."""
    if check in _OF_CARD or any(check.startswith(one) and check != one for one in (_GROUND, _CONFLICT)):
        return True
    if melting := re.fullmatch(r"melts:(\d+):(\d+)", check):
        return all(int(key) in (BASE, *keys["piece"]) for key in melting.groups())
    found = re.fullmatch(r"(pair|once|family|fit|stands|finish):(\d+)", check)
    return bool(found) and int(found[2]) in keys.get(found[1], keys["piece"])
