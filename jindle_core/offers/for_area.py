"""Which families could an area have, and what would make the one it has whole?"""

from collections.abc import Hashable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from jindle_core import figures
from jindle_core.card.changes.pictures import AreaFamily, SetFamilies
from jindle_core.card.pictures import Area
from jindle_core.colorimetry.difference import delta_e
from jindle_core.errors import BadInput, Problem
from jindle_core.families.build import Builder, Family
from jindle_core.families.differing import differing
from jindle_core.families.mending import bridge, deeper, glazed_shadow, lighter
from jindle_core.families.part import part
from jindle_core.families.recipes import Thing, recipe, suited, tones_wanted
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


def tones_to_offer(area: Area, said: int | None) -> int:
    """How many tones a family for an area has: as said, or as the area wants."""
    return said or tones_wanted(area.thing, area.extent, area.focal)


def family_offers(coloured: Coloured, area: Area, owned: bool, tones: int | None = None) -> list[FamilyOffer]:
    """The best family for an area and some that differ; empty where nothing says which colour it has."""
    found, places = _best(coloured, area, owned, tones, figures.families.FAMILIES_LOOKED_AT)
    builder, _ = coloured.palette.supplies.families(area.medium, owned, area.layers, coloured.paper)
    around, offers = _around(coloured, area), []
    for family, words in [] if around is None else differing(builder, found, around):
        its = places[list(family.places)]
        labs = coloured.palette.supplies.predicted.in_layers(its, area.layers, coloured.paper)
        offers.append(FamilyOffer(family, tuple(its.tolist()), labs, words))
    return offers


def proposed(pictures: Sequence[Coloured], keys: Sequence[int], owned: bool) -> SetFamilies:
    """The best family for each of some areas of some pictures that there is one for.

    Areas of one thing share one: what has less room takes a part of it, and
    where others of it have theirs, that is taken on. Without any key, of
    those without a family that follow no other. BadInput where there is none
    at all.
    """
    for key in keys:
        pictures[0].palette.card.area(key)
    things: dict[Hashable, list[tuple[Coloured, Area]]] = {}
    others: dict[Hashable, list[tuple[Coloured, Area]]] = {}
    for coloured in pictures:
        for area in coloured.areas:
            asked = area.key in keys if keys else not area.family and area.like is None
            its = (coloured.paper, area.medium, area.layers, area.colour, area.thing)
            (things if asked else others).setdefault(its, []).append((coloured, area))
    known: dict[Builder, np.ndarray] = {}
    families: list[AreaFamily] = []
    for kind, areas in things.items():
        families += _shared(areas, others.get(kind, []), owned, known)
    if not families:
        raise BadInput(
            Problem(
                "No area here has a palette colour to build a family around, or the supplies hold none.",
                field="areas",
                expected="areas with a colour, and a colour of their medium in its hue",
            )
        )
    return SetFamilies(tuple(families))


def _shared(
    areas: Sequence[tuple[Coloured, Area]],
    others: Sequence[tuple[Coloured, Area]],
    owned: bool,
    known: dict[Builder, np.ndarray],
) -> Iterator[AreaFamily]:
    """One family for all areas of a thing, of which each takes as many tones as it has room for."""
    coloured, first = areas[0]
    tones = max(tones_to_offer(area, None) for _, area in areas)
    had = [one.tones[area.key].places for one, area in others if _holds(one, area)]
    places = max(had, key=len, default=())
    if not places:
        # White beside black goes deeper: where one of them lies so, all of them do.
        beside = next((one for one in areas if one[0].beside(one[1], Thing.BLACK)), areas[0])
        found, candidates = _best(*beside, owned, tones, known=known)
        if not found:
            return
        places = tuple(candidates[list(found[0].places)].tolist())
    supplies = coloured.palette.supplies
    labs = supplies.predicted.in_layers(np.array(places), first.layers, coloured.paper)
    around = coloured.aim(first, 0.0)[0]
    for _, area in areas:
        taken = part(labs, tones_to_offer(area, None), around, recipe(area.thing).allowance)
        yield AreaFamily(area.key, tuple(supplies.rows[places[at]].id for at in taken), area.medium)


def _holds(coloured: Coloured, area: Area) -> bool:
    judged = coloured.judgement(area)
    return judged is not None and judged.holds


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
    around = _around(coloured, area)
    if around is None or not len(places):
        return [], places
    beside_black = coloured.beside(area, Thing.BLACK)
    made, off = recipe(area.thing, beside_black), None
    _, reach = coloured.aim(area, float(np.median(supplies.sigma[places])))
    if made.around is None and area.colour is not None:
        at = [colour.key for colour in coloured.palette.card.colours].index(area.colour)
        known = {} if known is None else known
        if builder not in known:
            known[builder] = delta_e(coloured.palette.lab[:, None], builder.candidates[None])
        off = known[builder][at]
    fits = suited(area.thing, builder.candidates, coloured.warmth(area), beside_black)
    among = fits if fits.sum() >= figures.families.FAMILY_SIZES[0] else None
    wanted = tones_to_offer(area, tones)
    return builder.best(around, wanted, count, made.allowance, off, reach, among), places


def _around(coloured: Coloured, area: Area) -> np.ndarray | None:
    """The colour that an area's family is built around; None where nothing says which."""
    made = recipe(area.thing, coloured.beside(area, Thing.BLACK))
    return coloured.aim(area, 0.0)[0] if made.around is None else np.asarray(made.around)


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
