"""Which families could an area have, and what would make the one it has whole?"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput, Problem
from jindle_core.families.build import Builder, Family
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.recipes import Thing, recipe, suited, tones_wanted
from jindle_core.seen.colouring import Coloured


@dataclass(frozen=True, slots=True)
class FamilyOffer:
    """A family for an area: the places of its tones among the supplies, light to dark, and their CIELAB
    (k, 3) as they would look in the area."""

    family: Family
    places: tuple[int, ...]
    labs: np.ndarray


@dataclass(frozen=True, slots=True)
class ToneOffer:
    """A tone that would help an area's family: its place, its CIELAB (3,) there, and the family with it.

    ``family`` are ids, light to dark; None for a glaze, which is no tone of its own.
    """

    words: str
    place: int
    lab: np.ndarray
    family: tuple[int, ...] | None


def tones_to_offer(area: Area, said: int | None) -> int:
    """How many tones a family for an area has: as said, or as the area wants."""
    return said or tones_wanted(area.thing, area.extent, area.focal)


def family_offers(coloured: Coloured, area: Area, owned: bool, tones: int | None = None) -> list[FamilyOffer]:
    """The best families for an area; empty where nothing says which colour it has."""
    found, places = _best(coloured, area, owned, tones, figures.families.FAMILIES_OFFERED)
    offers = []
    for family in found:
        its = places[list(family.places)]
        labs = coloured.palette.supplies.predicted.in_layers(its, area.layers, coloured.paper)
        offers.append(FamilyOffer(family, tuple(its.tolist()), labs))
    return offers


def proposed(pictures: Sequence[Coloured], keys: Sequence[int], owned: bool) -> SetFamilies:
    """The best family for each of some areas of some pictures that there is one for.

    Without any key, of those without a family that follow no other. BadInput
    where there is none at all.
    """
    families = []
    answered: dict[tuple[object, ...], tuple[list[Family], np.ndarray]] = {}
    known: dict[Builder, np.ndarray] = {}
    for key in keys:
        pictures[0].palette.card.area(key)
    every = [(coloured, area) for coloured in pictures for area in coloured.areas]
    for coloured, area in every:
        if area.key not in keys if keys else area.family or area.like is not None:
            continue
        # A drawing has many leaves: what is asked alike is answered once.
        alike = (coloured.paper, area.medium, area.layers, area.colour, area.thing, area.extent, area.focal)
        asked = (*alike, coloured.warmth(area) > 0, coloured.beside(area, Thing.BLACK))
        if asked not in answered:
            answered[asked] = _best(coloured, area, owned, known=known)
        found, places = answered[asked]
        for family in found[:1]:
            ids = tuple(coloured.palette.supplies.rows[place].id for place in places[list(family.places)])
            families.append(AreaFamily(area.key, ids, area.medium))
    if not families:
        raise BadInput(
            Problem(
                "No area here has a palette colour to build a family around, or the supplies hold none.",
                field="areas",
                expected="areas with a colour, and two colours of their medium",
            )
        )
    return SetFamilies(tuple(families))


def _best(
    coloured: Coloured,
    area: Area,
    owned: bool,
    tones: int | None = None,
    count: int = 1,
    known: dict[Builder, np.ndarray] | None = None,
) -> tuple[list[Family], np.ndarray]:
    """The best families for an area, and the places that theirs speak of.

    ``known`` keeps, by builder, how far the palette is from all its candidates, for the next area.
    """
    supplies = coloured.palette.supplies
    builder, places = supplies.families(area.medium, owned, area.layers, coloured.paper)
    made = recipe(area.thing)
    around: np.ndarray | None = None if made.around is None else np.asarray(made.around)
    off = None
    aimed, reach = coloured.aim(area, float(np.median(supplies.sigma[places])) if len(places) else 0.0)
    if around is None and area.colour is not None and len(places):
        at = [colour.key for colour in coloured.palette.card.colours].index(area.colour)
        around = aimed
        known = {} if known is None else known
        if builder not in known:
            known[builder] = delta_e(coloured.palette.lab[:, None], builder.candidates[None])
        off = known[builder][at]
    if around is None or not len(places):
        return [], places
    fits = suited(area.thing, builder.candidates, coloured.warmth(area), coloured.beside(area, Thing.BLACK))
    if not fits.all() and fits.sum() >= figures.families.FAMILY_SIZES[0]:
        builder, places = Builder(builder.candidates[fits]), places[fits]
        off = None if off is None else off[fits]
    wanted = tones_to_offer(area, tones)
    return builder.best(around, wanted, count, made.allowance, off, reach), places


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

    offer("a deeper shadow", deeper(tones.lab, candidates), len(tones.places))
    offer("a lighter light", lighter(tones.lab, candidates), 0)
    judged = coloured.judgement(area)
    for fault in judged.faults if judged else ():
        if fault.key == "far" and fault.step is not None:
            upper, lower = tones.lab[fault.step], tones.lab[fault.step + 1]
            offer("a tone in between", bridge(upper, lower, candidates), fault.step + 1)
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
