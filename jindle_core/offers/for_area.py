"""Which families could an area have, and what would make the one it has whole?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.pictures import Area
from jindle_core.checked.shading import best_families, tones_to_offer, wanted_around
from jindle_core.families.build import Builder, Family
from jindle_core.families.differing import differing
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.recipes import Thing, recipe, white_of, whites
from jindle_core.seen.colouring import Coloured


@dataclass(frozen=True, slots=True)
class FamilyOffer:
    """A family for an area: the places of its tones among the supplies, light to dark, and their CIELAB
    (k, 3) as they would look in the area, and a few words for it."""

    family: Family
    places: tuple[int, ...]
    labs: np.ndarray
    words: str


@dataclass(frozen=True, slots=True)
class ToneOffer:
    """A tone that would help an area's family: its place, its CIELAB (3,) there, and the family with it.

    ``family`` are ids, light to dark; None for a glaze, which is no tone of its own.
    """

    words: str
    place: int
    lab: np.ndarray
    family: tuple[int, ...] | None


def family_offers(coloured: Coloured, area: Area, owned: bool, tones: int | None = None) -> list[FamilyOffer]:
    """The best family for an area and some that differ; empty where nothing says which colour it has."""
    found, places = best_families(coloured, area, owned, tones, figures.families.FAMILIES_LOOKED_AT)
    builder, _ = coloured.palette.supplies.families(area.medium, owned, area.layers, coloured.paper)
    around, offers = wanted_around(coloured, area), []
    if area.thing is Thing.WHITE:
        chosen = _whites(builder, found, tones_to_offer(area, tones), coloured.beside(area, Thing.BLACK))
    else:
        chosen = [] if around is None else differing(builder, found, around)
    for family, words in chosen:
        its = places[list(family.places)]
        labs = coloured.palette.supplies.predicted.in_layers(its, area.layers, coloured.paper)
        offers.append(FamilyOffer(family, tuple(its.tolist()), labs, words))
    return offers


def _whites(
    builder: Builder, found: Sequence[Family], tones: int, beside_black: bool
) -> list[tuple[Family, str]]:
    """The best family for a white thing, and one of each other kind of white that there is."""
    chosen = [(one, white_of(builder.candidates[list(one.places)])) for one in found[:1]]
    allowance = recipe(Thing.WHITE, beside_black).allowance
    for words, around, among in whites(builder.candidates, beside_black):
        if words not in [had for _, had in chosen]:
            others = builder.best(around, tones, 1, allowance, among=among)
            chosen += [(one, words) for one in others if one.kept == "whole"]
    return chosen


def tone_offers(coloured: Coloured, area: Area, owned: bool) -> list[ToneOffer]:
    """Tones that would make the chosen family whole; none where there is no family."""
    tones = coloured.tones[area.key]
    if not tones.places:
        return []
    supplies = coloured.palette.supplies
    builder, places = supplies.families(area.medium, owned, area.layers, coloured.paper)
    other = ~np.isin(places, tones.places)
    candidates, places = builder.candidates[other], places[other]
    found: list[ToneOffer] = []

    def offer(words: str, at: int | None, where: int) -> None:
        if at is not None and len(tones.places) < figures.families.FAMILY_SIZES[1]:
            after = [*tones.places[:where], int(places[at]), *tones.places[where:]]
            ids = tuple(supplies.rows[place].id for place in after)
            found.append(ToneOffer(words, int(places[at]), candidates[at], ids))

    wanted = coloured.aim(area, max(tones.sigma))[0]
    offer("a deeper shadow", deeper(tones.lab, candidates, wanted), len(tones.places))
    offer("a lighter light", lighter(tones.lab, candidates, wanted), 0)
    judged = coloured.judgement(area)
    for fault in judged.faults if judged else ():
        if fault.key == "far" and fault.step is not None:
            upper, lower = tones.lab[fault.step], tones.lab[fault.step + 1]
            offer("a tone in between", bridge(upper, lower, candidates, wanted), fault.step + 1)
    if area.medium.traits.layered and area.key not in coloured.glazes:
        found += _glazes(coloured, area, candidates, places)
    return found


def _glazes(coloured: Coloured, area: Area, candidates: np.ndarray, places: np.ndarray) -> list[ToneOffer]:
    """A neutral over the darkest tone: the family itself stays as it is."""
    supplies, tones = coloured.palette.supplies, coloured.tones[area.key]
    greys = places[np.hypot(candidates[:, 1], candidates[:, 2]) < figures.paper.NEUTRAL_ROLE_C]
    dark = supplies.reflectance(np.array(tones.places[-1:]))[0]
    behaviour = supplies.predicted.behaviour(int(supplies.range_ids[tones.places[-1]]))
    glaze = glazed_shadow(dark, supplies.reflectance(greys), behaviour, area.layers, coloured.card)
    if glaze is None:
        return []
    sigma = supplies.predicted.glaze_sigma(tones.places[-1], int(greys[glaze.place]))
    words = f"over the dark once it is dry: predicted (± {sigma:.0f})"
    return [ToneOffer(words, int(greys[glaze.place]), np.array(glaze.lab), None)]
