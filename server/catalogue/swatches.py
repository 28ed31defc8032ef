"""A colour as every screen gets it, and how near it is to another."""

from collections.abc import Sequence
from typing import TypedDict

from jindle_core.matching.verdicts import Verdict
from jindle_core.supplies.matched import Match, Nearness, Swatch, match_of, swatch_of
from jindle_core.supplies.whole import Supplies
from server.told.choices import PROVENANCE_WORDS
from server.told.swatch import Match as MatchTold
from server.told.swatch import Swatch as SwatchTold


def swatch(supplies: Supplies, place: int) -> SwatchTold:
    """The colour at a place of the supplies."""
    return swatch_told(swatch_of(supplies, place))


def swatch_told(found: Swatch) -> SwatchTold:
    """A colour."""
    return SwatchTold(
        **found._asdict() | {"lab": [round(value, 2) for value in found.lab]},
        provenance_words=PROVENANCE_WORDS[found.provenance],
        owned=found.fullness is not None,
    )


def match(
    supplies: Supplies, place: int, target: Sequence[float], sigma: float, distance: float
) -> MatchTold:
    """How near the colour at a place is to a target (3,) known to ``sigma``."""
    return match_told(match_of(supplies, place, target, sigma, distance))


def match_told(found: Match) -> MatchTold:
    """A colour beside a target."""
    return MatchTold(swatch=swatch_told(found.swatch), **nearness_told(found.near))


class NearTold(TypedDict):
    """How near a colour is to a target, as the answers that say so hold it among their fields."""

    distance: float
    uncertainty: float
    verdict: Verdict
    tentative: bool
    between: tuple[Verdict, Verdict]
    likely: tuple[float, float]
    direction: str


def nearness_told(near: Nearness) -> NearTold:
    """How near a colour is to a target."""
    judged = near.judged
    return {
        "distance": round(near.distance, 2),
        "uncertainty": round(judged.uncertainty, 2),
        "verdict": judged.verdict,
        "tentative": judged.tentative,
        "between": (judged.nearest, judged.farthest),
        "likely": (round(judged.low, 1), round(judged.high, 1)),
        "direction": near.direction,
    }
