"""What can be done where nothing comes near a palette colour in a medium?"""

from dataclasses import dataclass

from jindle_core.colorimetry.spaces import as_lab
from jindle_core.media.medium import Medium
from jindle_core.offers.for_colour import NO_GAIN, GlazeOffer, InkedOffer, Target, glazed, inked_whole
from jindle_core.seen.palette import SeenPalette
from jindle_core.seen.table import alternatives
from jindle_core.supplies.matched import Match


@dataclass(frozen=True, slots=True)
class WaysOut:
    """The ways out of a hole, none of them taken yet.

    ``nearest`` is what comes nearest of what is owned, to be taken all the same; ``buy`` what is to be had
    and nearer than that; the rest is predicted: two that are owned over one another, an owned white card
    inked whole.
    """

    nearest: Match | None
    buy: Match | None
    glazes: tuple[GlazeOffer, ...]
    inked: tuple[InkedOffer, ...]


def ways_out(palette: SeenPalette, key: int, column: str) -> WaysOut:
    """The ways out for a palette colour in a column of the table; BadInput where there is no such colour."""
    at = palette.card.colours.index(palette.card.colour(key))
    owned = next(iter(alternatives(palette, key, column, None, True, True)[0]), None)
    best = owned.near.distance if owned else NO_GAIN
    to_be_had = alternatives(palette, key, column, None, False, True)[0]
    buy = next((one for one in to_be_had if one.swatch.fullness is None), None)
    lab, sigma = as_lab(palette.lab[at]), float(palette.sigma[at])
    media = [one for one in Medium if one.traits.column == column]
    clear = next((one for one in media if one.traits.layered), None)
    glazes = glazed(palette.supplies, Target(lab, sigma, clear), best)[0] if clear else []
    inked = inked_whole(palette.supplies, Target(lab, sigma, Medium.CARDSTOCK), best)[0]
    nearer = (
        [one for one in inked if one.predicted.gain > 0] if any(one.traits.stock for one in media) else []
    )
    return WaysOut(
        owned,
        buy if buy and buy.near.distance < best else None,
        tuple(glazes),
        tuple(nearer),
    )
