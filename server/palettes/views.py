"""Palettes landed on supplies, as the screens get them."""

from collections.abc import Sequence
from dataclasses import asdict

import numpy as np

from jindle_core import figures
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.families.convert import assign
from jindle_core.palettes.landing import Landed, reasons
from jindle_core.palettes.role import Role
from jindle_core.palettes.rules import RulePlace
from jindle_core.supplies.matched import Match, matches_of
from jindle_core.supplies.whole import Supplies
from server.catalogue.swatches import match_told
from server.palettes.models import Combination
from server.told.palettes import Combination as CombinationTold
from server.told.palettes import LandedColour, Landing, Reason


def places_of(supplies: Supplies, column: str, owned: bool) -> np.ndarray:
    """The supplies of a column of the palette table that a palette may land on."""
    return supplies.searched.tree(column, owned)[1]


def landings(supplies: Supplies, places: np.ndarray, landed: Sequence[Landed]) -> list[Landing]:
    """Palettes of rules."""
    if not landed:
        return []
    # Every colour of all of them at once: to work out few takes as long as many.
    asked = np.concatenate([one.wanted for one in landed])
    at = places[np.concatenate([one.places for one in landed])]
    matches = matches_of(supplies, at, asked, [0.0] * len(at))
    colours = iter(zip(matches, asked, shades(asked), strict=True))

    def colour(slot: RulePlace) -> LandedColour:
        found, wanted, shade = next(colours)
        return _colour(found.swatch.name or found.swatch.hue_name, slot.role, found, wanted, shade)

    return [
        Landing(
            rule=one.rule.key,
            title=one.rule.title,
            about=one.rule.about,
            colours=[colour(slot) for slot in one.rule.places],
            reasons=[Reason(**asdict(reason)) for reason in reasons(one)],
        )
        for one in landed
    ]


def combination(supplies: Supplies, places: np.ndarray, kept: Combination, person_id: int) -> CombinationTold:
    """A kept combination, with the supplies it lands on."""
    labs = np.array([one["lab"] for one in kept.stored], dtype=float)
    sigmas = [figures.colour.UNCERTAINTY[one["provenance"]] for one in kept.stored]
    found = places[assign(labs, supplies.lab[places])] if len(places) else None
    matches = [None] * len(labs) if found is None else matches_of(supplies, found, labs, sigmas)
    colours = []
    for one, wanted, shade, near in zip(kept.stored, labs, shades(labs), matches, strict=True):
        colours.append(_colour(one["name"], Role(one["role"]), near, wanted, shade))
    return CombinationTold(id=kept.pk, name=kept.name, own=kept.owner_id == person_id, colours=colours)


def _colour(name: str, role: Role, found: Match | None, wanted: np.ndarray, shade: Shades) -> LandedColour:
    """The supply, if there is any, beside the colour that it stands for."""
    return LandedColour(
        name=name,
        role=role,
        match=None if found is None else match_told(found),
        wanted=shade,
        lab=[round(float(value), 2) for value in wanted],
    )
