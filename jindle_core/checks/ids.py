"""What are the checks of a card called, so that each can be let be?"""

import re

SPAN = "span"
THICKNESS, ENVELOPE, SPREAD, WRITING = "thickness", "envelope", "spread", "writing"
SHEET = "sheet"
_OF_CARD = (SPAN, THICKNESS, ENVELOPE, SPREAD, WRITING, SHEET)
_OF_ONE = re.compile(
    r"(?:pair|once|family|fit|stands|finish):[0-9]{1,9}|melts:[0-9]{1,9}:[0-9]{1,9}|(?:ground|conflict):.+"
)
LONGEST = 80  # characters: "conflict:" with the longest rule's key has 38


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
    return f"conflict:{what}"


def ground_check(what: str) -> str:
    """A check on the ground: what it is on, as its findings name it."""
    return f"ground:{what}"


def is_well_formed(check: str) -> bool:
    """Whether a check could be called so."""
    return check in _OF_CARD or bool(_OF_ONE.fullmatch(check))
