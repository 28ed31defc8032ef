"""What is found by what somebody types, and what is like a colour?"""

from collections.abc import Sequence
from typing import Annotated

from jindle_core.colorimetry.views import Shades
from server.told.answer import Answer
from server.told.swatch import Match, Swatch


class FoundValue(Answer):
    """A colour that was typed as a value."""

    lab: Sequence[float]
    hex: str
    provenance: str
    on_screen: bool
    hue_name: str


class Found(Answer):
    """What a typed text may mean."""

    value: FoundValue | None
    colours: Sequence[Swatch]
    more: bool
    described: Annotated[bool, "found by what they look like, nearest first"]


class Target(Answer):
    """What is matched: a supply, or a value that was typed."""

    swatch: Swatch | None
    label: str
    lab: Sequence[float]
    shades: Shades
    hue_name: str
    provenance_words: str
    uncertainty: float
    on_screen: bool
    wide: str | None


class LikeInRange(Answer):
    """What of one range is like the target, nearest first."""

    range_id: int
    range_name: str
    maker: str
    medium: str
    own: bool
    matches: Sequence[Match]


class Like(Answer):
    """What is like a colour in every range, the range with the nearest first."""

    target: Target
    ranges: Sequence[LikeInRange]
